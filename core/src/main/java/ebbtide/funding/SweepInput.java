package ebbtide.funding;

import static java.util.Objects.requireNonNull;

import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.flows.Flows;
import ebbtide.flows.LineFlows;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.CashRow;
import ebbtide.plan.Charging;
import ebbtide.plan.Direction;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What the sweep of a plan reads (rules 8): every other flow by day, minimum cash, limits, and what accrued by the
 * as-of date.
 */
final class SweepInput {
    /** Minimum cash by days of payments reads so many days ahead. */
    private static final int DAYS_AHEAD = 91;

    private final Plan plan;
    private final Books books;
    private final Timeline timeline;
    private final int asOf;
    private final long[] minimum;
    private final long[] overdraft;
    private final List<Line> facilities;
    private final Map<String, long[]> limits = new HashMap<>();
    private final Map<String, Owed> owed = new HashMap<>();
    private final Sweep.Input input;

    /** Reads the flows of all lines before the sweep, their plan and its books. */
    SweepInput(Flows flows) {
        this.plan = flows.accounts().plan();
        this.books = flows.accounts().books();
        this.timeline = flows.timeline();
        this.asOf = timeline.index(plan.settings().asOf());
        this.minimum = minimum(flows);
        this.overdraft = byDay(
                plan.settings().facility() == null
                        ? Steps.none()
                        : plan.settings().facility().limit());
        this.facilities = plan.lines().stream()
                .filter(line -> line.standing().cash() == CashRow.FACILITIES && plan.isActive(line))
                .toList();
        Availability known =
                facilities.stream().anyMatch(line -> ((Revolving) line.assumption()).availability() != null)
                        ? new Availability(flows.accounts(), months(plan.settings()))
                        : null;
        this.facilities.forEach(line -> limits.put(line.id(), most((Revolving) line.assumption(), known)));
        this.input = read(flows.closing());
    }

    List<Line> facilities() {
        return facilities;
    }

    long minimum(int day) {
        return minimum[day];
    }

    long overdraft(int day) {
        return overdraft[day];
    }

    long most(Line facility, int day) {
        return requireNonNull(limits.get(facility.id()))[day];
    }

    private static int months(Settings settings) {
        return Timeline.monthNumber(YearMonth.from(settings.horizonEnd()))
                - Timeline.monthNumber(settings.firstForecastMonth())
                + 1;
    }

    private long[] most(Revolving revolving, @Nullable Availability eligible) {
        long[] most = new long[timeline.days()];
        BorrowingBase base = revolving.availability();
        long available = base == null ? Long.MAX_VALUE : base.now();
        int month = 0;
        for (int day = 0; day < most.length; day++) {
            LocalDate date = timeline.date(day);
            if (base != null
                    && day > asOf
                    && date.equals(YearMonth.from(date).atEndOfMonth())
                    && !date.isAfter(plan.settings().horizonEnd())) {
                available = requireNonNull(eligible).available(base, month++);
            }
            most[day] = Math.min(revolving.most(date), available);
        }
        return most;
    }

    private long[] minimum(Flows flows) {
        Settings settings = plan.settings();
        long[] byDay = byDay(settings.minimumCash());
        if (settings.funding().minimumDays() == null) {
            return byDay;
        }
        long[] upTo = new long[timeline.days() + 1];
        for (Line line : plan.lines()) {
            if (line.direction() == Direction.PAYMENT && !line.isGroup() && !line.isFunding()) {
                LineFlows one = flows.line(line.id());
                for (int day = 0; day < byDay.length; day++) {
                    upTo[day + 1] += Math.max(0, -one.cell(day, day + 1).amount());
                }
            }
        }
        for (int day = 1; day < upTo.length; day++) {
            upTo[day] += upTo[day - 1];
        }
        for (int day = 0; day < byDay.length; day++) {
            int end = Math.min(byDay.length, day + 1 + DAYS_AHEAD);
            int days = end - day - 1;
            byDay[day] = days == 0
                    ? (day == 0 ? 0 : byDay[day - 1])
                    : Rounding.divide(
                            settings.funding().minimumDays().multiply(BigDecimal.valueOf(upTo[end] - upTo[day + 1])),
                            days);
        }
        return byDay;
    }

    /** Amounts in force by day of the timeline, nothing before the first. */
    private long[] byDay(Steps<Long> steps) {
        long[] values = new long[timeline.days()];
        for (Steps.Step<Long> step : steps.steps()) {
            int from = Math.max(0, timeline.index(step.from()));
            if (from < values.length) {
                Arrays.fill(values, from, values.length, step.value());
            }
        }
        return values;
    }

    /**
     * Returns the input of the sweep; {@code levels} is closing cash by day before it, which interest changes after the
     * as-of date alone.
     */
    Sweep.Input of(long[] levels) {
        return input.flowing(net(levels));
    }

    private long[] net(long[] levels) {
        long[] net = new long[timeline.days() - asOf - 1];
        for (int day = 0; day < net.length; day++) {
            net[day] = levels[asOf + 1 + day] - levels[asOf + day];
        }
        return net;
    }

    private Sweep.Input read(long[] levels) {
        int days = timeline.days() - asOf - 1;
        FundingRules rules = plan.settings().funding();
        return new Sweep.Input(
                levels[asOf],
                net(levels),
                Arrays.copyOfRange(minimum, asOf + 1, timeline.days()),
                Arrays.copyOfRange(overdraft, asOf + 1, timeline.days()),
                swept(rules.sweeps(), days),
                rules.buffer(),
                facilities.stream().map(this::facility).toList(),
                ofBank(Interest.Of.OVERDRAFT, levels),
                ofBank(Interest.Of.CASH, levels),
                rules.interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE ? months(days) : null);
    }

    private LocalDate day(int swept) {
        return timeline.date(asOf + 1 + swept);
    }

    /** Money is drawn and repaid on business days. */
    private boolean[] swept(FundingRules.Sweeps sweeps, int days) {
        boolean[] swept = new boolean[days];
        DayOfWeek first = plan.settings().firstDayOfWeek();
        for (int i = 0; i < days && !facilities.isEmpty(); i++) {
            LocalDate day = day(i);
            LocalDate end =
                    switch (sweeps) {
                        case DAY -> day;
                        case WEEK -> day.with(TemporalAdjusters.nextOrSame(first.minus(1)));
                        case MONTH -> YearMonth.from(day).atEndOfMonth();
                    };
            swept[i] = sweeps == FundingRules.Sweeps.DAY
                    ? timeline.calendar().isBusinessDay(day)
                    : day.equals(timeline.calendar().previousOrSame(end));
        }
        return swept;
    }

    private List<Sweep.Month> months(int days) {
        List<Sweep.Month> months = new ArrayList<>();
        for (int first = 0; first < days; ) {
            YearMonth month = YearMonth.from(day(first));
            int last = Math.min(
                    days - 1,
                    first
                            + (int) (month.atEndOfMonth().toEpochDay()
                                    - day(first).toEpochDay()));
            LocalDate business = timeline.calendar().previousOrSame(month.atEndOfMonth());
            int paid = Math.max(
                    first,
                    Math.min(
                            last,
                            first + (int) (business.toEpochDay() - day(first).toEpochDay())));
            months.add(new Sweep.Month(first, last, paid, last - first + 1, month.lengthOfMonth()));
            first = last + 1;
        }
        return months;
    }

    private Sweep.Facility facility(Line line) {
        Revolving revolving = (Revolving) line.assumption();
        long[] most = Arrays.copyOfRange(limits.get(line.id()), asOf + 1, timeline.days());
        long[] moved = booked(line);
        LocalDate drawable = plan.settings().asOf();
        for (int i = 0; i < revolving.noticeDays(); i++) {
            drawable = timeline.calendar().next(drawable);
        }
        return new Sweep.Facility(
                most,
                moved,
                revolving.committed(),
                revolving.multiple(),
                Math.max(0, timeline.index(drawable) - asOf - 1),
                drawnOn(line, plan.settings().asOf()),
                accrual(line, revolving));
    }

    /** What the bank has booked after the as-of date, by day swept; what comes in is above zero. */
    private long[] booked(Line line) {
        long[] moved = new long[timeline.days() - asOf - 1];
        movements(line).stream()
                .filter(one ->
                        one.day().isAfter(plan.settings().asOf()) && !one.day().isAfter(timeline.last()))
                .forEach(one -> moved[timeline.index(one.day()) - asOf - 1] += one.minor());
        return moved;
    }

    private List<DayAmount> movements(Line line) {
        return books.byLine().getOrDefault(line.id(), List.of());
    }

    /**
     * Returns what is drawn on a facility at the end of a day up to the as-of date: what was said, and every movement
     * since.
     */
    long drawnOn(Line line, LocalDate day) {
        Revolving.Drawn drawn = ((Revolving) line.assumption()).drawn();
        return drawn.amount()
                + movements(line).stream()
                        .filter(one ->
                                one.day().isAfter(drawn.on()) && !one.day().isAfter(day))
                        .mapToLong(DayAmount::minor)
                        .sum();
    }

    /** Returns the line of interest of a facility, the overdraft or cash, if there is one. */
    Optional<Line> interestLine(Interest.Of of, @Nullable String lineId) {
        return plan.lines().stream()
                .filter(line -> line.assumption()
                                .findInterest()
                                .filter(one -> one.isOf(of, lineId))
                                .isPresent()
                        && plan.isActive(line))
                .findFirst();
    }

    /**
     * Returns the line on which the interest of a source of the sweep is paid: facilities in order, the overdraft,
     * cash.
     */
    Optional<Line> interestLineOf(int source) {
        return source < facilities.size()
                ? interestLine(Interest.Of.LINE, facilities.get(source).id())
                : interestLine(source == facilities.size() ? Interest.Of.OVERDRAFT : Interest.Of.CASH, null);
    }

    /**
     * Returns what the interest of a source came to from the start of the first month that is forecast to the as-of
     * date, as far as its balance is known.
     */
    long costOfMonthSoFar(int source) {
        long cost = interestLineOf(source)
                .map(line -> owed.get(line.id()))
                .map(one -> one.ofMonth)
                .orElse(0L);
        return source == facilities.size() + 1 ? -cost : cost;
    }

    private Accrual accrual(Line line, Revolving revolving) {
        int days = timeline.days() - asOf - 1;
        Optional<Line> interest = interestLine(Interest.Of.LINE, line.id());
        if (interest.isEmpty()) {
            return Accrual.none(days);
        }
        long[] rate = new long[days];
        long[] fee = new long[days];
        for (int day = 0; day < days; day++) {
            rate[day] = revolving.rate(day(day)).millionths();
            fee[day] = fee(revolving, day(day));
        }
        Charging charging = revolving.charging();
        Owed owed = new Owed(
                charging,
                revolving.drawn().on(),
                Accrual.accrued(revolving.drawn().accrued(), charging.dayCount().year()));
        for (LocalDate night = revolving.drawn().on();
                !night.isAfter(plan.settings().asOf());
                night = night.plusDays(1)) {
            long drawn = drawnOn(line, night);
            owed.night(
                    night,
                    BigInteger.valueOf(drawn)
                            .multiply(BigInteger.valueOf(revolving.rate(night).millionths()))
                            .add(BigInteger.valueOf(Math.max(0, mostBefore(revolving, night) - drawn))
                                    .multiply(BigInteger.valueOf(fee(revolving, night)))));
        }
        this.owed.put(interest.get().id(), owed);
        return accrual(charging, rate, fee, owed, negative(booked(interest.get())));
    }

    /**
     * The most that could be drawn up to the as-of date: what is available now is all that is known of it (rules 8.2).
     */
    private static long mostBefore(Revolving revolving, LocalDate night) {
        BorrowingBase base = revolving.availability();
        return base == null ? revolving.most(night) : Math.min(revolving.most(night), base.now());
    }

    private static long fee(Revolving revolving, LocalDate day) {
        return revolving
                .undrawnFee()
                .findOn(day)
                .map(step -> step.value().millionths())
                .orElse(0L);
    }

    static long[] negative(long[] amounts) {
        return Arrays.stream(amounts).map(amount -> -amount).toArray();
    }

    /**
     * Interest of the overdraft, or on cash held: what accrued by the as-of date is what the accounts bore since they
     * were charged last.
     */
    private Accrual ofBank(Interest.Of of, long[] levels) {
        int days = timeline.days() - asOf - 1;
        Optional<Line> line = interestLine(of, null);
        if (line.isEmpty()) {
            return Accrual.none(days);
        }
        Charging charging = ((Interest) line.get().assumption()).charging();
        long[] rate = new long[days];
        for (int day = 0; day < days; day++) {
            rate[day] = bankRate(of, day(day));
        }
        LocalDate from = charging.lastOn(charging.lastOn(plan.settings().asOf()).minusDays(1));
        // Before the first day of the timeline nothing moved: cash stood then as it did on the eve of it.
        long before = books.cash(timeline.first().minusDays(1));
        Owed owed = new Owed(charging, from, BigInteger.ZERO);
        for (LocalDate night = from; !night.isAfter(plan.settings().asOf()); night = night.plusDays(1)) {
            long cash = night.isBefore(timeline.first()) ? before : levels[timeline.index(night)];
            long balance = of == Interest.Of.CASH ? Math.max(0, cash) : Math.max(0, -cash);
            owed.night(night, BigInteger.valueOf(balance).multiply(BigInteger.valueOf(bankRate(of, night))));
        }
        this.owed.put(line.get().id(), owed);
        return accrual(charging, rate, new long[days], owed, negative(booked(line.get())));
    }

    private long bankRate(Interest.Of of, LocalDate day) {
        Steps<Percent> rates = of == Interest.Of.CASH
                ? plan.settings().cashRate()
                : plan.settings().facility() == null
                        ? Steps.none()
                        : plan.settings().facility().rate();
        return rates.findOn(day).map(step -> step.value().millionths()).orElse(0L);
    }

    private Accrual accrual(Charging charging, long[] rate, long[] fee, Owed owed, long[] booked) {
        int[] nights = new int[rate.length];
        int[] paidOn = new int[rate.length];
        for (int day = 0; day < rate.length; day++) {
            nights[day] = (int) charging.dayCount().days(day(day), day(day).plusDays(1));
            paidOn[day] = charging.isOn(day(day)) ? timeline.index(paid(charging, day(day))) - asOf - 1 : -1;
        }
        boolean waits =
                owed.paidOn != null && owed.paidOn.isAfter(plan.settings().asOf());
        return new Accrual(
                true,
                rate,
                fee,
                nights,
                charging.dayCount().year(),
                paidOn,
                owed.accrued,
                waits ? owed.charged : 0,
                waits ? timeline.index(requireNonNull(owed.paidOn)) - asOf - 1 : -1,
                booked);
    }

    private LocalDate paid(Charging charging, LocalDate charged) {
        return charging.nextBusinessDay() ? timeline.calendar().nextOrSame(charged) : charged;
    }

    /** What accrued up to the as-of date, charge by charge. */
    private final class Owed {
        private final Charging charging;
        private final LocalDate from;
        private BigInteger accrued;
        private long charged;
        private @Nullable LocalDate paidOn;
        private long ofMonth;

        Owed(Charging charging, LocalDate from, BigInteger accrued) {
            this.charging = charging;
            this.from = from;
            this.accrued = accrued;
        }

        void night(LocalDate night, BigInteger perDay) {
            boolean ofMonthForecast =
                    YearMonth.from(night).equals(plan.settings().firstForecastMonth());
            long before = minor();
            add(night, perDay);
            ofMonth += ofMonthForecast ? minor() - before + (chargedOn(night) ? charged : 0) : 0;
        }

        private boolean chargedOn(LocalDate night) {
            return night.isAfter(from) && charging.isOn(night);
        }

        private long minor() {
            return Rounding.divide(
                    new BigDecimal(accrued), 1_000_000L * charging.dayCount().year());
        }

        private void add(LocalDate night, BigInteger perDay) {
            if (chargedOn(night)) {
                charged = minor();
                paidOn = paid(charging, night);
                accrued = BigInteger.ZERO;
            }
            if (night.equals(plan.settings().asOf())
                    && plan.settings().funding().interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE) {
                // The mean of the days after the as-of date reckons from its balance: its night is in it.
                return;
            }
            accrued = accrued.add(
                    perDay.multiply(BigInteger.valueOf(charging.dayCount().days(night, night.plusDays(1)))));
        }
    }
}

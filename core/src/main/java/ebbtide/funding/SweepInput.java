package ebbtide.funding;

import static java.util.Objects.requireNonNull;

import ebbtide.derive.Derived;
import ebbtide.flows.Flows;
import ebbtide.flows.LineFlows;
import ebbtide.money.Rounding;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What the sweep of a plan reads (rules 8): every other flow by day, minimum cash, limits, and what accrued by the
 * as-of date.
 */
final class SweepInput {
    /** Minimum cash by days of payments reads so many days ahead. */
    private static final int DAYS_AHEAD = 91;

    private final Plan plan;
    private final Timeline timeline;
    private final SweptDays days;
    private final FundingBooks books;
    private final InterestSources interest;
    private final DaySeries minimum;
    private final DaySeries overdraft;
    private final List<Line> facilities;
    private final Map<String, DaySeries> limits = new HashMap<>();
    private final Map<String, DaySeries> drawnBefore = new ConcurrentHashMap<>();
    private final Sweep.Input input;
    private final Known known;

    /** What is taken over from an earlier plan where its facilities are the same: their interest and their limits. */
    private record Known(
            Derived<InterestSources.OfFacility, InterestSources.Source> interest,
            Derived<Limited, DaySeries> limits,
            Derived<Facilities, SweptTerms> terms) {}

    /** All that what changes of facilities by day follows from. */
    private record Facilities(List<SweptFacility> all, int days) {}

    /** All that the limit of a facility follows from, where no borrowing base does. */
    private record Limited(Revolving facility, Timeline timeline) {
        DaySeries most() {
            return DaySeries.of(timeline.days(), day -> facility.most(timeline.date(day)));
        }
    }

    /** Reads the flows of all lines before the sweep, their plan and its books; an earlier input is taken over. */
    SweepInput(Flows flows, Optional<SweepInput> before) {
        this.known = before.map(one -> new Known(
                        one.known.interest().next(),
                        one.known.limits().next(),
                        one.known.terms().next()))
                .orElseGet(() -> new Known(Derived.none(), Derived.none(), Derived.none()));
        this.plan = flows.accounts().plan();
        this.timeline = flows.timeline();
        this.days = SweptDays.of(plan.settings(), timeline);
        this.books = new FundingBooks(flows.accounts().books(), days);
        this.minimum = minimum(flows);
        this.overdraft = byDay(
                plan.settings().facility() == null
                        ? Steps.none()
                        : plan.settings().facility().limit());
        this.facilities = plan.lines().stream()
                .filter(line -> line.standing().cash() == CashRow.FACILITIES && plan.isActive(line))
                .toList();
        DaySeries levels = flows.closing();
        this.interest = new InterestSources(plan, facilities, books, levels, known.interest());
        Availability eligible =
                facilities.stream().anyMatch(line -> ((Revolving) line.assumption()).availability() != null)
                        ? new Availability(flows.accounts(), months(plan.settings()))
                        : null;
        this.facilities.forEach(line -> limits.put(line.id(), most(line, eligible)));
        this.input = read(levels);
    }

    List<Line> facilities() {
        return facilities;
    }

    SweptDays days() {
        return days;
    }

    FundingBooks books() {
        return books;
    }

    /** Returns what bears interest, with what of it accrued by the as-of date. */
    InterestSources interest() {
        return interest;
    }

    long minimum(int day) {
        return minimum.on(day);
    }

    long overdraft(int day) {
        return overdraft.on(day);
    }

    DaySeries minimum() {
        return minimum;
    }

    DaySeries overdraft() {
        return overdraft;
    }

    /** Returns the most that may be drawn on a facility by day of the timeline. */
    DaySeries limit(Line facility) {
        return requireNonNull(limits.get(facility.id()));
    }

    /** Returns what was drawn on a facility at the end of each day up to the as-of date. */
    DaySeries drawnBefore(Line facility) {
        return drawnBefore.computeIfAbsent(
                facility.id(), id -> DaySeries.of(days.asOf() + 1, day -> books.drawnOn(facility, timeline.date(day))));
    }

    private static int months(Settings settings) {
        return Timeline.monthNumber(YearMonth.from(settings.horizonEnd()))
                - Timeline.monthNumber(settings.firstForecastMonth())
                + 1;
    }

    private DaySeries most(Line facility, @Nullable Availability eligible) {
        Revolving revolving = (Revolving) facility.assumption();
        BorrowingBase base = revolving.availability();
        if (base == null) {
            return known.limits().of(facility.id(), () -> new Limited(revolving, timeline), Limited::most);
        }
        DaySeries.Sum most = new DaySeries.Sum(timeline.days());
        long available = base.now();
        int month = 0;
        for (int day = 0; day < timeline.days(); day++) {
            LocalDate date = timeline.date(day);
            if (date.isAfter(plan.settings().asOf())
                    && date.equals(YearMonth.from(date).atEndOfMonth())
                    && !date.isAfter(plan.settings().horizonEnd())) {
                available = requireNonNull(eligible).available(base, month++);
            }
            most.add(day, Math.min(revolving.most(date), available));
        }
        return most.series();
    }

    private DaySeries minimum(Flows flows) {
        Settings settings = plan.settings();
        BigDecimal daysOfPayments = settings.funding().minimumDays();
        if (daysOfPayments == null) {
            return byDay(settings.minimumCash());
        }
        DaySeries paid = payments(flows).levels(timeline.days(), 0);
        DaySeries.Sum minimum = new DaySeries.Sum(timeline.days());
        for (int day = 0; day < timeline.days(); day++) {
            int end = Math.min(timeline.days(), day + 1 + DAYS_AHEAD);
            int ahead = end - day - 1;
            long least = ahead == 0
                    ? (day == 0 ? 0 : minimum.on(day - 1))
                    : Rounding.divide(
                            daysOfPayments.multiply(BigDecimal.valueOf(paid.on(end - 1) - paid.on(day))), ahead);
            minimum.add(day, least);
        }
        return minimum.series();
    }

    /** What lines pay by day of the timeline, financing aside. */
    private DaySeries payments(Flows flows) {
        DaySeries.Sum payments = new DaySeries.Sum(timeline.days());
        for (Line line : plan.lines()) {
            if (line.direction() == Direction.PAYMENT && !line.isGroup() && !line.isFunding()) {
                LineFlows one = flows.line(line.id());
                for (int day = 0; day < timeline.days(); day++) {
                    payments.add(day, Math.max(0, -one.cell(day, day + 1).amount()));
                }
            }
        }
        return payments.series();
    }

    /** Amounts in force by day of the timeline, nothing before the first. */
    private DaySeries byDay(Steps<Long> steps) {
        return DaySeries.of(
                timeline.days(),
                day -> steps.findOn(timeline.date(day)).map(Steps.Step::value).orElse(0L));
    }

    /**
     * Returns the input of the sweep; {@code levels} is closing cash by day before it, which interest changes after the
     * as-of date alone.
     */
    Sweep.Input of(DaySeries levels) {
        return input.flowing(net(levels));
    }

    private DaySeries net(DaySeries levels) {
        int asOf = days.asOf();
        return DaySeries.of(days.count(), day -> levels.on(asOf + 1 + day) - levels.on(asOf + day));
    }

    private Sweep.Input read(DaySeries levels) {
        FundingRules rules = plan.settings().funding();
        List<SweptFacility> swept =
                IntStream.range(0, facilities.size()).mapToObj(this::facility).toList();
        return new Sweep.Input(
                levels.on(days.asOf()),
                net(levels),
                days.after(minimum),
                days.after(overdraft),
                facilities.isEmpty() ? new boolean[days.count()] : days.swept(rules.sweeps()),
                rules.buffer(),
                swept,
                interest.accrual(facilities.size()),
                interest.accrual(facilities.size() + 1),
                rules.interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE ? days.months() : null,
                known.terms()
                        .of("", () -> new Facilities(swept, days.count()), of -> new SweptTerms(of.all(), of.days())));
    }

    private SweptFacility facility(int at) {
        Line line = facilities.get(at);
        Revolving revolving = (Revolving) line.assumption();
        LocalDate drawable = plan.settings().asOf();
        for (int i = 0; i < revolving.noticeDays(); i++) {
            drawable = timeline.calendar().next(drawable);
        }
        return new SweptFacility(
                days.after(limit(line)),
                books.after(line),
                revolving.committed(),
                revolving.multiple(),
                Math.max(0, days.index(drawable)),
                books.drawnOn(line, plan.settings().asOf()),
                interest.accrual(at));
    }
}

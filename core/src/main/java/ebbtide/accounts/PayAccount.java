package ebbtide.accounts;

import static java.util.Objects.requireNonNull;

import ebbtide.activity.MonthlyActivity;
import ebbtide.derive.Lazy;
import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.Certainty;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** The pay of a line: what each pay day pays, withholds and adds, and when the rest is paid over (rules 7.1). */
public final class PayAccount implements LineAccount {
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
    /** Pay days after the last month that is earned whose work lies partly before it. */
    private static final int DAYS_AHEAD = 62;

    private final Reads reads;
    private final Pay pay;
    private final BusinessDays calendar;
    private final LocalDate asOf;
    private final Map<Days, List<LocalDate>> businessDays = new ConcurrentHashMap<>();
    private final List<PayDay> payDays;
    private final Lazy<SortedMap<YearMonth, Long>> expenses;
    private final Lazy<SortedMap<YearMonth, Long>> costs;
    private final Lazy<List<Due>> dues = Lazy.of(this::makeDues);

    /**
     * What the account of pay is made from: the line, and the monthly amounts, net of tax, of the lines that its
     * commissions are a share of.
     */
    record Reads(Line line, Frame frame, Map<String, MonthlyActivity> sold) {}

    /** Why a role is paid on a day. */
    public enum Why {
        /** Its pay for the days it covers. */
        PAY,
        /** A sum of its own on its date. */
        EXTRA,
        /** A commission, earned at the end of its month. */
        COMMISSION
    }

    /**
     * A day on which a role is paid: its date before and after the convention, the days it pays for (the same day for a
     * sum of its own), and what is earned, withheld from it and owed on top, in minor units.
     */
    public record PayDay(
            String role,
            Why why,
            String what,
            LocalDate typed,
            LocalDate day,
            LocalDate from,
            LocalDate to,
            long earned,
            long withheld,
            long onCost) {
        public long net() {
            return earned - withheld;
        }

        /** Returns what is paid over later: withheld, and the employer's own. */
        public long paidOver() {
            return withheld + onCost;
        }

        YearMonth month() {
            return YearMonth.from(typed);
        }
    }

    /**
     * What the pay days of a month leave to be paid over: what those up to the as-of date came to (null: not said) and
     * what the plan makes of them, what those after it add, the sum and its day.
     */
    public record PaidOverMonth(
            YearMonth month, @Nullable Long owed, long proposed, long after, LocalDate typed, LocalDate day) {
        public long total() {
            return (owed == null ? 0 : owed) + after;
        }
    }

    PayAccount(Reads reads) {
        this.reads = reads;
        this.pay = (Pay) reads.line().assumption();
        this.calendar = reads.frame().calendar(reads.line());
        this.asOf = reads.frame().asOf();
        this.payDays = makePayDays();
        this.expenses = Lazy.of(() -> earnedAfter(asOf));
        this.costs = Lazy.of(
                () -> earnedAfter(Timeline.month(reads.frame().open()).atDay(1).minusDays(1)));
    }

    @Override
    public Line line() {
        return reads.line();
    }

    /**
     * Staff are owed until they are paid (rules 1.9), so every pay day from the first on is looked for; none before it
     * is.
     */
    private List<PayDay> makePayDays() {
        LocalDate first = pay.days().anchor();
        LocalDate to = reads.frame().lastEarned().atEndOfMonth().plusDays(DAYS_AHEAD);
        List<PayDay> made = new ArrayList<>();
        List<PayDays.Date> dates = pay.days().between(first, to);
        for (Pay.Role role : pay.roles()) {
            dates.forEach(date -> addPay(made, role, date));
            role.extras().stream()
                    .filter(extra -> !extra.date().isAfter(to))
                    .forEach(extra -> addUnlessNil(
                            made,
                            role,
                            Why.EXTRA,
                            extra.note().isEmpty() ? "extra pay" : extra.note(),
                            new PayDays.Date(extra.date(), 0, extra.date(), extra.date()),
                            extra.amount()));
            Pay.Commission commission = role.commission();
            if (commission != null) {
                // What is earned up to the last month costs then, however much later it is paid.
                commissions(made, role, commission, pay.days().between(first, to.plusMonths(commission.monthsAfter())));
            }
        }
        made.sort(Comparator.comparing(PayDay::day));
        return made;
    }

    private void addUnlessNil(List<PayDay> made, Pay.Role role, Why why, String what, PayDays.Date date, long earned) {
        if (earned != 0) {
            made.add(new PayDay(
                    role.name(),
                    why,
                    what,
                    date.day(),
                    pay.days().convention().adjust(date.day(), calendar),
                    date.from(),
                    date.to(),
                    earned,
                    role.withheld().of(earned),
                    role.onCost().of(earned)));
        }
    }

    /** A year's pay is parted evenly over its pay days; one more than the usual number is paid in full as well. */
    private void addPay(List<PayDay> made, Pay.Role role, PayDays.Date date) {
        LocalDate begins = role.start().isAfter(date.from()) ? role.start() : date.from();
        LocalDate ends = role.end() != null && role.end().isBefore(date.to()) ? role.end() : date.to();
        if (ends.isBefore(begins)) {
            return;
        }
        long annual = role.annualOn(begins);
        int parts = pay.days().often().aYear();
        long full =
                date.ofYear() < parts ? Split.equalPart(annual, parts, date.ofYear()) : Rounding.divide(annual, parts);
        boolean whole = begins.equals(date.from()) && ends.equals(date.to());
        int all = whole ? 0 : businessDays(date.from(), date.to()).size();
        long earned = all == 0
                ? full
                : Rounding.divide(full * businessDays(begins, ends).size(), all);
        addUnlessNil(
                made,
                role,
                Why.PAY,
                whole ? "pay" : "pay for part of the time",
                new PayDays.Date(date.day(), date.ofYear(), begins, ends),
                earned);
    }

    private void commissions(List<PayDay> made, Pay.Role role, Pay.Commission commission, List<PayDays.Date> dates) {
        TreeMap<YearMonth, LocalDate> lastOfMonth = new TreeMap<>();
        dates.forEach(date -> lastOfMonth.put(YearMonth.from(date.day()), date.day()));
        lastOfMonth.forEach((paid, day) -> {
            YearMonth month = paid.minusMonths(commission.monthsAfter());
            boolean employed = !role.start().isAfter(month.atEndOfMonth())
                    && (role.end() == null || !role.end().isBefore(month.atDay(1)));
            if (employed) {
                long sold =
                        requireNonNull(reads.sold().get(commission.lineId())).in(Timeline.monthNumber(month));
                addUnlessNil(
                        made,
                        role,
                        Why.COMMISSION,
                        "commission of " + MONTH.format(month),
                        new PayDays.Date(day, 0, month.atDay(1), month.atEndOfMonth()),
                        commission.share().of(sold));
            }
        });
    }

    private record Days(LocalDate from, LocalDate to) {}

    /** Roles are mostly paid for the same days. */
    private List<LocalDate> businessDays(LocalDate from, LocalDate to) {
        return businessDays.computeIfAbsent(new Days(from, to), some -> findBusinessDays(from, to));
    }

    private List<LocalDate> findBusinessDays(LocalDate from, LocalDate to) {
        List<LocalDate> found = new ArrayList<>();
        for (LocalDate day = from; !day.isAfter(to); day = day.plusDays(1)) {
            if (calendar.isBusinessDay(day)) {
                found.add(day);
            }
        }
        return found;
    }

    /** Returns the pay days whose day lies from one day to another, both included. */
    public List<PayDay> between(LocalDate from, LocalDate to) {
        return payDays.stream()
                .filter(one -> !one.day().isBefore(from) && !one.day().isAfter(to))
                .toList();
    }

    /**
     * Returns what is to be paid over after the as-of date, or was said to be owed on it, up to the horizon, in order.
     */
    public List<PaidOverMonth> paidOver() {
        TreeMap<YearMonth, long[]> months = new TreeMap<>();
        pay.paidOver().owed().keySet().forEach(month -> months.put(month, new long[2]));
        for (PayDay one : payDays) {
            months.computeIfAbsent(one.month(), some -> new long[2])[one.day().isAfter(asOf) ? 1 : 0] += one.paidOver();
        }
        List<PaidOverMonth> found = new ArrayList<>();
        months.forEach((month, minor) -> {
            LocalDate typed = pay.paidOver().dueOf(month);
            LocalDate day = pay.paidOver().convention().adjust(typed, calendar);
            Long owed = pay.paidOver().owed().get(month);
            // A pay day still to come is paid over even where the day for it has passed already (rules 1.9).
            boolean open = minor[1] != 0 || day.isAfter(asOf) && minor[0] != 0;
            if ((open || owed != null)
                    && !month.atDay(1).isAfter(reads.frame().settings().horizonEnd())) {
                found.add(new PaidOverMonth(month, owed, minor[0], minor[1], typed, day));
            }
        });
        return found;
    }

    @Override
    public List<Due> dues() {
        return dues.get();
    }

    private List<Due> makeDues() {
        List<Due> dues = new ArrayList<>();
        TreeMap<LocalDate, List<PayDay>> byDay = new TreeMap<>();
        payDays.forEach(one ->
                byDay.computeIfAbsent(one.day(), some -> new ArrayList<>()).add(one));
        byDay.forEach((day, paid) -> dues.add(new Due(
                paid.get(0).typed(),
                day,
                paid.stream().mapToLong(PayDay::net).sum(),
                Certainty.CERTAIN,
                Due.Lasting.PAY_DAY,
                "pay after what is withheld",
                paid.stream()
                        .map(one -> new Due.Piece(one.role() + ", " + one.what(), one.net()))
                        .toList())));
        Map<YearMonth, List<PayDay>> later =
                payDays.stream().filter(one -> one.day().isAfter(asOf)).collect(Collectors.groupingBy(PayDay::month));
        paidOver().stream()
                .filter(month -> month.total() != 0)
                .forEach(month -> dues.add(new Due(
                        month.typed(),
                        month.day(),
                        month.total(),
                        Certainty.CERTAIN,
                        Due.Lasting.UNTIL_PAID,
                        "withheld and on-costs of the pay of " + MONTH.format(month.month()),
                        pieces(month, later.getOrDefault(month.month(), List.of())))));
        dues.sort(Comparator.comparing(Due::day));
        return dues;
    }

    private static List<Due.Piece> pieces(PaidOverMonth month, List<PayDay> later) {
        List<Due.Piece> pieces = new ArrayList<>();
        if (month.owed() != null) {
            pieces.add(new Due.Piece("owed on the as-of date", month.owed()));
        }
        later.forEach(one -> {
            pieces.add(new Due.Piece("withheld from " + one.role(), one.withheld()));
            pieces.add(new Due.Piece("on-costs of " + one.role(), one.onCost()));
        });
        pieces.removeIf(piece -> piece.minor() == 0);
        return pieces;
    }

    /**
     * Returns what is earned after the as-of date by month, with the employer's cost on top: the expense (rules 7.1).
     */
    public SortedMap<YearMonth, Long> expenses() {
        return expenses.get();
    }

    /**
     * Returns the same of whole months from the first that is forecast, its days up to the as-of date as the plan has
     * them.
     */
    public SortedMap<YearMonth, Long> costs() {
        return costs.get();
    }

    private SortedMap<YearMonth, Long> earnedAfter(LocalDate after) {
        SortedMap<YearMonth, Long> byMonth = new TreeMap<>();
        payDays.stream().filter(one -> one.to().isAfter(after)).forEach(one -> earnedAfter(one, after, byMonth));
        return byMonth;
    }

    /**
     * A pay day's cost over the business days it pays for, its parts of each month added up: the units left over lie on
     * the earliest days.
     */
    private void earnedAfter(PayDay one, LocalDate after, SortedMap<YearMonth, Long> byMonth) {
        long cost = one.earned() + one.onCost();
        List<LocalDate> days = daysOf(one);
        int count = days.size();
        long over = Math.abs(cost % count);
        for (int from = 0; from < count; ) {
            LocalDate first = days.get(from);
            int to = from + 1;
            while (to < count
                    && days.get(to).getMonthValue() == first.getMonthValue()
                    && days.get(to).getYear() == first.getYear()) {
                to++;
            }
            int open = from;
            while (open < to && !days.get(open).isAfter(after)) {
                open++;
            }
            if (open < to) {
                long units = Math.max(0, Math.min(over, to) - open);
                byMonth.merge(YearMonth.from(first), cost / count * (to - open) + Long.signum(cost) * units, Long::sum);
            }
            from = to;
        }
    }

    /**
     * Returns what was earned up to the as-of date and is paid after it, less what was paid by then for days after it,
     * each with the employer's cost on top.
     */
    public long accrued() {
        long[] sum = {0};
        payDays.stream()
                .filter(one -> one.day().isAfter(asOf) || one.to().isAfter(asOf))
                .forEach(one -> eachDay(one, (day, minor) -> {
                    boolean paid = !one.day().isAfter(asOf);
                    if (paid == day.isAfter(asOf)) {
                        sum[0] += paid ? -minor : minor;
                    }
                }));
        return sum[0];
    }

    private interface DayLong {
        void accept(LocalDate day, long minor);
    }

    /** Lays a pay day's cost over the business days it pays for. */
    private void eachDay(PayDay one, DayLong sink) {
        long cost = one.earned() + one.onCost();
        List<LocalDate> days = daysOf(one);
        for (int i = 0; i < days.size(); i++) {
            sink.accept(days.get(i), Split.equalPart(cost, days.size(), i));
        }
    }

    /**
     * The business days that a pay day pays for, its last day where there are none; a commission is earned at its
     * month's end.
     */
    private List<LocalDate> daysOf(PayDay one) {
        List<LocalDate> days = one.why() == Why.COMMISSION ? List.of() : businessDays(one.from(), one.to());
        return days.isEmpty() ? List.of(one.to()) : days;
    }

    @Override
    public Earned earned() {
        Earned.Sum sum = new Earned.Sum(reads.frame(), -1);
        costs().forEach((month, minor) -> sum.both(Timeline.monthNumber(month), minor));
        return reads.line().nature() == Nature.OUTSIDE ? sum.done().outside() : sum.done();
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.empty();
    }

    @Override
    public List<String> missing() {
        return paidOver().stream()
                .filter(month -> month.owed() == null && month.proposed() != 0)
                .map(
                        month -> line().name() + " of " + month.month()
                                + " lacks what was withheld and owed on the as-of date: take the figure proposed, or type your own")
                .toList();
    }

    @Override
    public Optional<String> mendOfOverdue() {
        return Optional.of("type a first pay day after those that were paid");
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return TaxPoints.none(reads.frame());
    }
}

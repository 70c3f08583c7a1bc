package ebbtide.accounts;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.activity.MonthlyActivity;
import ebbtide.derive.Lazy;
import ebbtide.money.Split;
import ebbtide.plan.Certainty;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Pay;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** The pay of a line: what each pay day pays, withholds and adds, and when the rest is paid over (rules 7.1). */
public final class PayAccount implements LineAccount {
    private final Reads reads;
    private final Pay pay;
    private final BusinessDays calendar;
    private final LocalDate asOf;
    private final Payroll payroll;
    private final List<Payroll.PayDay> payDays;
    private final Lazy<SortedMap<YearMonth, Long>> expenses;
    private final Lazy<SortedMap<YearMonth, Long>> costs;
    private final Lazy<List<Due>> dues = Lazy.of(this::makeDues);

    /**
     * What the account of pay is made from: the line, and the monthly amounts, net of tax, of the lines that its
     * commissions are a share of.
     */
    record Reads(Line line, Frame frame, Map<String, MonthlyActivity> sold) {}

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
        this.payroll = new Payroll(reads.frame(), reads.line(), calendar, reads.sold());
        this.payDays = payroll.payDays();
        this.expenses = Lazy.of(() -> earnedAfter(asOf));
        this.costs = Lazy.of(
                () -> earnedAfter(Timeline.month(reads.frame().open()).atDay(1).minusDays(1)));
    }

    @Override
    public Line line() {
        return reads.line();
    }

    /** Returns the pay days whose day lies from one day to another, both included. */
    public List<Payroll.PayDay> between(LocalDate from, LocalDate to) {
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
        for (Payroll.PayDay one : payDays) {
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
        TreeMap<LocalDate, List<Payroll.PayDay>> byDay = new TreeMap<>();
        payDays.forEach(one ->
                byDay.computeIfAbsent(one.day(), some -> new ArrayList<>()).add(one));
        byDay.forEach((day, paid) -> dues.add(new Due(
                paid.get(0).typed(),
                day,
                paid.stream().mapToLong(Payroll.PayDay::net).sum(),
                Certainty.CERTAIN,
                Due.Lasting.PAY_DAY,
                "pay after what is withheld",
                paid.stream()
                        .map(one -> new Due.Piece(one.role() + ", " + one.what(), one.net()))
                        .toList())));
        Map<YearMonth, List<Payroll.PayDay>> later = payDays.stream()
                .filter(one -> one.day().isAfter(asOf))
                .collect(Collectors.groupingBy(Payroll.PayDay::month));
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

    private static List<Due.Piece> pieces(PaidOverMonth month, List<Payroll.PayDay> later) {
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
    private void earnedAfter(Payroll.PayDay one, LocalDate after, SortedMap<YearMonth, Long> byMonth) {
        long cost = one.earned() + one.onCost();
        List<LocalDate> days = payroll.daysOf(one);
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
    private void eachDay(Payroll.PayDay one, DayLong sink) {
        long cost = one.earned() + one.onCost();
        List<LocalDate> days = payroll.daysOf(one);
        for (int i = 0; i < days.size(); i++) {
            sink.accept(days.get(i), Split.equalPart(cost, days.size(), i));
        }
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

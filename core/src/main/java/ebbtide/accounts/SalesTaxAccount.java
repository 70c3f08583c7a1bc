package ebbtide.accounts;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.derive.Lazy;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.time.BusinessDays;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * The sales tax that a plan owes: what each line brings to each tax period, and when its balance is settled (rules
 * 7.3).
 */
public final class SalesTaxAccount implements LineAccount {
    /** A year until it is settled, a year until it is refunded, and the days by which holidays move both. */
    private static final int LONGEST_UNSETTLED = 26;

    private final Reads reads;
    private final SalesTaxSettlement rule;
    private final BusinessDays calendar;
    private final int firstMonth;
    private final int openMonth;
    private final int months;
    private final List<Bearing> after = new ArrayList<>();
    private final TreeMap<YearMonth, Long> before = new TreeMap<>();
    private final Lazy<MonthSeries> output = Lazy.of(() -> after(Direction.RECEIPT));
    private final Lazy<MonthSeries> input = Lazy.of(() -> after(Direction.PAYMENT));
    private final Lazy<List<TaxPeriod>> periods = Lazy.of(this::makePeriods);
    private final Lazy<List<Due>> dues = Lazy.of(this::makeDues);
    private long soFar;

    /** The tax points of a line that bears tax. */
    record Bearing(String lineId, String name, Direction direction, TaxPoints points) {}

    /**
     * What the account is made from: the tax points of the lines that bear tax, from the first month that is not
     * settled on.
     */
    record Reads(Line line, Frame frame, TaxPoints.Basis basis, List<Bearing> bearing) {}

    /**
     * What tax points after the as-of date bring to a period on one line, unsigned: output on receipts, input on
     * payments.
     */
    public record LineTax(String lineId, String name, Direction direction, long minor) {}

    /**
     * A tax period that is not settled yet: its months, what tax points up to the as-of date come to (null: not said)
     * and what the plan and its history make of them, what lines bring after it ({@link SalesTaxAccount#lines}: of
     * each), and the balance with the day on which it is paid, or refunded when negative.
     */
    public record TaxPeriod(
            YearMonth first,
            YearMonth last,
            @Nullable Long owed,
            long proposed,
            long output,
            long input,
            long balance,
            LocalDate settled) {
        /** Returns whether part of the period lies up to the as-of date, so that what was owed then should be said. */
        public boolean beganBy(LocalDate asOf) {
            return !first.atDay(1).isAfter(asOf);
        }
    }

    SalesTaxAccount(Reads reads) {
        this.reads = reads;
        this.rule = (SalesTaxSettlement) reads.line().assumption();
        this.calendar = reads.frame().calendar(reads.line());
        this.openMonth = reads.frame().open();
        this.firstMonth = reads.basis().firstMonth();
        this.months = reads.frame().toHorizon();
        reads.bearing().forEach(this::take);
    }

    @Override
    public Line line() {
        return reads.line();
    }

    /**
     * Returns for which tax points the account asks: from the first month of the earliest period that is settled after
     * the as-of date, or is said to be owed still.
     */
    static TaxPoints.Basis basis(Line line, Frame frame) {
        SalesTaxSettlement rule = (SalesTaxSettlement) line.assumption();
        YearMonth now = rule.lastMonthOf(Timeline.month(frame.open()));
        YearMonth last = now;
        // A refund comes later than a payment would: until then it may be owed. One period may be settled long after
        // others.
        for (YearMonth before = now;
                before.isAfter(now.minusMonths(LONGEST_UNSETTLED));
                before = before.minusMonths(rule.periodMonths())) {
            if (settled(rule, before, -1, frame.calendar(line)).isAfter(frame.asOf())) {
                last = before;
            }
        }
        if (!rule.owed().isEmpty() && rule.owed().firstKey().isBefore(last)) {
            last = rule.owed().firstKey();
        }
        return new TaxPoints.Basis(rule, Timeline.monthNumber(rule.firstMonthOf(last)));
    }

    private void take(Bearing line) {
        line.points().before().forEach((month, minor) -> {
            before.merge(rule.lastMonthOf(month), minor * line.direction().sign(), Long::sum);
            soFar += Timeline.monthNumber(month) == openMonth
                    ? minor * line.direction().sign()
                    : 0;
        });
        if (!line.points().after().isNil()) {
            after.add(line);
        }
    }

    private LocalDate settled(YearMonth last, long balance) {
        return settled(rule, last, balance, calendar);
    }

    private static LocalDate settled(SalesTaxSettlement rule, YearMonth last, long balance, BusinessDays calendar) {
        LocalDate day = rule.convention().adjust(rule.settledOn(last), calendar);
        return balance < 0 ? rule.convention().adjust(rule.settledOn(last).plusDays(rule.refundDays()), calendar) : day;
    }

    /**
     * Returns the periods not settled by the as-of date up to the horizon, and those said to be owed still, in order.
     */
    public List<TaxPeriod> periods() {
        return periods.get();
    }

    private List<TaxPeriod> makePeriods() {
        List<TaxPeriod> periods = new ArrayList<>();
        YearMonth end = YearMonth.from(reads.frame().settings().horizonEnd());
        for (YearMonth last = rule.lastMonthOf(Timeline.month(firstMonth));
                !rule.firstMonthOf(last).isAfter(end);
                last = last.plusMonths(rule.periodMonths())) {
            TaxPeriod period = period(last);
            if (period.settled().isAfter(reads.frame().asOf())
                    || period.owed() != null
                    || settled(last, period.proposed()).isAfter(reads.frame().asOf())) {
                periods.add(period);
            }
        }
        return periods;
    }

    private TaxPeriod period(YearMonth last) {
        YearMonth first = rule.firstMonthOf(last);
        long out = after(Direction.RECEIPT, first, last);
        long in = after(Direction.PAYMENT, first, last);
        Long owed = rule.owed().get(last);
        long balance = (owed == null ? 0 : owed) + out - in;
        return new TaxPeriod(
                first, last, owed, before.getOrDefault(last, 0L), out, in, balance, settled(last, balance));
    }

    private long after(Direction direction, YearMonth first, YearMonth last) {
        return (direction == Direction.RECEIPT ? output : input)
                .get()
                .sum(Timeline.monthNumber(first), Timeline.monthNumber(last));
    }

    private MonthSeries after(Direction direction) {
        MonthSeries.Sum sum = new MonthSeries.Sum(openMonth, months);
        after.stream()
                .filter(one -> one.direction() == direction)
                .forEach(one -> sum.add(one.points().after(), 1));
        return sum.series();
    }

    /**
     * Returns what each line brings after the as-of date from a month to another, both included; lines that bring
     * nothing are left out.
     */
    public List<LineTax> lines(YearMonth first, YearMonth last) {
        int from = Math.max(0, Timeline.monthNumber(first) - openMonth);
        int to = Math.min(months - 1, Timeline.monthNumber(last) - openMonth);
        List<LineTax> lines = new ArrayList<>();
        for (Bearing one : after) {
            long minor = 0;
            for (int i = from; i <= to; i++) {
                minor += one.points().after().at(i);
            }
            if (minor != 0) {
                lines.add(new LineTax(one.lineId(), one.name(), one.direction(), minor));
            }
        }
        return lines;
    }

    /** Returns what tax points bring by whole month from the first that is forecast, output above zero, input below. */
    public MonthSeries pointsByMonth() {
        MonthSeries.Sum points = new MonthSeries.Sum(openMonth, months);
        after.forEach(one -> points.add(one.points().after(), one.direction().sign()));
        points.add(openMonth, soFar);
        return points.series();
    }

    /** Returns what tax points of the first month that is forecast up to the as-of date bring, by the plan. */
    public long pointsSoFar() {
        return soFar;
    }

    /** Returns the settlements: each stands until it is paid. */
    @Override
    public List<Due> dues() {
        return dues.get();
    }

    private List<Due> makeDues() {
        return periods().stream()
                .filter(period -> period.balance() != 0)
                .map(this::due)
                .sorted(java.util.Comparator.comparing(Due::day))
                .toList();
    }

    /**
     * Returns what was owed and what each line brings, of a period whose balance falls due; of no other sum anything.
     */
    @Override
    public List<Due.Piece> pieces(Due due) {
        return periods().stream()
                .filter(period -> due(period).equals(due))
                .findFirst()
                .map(this::pieces)
                .orElseGet(List::of);
    }

    private List<Due.Piece> pieces(TaxPeriod period) {
        List<Due.Piece> pieces = new ArrayList<>();
        if (period.owed() != null) {
            pieces.add(new Due.Piece("owed on the as-of date", period.owed()));
        }
        lines(period.first(), period.last())
                .forEach(line -> pieces.add(new Due.Piece(
                        (line.direction() == Direction.RECEIPT ? "tax on " : "less tax paid on ") + line.name(),
                        line.minor() * line.direction().sign())));
        return pieces;
    }

    /** The day on which a period's balance falls due, before its convention. */
    private LocalDate typed(TaxPeriod period) {
        return rule.settledOn(period.last()).plusDays(period.balance() < 0 ? rule.refundDays() : 0);
    }

    private Due due(TaxPeriod period) {
        return Due.whole(
                typed(period),
                period.settled(),
                period.balance(),
                Certainty.CERTAIN,
                Due.Lasting.UNTIL_PAID,
                (period.balance() < 0 ? "refund of sales tax, " : "sales tax, ") + words(period));
    }

    private static String words(TaxPeriod period) {
        String last = MONTH.format(period.last());
        return period.first().equals(period.last()) ? last : MONTH.format(period.first()) + " to " + last;
    }

    @Override
    public Earned earned() {
        return Earned.nil(reads.frame());
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.empty();
    }

    @Override
    public List<String> missing() {
        return periods().stream()
                .filter(period ->
                        period.owed() == null && period.beganBy(reads.frame().asOf()))
                .map(period -> line().name() + " of the period to " + period.last()
                        + " lacks what was owed on the as-of date: take the figure proposed, or type your own")
                .toList();
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return TaxPoints.none(reads.frame());
    }
}

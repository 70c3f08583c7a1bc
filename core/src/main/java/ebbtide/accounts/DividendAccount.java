package ebbtide.accounts;

import ebbtide.money.Money;
import ebbtide.plan.Certainty;
import ebbtide.plan.Dividends;
import ebbtide.plan.Line;
import ebbtide.plan.Steps;
import ebbtide.time.BusinessDays;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What owners are paid out of profit: declared in its month, paid on its day (rules 7.6). */
public final class DividendAccount implements LineAccount {
    /** A dividend is looked for so many days after its day that up to three months may have begun since. */
    private static final int MONTHS_LOOKED_FOR = 3;

    private final Reads reads;
    private final Dividends dividends;
    private final BusinessDays calendar;
    private final int open;
    private final List<Declared> before = new ArrayList<>();

    /** A dividend: the month it is declared in, its amount, and what can be distributed then (null: not known). */
    public record Declared(
            YearMonth month, long amount, @Nullable Long distributable) {}

    /**
     * What the account is made from: profit after tax by month to the horizon, and as it would be without interest of
     * the sweep, which is what is paid out month by month (rules 8.9).
     */
    record Reads(Line line, Frame frame, MonthSeries afterTax, MonthSeries beforeSwept) {}

    DividendAccount(Reads reads) {
        this.reads = reads;
        this.dividends = (Dividends) reads.line().assumption();
        this.calendar = reads.frame().calendar(reads.line());
        this.open = reads.frame().open();
        for (int month = open - dividends.monthsAfter() - MONTHS_LOOKED_FOR; month < open; month++) {
            long amount = Timeline.month(month).getMonth() == dividends.declared()
                    ? declaredBefore(Timeline.month(month))
                    : 0;
            if (amount != 0) {
                before.add(new Declared(Timeline.month(month), amount, null));
            }
        }
    }

    @Override
    public Line line() {
        return reads.line();
    }

    /** Returns the dividends declared from the first month that is forecast on, in order. */
    public List<Declared> declared() {
        List<Declared> all = new ArrayList<>();
        Long distributable = dividends.distributable();
        for (int i = 0; i < reads.afterTax().months(); i++) {
            YearMonth month = Timeline.month(open + i);
            long amount = dividends.by() == Dividends.By.MONTH_PROFIT || month.getMonth() == dividends.declared()
                    ? amount(i, month)
                    : 0;
            if (amount != 0) {
                all.add(new Declared(month, amount, distributable));
            }
            distributable = distributable == null
                    ? null
                    : distributable - amount + reads.afterTax().at(i);
        }
        return all;
    }

    @Override
    public List<String> missing() {
        for (Declared one : declared()) {
            Long distributable = one.distributable();
            if (distributable != null && one.amount() > distributable) {
                return List.of(line().name() + " declared in " + one.month() + " is more than the "
                        + Money.words(
                                Math.max(0, distributable),
                                reads.frame().settings().currency())
                        + " that can be distributed: lower it, or say more");
            }
        }
        return List.of();
    }

    /**
     * What was declared before the first month that is forecast, as far as it is known: the profit of earlier months is
     * not.
     */
    private long declaredBefore(YearMonth month) {
        return switch (dividends.by()) {
            case AMOUNT -> typed(month);
            case MONTH_PROFIT -> 0;
            case YEAR_PROFIT ->
                lastWholeYearStart(month) == lastWholeYearStart(Timeline.month(open))
                        ? dividends.payout().of(Math.max(0, dividends.lastYearProfit()))
                        : 0;
        };
    }

    private long typed(YearMonth month) {
        return dividends.amount().findOn(month.atDay(1)).map(Steps.Step::value).orElse(0L);
    }

    private long amount(int at, YearMonth month) {
        return switch (dividends.by()) {
            case AMOUNT -> typed(month);
            case MONTH_PROFIT ->
                at == 0
                        ? 0
                        : dividends.payout().of(Math.max(0, reads.beforeSwept().at(at - 1) + madeGood(at, month)));
            case YEAR_PROFIT -> dividends.payout().of(Math.max(0, lastWholeYear(month)));
        };
    }

    /**
     * When a fiscal year is over, what interest of the sweep took from its profit is taken from the next that is paid
     * out.
     */
    private long madeGood(int at, YearMonth month) {
        long sum = 0;
        for (int i = Math.max(0, at - 12);
                month.getMonth() == reads.frame().settings().firstFiscalMonth() && i < at;
                i++) {
            sum += reads.afterTax().at(i) - reads.beforeSwept().at(i);
        }
        return sum;
    }

    /** The profit after tax of the last fiscal year that ended before a month. */
    private long lastWholeYear(YearMonth month) {
        int start = lastWholeYearStart(month);
        if (start + 12 <= open) {
            return dividends.lastYearProfit();
        }
        long profit = start < open ? dividends.yearSoFar() : 0;
        for (int m = Math.max(start, open); m < start + 12; m++) {
            profit += reads.afterTax().in(m);
        }
        return profit;
    }

    private int lastWholeYearStart(YearMonth month) {
        int into = Math.floorMod(
                month.getMonthValue()
                        - reads.frame().settings().firstFiscalMonth().getValue(),
                12);
        return Timeline.monthNumber(month) - into - 12;
    }

    /** Returns what is declared up to the month of a day and paid after that day. */
    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.of(everyDue()
                .filter(one -> !one.month().isAfter(YearMonth.from(day))
                        && one.due().day().isAfter(day))
                .mapToLong(one -> one.due().amount())
                .sum());
    }

    /** Returns the dues, those that were declared before the forecast and may still be paid among them (rules 1.9). */
    @Override
    public List<Due> dues() {
        return everyDue().map(DatedDue::due).toList();
    }

    private record DatedDue(YearMonth month, Due due) {}

    private Stream<DatedDue> everyDue() {
        return Stream.concat(before.stream(), declared().stream()).map(one -> {
            YearMonth paid = one.month().plusMonths(dividends.monthsAfter());
            LocalDate day = paid.atDay(Math.min(dividends.day(), paid.lengthOfMonth()));
            return new DatedDue(
                    one.month(),
                    Due.whole(
                            day,
                            dividends.convention().adjust(day, calendar),
                            one.amount(),
                            Certainty.CERTAIN,
                            Due.Lasting.ONE_OFF,
                            "dividend declared in " + one.month()));
        });
    }

    @Override
    public Earned earned() {
        return Earned.nil(reads.frame());
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return TaxPoints.none(reads.frame());
    }
}

package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The settling of sales tax with the state (rules 7.3): tax periods of {@code periodMonths}, one of which begins in
 * {@code firstMonth}; the balance of each is paid on a day some months after its last month, a negative one refunded
 * some days after that; those that end in a month of {@code otherDays} on a day of their own. {@code owed} is what tax
 * points up to the as-of date come to, by the last month of their period.
 */
public record SalesTaxSettlement(
        int periodMonths,
        Month firstMonth,
        int monthsAfter,
        int day,
        int refundDays,
        Convention convention,
        TaxPoint point,
        boolean relief,
        SortedMap<YearMonth, Long> owed,
        List<OtherDay> otherDays)
        implements Assumption {
    /** The day on which periods that end in a month are settled: of the nth month after it. */
    public record OtherDay(Month ends, int monthsAfter, int day) {
        public OtherDay {
            Objects.requireNonNull(ends, "month in which a tax period ends");
            Check.inRange(monthsAfter, 0, 12, "months after the period");
            Check.inRange(day, 1, 31, "day on which it is settled");
        }
    }

    /** How many months a tax period may have. */
    public static final List<Integer> LENGTHS = List.of(1, 2, 3, 4, 6, 12);

    /** What decides the period a tax belongs to. */
    public enum TaxPoint {
        /** The month of activity, or the date of the bill, paid or not. */
        INVOICE,
        /** The day on which it is paid. */
        CASH
    }

    public SalesTaxSettlement {
        Check.that(
                LENGTHS.contains(periodMonths), "A tax period has 1, 2, 3, 4, 6 or 12 months, but had " + periodMonths);
        Objects.requireNonNull(firstMonth, "first month of a tax period");
        Check.inRange(monthsAfter, 0, 12, "months after the period");
        Check.inRange(day, 1, 31, "day on which it is settled");
        Check.inRange(refundDays, 0, 365, "days until a refund");
        Objects.requireNonNull(convention, "convention");
        Objects.requireNonNull(point, "tax point");
        otherDays = List.copyOf(otherDays);
        for (OtherDay other : otherDays) {
            Check.that(
                    Math.floorMod(other.ends().getValue() - firstMonth.getValue() + 1, periodMonths) == 0,
                    "No tax period ends in " + name(other.ends()) + ": choose a month in which one does");
            Check.that(
                    otherDays.stream().filter(one -> one.ends() == other.ends()).count() == 1,
                    "Periods that end in " + name(other.ends()) + " have two days: keep one of them");
        }
        owed = Collections.unmodifiableSortedMap(new TreeMap<>(owed));
        for (YearMonth last : owed.keySet()) {
            Check.that(
                    last.equals(lastMonthOf(last, periodMonths, firstMonth)),
                    "No tax period ends with " + last + ": they have "
                            + periodMonths + " months, and one begins in "
                            + name(firstMonth));
        }
    }

    /** Makes settlements that all are on the same day. */
    public SalesTaxSettlement(
            int periodMonths,
            Month firstMonth,
            int monthsAfter,
            int day,
            int refundDays,
            Convention convention,
            TaxPoint point,
            boolean relief,
            SortedMap<YearMonth, Long> owed) {
        this(periodMonths, firstMonth, monthsAfter, day, refundDays, convention, point, relief, owed, List.of());
    }

    private static String name(Month month) {
        return month.getDisplayName(java.time.format.TextStyle.FULL, java.util.Locale.ENGLISH);
    }

    /** Returns the last month of the tax period that holds a month. */
    public YearMonth lastMonthOf(YearMonth month) {
        return lastMonthOf(month, periodMonths, firstMonth);
    }

    private static YearMonth lastMonthOf(YearMonth month, int length, Month first) {
        int into = Math.floorMod(month.getMonthValue() - first.getValue(), length);
        return month.plusMonths(length - 1L - into);
    }

    /** Returns the first month of the tax period that ends with a month. */
    public YearMonth firstMonthOf(YearMonth last) {
        return last.minusMonths(periodMonths - 1L);
    }

    /**
     * Returns the day on which the tax of the period that ends with a month is to be paid; a day the month lacks is its
     * last.
     */
    public LocalDate settledOn(YearMonth last) {
        OtherDay settled = otherDays.stream()
                .filter(one -> one.ends() == last.getMonth())
                .findFirst()
                .orElse(new OtherDay(last.getMonth(), monthsAfter, day));
        YearMonth month = last.plusMonths(settled.monthsAfter());
        return month.atDay(Math.min(settled.day(), month.lengthOfMonth()));
    }

    @Override
    public boolean relievesBadDebts() {
        return relief;
    }

    @Override
    public String kind() {
        return "sales-tax";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OUTSIDE;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(CashRow.SALES_TAX, OpeningSheet.Kind.SALES_TAX);
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public List<Input<SalesTaxSettlement>> inputs() {
        return Inputs.of(this)
                .add("periodMonths", "tax period", Unit.months(1, 12))
                .add(
                        "monthsAfter",
                        "settled on day " + day,
                        new Unit(Unit.Measure.MONTHS, "months after the period", 0, 12))
                .add("refundDays", "refunded after", Unit.days(0, 365))
                .add("owed", "tax owed on the as-of date, by the last month of its period", Unit.SIGNED)
                .when(false, "day", "settled on the day of the month", Unit.DAY_OF_MONTH)
                .when(false, "firstMonth", "a tax period begins in", Unit.CHOICE)
                .when(false, "point", "tax point", Unit.CHOICE)
                .when(false, "relief", "bad debts give tax back", Unit.CHOICE)
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .each(
                        "otherDays",
                        otherDays,
                        one -> one.ends().name().toLowerCase(java.util.Locale.ROOT),
                        (one, at) -> Inputs.of(one)
                                .add(
                                        "monthsAfter",
                                        "of the period that ends in " + name(one.ends()) + ", on day " + one.day(),
                                        new Unit(Unit.Measure.MONTHS, "months after the period", 0, 12))
                                .when(false, "day", "on the day of the month", Unit.DAY_OF_MONTH))
                .facts("owed")
                .list();
    }

    /** Returns the same calendar without what was owed. */
    @Override
    public SalesTaxSettlement cleared() {
        return withOwed(new TreeMap<>());
    }

    /** Returns the same calendar with what tax points up to the as-of date come to. */
    public SalesTaxSettlement withOwed(SortedMap<YearMonth, Long> amounts) {
        return new SalesTaxSettlement(
                periodMonths, firstMonth, monthsAfter, day, refundDays, convention, point, relief, amounts, otherDays);
    }
}

package ebbtide.billing;

import ebbtide.money.Split;
import ebbtide.plan.DayTerms;
import ebbtide.plan.SalesTax;
import ebbtide.time.Spread;
import java.util.ArrayList;
import java.util.List;

/**
 * What is billed for one month and issued day by day as the line's spread lays it; each day's part is paid by terms of
 * days (rules 3.3). Minor units, unsigned.
 */
public record DayBilling(int month, long gross, long tax, DayTerms terms) {

    /** Returns the billing of a month's amount, as the line types it, with its tax. */
    public static DayBilling of(int monthNumber, long amount, SalesTax salesTax, DayTerms terms) {
        long tax = salesTax.taxOf(amount);
        return new DayBilling(monthNumber, salesTax.amountsAreGross() ? amount : amount + tax, tax, terms);
    }

    public long net() {
        return gross - tax;
    }

    /** Receives what is paid on a day, by its index on the timeline of issues: gross, and the discount taken off it. */
    public interface PaidSink {
        void add(int day, long gross, long discount);
    }

    /** Returns the discount of an amount of the month when it is paid early, rounded once; 0 when it is not. */
    public long discountOf(long amount) {
        return terms.isEarly() ? terms.earlyPayment().discount().of(amount) : 0;
    }

    /**
     * Lays the gross over the days it is issued on and from each to the day it is paid, which may lie beyond the
     * timeline. The month's discount is parted over them by largest remainder. Terms that count from the month need no
     * day of issue.
     */
    public void lay(Spread spread, PaidDays days, PaidSink sink) {
        int[] paid = days.of(terms);
        if (terms.isEarly() && gross != 0) {
            layEarly(spread, days, paid, sink);
        } else if (terms.due() == DayTerms.Due.AFTER_ISSUE) {
            spread.lay(gross, month, days.issues(), (day, minor) -> sink.add(paid[day], minor, 0));
        } else {
            sink.add(paid[days.issues().startOfMonth(month)], gross, 0);
        }
    }

    private void layEarly(Spread spread, PaidDays days, int[] paid, PaidSink sink) {
        List<long[]> parts = new ArrayList<>();
        spread.lay(gross, month, days.issues(), (day, minor) -> parts.add(new long[] {paid[day], minor}));
        long[] discounts = Split.byWeights(
                discountOf(gross),
                parts.stream().mapToLong(part -> Math.abs(part[1])).toArray());
        for (int i = 0; i < discounts.length; i++) {
            sink.add((int) parts.get(i)[0], parts.get(i)[1], discounts[i]);
        }
    }

    /** Receives a part with the day it is issued on and the day it is paid on, as indexes on the timeline of issues. */
    public interface IssuedSink {
        void add(int issued, int paid, long minor);
    }

    /** Lays the gross over the days it is issued on, each part with the day it is paid on. */
    public void layIssued(Spread spread, PaidDays days, IssuedSink sink) {
        int[] paid = days.of(terms);
        spread.lay(gross, month, days.issues(), (day, minor) -> sink.add(day, paid[day], minor));
    }
}

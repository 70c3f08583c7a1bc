package ebbtide.activity;

import ebbtide.plan.SalesTax;
import ebbtide.time.MonthSeries;

/**
 * A stream's amounts by month, in minor units as the line types them (net, or gross where it says so): what the method
 * computes, and what counts, history and overrides in their place.
 */
public record MonthlyActivity(MonthSeries computed, MonthSeries effective) {

    /**
     * Returns the same net of the sales tax in it, each month rounded once; itself where the line types its amounts
     * net.
     */
    MonthlyActivity without(SalesTax tax) {
        return tax.amountsAreGross() ? new MonthlyActivity(net(computed, tax), net(effective, tax)) : this;
    }

    private static MonthSeries net(MonthSeries gross, SalesTax tax) {
        return MonthSeries.of(gross.first(), gross.last(), m -> gross.in(m) - tax.taxOf(gross.in(m)));
    }

    /** Returns the number of the first month known. */
    public int firstMonth() {
        return effective.first();
    }

    /** Returns the number of the last month known. */
    public int lastMonth() {
        return effective.last();
    }

    /** Returns the amount that counts in a month, 0 outside the months known. */
    public long in(int monthNumber) {
        return effective.in(monthNumber);
    }

    /** Returns the amount the method computes for a month, 0 outside the months known. */
    public long computedIn(int monthNumber) {
        return computed.in(monthNumber);
    }
}

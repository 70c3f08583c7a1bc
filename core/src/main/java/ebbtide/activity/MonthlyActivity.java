package ebbtide.activity;

import ebbtide.plan.SalesTax;
import java.util.Arrays;

/**
 * A stream's amounts by month, in minor units as the line types them (net, or gross where it says so): what the method
 * computes, and what counts, history and overrides in their place.
 */
public record MonthlyActivity(int firstMonth, long[] computed, long[] effective) {

    /**
     * Returns the same net of the sales tax in it, each month rounded once; itself where the line types its amounts
     * net.
     */
    MonthlyActivity without(SalesTax tax) {
        return tax.amountsAreGross() ? new MonthlyActivity(firstMonth, net(computed, tax), net(effective, tax)) : this;
    }

    private static long[] net(long[] gross, SalesTax tax) {
        return Arrays.stream(gross).map(amount -> amount - tax.taxOf(amount)).toArray();
    }

    public int lastMonth() {
        return firstMonth + effective.length - 1;
    }

    /** Returns the amount that counts in a month, 0 outside the months known. */
    public long in(int monthNumber) {
        int at = monthNumber - firstMonth;
        return at < 0 || at >= effective.length ? 0 : effective[at];
    }

    /** Returns the amount the method computes for a month, 0 outside the months known. */
    public long computedIn(int monthNumber) {
        int at = monthNumber - firstMonth;
        return at < 0 || at >= computed.length ? 0 : computed[at];
    }
}

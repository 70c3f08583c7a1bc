package ebbtide.billing;

import ebbtide.derive.Lazy;
import ebbtide.money.Percent;
import ebbtide.money.Split;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.SalesTax;
import ebbtide.time.MonthSeries;

/**
 * The billing of a line month after month, by one tax and one pattern of payment (rules 3.1 to 3.3). The parts of all
 * months lie in one array, a row for each: they are read in order, by the cash first and by what is earned much later.
 */
public final class PatternBilling {
    private final MonthPattern pattern;
    private final MonthSeries amounts;
    private final boolean amountsAreGross;
    private final long[] weights;
    private final int[] lags;
    private final Percent[] discounts;
    private final int monthsToWriteOff;
    private final long[] taxes;
    private final long[] gross;
    private final Lazy<long[]> taxParts;

    /** Bills the amounts of some months, as the line types them, with their tax. */
    public PatternBilling(SalesTax tax, MonthPattern pattern, MonthSeries amounts) {
        this.pattern = pattern;
        this.amounts = amounts;
        this.amountsAreGross = tax.amountsAreGross();
        this.weights = weights(pattern);
        this.lags =
                pattern.steps().stream().mapToInt(MonthPattern.Step::lagMonths).toArray();
        this.discounts =
                pattern.steps().stream().map(MonthPattern.Step::discount).toArray(Percent[]::new);
        this.monthsToWriteOff = pattern.monthsToWriteOff();
        this.taxes = new long[amounts.months()];
        long[] grossByMonth = new long[taxes.length];
        for (int row = 0; row < taxes.length; row++) {
            taxes[row] = tax.taxOf(amounts.at(row));
            grossByMonth[row] = grossAt(row);
        }
        this.gross = Split.allByWeights(grossByMonth, weights);
        this.taxParts = Lazy.of(() -> Split.allByWeights(taxes, weights));
    }

    private static long[] weights(MonthPattern pattern) {
        int steps = pattern.steps().size();
        long[] weights = new long[steps + 1];
        for (int i = 0; i < steps; i++) {
            weights[i] = pattern.steps().get(i).share().millionths();
        }
        weights[steps] = pattern.never().millionths();
        return weights;
    }

    /** Returns whether a month bills anything. */
    public boolean bills(int monthNumber) {
        return amounts.in(monthNumber) != 0;
    }

    int row(int monthNumber) {
        return monthNumber - amounts.first();
    }

    MonthPattern pattern() {
        return pattern;
    }

    int steps() {
        return lags.length;
    }

    int lag(int step) {
        return lags[step];
    }

    Percent discount(int step) {
        return discounts[step];
    }

    int monthsToWriteOff() {
        return monthsToWriteOff;
    }

    long taxAt(int row) {
        return taxes[row];
    }

    long grossAt(int row) {
        return amountsAreGross ? amounts.at(row) : amounts.at(row) + taxes[row];
    }

    /** Returns what a step bills of a row, the unpaid share being the last. */
    long grossAt(int row, int step) {
        return gross[row * weights.length + step];
    }

    /** Returns the tax within a step of a row, the unpaid share being the last. */
    long taxAt(int row, int step) {
        return taxParts.get()[row * weights.length + step];
    }
}

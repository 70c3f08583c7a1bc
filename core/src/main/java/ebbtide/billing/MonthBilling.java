package ebbtide.billing;

import ebbtide.money.Percent;
import ebbtide.money.Split;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.SalesTax;
import org.jspecify.annotations.Nullable;

/**
 * What is billed for one month, parted by a pattern (rules 3.2), in minor units: the gross of each step by largest
 * remainder over the steps and the unpaid share, the tax parted the same way.
 */
public final class MonthBilling {
    private final int month;
    private final Series series;
    private final long gross;
    private final long tax;
    private final long[] grossByStep;
    private long @Nullable [] taxByStep;

    private MonthBilling(int monthNumber, long amount, Series series) {
        this.month = monthNumber;
        this.series = series;
        this.tax = series.tax.taxOf(amount);
        this.gross = series.tax.amountsAreGross() ? amount : amount + tax;
        this.grossByStep = Split.byWeights(gross, series.weights);
    }

    /** The billing of a line month after month, by one tax and one pattern. */
    public static final class Series {
        private final SalesTax tax;
        private final MonthPattern pattern;
        private final long[] weights;
        private final int[] lags;
        private final Percent[] discounts;
        private final int monthsToWriteOff;

        public Series(SalesTax tax, MonthPattern pattern) {
            this.tax = tax;
            this.pattern = pattern;
            this.weights = weights(pattern);
            this.lags = pattern.steps().stream()
                    .mapToInt(MonthPattern.Step::lagMonths)
                    .toArray();
            this.discounts =
                    pattern.steps().stream().map(MonthPattern.Step::discount).toArray(Percent[]::new);
            this.monthsToWriteOff = pattern.monthsToWriteOff();
        }

        /** Bills a month's amount, as the line types it, with its tax. */
        public MonthBilling bill(int monthNumber, long amount) {
            return new MonthBilling(monthNumber, amount, this);
        }
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

    /** Returns the number of the month that is billed. */
    public int month() {
        return month;
    }

    /** Returns how many steps there are. */
    public int steps() {
        return series.lags.length;
    }

    public MonthPattern pattern() {
        return series.pattern;
    }

    public long gross() {
        return gross;
    }

    public long tax() {
        return tax;
    }

    public long net() {
        return gross - tax;
    }

    /** Returns the number of the month in which a step is paid. */
    public int cashMonth(int step) {
        return month + series.lags[step];
    }

    /** Returns what a step bills before its discount. */
    public long grossOf(int step) {
        return grossByStep[step];
    }

    public long discount(int step) {
        return series.discounts[step].of(grossByStep[step]);
    }

    /** Returns what a step pays: its gross less its discount. */
    public long cash(int step) {
        return grossByStep[step] - discount(step);
    }

    public long writtenOff() {
        return grossByStep[grossByStep.length - 1];
    }

    /** Returns the number of the month in which the unpaid share is written off. */
    public int writeOffMonth() {
        return month + series.monthsToWriteOff;
    }

    /** Returns the tax of each step, the unpaid share's last. */
    public long[] taxByStep() {
        return taxParts().clone();
    }

    /** Returns the tax within a step. */
    public long taxOf(int step) {
        return taxParts()[step];
    }

    /** Returns the tax within what is written off. */
    public long taxOfWrittenOff() {
        return taxParts()[series.weights.length - 1];
    }

    /** The same, found once; not to be changed. */
    private long[] taxParts() {
        taxByStep = taxByStep != null
                ? taxByStep
                : tax == 0 ? new long[series.weights.length] : Split.byWeights(tax, series.weights);
        return taxByStep;
    }

    /** Returns the part of a step's discount that lowers tax; the rest is discount expense or income. */
    public long taxOfDiscount(int step) {
        return series.discounts[step].millionths() == 0 ? 0 : series.discounts[step].of(taxParts()[step]);
    }
}

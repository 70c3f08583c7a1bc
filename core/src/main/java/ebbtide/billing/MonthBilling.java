package ebbtide.billing;

import ebbtide.plan.MonthPattern;

/**
 * What is billed for one month, parted by a pattern (rules 3.2), in minor units: the gross of each step by largest
 * remainder over the steps and the unpaid share, the tax parted the same way.
 */
public final class MonthBilling {
    private final PatternBilling all;
    private final int month;
    private final int row;

    /** Makes the billing of one of the months that are billed, by its number. */
    public MonthBilling(PatternBilling all, int monthNumber) {
        this.all = all;
        this.month = monthNumber;
        this.row = all.row(monthNumber);
    }

    /** Returns the number of the month that is billed. */
    public int month() {
        return month;
    }

    /** Returns how many steps there are. */
    public int steps() {
        return all.steps();
    }

    public MonthPattern pattern() {
        return all.pattern();
    }

    public long gross() {
        return all.grossAt(row);
    }

    public long tax() {
        return all.taxAt(row);
    }

    public long net() {
        return gross() - tax();
    }

    /** Returns the number of the month in which a step is paid. */
    public int cashMonth(int step) {
        return month + all.lag(step);
    }

    /** Returns what a step bills before its discount. */
    public long grossOf(int step) {
        return all.grossAt(row, step);
    }

    public long discount(int step) {
        return all.discount(step).of(grossOf(step));
    }

    /** Returns what a step pays: its gross less its discount. */
    public long cash(int step) {
        return grossOf(step) - discount(step);
    }

    public long writtenOff() {
        return all.grossAt(row, all.steps());
    }

    /** Returns the number of the month in which the unpaid share is written off. */
    public int writeOffMonth() {
        return month + all.monthsToWriteOff();
    }

    /** Returns the tax within a step. */
    public long taxOf(int step) {
        return all.taxAt(row, step);
    }

    /** Returns the tax within what is written off. */
    public long taxOfWrittenOff() {
        return all.taxAt(row, all.steps());
    }

    /** Returns the part of a step's discount that lowers tax; the rest is discount expense or income. */
    public long taxOfDiscount(int step) {
        return all.discount(step).millionths() == 0 ? 0 : all.discount(step).of(taxOf(step));
    }
}

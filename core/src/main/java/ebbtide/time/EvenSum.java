package ebbtide.time;

import java.util.function.IntFunction;

/**
 * Amounts that are each spread evenly over the business days of their months, laid together: a day gets the sum of what
 * each brings to it, with the units that are left over on the earliest days of its own month (rules 1.3), at the cost
 * of one.
 */
final class EvenSum implements SpreadSum {
    private static final int MOST_DAYS = 31;
    private final IntFunction<int[]> days;
    private final DaySink sink;
    private final int first;
    /** What every day of a month gets, by its place among the timeline's months. */
    private final long[] each;
    /**
     * How units left over change from one business day of a month to the next, month by month; empty while there are
     * none. A month gets an amount for each step of a pattern at most, of which there are at most 24.
     */
    private short[] rest = new short[0];

    /** Begins a sum over the months of a timeline; the days of a month, by its number, are at least one. */
    EvenSum(Timeline timeline, IntFunction<int[]> days, DaySink sink) {
        this.days = days;
        this.sink = sink;
        this.first = timeline.firstMonth();
        int months = timeline.lastMonth() - first + 1;
        this.each = new long[months];
    }

    @Override
    public void add(long minor, int monthNumber) {
        int at = monthNumber - first;
        int count = days.apply(monthNumber).length;
        each[at] += minor / count;
        int left = (int) Math.abs(minor % count);
        if (left > 0) {
            rest = rest.length == 0 ? new short[each.length * MOST_DAYS] : rest;
            rest[at * MOST_DAYS] += Long.signum(minor);
            rest[at * MOST_DAYS + left] -= Long.signum(minor);
        }
    }

    @Override
    public void lay() {
        for (int at = 0; at < each.length; at++) {
            lay(at);
        }
    }

    private void lay(int at) {
        int[] of = days.apply(first + at);
        long units = 0;
        for (int i = 0; i < of.length; i++) {
            units += rest.length == 0 ? 0 : rest[at * MOST_DAYS + i];
            if (each[at] + units != 0) {
                sink.add(of[i], each[at] + units);
            }
        }
    }
}

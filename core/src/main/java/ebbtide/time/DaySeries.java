package ebbtide.time;

import java.util.Arrays;
import java.util.function.IntToLongFunction;
import java.util.stream.LongStream;

/**
 * Amounts in minor units by day, numbered from 0 as the days of a timeline are, or those after a date; outside its days
 * a series is nil, and two that are the same but for days of nil at the end are equal. It never changes.
 */
public final class DaySeries {
    /** Nothing on any day. */
    public static final DaySeries NIL = new DaySeries(new long[0]);

    private final long[] amounts;

    private DaySeries(long[] amounts) {
        this.amounts = amounts;
    }

    /** Returns the series of amounts from day 0 on. */
    public static DaySeries of(long... amounts) {
        return amounts.length == 0 ? NIL : new DaySeries(amounts.clone());
    }

    /** Returns the series of amounts from one place among many to before another; fewer where there are no more. */
    public static DaySeries of(long[] amounts, int from, int to) {
        int end = Math.min(to, amounts.length);
        return from >= end ? NIL : new DaySeries(Arrays.copyOfRange(amounts, from, end));
    }

    /** Returns the series of so many days whose amounts a function gives, asked from day 0 on. */
    public static DaySeries of(int days, IntToLongFunction amount) {
        long[] amounts = new long[days];
        for (int day = 0; day < days; day++) {
            amounts[day] = amount.applyAsLong(day);
        }
        return new DaySeries(amounts);
    }

    /** Returns how many days the series says anything of; none after them has an amount. */
    public int days() {
        return amounts.length;
    }

    /** Returns the amount on a day, nil outside the series. */
    public long on(int day) {
        return day >= 0 && day < amounts.length ? amounts[day] : 0;
    }

    /** Returns the sum of the days from one to before another; nil for those outside the series. */
    public long sum(int from, int to) {
        long sum = 0;
        for (int day = Math.max(0, from); day < Math.min(to, amounts.length); day++) {
            sum += amounts[day];
        }
        return sum;
    }

    /**
     * Returns the days from one to before another as a series of their own, whose day 0 is the first of them;
     * {@link #NIL} where all are nil.
     */
    public DaySeries part(int from, int to) {
        return isNil(from, to) ? NIL : of(to - from, day -> on(from + day));
    }

    /** Returns the sum of this and another series, day by day. */
    public DaySeries plus(DaySeries other) {
        if (other.amounts.length == 0 || amounts.length == 0) {
            return amounts.length == 0 ? other : this;
        }
        Sum sum = new Sum(Math.max(amounts.length, other.amounts.length));
        sum.add(this, 1);
        sum.add(other, 1);
        return sum.series();
    }

    /** Returns the series with the other sign. */
    public DaySeries negative() {
        return of(amounts.length, day -> -amounts[day]);
    }

    /**
     * Returns the level at the end of each of so many days, where the level before day 0 was one, and each day adds to
     * it.
     */
    public DaySeries levels(int days, long before) {
        long[] levels = new long[days];
        long level = before;
        for (int day = 0; day < days; day++) {
            level += on(day);
            levels[day] = level;
        }
        return new DaySeries(levels);
    }

    /** Returns the amounts in order. */
    public LongStream stream() {
        return Arrays.stream(amounts);
    }

    /** Returns whether every day is nil. */
    public boolean isNil() {
        return isNil(0, amounts.length);
    }

    /** Returns whether each day from one to before another is nil. */
    public boolean isNil(int from, int to) {
        for (int day = Math.max(0, from); day < Math.min(to, amounts.length); day++) {
            if (amounts[day] != 0) {
                return false;
            }
        }
        return true;
    }

    @Override
    public boolean equals(Object other) {
        if (!(other instanceof DaySeries series)) {
            return false;
        }
        int both = Math.min(amounts.length, series.amounts.length);
        return series == this
                || Arrays.equals(amounts, 0, both, series.amounts, 0, both)
                        && isNil(both, amounts.length)
                        && series.isNil(both, series.amounts.length);
    }

    @Override
    public int hashCode() {
        int length = amounts.length;
        while (length > 0 && amounts[length - 1] == 0) {
            length--;
        }
        int hash = 1;
        for (int day = 0; day < length; day++) {
            hash = 31 * hash + Long.hashCode(amounts[day]);
        }
        return hash;
    }

    @Override
    public String toString() {
        return Arrays.toString(amounts);
    }

    /** A series on its way, which takes room once something is added. */
    public static final class Sum implements DaySink {
        private static final long[] NOTHING = new long[0];
        private int days;
        private long[] amounts = NOTHING;

        /** Begins a series of so many days, all nil. */
        public Sum(int days) {
            this.days = days;
        }

        /** Adds an amount in minor units to a day of the series. */
        @Override
        public void add(int day, long minor) {
            if (amounts.length == 0) {
                amounts = new long[days];
            }
            amounts[day] += minor;
        }

        /** Adds a series that is no longer than this one, times a sign of 1 or -1. */
        public void add(DaySeries other, int sign) {
            if (amounts.length == 0 && other.amounts.length > 0) {
                amounts = new long[days];
            }
            for (int day = 0; day < other.amounts.length; day++) {
                amounts[day] += sign * other.amounts[day];
            }
        }

        /** Returns what has been added to a day so far. */
        public long on(int day) {
            return amounts.length == 0 ? 0 : amounts[day];
        }

        /**
         * Returns the series, {@link DaySeries#NIL} where nothing was added: once, since nothing can be added after.
         */
        public DaySeries series() {
            DaySeries series = amounts.length == 0 ? NIL : new DaySeries(amounts);
            amounts = NOTHING;
            days = 0;
            return series;
        }
    }
}

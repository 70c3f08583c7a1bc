package ebbtide.time;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntToLongFunction;
import java.util.stream.LongStream;

/**
 * Amounts by month from a first month on, in minor units; nil in any other month. It never changes, and is equal to one
 * with the same amounts.
 */
public final class MonthSeries {
    private final int first;
    private final long[] amounts;

    private MonthSeries(int first, long[] amounts) {
        this.first = first;
        this.amounts = amounts;
    }

    /** Returns the series of amounts from a month on, numbered as {@link Timeline#monthNumber} does. */
    public static MonthSeries of(int first, long... amounts) {
        return new MonthSeries(first, amounts.clone());
    }

    /** Returns the series from a month to a later one whose amounts a function gives, asked by the months' numbers. */
    public static MonthSeries of(int first, int last, IntToLongFunction amount) {
        long[] amounts = new long[Math.max(0, last - first + 1)];
        Arrays.setAll(amounts, at -> amount.applyAsLong(first + at));
        return new MonthSeries(first, amounts);
    }

    /** Returns a series of so many months that are nil. */
    public static MonthSeries nil(int first, int months) {
        return new MonthSeries(first, new long[months]);
    }

    /** Returns the number of the first month. */
    public int first() {
        return first;
    }

    /** Returns the number of the last month. */
    public int last() {
        return first + amounts.length - 1;
    }

    /** Returns how many months there are. */
    public int months() {
        return amounts.length;
    }

    /** Returns the amount of a month by its number, nil outside the series. */
    public long in(int monthNumber) {
        int at = monthNumber - first;
        return at < 0 || at >= amounts.length ? 0 : amounts[at];
    }

    /** Returns the amount of a month by its place, the first being 0. */
    public long at(int index) {
        return amounts[index];
    }

    /** Returns the sum from one month to another, both included, by their numbers; those outside the series are nil. */
    public long sum(int from, int to) {
        long sum = 0;
        for (int month = Math.max(first, from); month <= Math.min(first + amounts.length - 1, to); month++) {
            sum += amounts[month - first];
        }
        return sum;
    }

    /** Returns the first so many months; nil where the series has fewer. */
    public MonthSeries first(int months) {
        return months == amounts.length ? this : new MonthSeries(first, Arrays.copyOf(amounts, months));
    }

    /** Returns the sum of this and another series that begins in the same month, as long as this one. */
    public MonthSeries plus(MonthSeries other) {
        return with(other, 1);
    }

    /** Returns this series less another that begins in the same month, as long as this one. */
    public MonthSeries minus(MonthSeries other) {
        return with(other, -1);
    }

    private MonthSeries with(MonthSeries other, int sign) {
        Sum sum = new Sum(first, amounts.length);
        sum.add(this, 1);
        sum.add(other, sign);
        return sum.series();
    }

    /** Returns the series with the other sign. */
    public MonthSeries negative() {
        return new MonthSeries(first, stream().map(minor -> -minor).toArray());
    }

    /** Returns the amounts in order. */
    public LongStream stream() {
        return Arrays.stream(amounts);
    }

    /** Returns the amounts in order as a list. */
    public List<Long> list() {
        return stream().boxed().toList();
    }

    /** Returns whether every month is nil. */
    public boolean isNil() {
        return stream().allMatch(minor -> minor == 0);
    }

    @Override
    public boolean equals(Object other) {
        return other == this
                || other instanceof MonthSeries series
                        && series.first == first
                        && Arrays.equals(series.amounts, amounts);
    }

    @Override
    public int hashCode() {
        return 31 * first + Arrays.hashCode(amounts);
    }

    @Override
    public String toString() {
        return Timeline.month(first) + Arrays.toString(amounts);
    }

    /** A series on its way: what is added outside its months is none of it. */
    public static final class Sum {
        private final int first;
        private long[] amounts;
        private boolean given;

        /** Begins a series of so many months, all nil. */
        public Sum(int first, int months) {
            this.first = first;
            this.amounts = new long[months];
        }

        /** Begins with a series, to which something is added. */
        public Sum(MonthSeries from) {
            this.first = from.first;
            this.amounts = from.amounts;
            this.given = true;
        }

        /** Adds an amount in minor units to a month by its number. */
        public void add(int monthNumber, long minor) {
            int at = monthNumber - first;
            if (at >= 0 && at < amounts.length) {
                own();
                amounts[at] += minor;
            }
        }

        /** Adds a series of any months, times a sign of 1 or -1. */
        public void add(MonthSeries other, int sign) {
            int shift = other.first - first;
            own();
            for (int i = Math.max(0, -shift); i < other.amounts.length && i + shift < amounts.length; i++) {
                amounts[i + shift] += sign * other.amounts[i];
            }
        }

        /** Returns what has been added to a month so far, nil outside the series. */
        public long in(int monthNumber) {
            int at = monthNumber - first;
            return at < 0 || at >= amounts.length ? 0 : amounts[at];
        }

        /** Puts an amount in the place of what has been added to a month, by its number. */
        public void put(int monthNumber, long minor) {
            add(monthNumber, minor - in(monthNumber));
        }

        /** Returns the series as it stands. */
        public MonthSeries series() {
            given = true;
            return new MonthSeries(first, amounts);
        }

        /** What was given away stays as it was: most sums are asked for their series once, at the end. */
        private void own() {
            if (given) {
                amounts = amounts.clone();
                given = false;
            }
        }
    }
}

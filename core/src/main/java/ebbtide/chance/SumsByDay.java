package ebbtide.chance;

import java.util.Arrays;

/**
 * What is added up by day, in minor units, kept from the first to the last day that has anything: of many who draw,
 * most move cash on few days of a long horizon.
 */
final class SumsByDay implements Taker.Moves {
    private static final int LEAST = 16;

    private int first;
    private long[] sums = {};

    @Override
    public void take(int run, int day, long minor) {
        add(day, minor);
    }

    @Override
    public void takeOfAll(int runs, int day, long minor) {
        add(day, minor * runs);
    }

    void add(int day, long minor) {
        if (day < first || day >= first + sums.length) {
            makeRoom(day);
        }
        sums[day - first] += minor;
    }

    /** Half as many days again to the side on which room is missing, so that it is made seldom. */
    private void makeRoom(int day) {
        if (sums.length == 0) {
            first = day;
            sums = new long[LEAST];
        } else if (day < first) {
            int more = Math.min(first, first - day + sums.length / 2);
            long[] wider = new long[more + sums.length];
            System.arraycopy(sums, 0, wider, more, sums.length);
            first -= more;
            sums = wider;
        } else {
            sums = Arrays.copyOf(sums, day - first + 1 + sums.length / 2);
        }
    }

    void addAll(SumsByDay other) {
        for (int at = 0; at < other.sums.length; at++) {
            if (other.sums[at] != 0) {
                add(other.first + at, other.sums[at]);
            }
        }
    }

    /** Returns the sum of all days up to one, that day included. */
    long upTo(int day) {
        long sum = 0;
        for (int at = 0; at < sums.length && first + at <= day; at++) {
            sum += sums[at];
        }
        return sum;
    }
}

package ebbtide.track;

import ebbtide.flows.Part;
import java.util.Arrays;

/**
 * What a line was forecast to bring, day by day after a snapshot's as-of date: signed minor units, the first element
 * the day after it. An array may be shorter than the horizon: what is beyond it is nil.
 */
public record KeptFlows(long[] committed, long[] estimated) {
    /** Nothing at all. */
    public static final KeptFlows NONE = new KeptFlows(new long[0], new long[0]);

    /** Returns the days of a part; nothing is settled after an as-of date. */
    public long[] of(Part part) {
        return switch (part) {
            case COMMITTED -> committed;
            case ESTIMATED -> estimated;
            case SETTLED -> NONE.committed;
        };
    }

    /** Returns the sum of the days from one index to another, the last not included. */
    long sum(int from, int to) {
        return sum(committed, from, to) + sum(estimated, from, to);
    }

    /** Returns whether both parts are nil on each day from one index to another, the last not included. */
    boolean isNil(int from, int to) {
        for (int day = Math.max(0, from); day < to; day++) {
            if (day < committed.length && committed[day] != 0 || day < estimated.length && estimated[day] != 0) {
                return false;
            }
        }
        return true;
    }

    private static long sum(long[] days, int from, int to) {
        long sum = 0;
        for (int day = Math.max(0, from); day < Math.min(to, days.length); day++) {
            sum += days[day];
        }
        return sum;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof KeptFlows flows
                && Arrays.equals(trimmed(committed), trimmed(flows.committed))
                && Arrays.equals(trimmed(estimated), trimmed(flows.estimated));
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(trimmed(committed)) * 31 + Arrays.hashCode(trimmed(estimated));
    }

    private static long[] trimmed(long[] days) {
        int length = days.length;
        while (length > 0 && days[length - 1] == 0) {
            length--;
        }
        return length == days.length ? days : Arrays.copyOf(days, length);
    }
}

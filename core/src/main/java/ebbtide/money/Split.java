package ebbtide.money;

import java.math.BigInteger;

/** Splitting of an amount into parts that add up to it, by largest remainder (rules 1.3). */
public final class Split {
    private static final long MOST_IN_DOUBLE = 1L << 51;

    private Split() {}

    /**
     * Returns parts in proportion to the weights that add up to the total. Units left over go to the largest
     * remainders, equal remainders to the earliest part; a negative total is split by size and signed after. Weights
     * are zero or more with a sum above zero, the weight of a whole not above 2^40.
     */
    public static long[] byWeights(long total, long[] weights) {
        long[] parts = new long[weights.length];
        byWeights(total, weights, parts, 0);
        return parts;
    }

    /** Puts the parts into a longer array, from a place on, as {@link #byWeights(long, long[])} splits them. */
    public static void byWeights(long total, long[] weights, long[] into, int at) {
        long sum = 0;
        for (long weight : weights) {
            sum += weight;
        }
        Check.that(sum > 0, "an amount can only be split by weights with a sum above zero");
        long size = Math.abs(total);
        long given = size <= MOST_IN_DOUBLE && Rounding.isExact(size, sum)
                ? floors(size, weights, sum, into, at)
                : floorsOfAny(size, weights, sum, into, at);
        for (long unit = size - given; unit > 0; unit--) {
            into[at + largestRest(size, weights, sum, into, at)]++;
        }
        if (total < 0) {
            for (int i = at; i < at + weights.length; i++) {
                into[i] = -into[i];
            }
        }
    }

    /**
     * A quotient of doubles is at most one off where it is below 2^52, and costs a fraction of one of whole numbers.
     */
    private static long floors(long size, long[] weights, long sum, long[] into, int at) {
        long given = 0;
        for (int i = 0; i < weights.length; i++) {
            long product = size * weights[i];
            long part = (long) ((double) product / sum);
            long rest = product - part * sum;
            into[at + i] = rest < 0 ? part - 1 : rest >= sum ? part + 1 : part;
            given += into[at + i];
        }
        return given;
    }

    private static long floorsOfAny(long size, long[] weights, long sum, long[] into, int at) {
        long given = 0;
        for (int i = 0; i < weights.length; i++) {
            into[at + i] = BigInteger.valueOf(size)
                    .multiply(BigInteger.valueOf(weights[i]))
                    .divide(BigInteger.valueOf(sum))
                    .longValueExact();
            given += into[at + i];
        }
        return given;
    }

    /** Returns which part lacks most of its share, of equal ones the earliest; one that was given a unit lacks none. */
    private static int largestRest(long size, long[] weights, long sum, long[] into, int at) {
        int best = 0;
        long most = Long.MIN_VALUE;
        for (int i = 0; i < weights.length; i++) {
            // The difference of two numbers that may not fit is within the sum of the weights, so it comes out right
            // all
            // the same.
            long rest = size * weights[i] - into[at + i] * sum;
            if (rest > most) {
                most = rest;
                best = i;
            }
        }
        return best;
    }

    /**
     * Returns one of so many equal parts of a total, counted from 0: units left over go to the earliest (rules 1.3).
     */
    public static long equalPart(long total, int parts, int index) {
        return total / parts + (index < Math.abs(total % parts) ? Long.signum(total) : 0);
    }
}

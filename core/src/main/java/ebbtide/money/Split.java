package ebbtide.money;

import java.math.BigInteger;

/** Splitting of an amount into parts that add up to it, by largest remainder (rules 1.3). */
public final class Split {
    private static final long MOST_IN_DOUBLE = 1L << 51;

    private final long[] weights;
    private final long sum;
    private final double each;
    /** What each part lacks of its share of the total in hand, times the sum of the weights. */
    private final long[] rests;

    private Split(long[] weights) {
        long all = 0;
        for (long weight : weights) {
            all += weight;
        }
        Check.that(all > 0, "an amount can only be split by weights with a sum above zero");
        this.weights = weights;
        this.sum = all;
        this.each = 1.0 / all;
        this.rests = new long[weights.length];
    }

    /**
     * Returns parts in proportion to the weights that add up to the total. Units left over go to the largest
     * remainders, equal remainders to the earliest part; a negative total is split by size and signed after. Weights
     * are zero or more with a sum above zero, the weight of a whole not above 2^40.
     */
    public static long[] byWeights(long total, long[] weights) {
        long[] parts = new long[weights.length];
        new Split(weights).put(total, parts, 0);
        return parts;
    }

    /** Returns the parts of many totals one after the other, each as {@link #byWeights(long, long[])} splits it. */
    public static long[] allByWeights(long[] totals, long[] weights) {
        Split split = new Split(weights);
        long[] parts = new long[totals.length * weights.length];
        for (int row = 0; row < totals.length; row++) {
            if (totals[row] != 0) {
                split.put(totals[row], parts, row * weights.length);
            }
        }
        return parts;
    }

    private void put(long total, long[] into, int at) {
        long size = Math.abs(total);
        long left = size
                - (size <= MOST_IN_DOUBLE && Rounding.isExact(size, sum)
                        ? floors(size, into, at)
                        : floorsOfAny(size, into, at));
        give(left, into, at);
        if (total < 0) {
            for (int i = at; i < at + weights.length; i++) {
                into[i] = -into[i];
            }
        }
    }

    /**
     * A product with the reciprocal is at most one off where the quotient is below 2^51, and costs a fraction of a
     * division.
     */
    private long floors(long size, long[] into, int at) {
        long given = 0;
        for (int i = 0; i < weights.length; i++) {
            long product = size * weights[i];
            long part = (long) (product * each);
            long rest = product - part * sum;
            if (rest < 0) {
                part--;
                rest += sum;
            } else if (rest >= sum) {
                part++;
                rest -= sum;
            }
            into[at + i] = part;
            rests[i] = rest;
            given += part;
        }
        return given;
    }

    private long floorsOfAny(long size, long[] into, int at) {
        long given = 0;
        for (int i = 0; i < weights.length; i++) {
            long part = BigInteger.valueOf(size)
                    .multiply(BigInteger.valueOf(weights[i]))
                    .divide(BigInteger.valueOf(sum))
                    .longValueExact();
            into[at + i] = part;
            // The difference of two numbers that may not fit is within the sum of the weights, so it comes out right
            // all the same.
            rests[i] = size * weights[i] - part * sum;
            given += part;
        }
        return given;
    }

    /** Gives the units one after the other to the part that lacks most then; one that was given a unit lacks none. */
    private void give(long units, long[] into, int at) {
        for (long left = units; left > 0; left--) {
            int most = 0;
            for (int i = 1; i < rests.length; i++) {
                if (rests[i] > rests[most]) {
                    most = i;
                }
            }
            into[at + most]++;
            rests[most] -= sum;
        }
    }

    /**
     * Returns one of so many equal parts of a total, counted from 0: units left over go to the earliest (rules 1.3).
     */
    public static long equalPart(long total, int parts, int index) {
        return total / parts + (index < Math.abs(total % parts) ? Long.signum(total) : 0);
    }
}

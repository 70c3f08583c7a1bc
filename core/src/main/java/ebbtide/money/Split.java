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
        long sum = 0;
        for (long weight : weights) {
            sum += weight;
        }
        Check.that(sum > 0, "an amount can only be split by weights with a sum above zero");
        long size = Math.abs(total);
        long[] parts = new long[weights.length];
        long given = size <= MOST_IN_DOUBLE && size < Long.MAX_VALUE / sum
                ? floors(size, weights, sum, parts)
                : floorsOfAny(size, weights, sum, parts);
        if (given < size) {
            giveRest(size, weights, sum, parts, size - given);
        }
        if (total < 0) {
            for (int i = 0; i < parts.length; i++) {
                parts[i] = -parts[i];
            }
        }
        return parts;
    }

    /**
     * A quotient of doubles is at most one off where it is below 2^52, and costs a fraction of one of whole numbers.
     */
    private static long floors(long size, long[] weights, long sum, long[] parts) {
        long given = 0;
        for (int i = 0; i < weights.length; i++) {
            long product = size * weights[i];
            long part = (long) ((double) product / sum);
            long rest = product - part * sum;
            parts[i] = rest < 0 ? part - 1 : rest >= sum ? part + 1 : part;
            given += parts[i];
        }
        return given;
    }

    private static long floorsOfAny(long size, long[] weights, long sum, long[] parts) {
        long given = 0;
        for (int i = 0; i < weights.length; i++) {
            parts[i] = BigInteger.valueOf(size)
                    .multiply(BigInteger.valueOf(weights[i]))
                    .divide(BigInteger.valueOf(sum))
                    .longValueExact();
            given += parts[i];
        }
        return given;
    }

    /** Gives the units left over to the parts with the largest remainders, equal ones to the earliest. */
    private static void giveRest(long size, long[] weights, long sum, long[] parts, long left) {
        long[] rests = new long[weights.length];
        for (int i = 0; i < weights.length; i++) {
            // The difference of two numbers that may not fit is below the sum of the weights, so it comes out right all
            // the same.
            rests[i] = size * weights[i] - parts[i] * sum;
        }
        for (long unit = left; unit > 0; unit--) {
            int largest = largest(rests);
            parts[largest]++;
            rests[largest] = -1;
        }
    }

    /**
     * Returns one of so many equal parts of a total, counted from 0: units left over go to the earliest (rules 1.3).
     */
    public static long equalPart(long total, int parts, int index) {
        return total / parts + (index < Math.abs(total % parts) ? Long.signum(total) : 0);
    }

    private static int largest(long[] rests) {
        int best = 0;
        for (int i = 1; i < rests.length; i++) {
            if (rests[i] > rests[best]) {
                best = i;
            }
        }
        return best;
    }
}

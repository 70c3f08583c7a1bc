package ebbtide.activity;

import ebbtide.money.Rounding;
import java.math.BigDecimal;
import java.math.MathContext;

/**
 * A base amount growing month by month, compounding unrounded and rounded once (rules 1.3, 2.1). It carries a fast
 * binary product, and the exact one is worked out only where the fast one lies too near to a rounding edge to be sure.
 */
final class Growth {
    /**
     * The most that the two roundings of a month, 2^-53 each, can be off, relative to the product, with room to spare.
     */
    private static final double MOST_OFF_A_MONTH = 4e-16;

    private static final double LARGEST_FAST = 1e13;

    private final long base;
    private final long[] factors;
    private int months;
    private double fast;

    Growth(long base, int mostMonths) {
        this.base = base;
        this.factors = new long[mostMonths];
        this.fast = base;
    }

    /** Grows by a factor given in millionths, 1,012,000 being 1.2% more. */
    void grow(long factorMillionths) {
        factors[months++] = factorMillionths;
        fast = fast * factorMillionths / 1e6;
    }

    /** Returns the amount now, in whole minor units. */
    long rounded() {
        double beyond = fast - Math.floor(fast);
        if (fast < LARGEST_FAST && Math.abs(beyond - 0.5) > fast * MOST_OFF_A_MONTH * (months + 1)) {
            return Math.round(fast);
        }
        return Rounding.toAmount(exact());
    }

    /** Returns the amount now, unrounded, in minor units. */
    BigDecimal exact() {
        BigDecimal exact = BigDecimal.valueOf(base);
        for (int i = 0; i < months; i++) {
            exact = exact.multiply(BigDecimal.valueOf(factors[i], 6), new MathContext(60));
        }
        return exact;
    }
}

package ebbtide.money;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Rounding of exact results to whole minor units: half away from zero, once (rules 1.3). */
public final class Rounding {
    /** Far above any company's money, and far enough below what a long holds for sums of many. */
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000_000_000_000L);

    private static final long MOST_IN_DOUBLE = 1L << 53;

    private Rounding() {}

    /**
     * Returns whether a product of two numbers comes out right; asked without a division, which would cost the most.
     */
    static boolean isExact(long one, long other) {
        return Math.multiplyHigh(one, other) == one * other >> 63;
    }

    /**
     * Returns numerator / denominator without its rest, neither below zero: by doubles where both are whole in them, at
     * a fraction of what a division of whole numbers costs.
     */
    public static long floor(long numerator, long denominator) {
        if (numerator >= MOST_IN_DOUBLE || denominator >= MOST_IN_DOUBLE) {
            return numerator / denominator;
        }
        // Rounded, the quotient is at most up to the next whole number.
        long quotient = (long) ((double) numerator / denominator);
        return quotient * denominator > numerator ? quotient - 1 : quotient;
    }

    /** Returns numerator / denominator as a whole number, half away from zero; the denominator is above zero. */
    public static long divide(long numerator, long denominator) {
        long quotient = numerator / denominator;
        long rest = Math.abs(numerator % denominator);
        return rest >= denominator - rest ? quotient + Long.signum(numerator) : quotient;
    }

    /** Returns numerator / denominator as whole minor units, half away from zero; the denominator is above zero. */
    public static long divide(BigDecimal numerator, long denominator) {
        return numerator
                .divide(BigDecimal.valueOf(denominator), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }

    /**
     * Returns an amount that money can come to.
     *
     * @throws Refused for more
     */
    public static long counted(long minor) {
        return minor < MOST.longValueExact() && minor > -MOST.longValueExact()
                ? minor
                : toAmount(BigDecimal.valueOf(minor));
    }

    /** Returns the exact amount as whole minor units, half away from zero. */
    public static long toMinor(BigDecimal exact) {
        return exact.setScale(0, RoundingMode.HALF_UP).longValueExact();
    }

    /**
     * Returns the exact amount of a month as whole minor units, half away from zero.
     *
     * @throws Refused for what no money comes to
     */
    public static long toAmount(BigDecimal exact) {
        if (exact.abs().compareTo(MOST) > 0) {
            throw new Refused("an amount comes to more than can be counted, about 1 with "
                    + (exact.precision() - exact.scale() - 1)
                    + " noughts in the smallest coin: look for a growth, a quantity or a price that is too large");
        }
        return toMinor(exact);
    }
}

package ebbtide.money;

import java.math.BigDecimal;
import java.util.OptionalLong;

/**
 * A number that is known but for an error: enough to round it in nearly every case, at a hundredth of what forty digits
 * cost. Where the rounding hangs on the error, the exact number has to be worked out.
 */
public record Near(double value, double error) {
    /**
     * More than what one operation on doubles is off by, relative to its result, and more than forty digits leave out.
     */
    private static final double OFF = 0x1p-52;
    /** Above it doubles lack the places behind the point. */
    private static final double LARGEST = 1e13;

    /** Returns a number that is known exactly. */
    public static Near of(BigDecimal exact) {
        return rounded(exact.doubleValue(), 0);
    }

    private static Near rounded(double value, double error) {
        return new Near(value, error + Math.abs(value) * OFF + Double.MIN_NORMAL);
    }

    public Near plus(Near other) {
        return rounded(value + other.value, error + other.error);
    }

    public Near minus(Near other) {
        return rounded(value - other.value, error + other.error);
    }

    public Near times(Near other) {
        return rounded(
                value * other.value,
                Math.abs(value) * other.error + Math.abs(other.value) * error + error * other.error);
    }

    /** Returns whether it is surely below another number. */
    public boolean isBelow(Near other) {
        return value + error < other.value - other.error;
    }

    /** Returns the whole number it rounds to, half away from zero (rules 1.3), where the error cannot change it. */
    public OptionalLong whole() {
        double size = Math.abs(value);
        double down = Math.floor(size);
        double beyond = size - down;
        if (!(size < LARGEST) || Math.abs(beyond - 0.5) <= error) {
            return OptionalLong.empty();
        }
        long whole = (long) (beyond < 0.5 ? down : down + 1);
        return OptionalLong.of(value < 0 ? -whole : whole);
    }
}

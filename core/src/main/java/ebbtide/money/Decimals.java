package ebbtide.money;

import java.math.BigDecimal;

/** Decimal numbers as they are typed and sent: of a size that a figure has, whatever the text. */
public final class Decimals {
    /** More digits before or after the point than any figure of a plan has. */
    private static final int MOST_DIGITS = 60;

    private Decimals() {}

    /**
     * Returns the number that a text stands for.
     *
     * @throws NumberFormatException for any other text, and for numbers of more than 60 digits before or after the
     *     point: a few letters such as 1e1000000000 would else fill the memory
     */
    public static BigDecimal parse(String text) {
        BigDecimal number = new BigDecimal(text.strip());
        if (!isOfSize(number)) {
            throw new NumberFormatException("more than " + MOST_DIGITS + " digits");
        }
        return number;
    }

    /** Returns whether it has at most 60 digits before and after the point. */
    public static boolean isOfSize(BigDecimal number) {
        return number.scale() <= MOST_DIGITS
                && number.scale() >= -MOST_DIGITS
                && number.precision() - number.scale() <= MOST_DIGITS;
    }
}

package ebbtide.money;

import java.math.BigDecimal;
import java.math.BigInteger;

/** A percentage with at most four decimals, held exactly: 45% is 450,000 millionths of the whole. */
public record Percent(long millionths) implements Comparable<Percent> {
    public static final long WHOLE = 1_000_000;
    public static final Percent ZERO = new Percent(0);
    public static final Percent HUNDRED = new Percent(WHOLE);

    /**
     * Returns the percentage for a number of percent, 12.5 being 12.5%.
     *
     * @throws Refused for more than four decimals
     */
    public static Percent of(BigDecimal percent) {
        try {
            return new Percent(percent.movePointRight(4).longValueExact());
        } catch (ArithmeticException e) {
            throw new Refused("A percentage has at most four decimals, but was " + percent.toPlainString());
        }
    }

    /**
     * Returns the percentage written as a plain number, with or without a percent sign: "12.5" or "12.5%".
     *
     * @throws Refused for any other text, and more than four decimals
     */
    public static Percent parse(String text) {
        String number = text.strip();
        if (number.endsWith("%")) {
            number = number.substring(0, number.length() - 1).strip();
        }
        try {
            return of(Decimals.parse(number));
        } catch (NumberFormatException e) {
            throw new Refused("A percentage is a number such as 12.5, but was '" + text + "'");
        }
    }

    /** Returns this share of an amount in minor units, rounded half away from zero (rules 1.3). */
    public long of(long minor) {
        if (millionths == 0 || minor == 0) {
            return 0;
        }
        if (Rounding.isExact(minor, millionths)) {
            return Rounding.divide(minor * millionths, WHOLE);
        }
        return Rounding.toMinor(BigDecimal.valueOf(minor).multiply(asFraction()));
    }

    /** Returns the part of a tax-inclusive amount that is tax at this rate: gross x rate / (100% + rate). */
    public long withinGross(long gross) {
        if (Rounding.isExact(gross, millionths)) {
            return Rounding.divide(gross * millionths, WHOLE + millionths);
        }
        BigInteger top = BigInteger.valueOf(gross).multiply(BigInteger.valueOf(millionths));
        BigDecimal exact =
                new BigDecimal(top).divide(BigDecimal.valueOf(WHOLE + millionths), 12, java.math.RoundingMode.DOWN);
        return Rounding.toMinor(exact);
    }

    /** Returns the percentage as a fraction: 45% is 0.45. */
    public BigDecimal asFraction() {
        return BigDecimal.valueOf(millionths, 6);
    }

    public Percent plus(Percent other) {
        return new Percent(Math.addExact(millionths, other.millionths));
    }

    public Percent minus(Percent other) {
        return new Percent(Math.subtractExact(millionths, other.millionths));
    }

    /** Returns the number of percent without trailing zeros: "12.5". */
    public String number() {
        BigDecimal plain = BigDecimal.valueOf(millionths, 4).stripTrailingZeros();
        return (plain.scale() < 0 ? plain.setScale(0) : plain).toPlainString();
    }

    @Override
    public int compareTo(Percent other) {
        return Long.compare(millionths, other.millionths);
    }

    /** Returns the text that {@link #parse} reads back: "12.5%". */
    @Override
    public String toString() {
        return number() + "%";
    }
}

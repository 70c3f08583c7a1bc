package ebbtide.money;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.Objects;

/** An exact amount of one currency, in whole minor units (pence, cents). */
public record Money(Currency currency, long minor) {
    private static final int MOST_DIGITS = 16;

    public Money {
        Objects.requireNonNull(currency, "currency");
        decimals(currency);
    }

    /** Returns the number of decimals of the currency, 0 to 3; refuses currencies without minor units of that kind. */
    public static int decimals(Currency currency) {
        return Check.inRange(currency.getDefaultFractionDigits(), 0, 3, "decimals of " + currency.getCurrencyCode());
    }

    /**
     * Returns the currency of a three-letter code such as GBP.
     *
     * @throws Refused for any other text
     */
    public static Currency currency(String code) {
        try {
            Currency currency = Currency.getInstance(code);
            decimals(currency);
            return currency;
        } catch (IllegalArgumentException e) {
            throw new Refused("A currency is a three-letter code such as GBP, EUR or JPY, but was '" + code + "'");
        }
    }

    /**
     * Returns the amount for a plain decimal number such as "1250.50"; more decimals than the currency has are refused.
     */
    public static Money parse(String number, Currency currency) {
        return new Money(currency, minor(number, currency));
    }

    /**
     * Returns the minor units of a plain decimal number.
     *
     * @throws Refused for text that is no number, fractions of a minor unit, and more than 16 digits
     */
    public static long minor(String number, Currency currency) {
        try {
            BigDecimal minor = Decimals.parse(number).movePointRight(decimals(currency));
            if (minor.precision() - minor.scale() > MOST_DIGITS) {
                throw new ArithmeticException("too long");
            }
            return minor.longValueExact();
        } catch (NumberFormatException e) {
            throw new Refused("An amount is a number such as 1250.50, but was '" + number + "'");
        } catch (ArithmeticException e) {
            throw new Refused("An amount in " + currency.getCurrencyCode() + " has at most " + decimals(currency)
                    + " decimals and 16 digits, but was '" + number + "'");
        }
    }

    /** Returns minor units as a plain decimal number with the currency's decimals: 125050 pence is "1250.50". */
    public static String plain(long minor, Currency currency) {
        return BigDecimal.valueOf(minor, decimals(currency)).toPlainString();
    }

    /** Returns minor units for reading in a sentence: grouped, decimals only where there are any: "412,000". */
    public static String words(long minor, Currency currency) {
        int decimals = decimals(currency);
        long unit = Math.round(Math.pow(10, decimals));
        String pattern = minor % unit == 0 ? "%,.0f" : "%,." + decimals + "f";
        String digits = String.format(java.util.Locale.ROOT, pattern, BigDecimal.valueOf(Math.abs(minor), decimals));
        return minor < 0 ? "\u2212" + digits : digits;
    }

    @Override
    public String toString() {
        return currency.getCurrencyCode() + " " + plain(minor, currency);
    }
}

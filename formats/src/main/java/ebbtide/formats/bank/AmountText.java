package ebbtide.formats.bank;

import ebbtide.money.Money;
import ebbtide.money.Refused;
import java.util.Currency;
import java.util.Locale;

/** Amounts as banks write them: grouped, with either decimal mark, a minus before or behind, brackets, CR and DR. */
public final class AmountText {
    private AmountText() {}

    /**
     * Returns signed minor units.
     *
     * @throws Refused for what is no amount
     */
    public static long minor(String text, char decimalMark, Currency currency) {
        String rest = text.strip().toUpperCase(Locale.ROOT);
        boolean negative = false;
        if (rest.endsWith("DR") || rest.endsWith("CR")) {
            negative = rest.endsWith("DR");
            rest = rest.substring(0, rest.length() - 2);
        }
        StringBuilder digits = new StringBuilder();
        boolean decimals = false;
        for (char c : rest.toCharArray()) {
            if (c >= '0' && c <= '9') {
                digits.append(c);
            } else if (c == decimalMark && !decimals) {
                decimals = true;
                digits.append('.');
            } else if (c == '-' || c == '\u2212' || c == '(') {
                negative = true;
            } else if (!isFiller(c, decimals)) {
                throw new Refused("'" + text.strip() + "' is no amount with '" + decimalMark + "' before its decimals");
            }
        }
        if (digits.isEmpty() || digits.toString().equals(".")) {
            throw new Refused("'" + text.strip() + "' is no amount");
        }
        long minor = Money.minor(digits.toString(), currency);
        return negative ? -minor : minor;
    }

    /** Group marks stand before the decimals only; currency signs and letters are passed over. */
    private static boolean isFiller(char c, boolean decimals) {
        return " \u00a0\u202f+)".indexOf(c) >= 0
                || Character.getType(c) == Character.CURRENCY_SYMBOL
                || Character.isLetter(c)
                || !decimals && ".,'\u2019".indexOf(c) >= 0;
    }
}

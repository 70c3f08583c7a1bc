package ebbtide.activity;

import static ebbtide.time.DayFormats.SHORT_MONTH;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.Locale;

/** Months and numbers as the workings say them. */
final class Words {

    private Words() {}

    /** Returns "Mar 2026". */
    static String month(YearMonth month) {
        return SHORT_MONTH.format(month);
    }

    /** Returns "1 day", "2 days". */
    static String count(int number, String what) {
        return number + " " + what + (number == 1 ? "" : "s");
    }

    /** Returns a number of a driver, grouped, with at most four decimals: "1,250.5". */
    static String number(BigDecimal value) {
        BigDecimal rounded = value.setScale(4, RoundingMode.HALF_UP).stripTrailingZeros();
        return String.format(Locale.ROOT, "%,." + Math.max(0, rounded.scale()) + "f", rounded);
    }
}

package ebbtide.formats.budget;

import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** A heading that names a month, its year perhaps left to another cell. Null year: not said. */
record MonthHeading(int month, @Nullable Integer year) {
    private static final String NAMES = "janfebmaraprmayjunjulaugsepoctnovdec";
    private static final Pattern NAMED = Pattern.compile("(?:\\d{1,2}[-/. ])?([a-z]{3,9})\\.?[-/. ']*(\\d{4}|\\d{2})?");
    private static final Pattern YEAR_FIRST = Pattern.compile("(\\d{4})[-/.](\\d{1,2})(?:[-/.]\\d{1,2})?(?:[t ].*)?");
    private static final Pattern MONTH_FIRST = Pattern.compile("(?:\\d{1,2}[-/.])?(\\d{1,2})[-/.](\\d{4})");

    /** Returns the month a heading names, null if it names none. */
    static @Nullable MonthHeading of(String heading) {
        String text = heading.strip().toLowerCase(Locale.ROOT);
        Matcher named = NAMED.matcher(text);
        if (named.matches()) {
            int at = NAMES.indexOf(named.group(1).substring(0, 3));
            boolean whole = at >= 0
                    && at % 3 == 0
                    && java.time.Month.of(at / 3 + 1)
                            .name()
                            .toLowerCase(Locale.ROOT)
                            .startsWith(named.group(1).equals("sept") ? "sep" : named.group(1));
            return whole
                    ? new MonthHeading(
                            at / 3 + 1, named.group(2) == null ? null : Integer.valueOf(year(named.group(2))))
                    : null;
        }
        Matcher yearFirst = YEAR_FIRST.matcher(text);
        if (yearFirst.matches()) {
            return made(yearFirst.group(2), yearFirst.group(1));
        }
        Matcher monthFirst = MONTH_FIRST.matcher(text);
        return monthFirst.matches() ? made(monthFirst.group(1), monthFirst.group(2)) : null;
    }

    private static @Nullable MonthHeading made(String month, String year) {
        try {
            YearMonth.of(Integer.parseInt(year), Integer.parseInt(month));
            return new MonthHeading(Integer.parseInt(month), Integer.valueOf(year));
        } catch (DateTimeException e) {
            return null;
        }
    }

    private static int year(String text) {
        int year = Integer.parseInt(text);
        return year < 100 ? 2000 + year : year;
    }
}

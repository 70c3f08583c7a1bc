package ebbtide.time;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.money.Refused;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A day as people and files write it, read with a refusal that says what is wrong with it. */
public final class CalendarDay {
    private static final Pattern WRITTEN = Pattern.compile("(\\d{4})-(\\d{2})-(\\d{2})");

    private CalendarDay() {}

    /**
     * Returns the day of a text such as 2026-03-01.
     *
     * @throws Refused for any other text, and a day that its month lacks
     */
    public static LocalDate parse(String text) {
        Matcher written = WRITTEN.matcher(text);
        if (written.matches()) {
            return of(
                    Integer.parseInt(written.group(1)),
                    Integer.parseInt(written.group(2)),
                    Integer.parseInt(written.group(3)));
        }
        throw new Refused("A date is written 2026-03-01");
    }

    /**
     * Returns the day of a year, a month and a day of it.
     *
     * @throws Refused for a day that there is not: "February 2026 has 28 days"
     */
    public static LocalDate of(int year, int month, int day) {
        if (month < 1 || month > 12) {
            throw new Refused("A year has twelve months");
        }
        try {
            return LocalDate.of(year, month, day);
        } catch (DateTimeException e) {
            YearMonth of = YearMonth.of(year, month);
            throw new Refused(MONTH.format(of) + " has " + of.lengthOfMonth() + " days");
        }
    }
}

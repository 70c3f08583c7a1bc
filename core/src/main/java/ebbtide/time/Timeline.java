package ebbtide.time;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoField;
import java.util.Arrays;

/**
 * The days of one computation, numbered from 0, with the business days of each of its months found once. Whole months
 * from the first to the last.
 */
public final class Timeline {
    private static final int MONTHS = 12;
    /** The months that plans lie in, once: a forecast asks for them nearly as often as for dates. */
    private static final int FIRST_KEPT = 1980 * MONTHS;

    private static final YearMonth[] KEPT = kept(200 * MONTHS);
    private final LocalDate first;
    /** Every day once: a forecast asks for dates more often than for anything else. */
    private final LocalDate[] dates;

    private final int days;
    private final int firstMonth;
    private final int[] monthStart;
    private final int[][] businessDays;
    private final BusinessDays calendar;

    /** Makes the timeline of whole months from one to another, both included. */
    public Timeline(YearMonth firstMonth, YearMonth lastMonth, BusinessDays calendar) {
        this.calendar = calendar;
        this.first = firstMonth.atDay(1);
        this.firstMonth = monthNumber(firstMonth);
        int months = monthNumber(lastMonth) - this.firstMonth + 1;
        this.monthStart = new int[months + 1];
        this.dates = new LocalDate[(int) (lastMonth.atEndOfMonth().toEpochDay() - first.toEpochDay()) + 1];
        this.businessDays = new int[months][];
        int day = 0;
        for (int m = 0; m < months; m++) {
            YearMonth month = firstMonth.plusMonths(m);
            monthStart[m] = day;
            int[] found = new int[month.lengthOfMonth()];
            int count = 0;
            for (int d = 1; d <= month.lengthOfMonth(); d++) {
                dates[day + d - 1] = month.atDay(d);
                if (calendar.isBusinessDay(dates[day + d - 1])) {
                    found[count++] = day + d - 1;
                }
            }
            businessDays[m] = Arrays.copyOf(found, count);
            day += month.lengthOfMonth();
        }
        monthStart[months] = day;
        this.days = day;
    }

    /** Returns the number of a month, counting on without a break over the years. */
    public static int monthNumber(YearMonth month) {
        return (int) month.getLong(ChronoField.PROLEPTIC_MONTH);
    }

    /** Returns the month of a number made by {@link #monthNumber}. */
    public static YearMonth month(int monthNumber) {
        int at = monthNumber - FIRST_KEPT;
        return at >= 0 && at < KEPT.length ? KEPT[at] : made(monthNumber);
    }

    private static YearMonth made(int monthNumber) {
        return YearMonth.of(Math.floorDiv(monthNumber, MONTHS), Math.floorMod(monthNumber, MONTHS) + 1);
    }

    private static YearMonth[] kept(int months) {
        YearMonth[] kept = new YearMonth[months];
        Arrays.setAll(kept, at -> made(FIRST_KEPT + at));
        return kept;
    }

    public LocalDate first() {
        return first;
    }

    public LocalDate last() {
        return first.plusDays(days - 1L);
    }

    /** Returns how many days the timeline has. */
    public int days() {
        return days;
    }

    public int firstMonth() {
        return firstMonth;
    }

    public int lastMonth() {
        return firstMonth + businessDays.length - 1;
    }

    /** Returns the number of a day; below 0 or not below {@link #days} when it lies outside. */
    public int index(LocalDate day) {
        // Asked a million times a forecast: where its month is known, its day need not be counted from the epoch.
        int month = day.getYear() * MONTHS + day.getMonthValue() - 1 - firstMonth;
        return month >= 0 && month < businessDays.length
                ? monthStart[month] + day.getDayOfMonth() - 1
                : (int) (day.toEpochDay() - first.toEpochDay());
    }

    public LocalDate date(int index) {
        return index >= 0 && index < days ? dates[index] : first.plusDays(index);
    }

    public boolean hasMonth(int monthNumber) {
        return monthNumber >= firstMonth && monthNumber <= lastMonth();
    }

    /** Returns the index of the first day of a month on the timeline. */
    public int startOfMonth(int monthNumber) {
        return monthStart[monthNumber - firstMonth];
    }

    /** Returns how many days a month on the timeline has. */
    public int lengthOfMonth(int monthNumber) {
        return monthStart[monthNumber - firstMonth + 1] - monthStart[monthNumber - firstMonth];
    }

    /** Returns the indexes of the business days of a month on the timeline; not to be changed. */
    int[] businessDays(int monthNumber) {
        return businessDays[monthNumber - firstMonth];
    }

    public BusinessDays calendar() {
        return calendar;
    }
}

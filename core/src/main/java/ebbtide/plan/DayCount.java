package ebbtide.plan;

import java.time.LocalDate;

/** How the days between two dates are counted for interest, and of how many a year is made (rules 8.4). */
public enum DayCount {
    ACT_365F(365),
    ACT_360(360),
    THIRTY_E_360(360);

    private final int year;

    DayCount(int year) {
        this.year = year;
    }

    /** Returns the days of a year. */
    public int year() {
        return year;
    }

    /** Returns the days from one date to a later one; months of thirty days end on their 30th. */
    public long days(LocalDate from, LocalDate to) {
        return this == THIRTY_E_360 ? thirties(to) - thirties(from) : to.toEpochDay() - from.toEpochDay();
    }

    private static long thirties(LocalDate day) {
        return 360L * day.getYear() + 30L * day.getMonthValue() + Math.min(30, day.getDayOfMonth());
    }
}

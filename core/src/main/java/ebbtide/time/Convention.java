package ebbtide.time;

import java.time.LocalDate;

/** A rule for a date that falls on a day without banking (rules 1.5). */
public enum Convention {
    /** The next business day. */
    FOLLOWING {
        @Override
        LocalDate adjustHoliday(LocalDate day, BusinessDays calendar) {
            return calendar.nextOrSame(day);
        }
    },
    /** The next business day, unless it lies in the next month: then the one before. */
    MODIFIED_FOLLOWING {
        @Override
        LocalDate adjustHoliday(LocalDate day, BusinessDays calendar) {
            LocalDate next = calendar.nextOrSame(day);
            return next.getMonth() == day.getMonth() ? next : calendar.previousOrSame(day);
        }
    },
    /** The business day before. */
    PRECEDING {
        @Override
        LocalDate adjustHoliday(LocalDate day, BusinessDays calendar) {
            return calendar.previousOrSame(day);
        }
    },
    /** The day itself. */
    NONE {
        @Override
        LocalDate adjustHoliday(LocalDate day, BusinessDays calendar) {
            return day;
        }
    };

    /** Returns the day itself if it is a business day, else the day this rule names. */
    public LocalDate adjust(LocalDate day, BusinessDays calendar) {
        return calendar.isBusinessDay(day) ? day : adjustHoliday(day, calendar);
    }

    abstract LocalDate adjustHoliday(LocalDate day, BusinessDays calendar);
}

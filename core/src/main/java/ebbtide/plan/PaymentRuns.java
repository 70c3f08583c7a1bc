package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Objects;

/**
 * The days on which a company pays its bills together (rules 4.6): when, which run takes a bill that is due, and by how
 * many days bills are stretched beyond their due date. A run on a holiday is paid on the business day before.
 */
public record PaymentRuns(When when, DayOfWeek weekday, List<Integer> days, int stretchDays, Takes takes) {

    /** How runs come back. */
    public enum When {
        WEEKLY,
        DAYS_OF_MONTH,
        LAST_BUSINESS_DAY
    }

    /** Which run takes a bill: the first on or after its due date, or the last on or before it. */
    public enum Takes {
        ON_OR_AFTER,
        ON_OR_BEFORE
    }

    public PaymentRuns {
        Objects.requireNonNull(when, "when payment runs are");
        Objects.requireNonNull(weekday, "weekday of payment runs");
        Objects.requireNonNull(takes, "which run takes a bill");
        days = days.stream().distinct().sorted().toList();
        days.forEach(day -> Check.inRange(day, 1, 31, "day of a payment run"));
        Check.that(
                when != When.DAYS_OF_MONTH || !days.isEmpty(),
                "payment runs on days of the month need at least one day, such as 10 or 25");
        Check.inRange(stretchDays, 0, 120, "days by which bills are stretched");
    }

    /**
     * Returns the day of the run that takes a bill due on a day: never on or before the as-of date, then it is the next
     * run after it.
     */
    public LocalDate runFor(LocalDate due, LocalDate asOf, BusinessDays calendar) {
        LocalDate wanted = due.plusDays(stretchDays);
        LocalDate run = takes == Takes.ON_OR_AFTER ? next(wanted, calendar) : before(wanted, calendar);
        return run.isAfter(asOf) ? run : next(asOf.plusDays(1), calendar);
    }

    /** A run's own day may lie some days after the business day it is paid on. */
    private LocalDate next(LocalDate from, BusinessDays calendar) {
        LocalDate day = from;
        while (true) {
            if (isRun(day, calendar)) {
                LocalDate paid = Convention.PRECEDING.adjust(day, calendar);
                if (!paid.isBefore(from)) {
                    return paid;
                }
            }
            day = day.plusDays(1);
        }
    }

    private LocalDate before(LocalDate to, BusinessDays calendar) {
        for (LocalDate day = to.plusDays(10); ; day = day.minusDays(1)) {
            if (isRun(day, calendar)) {
                LocalDate paid = Convention.PRECEDING.adjust(day, calendar);
                if (!paid.isAfter(to)) {
                    return paid;
                }
            }
        }
    }

    private boolean isRun(LocalDate day, BusinessDays calendar) {
        int last = YearMonth.from(day).lengthOfMonth();
        return switch (when) {
            case WEEKLY -> day.getDayOfWeek() == weekday;
            case DAYS_OF_MONTH ->
                days.contains(day.getDayOfMonth())
                        || day.getDayOfMonth() == last && days.stream().anyMatch(one -> one > last);
            case LAST_BUSINESS_DAY ->
                day.equals(Convention.PRECEDING.adjust(YearMonth.from(day).atEndOfMonth(), calendar));
        };
    }

    /** Returns the runs in words: "every thursday, 3 days after it is due". */
    public String words() {
        String each =
                switch (when) {
                    case WEEKLY ->
                        "every " + weekday.name().charAt(0)
                                + weekday.name().substring(1).toLowerCase(java.util.Locale.ROOT);
                    case DAYS_OF_MONTH ->
                        "on day "
                                + String.join(
                                        " and ",
                                        days.stream().map(String::valueOf).toList());
                    case LAST_BUSINESS_DAY -> "on the last business day of the month";
                };
        return "payment run " + each
                + (takes == Takes.ON_OR_AFTER ? ", the first on or after " : ", the last on or before ")
                + (stretchDays == 0 ? "the due date" : stretchDays + " days from the due date");
    }
}

package ebbtide.time;

import ebbtide.money.Check;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;

/** The whole weeks after a day, by lead: the first that begins after it is 1; what is left of its own week is none. */
public record WholeWeeks(LocalDate first) {
    private static final int DAYS = 7;

    /** Returns the whole weeks after a day. */
    public static WholeWeeks after(LocalDate day, DayOfWeek firstDayOfWeek) {
        return new WholeWeeks(day.plusDays(1).with(TemporalAdjusters.nextOrSame(firstDayOfWeek)));
    }

    /** Returns the week of a lead. */
    public Period week(int lead) {
        Check.that(lead >= 1, "leads begin at 1, but was " + lead);
        LocalDate start = first.plusWeeks(lead - 1L);
        return new Period(start, start.plusWeeks(1));
    }

    /** Returns how many of them are over by the end of a day. */
    public int over(LocalDate day) {
        return (int) Math.max(0, (ChronoUnit.DAYS.between(first, day) + 1) / DAYS);
    }
}

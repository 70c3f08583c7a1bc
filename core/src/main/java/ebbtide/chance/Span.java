package ebbtide.chance;

import ebbtide.time.BusinessDays;
import ebbtide.time.DaySeries;
import ebbtide.time.WholeWeeks;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;

/**
 * The days that runs are drawn over, numbered from 0 for the one after the as-of date, and the whole weeks among them
 * whose estimates err, by lead from 1.
 */
record Span(LocalDate asOf, int days, WholeWeeks whole, int leads, BusinessDays calendar) {
    private static final int WEEK = 7;

    /** Returns the span up to a horizon, of no more than so many leads. */
    static Span of(LocalDate asOf, LocalDate horizonEnd, DayOfWeek firstDayOfWeek, int most, BusinessDays calendar) {
        WholeWeeks whole = WholeWeeks.after(asOf, firstDayOfWeek);
        return new Span(
                asOf,
                (int) ChronoUnit.DAYS.between(asOf, horizonEnd),
                whole,
                Math.min(most, whole.over(horizonEnd)),
                calendar);
    }

    /** Returns how many whole weeks there are, those that do not err with them. */
    int weeks() {
        return whole.over(asOf.plusDays(days));
    }

    /** Returns the sum of a lead. */
    long sum(DaySeries series, int lead) {
        return series.sum(start(lead), start(lead) + WEEK);
    }

    int index(LocalDate day) {
        return (int) ChronoUnit.DAYS.between(asOf, day) - 1;
    }

    /** Returns the number of the first day of a lead. */
    int start(int lead) {
        return index(whole.week(lead).startInclusive());
    }

    /** Returns the last day of a lead. */
    LocalDate end(int lead) {
        return whole.week(lead).lastDay();
    }

    /**
     * Returns the weights by which something is laid on the days of a lead: the sizes of what is estimated, of a week
     * without any one for each business day, or the last day where there is none.
     */
    long[] weights(DaySeries estimated, int lead) {
        int start = start(lead);
        long[] weights = new long[WEEK];
        Arrays.setAll(weights, day -> Math.abs(estimated.on(start + day)));
        if (Arrays.stream(weights).allMatch(one -> one == 0)) {
            Arrays.setAll(weights, day -> calendar.isBusinessDay(asOf.plusDays(start + day + 1L)) ? 1 : 0);
        }
        if (Arrays.stream(weights).allMatch(one -> one == 0)) {
            weights[WEEK - 1] = 1;
        }
        return weights;
    }
}

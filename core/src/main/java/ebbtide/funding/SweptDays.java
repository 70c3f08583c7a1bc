package ebbtide.funding;

import ebbtide.plan.FundingRules;
import ebbtide.plan.Settings;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;

/** The days over which a plan is swept: those of the timeline after the as-of date, numbered from 0. */
record SweptDays(Settings settings, Timeline timeline, int asOf) {
    static SweptDays of(Settings settings, Timeline timeline) {
        return new SweptDays(settings, timeline, timeline.index(settings.asOf()));
    }

    int count() {
        return timeline.days() - asOf - 1;
    }

    LocalDate date(int day) {
        return timeline.date(asOf + 1 + day);
    }

    /** Returns the number of a date; below 0 or not below {@link #count} when it lies outside. */
    int index(LocalDate date) {
        return timeline.index(date) - asOf - 1;
    }

    /** Returns the part of a series by day of the timeline that is swept. */
    DaySeries after(DaySeries byDayOfTimeline) {
        return byDayOfTimeline.part(asOf + 1, timeline.days());
    }

    /** Returns the days on which money is drawn and repaid: business days. */
    boolean[] swept(FundingRules.Sweeps sweeps) {
        boolean[] swept = new boolean[count()];
        DayOfWeek first = settings.firstDayOfWeek();
        for (int i = 0; i < swept.length; i++) {
            LocalDate day = date(i);
            LocalDate end =
                    switch (sweeps) {
                        case DAY -> day;
                        case WEEK -> day.with(TemporalAdjusters.nextOrSame(first.minus(1)));
                        case MONTH -> YearMonth.from(day).atEndOfMonth();
                    };
            swept[i] = sweeps == FundingRules.Sweeps.DAY
                    ? timeline.calendar().isBusinessDay(day)
                    : day.equals(timeline.calendar().previousOrSame(end));
        }
        return swept;
    }

    /** Returns the months of the days, each with its last business day, on which interest by the mean is paid. */
    List<Sweep.Month> months() {
        List<Sweep.Month> months = new ArrayList<>();
        for (int first = 0; first < count(); ) {
            YearMonth month = YearMonth.from(date(first));
            int last = Math.min(count() - 1, index(month.atEndOfMonth()));
            int business = index(timeline.calendar().previousOrSame(month.atEndOfMonth()));
            int paid = Math.max(first, Math.min(last, business));
            months.add(new Sweep.Month(first, last, paid, last - first + 1, month.lengthOfMonth()));
            first = last + 1;
        }
        return months;
    }
}

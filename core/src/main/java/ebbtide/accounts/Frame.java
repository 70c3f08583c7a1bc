package ebbtide.accounts;

import ebbtide.billing.Calendars;
import ebbtide.plan.Line;
import ebbtide.plan.LineSettings;
import ebbtide.plan.Plan;
import ebbtide.time.BusinessDays;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;

/**
 * What every account of a plan reads besides its own line: settings, calendars, the number of the first month that is
 * forecast, how many months there are from it to the horizon and to the last that is earned (rules 7.4), and whether
 * bad debts give sales tax back.
 */
record Frame(LineSettings settings, Calendars calendars, int open, int toHorizon, int toEarned, boolean relief) {

    static Frame of(Plan plan, Calendars calendars) {
        int open = Timeline.monthNumber(plan.settings().firstForecastMonth());
        return new Frame(
                plan.settings().ofLines(),
                calendars,
                open,
                Timeline.monthNumber(YearMonth.from(plan.settings().horizonEnd())) - open + 1,
                Timeline.monthNumber(plan.lastEarnedMonth()) - open + 1,
                plan.lines().stream().anyMatch(line -> line.assumption().relievesBadDebts()));
    }

    LocalDate asOf() {
        return settings.asOf();
    }

    BusinessDays calendar(Line line) {
        return calendars.calendar(line);
    }

    Timeline timeline(Line line) {
        return calendars.timeline(line);
    }

    /** Returns the last month that is earned. */
    YearMonth lastEarned() {
        return Timeline.month(open + toEarned - 1);
    }

    /** Begins a series of the months that are earned. */
    MonthSeries.Sum earning() {
        return new MonthSeries.Sum(open, toEarned);
    }

    static int month(LocalDate day) {
        return Timeline.monthNumber(YearMonth.from(day));
    }
}

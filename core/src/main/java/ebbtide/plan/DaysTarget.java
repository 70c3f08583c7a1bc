package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;

/**
 * Receivables or payables that stand at so many days of what was billed, month by month (rules 3.4): for the long
 * range, where no single terms are known. A month takes the days in force on its last day.
 */
public record DaysTarget(Steps<Integer> days) {
    /** The most days a target may have. */
    public static final int MOST_DAYS = 365;

    public DaysTarget {
        days.steps().forEach(step -> Check.inRange(step.value(), 0, MOST_DAYS, "days from " + step.from()));
    }

    Inputs<DaysTarget> inputs() {
        return Inputs.of(this).add("days", "target of days", Unit.days(0, MOST_DAYS));
    }

    /** Returns the days in force on a day, 0 before the first. */
    public int on(LocalDate day) {
        return days.findOn(day).map(Steps.Step::value).orElse(0);
    }
}

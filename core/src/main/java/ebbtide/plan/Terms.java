package ebbtide.plan;

import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * How what a stream bills becomes cash: by a pattern of months, by days, or by a target of days (rules 3.2-3.4). Those
 * that are not in force keep what was typed into them; {@code days} and {@code target} are null until first used.
 * {@code shared} is the id of the plan's terms these are, null for a line's own.
 */
public record Terms(
        By by,
        MonthPattern pattern,
        @Nullable DayTerms days,
        @Nullable DaysTarget target,
        @Nullable String shared) {
    /** Which of the three is in force. */
    public enum By {
        MONTHS,
        DAYS,
        TARGET
    }

    public Terms {
        Objects.requireNonNull(pattern, "pattern");
        if (by == By.DAYS) {
            Objects.requireNonNull(days, "terms by days");
        }
        if (by == By.TARGET) {
            Objects.requireNonNull(target, "target of days");
        }
    }

    /** Returns the inputs of what is in force; those of shared terms are the plan's. */
    Inputs<Terms> inputs() {
        if (shared != null) {
            return Inputs.of(this).add("shared", "shared terms", Unit.CHOICE);
        }
        return switch (by) {
            case MONTHS -> Inputs.of(this).in("pattern", pattern, MonthPattern::inputs);
            case DAYS -> Inputs.of(this).in("days", days, DayTerms::inputs);
            case TARGET -> Inputs.of(this).in("target", target, DaysTarget::inputs);
        };
    }

    /** Returns whether a discount is offered for paying early, by the terms in force. */
    public boolean offersEarly() {
        return by == By.DAYS && dayTerms().early() != null;
    }

    /** Returns the days of terms by days; others may have none. */
    public DayTerms dayTerms() {
        return Objects.requireNonNull(days, "terms by days");
    }

    /** Returns the target of terms by a target of days; others may have none. */
    public DaysTarget daysTarget() {
        return Objects.requireNonNull(target, "terms by a target of days");
    }

    /** Returns terms by a pattern of months. */
    public static Terms byMonths(MonthPattern pattern) {
        return new Terms(By.MONTHS, pattern, null, null, null);
    }

    /** Returns terms by days. */
    public static Terms byDays(DayTerms days) {
        return new Terms(By.DAYS, MonthPattern.atOnce(), days, null, null);
    }

    /** Returns terms by a target of days. */
    public static Terms byTarget(DaysTarget target) {
        return new Terms(By.TARGET, MonthPattern.atOnce(), null, target, null);
    }

    /** Returns terms of a line's own by another pattern. */
    public Terms with(MonthPattern other) {
        return new Terms(by, other, days, target, null);
    }

    /** Returns terms of a line's own by other days. */
    public Terms with(DayTerms other) {
        return new Terms(by, pattern, other, target, null);
    }

    /** Returns the same terms as those of the plan with an id; null for terms of a line's own. */
    public Terms sharedAs(@Nullable String id) {
        return new Terms(by, pattern, days, target, id);
    }

    /** Returns how many months before its payment the earliest billing may lie. */
    public int monthsBack() {
        return switch (by) {
            case MONTHS -> Math.max(pattern.longestLag(), pattern.monthsToWriteOff());
            case DAYS -> dayTerms().monthsBack();
            case TARGET -> DaysTarget.MOST_DAYS / 28 + 1;
        };
    }

    /** Returns how many months after its payment the latest billing may lie. */
    public int monthsAhead() {
        return by == By.MONTHS ? pattern.longestLead() : 0;
    }

    /** Returns the terms in a few words, "35% same month, 65% 1 month later". */
    public String words() {
        return switch (by) {
            case MONTHS ->
                String.join(
                        ", ",
                        pattern.steps().stream()
                                .map(step -> step.share() + " " + step.delayWords())
                                .toList());
            case DAYS -> dayTerms().words();
            case TARGET -> "a target of days";
        };
    }
}

package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;

/** Values that each hold from a date until the next (rules 2.2), in order of date. */
public record Steps<T>(List<Step<T>> steps) {
    /**
     * A value and the day from which it holds; what grows is counted since another where a scenario changes a value in
     * the midst of its growth (rules 11.2), else since that same day.
     */
    public record Step<T>(LocalDate from, T value, LocalDate since) {
        /** Makes a step whose growth begins with it. */
        public Step(LocalDate from, T value) {
            this(from, value, from);
        }

        /** Returns the first month on whose first day the value is in force. */
        public YearMonth firstWholeMonth() {
            return wholeMonth(from);
        }

        /** Returns the month from which growth is counted. */
        public YearMonth firstGrownMonth() {
            return wholeMonth(since);
        }

        private static YearMonth wholeMonth(LocalDate day) {
            YearMonth month = YearMonth.from(day);
            return day.getDayOfMonth() == 1 ? month : month.plusMonths(1);
        }
    }

    public Steps {
        steps = steps.stream()
                .sorted(java.util.Comparator.comparing(Step::from))
                .toList();
        for (int i = 1; i < steps.size(); i++) {
            Check.that(
                    !steps.get(i).from().equals(steps.get(i - 1).from()),
                    "two values from the same day, " + steps.get(i).from() + ": keep one of them");
        }
    }

    /** Returns steps with no value at any time. */
    public static <T> Steps<T> none() {
        return new Steps<>(List.of());
    }

    /** Returns one value from a day on. */
    public static <T> Steps<T> from(LocalDate day, T value) {
        return new Steps<>(List.of(new Step<>(day, value)));
    }

    /** Returns the step in force on a day, none before the first. */
    public Optional<Step<T>> findOn(LocalDate day) {
        Step<T> found = null;
        for (Step<T> step : steps) {
            if (step.from().isAfter(day)) {
                break;
            }
            found = step;
        }
        return Optional.ofNullable(found);
    }

    public boolean isEmpty() {
        return steps.isEmpty();
    }
}

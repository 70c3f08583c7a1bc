package ebbtide.plan;

import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Currency;
import org.jspecify.annotations.Nullable;

/**
 * The settings that lines are worked out from. What else a plan chooses, its minimum cash, its rates, its covenants,
 * leaves every line as it is before the sweep, and is none of them: so that a line is taken over when it changes.
 */
public record LineSettings(
        Currency currency,
        PlanCalendar calendar,
        CountedCertainties counted,
        @Nullable PaymentRuns paymentRuns) {

    public LocalDate asOf() {
        return calendar.asOf();
    }

    public Month firstFiscalMonth() {
        return calendar.firstFiscalMonth();
    }

    public AmountSteps amountSteps() {
        return calendar.amountSteps();
    }

    /** Returns the month of the first day that is forecast, D + 1. */
    public YearMonth firstForecastMonth() {
        return calendar.firstForecastMonth();
    }

    /** Returns the first month that is not closed on the as-of date (rules 5.1). */
    public YearMonth firstOpenMonth() {
        return calendar.firstOpenMonth();
    }

    /** Returns the last day of the month before the first that is forecast. */
    public LocalDate openingDay() {
        return calendar.openingDay();
    }

    /** Returns the last day of the horizon (rules 1.7). */
    public LocalDate horizonEnd() {
        return calendar.horizonEnd();
    }

    /** Returns whether items of a certainty are in the figures of a direction. */
    public boolean counts(Direction direction, Certainty certainty) {
        return counted.counts(direction, certainty);
    }
}

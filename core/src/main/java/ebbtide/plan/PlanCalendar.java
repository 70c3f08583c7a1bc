package ebbtide.plan;

import ebbtide.money.Check;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Objects;

/**
 * The days of a plan: from which on it is forecast and for how many months, where weeks and fiscal years begin, how a
 * month follows an amount that steps within it, and how many days after its end a month of a stream on books is closed
 * (rules 5.1).
 */
public record PlanCalendar(
        LocalDate asOf,
        DayOfWeek firstDayOfWeek,
        Month firstFiscalMonth,
        int horizonMonths,
        AmountSteps amountSteps,
        int closedAfter) {
    private static final int MOST_MONTHS = 72;

    public PlanCalendar {
        Check.inRange(asOf.getYear(), 1990, 2100, "year of the as-of date");
        Objects.requireNonNull(firstDayOfWeek, "first day of the week");
        Objects.requireNonNull(firstFiscalMonth, "first fiscal month");
        Check.inRange(horizonMonths, 1, MOST_MONTHS, "horizon in months");
        Objects.requireNonNull(amountSteps, "how a month follows a new amount");
        Check.inRange(closedAfter, 0, 60, "days after its end until a month is closed");
    }

    /** Returns the month of the first day that is forecast, D + 1. */
    public YearMonth firstForecastMonth() {
        return YearMonth.from(asOf.plusDays(1));
    }

    /**
     * Returns the first month that is not closed on the as-of date (rules 5.1), which may lie before the first that is
     * forecast.
     */
    public YearMonth firstOpenMonth() {
        return YearMonth.from(asOf.minusDays(closedAfter).plusDays(1));
    }

    /** Returns the last day of the month before the first that is forecast. */
    public LocalDate openingDay() {
        return firstForecastMonth().atDay(1).minusDays(1);
    }

    /** Returns the last day of the horizon: the end of the nth whole month after the as-of date (rules 1.7). */
    public LocalDate horizonEnd() {
        boolean wholeMonthFollows = asOf.plusDays(1).getDayOfMonth() == 1;
        YearMonth firstWhole =
                wholeMonthFollows ? firstForecastMonth() : firstForecastMonth().plusMonths(1);
        return firstWhole.plusMonths(horizonMonths - 1L).atEndOfMonth();
    }

    Inputs<PlanCalendar> inputs() {
        return Inputs.of(this)
                .add("asOf", "as-of date", Unit.DATE)
                .add("horizonMonths", "months ahead", Unit.months(1, MOST_MONTHS))
                .when(closedAfter != 0, "closedAfter", "a month is closed after", Unit.days(0, 60))
                .when(false, "amountSteps", "a month follows a new amount", Unit.CHOICE)
                .when(false, "firstDayOfWeek", "first day of the week", Unit.CHOICE)
                .when(false, "firstFiscalMonth", "first fiscal month", Unit.CHOICE)
                .facts("asOf", "horizonMonths", "closedAfter", "amountSteps", "firstDayOfWeek", "firstFiscalMonth");
    }

    /** Returns the same days from another as-of date. */
    PlanCalendar asOf(LocalDate day) {
        return new PlanCalendar(day, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, closedAfter);
    }

    /** Returns the same days with so many months ahead. */
    PlanCalendar ahead(int months) {
        return new PlanCalendar(asOf, firstDayOfWeek, firstFiscalMonth, months, amountSteps, closedAfter);
    }

    /** Returns the same days with months closed some days after their end. */
    PlanCalendar closedAfter(int days) {
        return new PlanCalendar(asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, days);
    }
}

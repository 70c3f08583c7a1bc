package ebbtide.plan;

import ebbtide.money.Check;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Currency;
import java.util.Objects;
import java.util.Set;

/**
 * The choices of a plan that are not lines. {@code facility} is null when there is none; {@code minimumCash} steps on
 * the day itself, a month's amount by {@code amountSteps}; the counted certainties say which items are in the figures
 * (rules 7.7).
 */
public record Settings(String name, Currency currency, LocalDate asOf, DayOfWeek firstDayOfWeek, Month firstFiscalMonth,
    int horizonMonths, AmountSteps amountSteps, Steps<Long> minimumCash, Facility facility, Set<Certainty> countedReceipts,
    Set<Certainty> countedPayments) {
  public static final int DEFAULT_HORIZON_MONTHS = 24;

  public Settings {
    name = Check.text(name, "name of the plan", 120);
    Objects.requireNonNull(currency, "currency");
    Check.inRange(asOf.getYear(), 1990, 2100, "year of the as-of date");
    Objects.requireNonNull(firstDayOfWeek, "first day of the week");
    Objects.requireNonNull(firstFiscalMonth, "first fiscal month");
    Check.inRange(horizonMonths, 1, 72, "horizon in months");
    Objects.requireNonNull(amountSteps, "how a month follows a new amount");
    minimumCash.steps().forEach(step -> Check.notNegative(step.value(), "minimum cash from " + step.from()));
    countedReceipts = Set.copyOf(countedReceipts);
    countedPayments = Set.copyOf(countedPayments);
  }

  /** Returns settings with every choice at its default. */
  public static Settings of(String name, Currency currency, LocalDate asOf) {
    return new Settings(name, currency, asOf, DayOfWeek.MONDAY, Month.JANUARY, DEFAULT_HORIZON_MONTHS,
        AmountSteps.FIRST_DAY, Steps.none(),
        null, Set.of(Certainty.CERTAIN, Certainty.LIKELY), Set.of(Certainty.values()));
  }

  /** Returns whether items of a certainty are in the figures of a direction. */
  public boolean counts(Direction direction, Certainty certainty) {
    return (direction == Direction.RECEIPT ? countedReceipts : countedPayments).contains(certainty);
  }

  /** Returns the month of the first day that is forecast, D + 1. */
  public YearMonth firstForecastMonth() {
    return YearMonth.from(asOf.plusDays(1));
  }

  /** Returns the last day of the horizon: the end of the nth whole month after the as-of date (rules 1.7). */
  public LocalDate horizonEnd() {
    boolean wholeMonthFollows = asOf.plusDays(1).getDayOfMonth() == 1;
    YearMonth firstWhole = wholeMonthFollows ? firstForecastMonth() : firstForecastMonth().plusMonths(1);
    return firstWhole.plusMonths(horizonMonths - 1L).atEndOfMonth();
  }
}

package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Collections;
import java.util.Currency;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The choices of a plan that are not lines. {@code facility} is the overdraft of its accounts, null when there is none; {@code minimumCash} steps on
 * the day itself, a month's amount by {@code amountSteps}; the counted certainties say which items are in the figures
 * (rules 7.7). Cash held earns {@code cashRate} a year; {@code terms} are those that lines
 * share, {@code documents} what an analyst ticks off; {@code paymentRuns} is null where bills are paid one by one;
 * {@code habits} are those that an analyst says of counterparties; a month of a stream on books is closed {@code closedAfter} days after
 * its end (rules 5.1); {@code explained} says which variances must be (rules 10.2), null where none must.
 */
public record Settings(String name, Currency currency, LocalDate asOf, DayOfWeek firstDayOfWeek, Month firstFiscalMonth,
    int horizonMonths, AmountSteps amountSteps, Steps<Long> minimumCash, Facility facility, Set<Certainty> countedReceipts,
    Set<Certainty> countedPayments, Steps<Percent> cashRate, List<NamedTerms> terms,
    List<SourceDocument> documents, PaymentRuns paymentRuns, List<SaidHabit> habits, int closedAfter, FundingRules funding, List<Covenant> covenants,
    SortedMap<YearMonth, Covenant.PastMonth> pastMonths, OpeningSheet openingSheet,
    LongRange longRange, Threshold explained) {
  public static final int DEFAULT_HORIZON_MONTHS = 24;
  private static final int MOST_MONTHS = 72;

  public Settings {
    name = Check.text(name, "name of the plan", 120);
    Objects.requireNonNull(currency, "currency");
    Check.inRange(asOf.getYear(), 1990, 2100, "year of the as-of date");
    Objects.requireNonNull(firstDayOfWeek, "first day of the week");
    Objects.requireNonNull(firstFiscalMonth, "first fiscal month");
    Check.inRange(horizonMonths, 1, MOST_MONTHS, "horizon in months");
    Objects.requireNonNull(amountSteps, "how a month follows a new amount");
    minimumCash.steps().forEach(step -> Check.notNegative(step.value(), "minimum cash from " + step.from()));
    countedReceipts = Set.copyOf(countedReceipts);
    countedPayments = Set.copyOf(countedPayments);
    cashRate.steps().forEach(step -> Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "rate on cash from " + step.from()));
    terms = List.copyOf(terms);
    documents = List.copyOf(documents);
    habits = List.copyOf(habits);
    Objects.requireNonNull(funding, "how it is funded");
    covenants = List.copyOf(covenants);
    Check.that(covenants.stream().map(Covenant::id).distinct().count() == covenants.size(), "two covenants have the same id: give each its own");
    pastMonths = Collections.unmodifiableSortedMap(new TreeMap<>(pastMonths));
    Check.inRange(closedAfter, 0, 60, "days after its end until a month is closed");
    Check.that(habits.stream().map(habit -> habit.direction() + habit.counterparty()).distinct().count() == habits.size(),
        "a habit is said twice of one counterparty: keep one");
    Check.that(documents.size() <= 200, "a plan has at most 200 source documents, but had " + documents.size());
    Check.that(terms.stream().map(NamedTerms::name).distinct().count() == terms.size()
        && terms.stream().map(NamedTerms::id).distinct().count() == terms.size(), "two shared terms have the same name: give each its own");
  }

  /** Makes settings without a rate on cash and without shared terms. */
  public Settings(String name, Currency currency, LocalDate asOf, DayOfWeek firstDayOfWeek, Month firstFiscalMonth,
      int horizonMonths, AmountSteps amountSteps, Steps<Long> minimumCash, Facility facility, Set<Certainty> countedReceipts,
      Set<Certainty> countedPayments) {
    this(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility, countedReceipts,
        countedPayments, Steps.none(), List.of(), List.of());
  }

  /** Makes settings without payment runs. */
  public Settings(String name, Currency currency, LocalDate asOf, DayOfWeek firstDayOfWeek, Month firstFiscalMonth,
      int horizonMonths, AmountSteps amountSteps, Steps<Long> minimumCash, Facility facility, Set<Certainty> countedReceipts,
      Set<Certainty> countedPayments, Steps<Percent> cashRate, List<NamedTerms> terms, List<SourceDocument> documents) {
    this(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility, countedReceipts,
        countedPayments, cashRate, terms, documents, null, List.of(), 0, FundingRules.USUAL, List.of(), new TreeMap<>(), null, null, null);
  }

  /** Returns the same settings with payment runs, or null without. */
  public Settings paying(PaymentRuns runs) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, runs, habits, closedAfter, funding, covenants, pastMonths, openingSheet, longRange, explained);
  }

  /** Returns the same settings with what an analyst says of how counterparties pay. */
  public Settings knowing(List<SaidHabit> said) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, said, closedAfter, funding, covenants, pastMonths, openingSheet, longRange, explained);
  }

  /** Returns the same settings for another as-of date. */
  public Settings on(LocalDate otherAsOf) {
    return new Settings(name, currency, otherAsOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, closedAfter, funding, covenants, pastMonths, openingSheet, longRange, explained);
  }

  /** Returns the same settings with a horizon of so many months. */
  public Settings lookingAhead(int months) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, months, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, closedAfter, funding, covenants, pastMonths, openingSheet, longRange, explained);
  }

  /** Returns the same settings with months closed some days after their end. */
  public Settings closing(int days) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, days, funding, covenants, pastMonths, openingSheet, longRange, explained);
  }

  /** Returns the same settings funded in another way. */
  public Settings funded(FundingRules rules) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, closedAfter, rules, covenants, pastMonths, openingSheet, longRange, explained);
  }

  /** Returns the same settings with covenants, and what the months before the forecast came to that they read. */
  public Settings agreeing(List<Covenant> agreed, SortedMap<YearMonth, Covenant.PastMonth> past) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, closedAfter, funding, agreed, past, openingSheet, longRange, explained);
  }

  /** Returns the same settings with the balance sheet that statements start from, null without. */
  public Settings startingFrom(OpeningSheet sheet) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, closedAfter, funding, covenants, pastMonths, sheet, longRange, explained);
  }

  /** Returns the same settings with how the years after the months go on, null without. */
  public Settings goingOn(LongRange years) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, closedAfter, funding, covenants, pastMonths, openingSheet, years, explained);
  }

  /** Returns the same settings with which variances must be explained, null where none must. */
  public Settings explaining(Threshold from) {
    return new Settings(name, currency, asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, minimumCash, facility,
        countedReceipts, countedPayments, cashRate, terms, documents, paymentRuns, habits, closedAfter, funding, covenants, pastMonths, openingSheet, longRange, from);
  }

  Inputs<Settings> inputs() {
    return Inputs.of(this).add("asOf", "as-of date", Unit.DATE).add("horizonMonths", "months ahead", Unit.months(1, MOST_MONTHS)).add("minimumCash", "minimum cash", Unit.MONEY)
        .in("funding", funding, FundingRules::inputs).add("cashRate", "rate on cash", Unit.RATE).in("facility", facility, Facility::inputs)
        .each("terms", terms, NamedTerms::id, (one, at) -> one.inputs());
  }

  /** Returns the last day of the month before the first that is forecast: the opening balance sheet stands then (rules 9.1). */
  public LocalDate openingDay() {
    return firstForecastMonth().atDay(1).minusDays(1);
  }

  /** Returns the first month that is not closed on the as-of date (rules 5.1), which may lie before the first that is forecast. */
  public YearMonth firstOpenMonth() {
    return YearMonth.from(asOf.minusDays(closedAfter).plusDays(1));
  }

  /** Returns the shared terms of an id, if they are there. */
  public Optional<NamedTerms> findTerms(String id) {
    return terms.stream().filter(one -> one.id().equals(id)).findFirst();
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

package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import org.jspecify.annotations.Nullable;

/**
 * The choices of a plan that are not lines, in the parts that belong together: its days, how cash is held, which items
 * are counted, what is kept once for many, covenants, what reports start from, and what runs are drawn by. What a part
 * holds is asked of the settings too.
 */
public record Settings(
        String name,
        Currency currency,
        PlanCalendar calendar,
        CashPolicy cash,
        CountedCertainties counted,
        References references,
        AgreedCovenants agreed,
        Reporting reporting,
        Chances chances) {
    public static final int DEFAULT_HORIZON_MONTHS = 24;

    public Settings {
        name = Check.text(name, "name of the plan", 120);
        Objects.requireNonNull(currency, "currency");
        Objects.requireNonNull(calendar, "days");
        Objects.requireNonNull(cash, "how cash is held");
        Objects.requireNonNull(counted, "what is counted");
        Objects.requireNonNull(references, "what is kept for many");
        Objects.requireNonNull(agreed, "covenants");
        Objects.requireNonNull(reporting, "what reports start from");
        Objects.requireNonNull(chances, "what runs are drawn by");
    }

    /** Makes settings whose runs are drawn as usual. */
    public Settings(
            String name,
            Currency currency,
            PlanCalendar calendar,
            CashPolicy cash,
            CountedCertainties counted,
            References references,
            AgreedCovenants agreed,
            Reporting reporting) {
        this(name, currency, calendar, cash, counted, references, agreed, reporting, Chances.USUAL);
    }

    /** Makes settings without a rate on cash and without shared terms. */
    public Settings(
            String name,
            Currency currency,
            LocalDate asOf,
            DayOfWeek firstDayOfWeek,
            Month firstFiscalMonth,
            int horizonMonths,
            AmountSteps amountSteps,
            Steps<Long> minimumCash,
            @Nullable Facility facility,
            Set<Certainty> countedReceipts,
            Set<Certainty> countedPayments) {
        this(
                name,
                currency,
                asOf,
                firstDayOfWeek,
                firstFiscalMonth,
                horizonMonths,
                amountSteps,
                minimumCash,
                facility,
                countedReceipts,
                countedPayments,
                Steps.none(),
                List.of(),
                List.of());
    }

    /** Makes settings without payment runs. */
    public Settings(
            String name,
            Currency currency,
            LocalDate asOf,
            DayOfWeek firstDayOfWeek,
            Month firstFiscalMonth,
            int horizonMonths,
            AmountSteps amountSteps,
            Steps<Long> minimumCash,
            @Nullable Facility facility,
            Set<Certainty> countedReceipts,
            Set<Certainty> countedPayments,
            Steps<Percent> cashRate,
            List<NamedTerms> terms,
            List<SourceDocument> documents) {
        this(
                name,
                currency,
                new PlanCalendar(asOf, firstDayOfWeek, firstFiscalMonth, horizonMonths, amountSteps, 0),
                new CashPolicy(minimumCash, facility, cashRate, FundingRules.USUAL, null),
                new CountedCertainties(countedReceipts, countedPayments),
                new References(terms, documents, List.of()),
                AgreedCovenants.NONE,
                Reporting.NONE);
    }

    public LocalDate asOf() {
        return calendar.asOf();
    }

    public DayOfWeek firstDayOfWeek() {
        return calendar.firstDayOfWeek();
    }

    public Month firstFiscalMonth() {
        return calendar.firstFiscalMonth();
    }

    public int horizonMonths() {
        return calendar.horizonMonths();
    }

    public AmountSteps amountSteps() {
        return calendar.amountSteps();
    }

    public int closedAfter() {
        return calendar.closedAfter();
    }

    public Steps<Long> minimumCash() {
        return cash.minimumCash();
    }

    public @Nullable Facility facility() {
        return cash.facility();
    }

    public Steps<Percent> cashRate() {
        return cash.cashRate();
    }

    public FundingRules funding() {
        return cash.funding();
    }

    public @Nullable PaymentRuns paymentRuns() {
        return cash.paymentRuns();
    }

    public List<NamedTerms> terms() {
        return references.terms();
    }

    public List<SourceDocument> documents() {
        return references.documents();
    }

    public List<SaidHabit> habits() {
        return references.habits();
    }

    public List<Covenant> covenants() {
        return agreed.covenants();
    }

    public SortedMap<YearMonth, Covenant.PastMonth> pastMonths() {
        return agreed.pastMonths();
    }

    public @Nullable OpeningSheet openingSheet() {
        return reporting.openingSheet();
    }

    /** Returns the balance sheet of the day on which statements start, nothing where there is none of that day. */
    public Optional<OpeningSheet> openingOfItsDay() {
        return Optional.ofNullable(openingSheet()).filter(sheet -> sheet.on().equals(openingDay()));
    }

    public @Nullable YearsPlan years() {
        return reporting.years();
    }

    public @Nullable Threshold explained() {
        return reporting.explained();
    }

    public Set<Certainty> countedReceipts() {
        return counted.receipts();
    }

    public Set<Certainty> countedPayments() {
        return counted.payments();
    }

    /** Returns the same settings with payment runs, or null without. */
    public Settings withPaymentRuns(PaymentRuns runs) {
        return new Settings(name, currency, calendar, cash.with(runs), counted, references, agreed, reporting, chances);
    }

    /** Returns the same settings with what an analyst says of how counterparties pay. */
    public Settings withHabits(List<SaidHabit> said) {
        return new Settings(
                name,
                currency,
                calendar,
                cash,
                counted,
                new References(terms(), documents(), said),
                agreed,
                reporting,
                chances);
    }

    /** Returns the same settings for another as-of date. */
    public Settings withAsOf(LocalDate day) {
        return new Settings(name, currency, calendar.asOf(day), cash, counted, references, agreed, reporting, chances);
    }

    /** Returns the same settings with a horizon of so many months. */
    public Settings withHorizon(int months) {
        return new Settings(
                name, currency, calendar.ahead(months), cash, counted, references, agreed, reporting, chances);
    }

    /** Returns the same settings with months closed some days after their end. */
    public Settings withClosedAfter(int days) {
        return new Settings(
                name, currency, calendar.closedAfter(days), cash, counted, references, agreed, reporting, chances);
    }

    /** Returns the same settings funded in another way. */
    public Settings withFunding(FundingRules rules) {
        return new Settings(
                name, currency, calendar, cash.with(rules), counted, references, agreed, reporting, chances);
    }

    /** Returns the same settings with covenants, and what the months before the forecast came to that they read. */
    public Settings withCovenants(List<Covenant> covenants, SortedMap<YearMonth, Covenant.PastMonth> past) {
        return new Settings(
                name,
                currency,
                calendar,
                cash,
                counted,
                references,
                new AgreedCovenants(covenants, past),
                reporting,
                chances);
    }

    /** Returns the same settings with the balance sheet that statements start from, null without. */
    public Settings withOpeningSheet(OpeningSheet sheet) {
        return new Settings(
                name,
                currency,
                calendar,
                cash,
                counted,
                references,
                agreed,
                new Reporting(sheet, years(), explained()),
                chances);
    }

    /** Returns the same settings with how years go on, null without. */
    public Settings withYears(@Nullable YearsPlan years) {
        return new Settings(
                name,
                currency,
                calendar,
                cash,
                counted,
                references,
                agreed,
                new Reporting(openingSheet(), years, explained()),
                chances);
    }

    /** Returns the same settings with which variances must be explained, null where none must. */
    public Settings withExplained(Threshold from) {
        return new Settings(
                name,
                currency,
                calendar,
                cash,
                counted,
                references,
                agreed,
                new Reporting(openingSheet(), years(), from),
                chances);
    }

    /** Returns the same settings whose runs are drawn by other chances. */
    public Settings withChances(Chances other) {
        return new Settings(name, currency, calendar, cash, counted, references, agreed, reporting, other);
    }

    /** Returns the part of them that lines are worked out from. */
    public LineSettings ofLines() {
        return new LineSettings(currency, calendar, counted, paymentRuns());
    }

    Inputs<Settings> inputs() {
        return Inputs.of(this)
                .in("calendar", calendar, PlanCalendar::inputs)
                .in("cash", cash, CashPolicy::inputs)
                .in("references", references, References::inputs)
                .in("reporting", reporting, Reporting::inputs)
                .in("chances", chances, Chances::inputs);
    }

    /**
     * Returns the last day of the month before the first that is forecast: the opening balance sheet stands then (rules
     * 9.1).
     */
    public LocalDate openingDay() {
        return calendar.openingDay();
    }

    /**
     * Returns the first month that is not closed on the as-of date (rules 5.1), which may lie before the first that is
     * forecast.
     */
    public YearMonth firstOpenMonth() {
        return calendar.firstOpenMonth();
    }

    /** Returns the settings with shared terms in the place of those of their id. */
    public Settings with(NamedTerms changed) {
        return new Settings(
                name,
                currency,
                calendar,
                cash,
                counted,
                new References(
                        terms().stream()
                                .map(one -> one.id().equals(changed.id()) ? changed : one)
                                .toList(),
                        documents(),
                        habits()),
                agreed,
                reporting,
                chances);
    }

    /** Returns the shared terms of an id, if they are there. */
    public Optional<NamedTerms> findTerms(String id) {
        return terms().stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** Returns settings with every choice at its default. */
    public static Settings of(String name, Currency currency, LocalDate asOf) {
        return new Settings(
                name,
                currency,
                asOf,
                DayOfWeek.MONDAY,
                Month.JANUARY,
                DEFAULT_HORIZON_MONTHS,
                AmountSteps.FIRST_DAY,
                Steps.none(),
                null,
                Set.of(Certainty.CERTAIN, Certainty.LIKELY),
                Set.of(Certainty.values()));
    }

    /** Returns whether items of a certainty are in the figures of a direction. */
    public boolean counts(Direction direction, Certainty certainty) {
        return counted.counts(direction, certainty);
    }

    /** Returns the month of the first day that is forecast, D + 1. */
    public YearMonth firstForecastMonth() {
        return calendar.firstForecastMonth();
    }

    /** Returns the last day of the horizon: the end of the nth whole month after the as-of date (rules 1.7). */
    public LocalDate horizonEnd() {
        return calendar.horizonEnd();
    }
}

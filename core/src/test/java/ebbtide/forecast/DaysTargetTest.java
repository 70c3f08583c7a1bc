package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.accounts.Accounts;
import ebbtide.answers.ChecklistItem;
import ebbtide.answers.EarlyPaymentEffect;
import ebbtide.billing.TargetBilling;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.DayTerms;
import ebbtide.plan.DaysTarget;
import ebbtide.plan.Direction;
import ebbtide.plan.EarlyPayment;
import ebbtide.plan.Facility;
import ebbtide.plan.Ledger;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * Targets of days by count-back, discounts for paying early, and terms that lines share (rules 3.4, 3.6), worked by
 * hand.
 */
class DaysTargetTest {
    private static final YearMonth FEBRUARY = YearMonth.of(2026, 2);
    private static final LocalDate LONG_AGO = LocalDate.of(2020, 1, 1);
    private static final Books BOOKS = Books.of(List.of(new Account("a", "A", "--", false, LONG_AGO, 0)));

    /** History up to the as-of date's month, then typed months; amounts in whole pounds from February on. */
    private static Line line(LocalDate asOf, Terms terms, Ledger ledger, long... fromFebruary) {
        SortedMap<YearMonth, Long> history = new TreeMap<>();
        SortedMap<YearMonth, Long> typed = new TreeMap<>();
        for (int i = 0; i < fromFebruary.length; i++) {
            YearMonth month = FEBRUARY.plusMonths(i);
            (month.isBefore(YearMonth.from(asOf.plusDays(1))) ? history : typed).put(month, fromFebruary[i] * 100);
        }
        return new Line(
                "s",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                new Stream(
                        new TypedMonths(typed),
                        List.of(),
                        history,
                        new TreeMap<>(),
                        SalesTax.NONE,
                        terms,
                        ledger,
                        new Spread.Even()),
                List.of());
    }

    private static Terms days(int days) {
        return Terms.byTarget(new DaysTarget(Steps.from(LONG_AGO, days)));
    }

    private static Plan plan(LocalDate asOf, Line line) {
        return new Plan(Settings.of("P", Money.currency("GBP"), asOf), List.of(line), List.of());
    }

    private static List<TargetBilling.Month> months(LocalDate asOf, Line line, YearMonth last) {
        return Accounts.of(plan(asOf, line), BOOKS).stream(line)
                .target()
                .months(ebbtide.time.Timeline.monthNumber(last));
    }

    /** W7: 40 days at the end of March reach over its 31 days and 9 of February's 28. */
    @Test
    void receivables_at40Days_countBackOverWholeMonthsAndAFraction() {
        LocalDate asOf = LocalDate.of(2026, 2, 28);
        TargetBilling.Month march = months(asOf, line(asOf, days(40), null, 120_000, 155_000), YearMonth.of(2026, 3))
                .get(0);
        assertThat(march.closing()).isEqualTo(19_357_143);
        // February alone is known: 28 of its days, and 12 more at its daily amount, which is assumed.
        assertThat(march.opening()).isEqualTo(12_000_000 + 5_142_857);
        assertThat(march.cash()).isEqualTo(march.opening() + 15_500_000 - march.closing());
        assertThat(march.assumed()).isFalse();
        Line known = line(asOf, days(40), new Ledger(15_000_000, true), 120_000, 155_000);
        assertThat(months(asOf, known, YearMonth.of(2026, 3)).get(0).opening())
                .as("trued up to the ledger")
                .isEqualTo(15_000_000);
        Forecast forecast = Forecaster.forecast(plan(asOf, known), BOOKS);
        assertThat(forecast.cell(known, new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1)))
                        .amount())
                .isEqualTo(15_000_000 + 15_500_000 - 19_357_143);
        RollForward owed = RollForwards.of(forecast, known, 1).get(0);
        assertThat(owed.opening()).containsExactly(15_000_000L);
        assertThat(owed.closing()).containsExactly(19_357_143L);
    }

    /**
     * On Friday 13 March ten of the month's 22 business days are billed. 20 days reach over those 13 and 7 of February.
     * By the end of April what is owed then is not collected; the rest comes in evenly over 12 and 22 business days.
     */
    @Test
    void asOfDateWithinAMonth_firstTargetIsTheEndOfTheFirstWholeMonth() {
        LocalDate asOf = LocalDate.of(2026, 3, 13);
        Line line = line(asOf, days(20), null, 28_000, 22_000, 30_000);
        List<TargetBilling.Month> months = months(asOf, line, YearMonth.of(2026, 4));
        assertThat(months.get(0).opening()).isEqualTo(1_000_000 + 700_000);
        assertThat(months.get(0).billed()).isEqualTo(1_200_000);
        assertThat(months.get(1).closing()).isEqualTo(2_000_000);
        assertThat(months.get(0).cash() + months.get(1).cash())
                .isEqualTo(1_700_000 + 1_200_000 + 3_000_000 - 2_000_000);
        assertThat(months.get(0).cash()).isEqualTo(Math.round(3_900_000 * 12 / 34.0));
        Forecast forecast = Forecaster.forecast(plan(asOf, line), BOOKS);
        assertThat(forecast.cell(line, new Period(asOf.plusDays(1), LocalDate.of(2026, 4, 1)))
                        .amount())
                .isEqualTo(months.get(0).cash());
    }

    @Test
    void targetThatRises_showsItsNegativeCash_andWhatIsNotKnownIsAskedFor() {
        LocalDate asOf = LocalDate.of(2026, 2, 28);
        Terms rising = Terms.byTarget(new DaysTarget(
                new Steps<>(List.of(new Steps.Step<>(LONG_AGO, 10), new Steps.Step<>(LocalDate.of(2026, 4, 30), 61)))));
        Line line = line(asOf, rising, null, 28_000, 31_000, 30_000);
        assertThat(months(asOf, line, YearMonth.of(2026, 4)).get(1).cash())
                .isEqualTo(1_000_000 + 3_000_000 - 6_100_000);
        assertThat(ChecklistItem.of(Forecaster.forecast(plan(asOf, line), BOOKS)))
                .extracting(ChecklistItem::sentence)
                .contains(
                        "The target of days of Sales rises by more than is billed in 2026-04: its cash would be −21,000");
        LocalDate early = LocalDate.of(2026, 1, 31);
        assertThat(ChecklistItem.of(Forecaster.forecast(plan(early, line(early, days(30), null, 28_000)), BOOKS)))
                .extracting(ChecklistItem::sentence)
                .contains(
                        "Sales stands at a target of days, but no month before 2026-02 is known: type its history or its ledger total, or nothing was "
                                + "owed at first");
        assertThatThrownBy(() -> days(400)).hasMessage("days from 2020-01-01 must be from 0 to 365, but was 400");
    }

    /** W8. */
    @Test
    void discountForPayingEarly_isWorthItsRateAYear() {
        assertThat(new EarlyPayment(Percent.parse("2"), 10, false).yearlyRate(45))
                .isEqualTo(Percent.parse("21.2828"));
        assertThat(new EarlyPayment(Percent.parse("1"), 0, false).yearlyRate(30))
                .isEqualTo(Percent.parse("12.2896"));
        assertThatThrownBy(() -> new EarlyPayment(Percent.parse("2"), 45, false).yearlyRate(45))
                .hasMessage(
                        "Paying in 45 days is not earlier than in 45: the discount must hold for fewer days than it takes to pay without it");
    }

    /** Billed on 10 March, paid 10 days later less 2% instead of after 45. */
    @Test
    void discountThatIsTaken_isPaidEarlyAndLess() {
        LocalDate asOf = LocalDate.of(2026, 2, 28);
        Spread tenth = new Spread.OnDays(List.of(new Spread.DayWeight(10, 1)));
        DayTerms terms = new DayTerms(
                DayTerms.Due.AFTER_ISSUE, 45, 0, Convention.NONE, new EarlyPayment(Percent.parse("2"), 10, true));
        Line line = line(asOf, Terms.byDays(terms), null, 0, 10_000);
        Stream stream = (Stream) line.assumption();
        Line on = line.with(new Stream(
                stream.method(),
                List.of(),
                stream.history(),
                stream.overrides(),
                stream.tax(),
                stream.terms(),
                null,
                tenth));
        Forecast forecast = Forecaster.forecast(plan(asOf, on), BOOKS);
        assertThat(forecast.cell(on, new Period(LocalDate.of(2026, 3, 20), LocalDate.of(2026, 3, 21)))
                        .amount())
                .isEqualTo(980_000);
        RollForward owed = RollForwards.of(forecast, on, 1).get(0);
        assertThat(owed.closing()).containsExactly(0L);
        assertThat(owed.changes())
                .filteredOn(change -> change.name().equals("discount"))
                .singleElement()
                .satisfies(change -> assertThat(change.amounts()).containsExactly(-20_000L));
        Line late = on.with(((Stream) on.assumption()).with(Terms.byDays(terms.taking(false))));
        assertThat(Forecaster.forecast(plan(asOf, late), BOOKS)
                        .cell(late, new Period(LocalDate.of(2026, 4, 24), LocalDate.of(2026, 4, 25)))
                        .amount())
                .isEqualTo(1_000_000);
    }

    @Test
    void verdict_onADiscount_comparesItsRateAndShowsItsEffectOnCash() {
        LocalDate asOf = LocalDate.of(2026, 2, 28);
        DayTerms terms = new DayTerms(
                DayTerms.Due.AFTER_ISSUE, 45, 0, Convention.NONE, new EarlyPayment(Percent.parse("2"), 10, false));
        Line sales = line(asOf, Terms.byDays(terms), null, 0, 10_000, 0);
        Settings s = Settings.of("P", Money.currency("GBP"), asOf);
        Settings borrowing = new Settings(
                s.name(),
                s.currency(),
                asOf,
                s.firstDayOfWeek(),
                s.firstFiscalMonth(),
                24,
                s.amountSteps(),
                Steps.none(),
                new Facility("Overdraft", Steps.none(), Steps.from(LONG_AGO, Percent.parse("8.4"))),
                s.countedReceipts(),
                s.countedPayments());
        EarlyPaymentEffect given = EarlyPaymentEffect.of(new Plan(borrowing, List.of(sales), List.of()), BOOKS, sales);
        assertThat(given.verdict())
                .isEqualTo("Giving 2% for 10 days instead of 45 costs 21.28% a year; Overdraft costs 8.4%: dearer than "
                        + "borrowing, so better not given");
        assertThat(given.weeks().stream()
                        .mapToLong(EarlyPaymentEffect.Week::change)
                        .sum())
                .as("what the discount takes")
                .isEqualTo(-20_000);
        assertThat(given.weeks().stream().filter(week -> week.from().equals(LocalDate.of(2026, 3, 16))))
                .singleElement()
                .satisfies(week -> assertThat(week.change()).isPositive());
        Line bills = new Line("b", null, "Bills", Direction.PAYMENT, true, null, "", sales.assumption(), List.of());
        assertThat(EarlyPaymentEffect.of(plan(asOf, bills), BOOKS, bills).verdict())
                .isEqualTo(
                        "Taking 2% for 10 days instead of 45 earns 21.28% a "
                                + "year. What money costs otherwise is not known: give the facility, or cash, its rate under Setup");
    }

    @Test
    void sharedTerms_areThePlansWhateverTheLineKeeps_andMustBeThere() {
        LocalDate asOf = LocalDate.of(2026, 2, 28);
        Line line = line(asOf, Terms.byMonths(MonthPattern.atOnce()).sharedAs("net"), null, 28_000, 31_000);
        Settings settings = Settings.of("P", Money.currency("GBP"), asOf);
        MonthPattern later =
                new MonthPattern(List.of(new MonthPattern.Step(Percent.HUNDRED, 1, Percent.ZERO)), Percent.ZERO, null);
        Settings sharing = new Settings(
                settings.name(),
                settings.currency(),
                asOf,
                settings.firstDayOfWeek(),
                settings.firstFiscalMonth(),
                24,
                settings.amountSteps(),
                Steps.none(),
                null,
                settings.countedReceipts(),
                settings.countedPayments(),
                Steps.none(),
                List.of(new NamedTerms("net", "A month later", Terms.byMonths(later))),
                List.of());
        Plan plan = new Plan(sharing, List.of(line), List.of());
        assertThat(PlanCheck.problems(plan)).isEmpty();
        assertThat(Forecaster.forecast(plan, BOOKS)
                        .cell(plan.lines().get(0), new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1)))
                        .amount())
                .as("February's")
                .isEqualTo(2_800_000);
        assertThat(PlanCheck.problems(plan(asOf, line)))
                .singleElement()
                .satisfies(
                        problem -> assertThat(problem.sentence())
                                .isEqualTo(
                                        "'Sales' shares terms that are not in the plan ('net'): choose others, or give it terms of its own"));
    }
}

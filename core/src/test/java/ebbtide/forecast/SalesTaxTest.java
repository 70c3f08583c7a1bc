package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.SalesTaxAccount.TaxPeriod;
import ebbtide.answers.ChecklistItem;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.SalesTaxSettlement.TaxPoint;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Sales tax by period and its settlements (rules 7.3), worked by hand. */
class SalesTaxTest {
    private static final SalesTax TWENTY = SalesTax.of(Percent.parse("20"), false);
    private static final LocalDate NEW_YEARS_EVE = LocalDate.of(2025, 12, 31);
    private static final YearMonth MARCH = YearMonth.of(2026, 3);
    private static final MonthPattern LATER = new MonthPattern(
            List.of(new MonthPattern.Step(Percent.parse("90"), 1, Percent.parse("5"))), Percent.parse("10"), 2);

    private static Line stream(
            String id, Direction direction, SalesTax tax, MonthPattern pattern, Spread spread, long... fromJanuary) {
        SortedMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 0; i < fromJanuary.length; i++) {
            months.put(YearMonth.of(2026, 1).plusMonths(i), fromJanuary[i] * 100);
        }
        months.put(YearMonth.of(2026, 1).plusMonths(fromJanuary.length), 0L);
        return new Line(
                id,
                null,
                id,
                direction,
                true,
                null,
                "",
                Stream.of(new TypedMonths(months), new TreeMap<>(), new TreeMap<>(), tax, pattern, spread),
                List.of());
    }

    private static Line stream(String id, Direction direction, long... fromJanuary) {
        return stream(id, direction, TWENTY, MonthPattern.atOnce(), new Spread.Even(), fromJanuary);
    }

    /** Quarters from January, settled on the 7th of the second month after, refunded 20 days after that. */
    private static Line settling(TaxPoint point, boolean relief, Map<YearMonth, Long> owed) {
        return new Line(
                "tax",
                null,
                "Sales tax",
                Direction.PAYMENT,
                true,
                null,
                "",
                new SalesTaxSettlement(
                        3, Month.JANUARY, 2, 7, 20, Convention.FOLLOWING, point, relief, new TreeMap<>(owed)),
                List.of());
    }

    private static Forecast forecast(LocalDate asOf, Books books, Line... lines) {
        return Forecaster.forecast(
                new Plan(Settings.of("Tax", Money.currency("GBP"), asOf), List.of(lines), List.of()), books);
    }

    private static Forecast forecast(Line... lines) {
        return forecast(NEW_YEARS_EVE, Books.of(List.of()), lines);
    }

    private static TaxPeriod quarter(Forecast forecast, YearMonth last) {
        return Accounts.of(forecast.plan(), forecast.books())
                .salesTax(forecast.plan().findLine("tax").orElseThrow())
                .periods()
                .stream()
                .filter(period -> period.last().equals(last))
                .findFirst()
                .orElseThrow();
    }

    private static long on(Forecast forecast, String day) {
        LocalDate date = LocalDate.parse(day);
        return forecast.cell(forecast.plan().findLine("tax").orElseThrow(), new Period(date, date.plusDays(1)))
                .amount();
    }

    /** W3: a whole quarter after the as-of date. */
    @Test
    void quarter_ofSalesAndPurchases_isSettledInTheSecondMonthAfter() {
        Forecast forecast = forecast(
                stream("sales", Direction.RECEIPT, 140_000, 165_000, 190_000),
                stream("costs", Direction.PAYMENT, 61_000, 72_500, 58_250),
                settling(TaxPoint.INVOICE, false, Map.of()));
        TaxPeriod period = quarter(forecast, MARCH);
        assertThat(period.output()).isEqualTo(9_900_000);
        assertThat(period.input()).isEqualTo(3_835_000);
        assertThat(period.balance()).isEqualTo(6_065_000);
        assertThat(on(forecast, "2026-05-07")).isEqualTo(-6_065_000);
        assertThat(RowWorkings.of(forecast, "tax", new Period(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 6, 1)))
                        .items())
                .extracting(Workings.Item::what, Workings.Item::minor)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("Expected on Thu 7 May 2026: tax on sales", -9_900_000L),
                        org.assertj.core.groups.Tuple.tuple(
                                "Expected on Thu 7 May 2026: less tax paid on costs", 3_835_000L));
    }

    /** What is carried on the line is no period's balance: it has no pieces, though it falls due on the same day. */
    @Test
    void amountCarried_besideASettlement_isExplainedByItself() {
        LocalDate day = LocalDate.of(2026, 5, 7);
        Line tax = settling(TaxPoint.INVOICE, false, Map.of());
        Forecast forecast = forecast(
                stream("sales", Direction.RECEIPT, 140_000, 165_000, 190_000),
                tax.carrying(List.of(new CarriedAmount("late", day, 9_900_000, "the quarter before"))));
        assertThat(on(forecast, "2026-05-07")).isEqualTo(-2 * 9_900_000);
        assertThat(RowWorkings.of(forecast, "tax", new Period(day, day.plusDays(1)))
                        .items())
                .extracting(Workings.Item::minor)
                .containsExactlyInAnyOrder(-9_900_000L, -9_900_000L);
    }

    /** W13: half of the quarter lies before the as-of date, and what it comes to is an input. */
    @Test
    void quarter_halfBeforeTheAsOfDate_addsWhatWasOwed() {
        Line sales = stream("sales", Direction.RECEIPT, TWENTY, MonthPattern.atOnce(), onDay(20), 0, 100_000, 90_000);
        Line costs = stream("costs", Direction.PAYMENT, TWENTY, MonthPattern.atOnce(), onDay(20), 0, 40_000, 31_250);
        Line tax = settling(TaxPoint.INVOICE, false, Map.of(MARCH, 2_130_000L));
        Forecast forecast = forecast(LocalDate.of(2026, 2, 15), Books.of(List.of()), sales, costs, tax);
        TaxPeriod period = quarter(forecast, MARCH);
        assertThat(period.output()).isEqualTo(3_800_000);
        assertThat(period.input()).isEqualTo(1_425_000);
        assertThat(on(forecast, "2026-05-07")).isEqualTo(-4_505_000);
        // Without the input the checklist asks for it, and proposes what the plan says of the days before.
        Line early = stream("early", Direction.RECEIPT, TWENTY, MonthPattern.atOnce(), onDay(5), 0, 50_000, 0);
        Forecast unsaid = forecast(
                LocalDate.of(2026, 2, 15), Books.of(List.of()), early, settling(TaxPoint.INVOICE, false, Map.of()));
        assertThat(quarter(unsaid, MARCH).proposed()).isEqualTo(1_000_000);
        assertThat(quarter(unsaid, MARCH).balance()).isZero();
        assertThat(ChecklistItem.of(unsaid))
                .extracting(ChecklistItem::sentence)
                .contains("Sales tax of the period to 2026-03 "
                        + "lacks what was owed on the as-of date: take the figure proposed, or type your own");
    }

    private static Spread onDay(int day) {
        return new Spread.OnDays(List.of(new Spread.DayWeight(day, 1)));
    }

    /**
     * January's 10,000 net: tax 2,000 of which 1,800 lies in the step; 5% of that is taken off in February; 200 written
     * off in March.
     */
    @Test
    void discountAndWriteOff_lowerTheTaxOfTheirMonths_theLatterOnlyWithRelief() {
        Line sales = stream("sales", Direction.RECEIPT, TWENTY, LATER, new Spread.Even(), 10_000);
        assertThat(quarter(forecast(sales, settling(TaxPoint.INVOICE, false, Map.of())), MARCH)
                        .output())
                .isEqualTo(200_000 - 9_000);
        assertThat(quarter(forecast(sales, settling(TaxPoint.INVOICE, true, Map.of())), MARCH)
                        .output())
                .isEqualTo(200_000 - 9_000 - 20_000);
    }

    @Test
    void cashBasis_countsTheTaxOfWhatIsPaidInItsMonth() {
        Line sales = stream("sales", Direction.RECEIPT, TWENTY, LATER, new Spread.Even(), 0, 0, 10_000);
        Forecast forecast = forecast(sales, settling(TaxPoint.CASH, false, Map.of()));
        assertThat(quarter(forecast, MARCH).output()).as("paid in April").isZero();
        assertThat(quarter(forecast, YearMonth.of(2026, 6)).output()).isEqualTo(180_000 - 9_000);
    }

    @Test
    void recoverable_isTheShareThatIsClaimedBack_andABalanceTheOtherWayIsRefunded() {
        SalesTax half = new SalesTax(Percent.parse("20"), false, Percent.parse("50"));
        Line cars = stream("cars", Direction.PAYMENT, half, MonthPattern.atOnce(), new Spread.Even(), 10_000);
        Line rent = new Line(
                "rent",
                null,
                "rent",
                Direction.PAYMENT,
                true,
                null,
                "",
                new Recurring(
                        new Recurrence(Recurrence.Span.MONTH, 1, LocalDate.of(2026, 1, 5), LocalDate.of(2026, 3, 30)),
                        Steps.from(NEW_YEARS_EVE, 100_000L),
                        Percent.ZERO,
                        TWENTY,
                        30,
                        Convention.FOLLOWING,
                        Certainty.CERTAIN,
                        ebbtide.plan.Expensing.OWN_MONTH),
                List.of());
        Forecast forecast = forecast(cars, rent, settling(TaxPoint.INVOICE, false, Map.of()));
        assertThat(quarter(forecast, MARCH).input()).isEqualTo(100_000 + 3 * 20_000);
        // 7 May and 20 days: Wednesday 27 May.
        assertThat(on(forecast, "2026-05-27")).isEqualTo(160_000);
        assertThat(forecast.cell(rent, new Period(LocalDate.of(2026, 2, 1), LocalDate.of(2026, 3, 1)))
                        .amount())
                .isEqualTo(-120_000);
        assertThat(quarter(forecast(rent, settling(TaxPoint.CASH, false, Map.of())), MARCH)
                        .input())
                .as("paid in February and March")
                .isEqualTo(2 * 20_000);
    }

    /**
     * A debt to the state stands on the first business day after the as-of date until it is paid, and what is paid of
     * it counts.
     */
    @Test
    void settlement_whoseDayHasPassed_standsUntilItIsPaid() {
        Account bank = new Account("bank", "Bank", "--", false, LocalDate.of(2026, 5, 1), 0);
        Line tax = settling(TaxPoint.INVOICE, false, Map.of(MARCH, 500_000L));
        BankMovement part = new BankMovement(
                "bank",
                LocalDate.of(2026, 5, 8),
                LocalDate.of(2026, 5, 8),
                -200_000,
                "",
                "",
                "",
                List.of(new BankMovement.AssignedPart("tax", -200_000)));
        Forecast forecast = forecast(LocalDate.of(2026, 9, 30), Books.of(List.of(bank), List.of(part)), tax);
        assertThat(on(forecast, "2026-10-01")).isEqualTo(-300_000);
        assertThat(forecast.cell(tax, new Period(LocalDate.of(2026, 10, 1), LocalDate.of(2026, 10, 2)))
                        .overdue())
                .isTrue();
        RollForward roll = RollForwards.of(forecast, tax, 3).get(0);
        assertThat(roll.opening()).containsExactly(300_000L, 0L, 0L);
        assertThat(roll.closing()).containsExactly(0L, 0L, 0L);
    }

    @Test
    void settlements_badCalendars_areRefusedInWords() {
        assertThatThrownBy(() -> new SalesTaxSettlement(
                        5, Month.JANUARY, 1, 7, 0, Convention.NONE, TaxPoint.INVOICE, false, new TreeMap<>()))
                .hasMessage("A tax period has 1, 2, 3, 4, 6 or 12 months, but had 5");
        assertThatThrownBy(() -> new SalesTaxSettlement(
                        3,
                        Month.FEBRUARY,
                        1,
                        7,
                        0,
                        Convention.NONE,
                        TaxPoint.INVOICE,
                        false,
                        new TreeMap<>(Map.of(MARCH, 1L))))
                .hasMessage("No tax period ends with 2026-03: they have 3 months, and one begins in February");
        Line one = settling(TaxPoint.INVOICE, false, Map.of());
        Line other = new Line("tax2", null, "VAT", Direction.RECEIPT, true, null, "", one.assumption(), List.of());
        Plan plan = new Plan(
                Settings.of("P", Money.currency("GBP"), NEW_YEARS_EVE),
                new ArrayList<>(List.of(one, other)),
                List.of());
        assertThat(PlanCheck.problems(plan))
                .extracting(PlanProblem::sentence)
                .containsExactly(
                        "'VAT' settles sales tax and stands under payments: a refund is shown there too",
                        "'Sales tax' already settles the plan's sales tax: keep one of the two, or the tax would be paid twice");
    }

    /** W25: settled on the 28th of the month after, the quarter that ends in December in the second month after. */
    @Test
    void quarterThatEndsInDecember_isSettledAMonthLaterThanOthers() {
        SalesTaxSettlement rule = new SalesTaxSettlement(
                3,
                Month.JANUARY,
                1,
                28,
                0,
                Convention.FOLLOWING,
                TaxPoint.INVOICE,
                false,
                new TreeMap<>(
                        Map.of(YearMonth.of(2025, 9), 315_000L, YearMonth.of(2025, 12), 442_000L, MARCH, 297_500L)),
                List.of(new SalesTaxSettlement.OtherDay(Month.DECEMBER, 2, 28)));
        Line tax = new Line("tax", null, "tax", Direction.PAYMENT, true, null, "", rule, List.of());
        LocalDate before = LocalDate.of(2025, 10, 1);
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), before), List.of(tax), List.of());
        assertThat(
                        Accounts.of(plan, Books.of(List.of(new Account("a", "A", "--", false, before, 0))))
                                .of(tax)
                                .dues()
                                .stream()
                                .limit(3)
                                .map(due -> due.day() + " " + due.amount()))
                .containsExactly("2025-10-28 315000", "2026-03-02 442000", "2026-04-28 297500");
        assertThatThrownBy(() -> new SalesTaxSettlement(
                        3,
                        Month.JANUARY,
                        1,
                        28,
                        0,
                        Convention.FOLLOWING,
                        TaxPoint.INVOICE,
                        false,
                        new TreeMap<>(),
                        List.of(new SalesTaxSettlement.OtherDay(Month.NOVEMBER, 2, 28))))
                .hasMessageContaining("No tax period ends in November");
    }
}

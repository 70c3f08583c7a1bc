package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.accounts.Accounts;
import ebbtide.answers.ChecklistItem;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.CapitalSpending.Disposal;
import ebbtide.plan.CapitalSpending.Owned;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Expensing;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.ProfitTax.Instalment;
import ebbtide.plan.ProfitTax.InstalmentsOf;
import ebbtide.plan.ProfitTax.Mode;
import ebbtide.plan.ProfitTax.MonthlyProfit;
import ebbtide.plan.ProfitTax.YearSoFar;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Profit by month, and what follows from it: tax on it, assets used up, dividends (rules 7.2, 7.4-7.6), worked by hand.
 */
class ProfitTest {
    private static final LocalDate NEW_YEARS_EVE = LocalDate.of(2025, 12, 31);
    private static final Books BOOKS =
            Books.of(List.of(new Account("a", "A", "--", false, LocalDate.of(2020, 1, 1), 0)));
    private static final SalesTax TWENTY = SalesTax.of(Percent.parse("20"), false);

    private static Line line(String id, Direction direction, Assumption assumption) {
        return new Line(id, null, id, direction, true, null, "", assumption, List.of());
    }

    /** 10,000 of sales a month, 4,000 of rent, 500 that is no cash: a profit of 5,500 a month. */
    private static List<Line> trade() {
        return List.of(
                line(
                        "sales",
                        Direction.RECEIPT,
                        Assumption.Stream.of(
                                new FixedAmount(Steps.from(NEW_YEARS_EVE, 1_000_000L)),
                                new TreeMap<>(),
                                new TreeMap<>(),
                                TWENTY,
                                MonthPattern.atOnce(),
                                new Spread.Even())),
                line("rent", Direction.PAYMENT, bill(LocalDate.of(2026, 1, 5), 1, 400_000, Expensing.OWN_MONTH)),
                line("wear", Direction.PAYMENT, bill(LocalDate.of(2026, 1, 5), 1, 50_000, new Expensing(1, 0, true))));
    }

    private static Recurring bill(LocalDate first, int every, long amount, Expensing expensing) {
        return new Recurring(
                new Recurrence(Recurrence.Span.MONTH, every, first, null),
                Steps.from(NEW_YEARS_EVE, amount),
                Percent.ZERO,
                TWENTY,
                0,
                Convention.FOLLOWING,
                Certainty.CERTAIN,
                expensing);
    }

    private static Forecast forecast(Line... more) {
        List<Line> lines = new java.util.ArrayList<>(trade());
        lines.addAll(Arrays.asList(more));
        return Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), NEW_YEARS_EVE), lines, List.of()), BOOKS);
    }

    private static long on(Forecast forecast, String line, String day) {
        LocalDate date = LocalDate.parse(day);
        return forecast.cell(forecast.plan().findLine(line).orElseThrow(), new Period(date, date.plusDays(1)))
                .amount();
    }

    private static Line tax(Mode mode, long losses, InstalmentsOf of) {
        return line(
                "tax",
                Direction.PAYMENT,
                new ProfitTax(
                        mode,
                        Percent.parse("25"),
                        new YearSoFar(0, 0, 0, losses),
                        600_000,
                        90_000,
                        List.of(new Instalment(7, 31, Percent.parse("50"))),
                        of,
                        9,
                        30,
                        Convention.FOLLOWING));
    }

    private static long[] expense(Forecast forecast) {
        return Accounts.of(forecast.plan(), BOOKS)
                .profitTax(forecast.plan().findLine("tax").orElseThrow())
                .expense()
                .stream()
                .toArray();
    }

    @Test
    void profit_ofAMonth_leavesTaxThatPassesThroughOutAndCountsWhatIsNoCash() {
        Forecast forecast = forecast();
        assertThat(Accounts.of(forecast.plan(), BOOKS).profit().beforeTax().stream()
                        .toArray())
                .hasSize(24)
                .containsOnly(550_000L);
        assertThat(on(forecast, "wear", "2026-01-05")).isZero();
        assertThat(on(forecast, "rent", "2026-01-05")).isEqualTo(-480_000);
    }

    /** W24: 8,000 a month before interest of 2,000, 30%; one month 6,500 less. */
    @ParameterizedTest
    @CsvSource({"BEFORE_TAX, 180000, 0", "OPERATING, 240000, 45000"})
    void profitTax_byMonth_isOnTheProfitThatIsSaid(MonthlyProfit of, long usual, long poor) {
        Line fees = line("fees", Direction.RECEIPT, bill(LocalDate.of(2026, 1, 15), 1, 800_000, Expensing.OWN_MONTH));
        Line storm = line(
                "storm",
                Direction.PAYMENT,
                new Recurring(
                        new Recurrence(Recurrence.Span.MONTH, 1, LocalDate.of(2026, 3, 5), LocalDate.of(2026, 3, 5)),
                        Steps.from(NEW_YEARS_EVE, 650_000L),
                        Percent.ZERO,
                        SalesTax.NONE,
                        0,
                        Convention.NONE,
                        Certainty.CERTAIN,
                        Expensing.OWN_MONTH));
        Line loan = line(
                "loan",
                Direction.PAYMENT,
                new TermLoan(
                        TermLoan.By.BULLET,
                        new TermLoan.Balance(NEW_YEARS_EVE, 24_000_000, 0),
                        true,
                        Steps.from(NEW_YEARS_EVE, Percent.parse("10")),
                        LocalDate.of(2026, 1, 31),
                        60,
                        1,
                        0,
                        null,
                        Convention.NONE,
                        List.of(),
                        List.of(),
                        true,
                        0));
        Line interest = line("interest", Direction.PAYMENT, new Interest(Interest.Of.LINE, "loan", Charging.MONTHLY));
        Line tax = line(
                "tax",
                Direction.PAYMENT,
                new ProfitTax(
                        Mode.MONTH,
                        Percent.parse("30"),
                        YearSoFar.NOTHING,
                        0,
                        0,
                        List.of(),
                        InstalmentsOf.LAST_YEAR,
                        1,
                        15,
                        Convention.NONE,
                        of));
        Forecast forecast = Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), NEW_YEARS_EVE),
                        List.of(fees, storm, loan, interest, tax),
                        List.of()),
                BOOKS);
        assertThat(Arrays.copyOf(expense(forecast), 4)).containsExactly(usual, usual, poor, usual);
        assertThat(on(forecast, "tax", "2026-02-15")).isEqualTo(-usual);
    }

    /**
     * 8,000 of losses: no tax in January, 25% of 3,000 by February, of 8,500 by March, of 58,000 by December: 14,500.
     */
    @Test
    void profitTax_byYear_takesLossesOffAndPaysInstalmentsAndTheRest() {
        Forecast forecast = forecast(tax(Mode.YEAR, 800_000, InstalmentsOf.LAST_YEAR));
        assertThat(Arrays.copyOf(expense(forecast), 4)).containsExactly(0, 75_000, 137_500, 137_500);
        assertThat(Arrays.stream(expense(forecast)).limit(12).sum()).isEqualTo(1_450_000);
        assertThat(on(forecast, "tax", "2026-07-31"))
                .as("half of last year's 6,000")
                .isEqualTo(-300_000);
        assertThat(on(forecast, "tax", "2026-09-30")).as("earlier years'").isEqualTo(-90_000);
        assertThat(on(forecast, "tax", "2027-08-02"))
                .as("half of 14,500; the 31st is a Saturday")
                .isEqualTo(-725_000);
        assertThat(on(forecast, "tax", "2027-09-30")).isEqualTo(-1_150_000);
        assertThat(on(forecast(tax(Mode.YEAR, 0, InstalmentsOf.THIS_YEAR)), "tax", "2026-07-31"))
                .as("half of this year's 16,500")
                .isEqualTo(-825_000);
        RollForward owed = RollForwards.of(
                        forecast, forecast.plan().findLine("tax").orElseThrow(), 24)
                .get(0);
        assertThat(owed.opening().get(0)).isEqualTo(90_000);
        assertThat(owed.closing().get(23))
                .as("2027's 16,500 less its instalment")
                .isEqualTo(1_650_000 - 725_000);
    }

    @Test
    void profitTax_byMonth_isPaidSomeMonthsAfterAndNeverBelowZero() {
        Forecast forecast = forecast(
                tax(Mode.MONTH, 0, InstalmentsOf.LAST_YEAR),
                line(
                        "storm",
                        Direction.PAYMENT,
                        DatedItems.untaxed(
                                List.of(new DatedItem(LocalDate.of(2026, 2, 10), 2_000_000, Certainty.CERTAIN, "")),
                                Convention.NONE)));
        assertThat(Arrays.copyOf(expense(forecast), 3)).containsExactly(137_500, 0, 137_500);
        assertThat(on(forecast, "tax", "2026-10-30")).isEqualTo(-137_500);
    }

    /**
     * A boat of 60,000, used from March for 48 months down to 12,000, sold in October for 50,000; a van that is nearly
     * worn out.
     */
    @Test
    void assets_costBySteps_wearStraight_andAreSoldAtAGainOrLoss() {
        Line capital = line(
                "capital",
                Direction.PAYMENT,
                new CapitalSpending(
                        List.of(
                                new Asset(
                                        "Boat",
                                        TWENTY,
                                        List.of(
                                                new DatedAmount(LocalDate.of(2026, 1, 15), 2_000_000, "hull"),
                                                new DatedAmount(LocalDate.of(2026, 3, 15), 4_000_000, "")),
                                        30,
                                        LocalDate.of(2026, 3, 20),
                                        48,
                                        1_200_000,
                                        null,
                                        new Disposal(LocalDate.of(2026, 10, 10), 5_000_000)),
                                new Asset(
                                        "Van",
                                        SalesTax.NONE,
                                        List.of(),
                                        0,
                                        LocalDate.of(2020, 1, 1),
                                        60,
                                        20_000,
                                        new Owned(1_000_000, 950_000, 20_000, Percent.ZERO),
                                        null)),
                        Convention.FOLLOWING));
        Forecast forecast = forecast(
                capital,
                line(
                        "vat",
                        Direction.PAYMENT,
                        new SalesTaxSettlement(
                                12,
                                Month.JANUARY,
                                1,
                                31,
                                0,
                                Convention.FOLLOWING,
                                SalesTaxSettlement.TaxPoint.INVOICE,
                                false,
                                new TreeMap<>())));
        assertThat(on(forecast, "capital", "2026-02-16")).isEqualTo(-2_400_000);
        assertThat(on(forecast, "capital", "2026-04-14")).isEqualTo(-4_800_000);
        assertThat(on(forecast, "capital", "2026-10-12"))
                .as("the 10th is a Saturday")
                .isEqualTo(6_000_000);
        long[] earned = Accounts.of(forecast.plan(), BOOKS).earned(capital).earned().stream()
                .toArray();
        assertThat(Arrays.copyOf(earned, 11))
                .containsExactly(
                        -20_000,
                        -10_000,
                        0,
                        -100_000,
                        -100_000,
                        -100_000,
                        -100_000,
                        -100_000,
                        -100_000,
                        5_000_000 - 5_400_000,
                        0);
        RollForward assets = RollForwards.of(forecast, capital, 12).get(0);
        assertThat(assets.opening().get(0)).isEqualTo(50_000);
        assertThat(assets.closing().get(11)).as("the van's residual value").isEqualTo(20_000);
        Line vat = forecast.plan().findLine("vat").orElseThrow();
        // A year of sales tax of 24,000 and the sale's 10,000, less rent's 9,600 and the boat's 12,000.
        assertThat(Accounts.of(forecast.plan(), BOOKS)
                        .salesTax(vat)
                        .periods()
                        .get(1)
                        .balance())
                .isEqualTo(2_400_000 + 1_000_000 - 960_000 - 1_200_000);
        assertThatThrownBy(() -> new Owned(100, 50, 10, Percent.parse("20")))
                .hasMessage("depreciation is a sum a month or a percentage a year, not both");
    }

    /** 40% of the year before: 50,000 for 2025; 66,000 less 14,500 of tax for 2026. */
    @Test
    void dividends_areAShareOfTheLastWholeYear_orAnAmount_andAreWarnedOf() {
        Line owners = line(
                "owners",
                Direction.PAYMENT,
                new Dividends(
                        Dividends.By.YEAR_PROFIT,
                        Steps.none(),
                        Percent.parse("40"),
                        Month.APRIL,
                        1,
                        15,
                        Convention.FOLLOWING,
                        5_000_000,
                        0,
                        100_000L));
        Forecast forecast = forecast(tax(Mode.YEAR, 800_000, InstalmentsOf.LAST_YEAR), owners);
        assertThat(on(forecast, "owners", "2026-05-15")).isEqualTo(-2_000_000);
        assertThat(on(forecast, "owners", "2027-05-17"))
                .as("the 15th is a Saturday")
                .isEqualTo(-2_060_000);
        assertThat(ChecklistItem.of(forecast))
                .extracting(ChecklistItem::sentence)
                .contains("owners declared in 2026-04 is more "
                        + "than the 15,375 that can be distributed: lower it, or say more");
    }

    /** 9,000 for February to April by their 28, 31 and 30 days. */
    @Test
    void bill_thatCoversThreeMonths_isPrepaidUntilTheyPass() {
        Line insurance = line(
                "insurance",
                Direction.PAYMENT,
                bill(LocalDate.of(2026, 2, 1), 12, 900_000, new Expensing(3, 0, false)));
        Forecast forecast = forecast(insurance);
        assertThat(Accounts.of(forecast.plan(), BOOKS).earned(insurance).earned().first(5).stream()
                        .toArray())
                .containsExactly(0, -283_146, -313_483, -303_371, 0);
        RollForward prepaid = RollForwards.of(forecast, insurance, 5).get(0);
        assertThat(prepaid.kind()).isEqualTo(RollForward.Kind.PREPAID);
        assertThat(prepaid.closing()).containsExactly(0L, 616_854L, 303_371L, 0L, 0L);
        Line arrears = line(
                "water", Direction.PAYMENT, bill(LocalDate.of(2026, 3, 31), 3, 900_000, new Expensing(3, -2, false)));
        assertThat(RollForwards.of(forecast(arrears), arrears, 3).get(0).closing())
                .as("accrued")
                .containsExactly(-310_000L, -590_000L, 0L);
        assertThat(YearMonth.of(2026, 1)).isEqualTo(new Expensing(3, -2, false).firstOf(YearMonth.of(2026, 3)));
    }
}

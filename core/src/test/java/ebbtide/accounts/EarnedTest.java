package ebbtide.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import ebbtide.plan.Expensing;
import ebbtide.plan.Ledger;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Nature;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * What lines earn, bill and owe of sales tax by month (rules 7, 9.1), each by itself. D is 31 December 2025, three
 * months ahead.
 */
class EarnedTest {
    private static final LocalDate D = LocalDate.of(2025, 12, 31);
    private static final SalesTax HALF_BACK = new SalesTax(Percent.parse("20"), false, Percent.parse("50"));

    private static Line bills(SalesTax tax, int everyMonths, long amount, Expensing expensing, Nature nature) {
        return new Line(
                "bills",
                null,
                "Bills",
                Direction.PAYMENT,
                true,
                null,
                "",
                new Recurring(
                        new Recurrence(Recurrence.Span.MONTH, everyMonths, LocalDate.of(2026, 1, 10), null),
                        Steps.from(D, amount),
                        Percent.ZERO,
                        tax,
                        0,
                        Convention.NONE,
                        Certainty.CERTAIN,
                        expensing),
                List.of(),
                nature);
    }

    private static Accounts accounts(Line... lines) {
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), D).withHorizon(3), List.of(lines), List.of());
        return Forecaster.forecast(plan, Books.of(List.of(new Account("a", "A", "--", false, D, 0))))
                .accounts();
    }

    private static Earned months(Line line) {
        return accounts(line).earned(line);
    }

    /** 100.00 with 20.00 of tax, of which half comes back: 110.00 is cost, 10.00 is claimed. */
    @Test
    void taxThatIsNotClaimedBack_isCost() {
        Earned months = months(bills(HALF_BACK, 1, 10_000, Expensing.OWN_MONTH, Nature.OVERHEADS));
        assertThat(months.earned().stream().toArray()).containsExactly(-11_000, -11_000, -11_000);
        assertThat(months.tax().stream().toArray()).containsExactly(-1_000, -1_000, -1_000);
        assertThat(months.billed()).isEqualTo(months.earned());
    }

    /** 90.00 billed in January for its 31 days and the 28 and 31 after it. */
    @Test
    void billThatCoversMonths_isBilledAtOnce_andCostsByTheirDays() {
        Earned months = months(bills(SalesTax.NONE, 12, 9_000, new Expensing(3, 0, false), Nature.OVERHEADS));
        assertThat(months.earned().stream().toArray()).containsExactly(-3_100, -2_800, -3_100);
        assertThat(months.billed().stream().toArray()).containsExactly(-9_000, 0, 0);
    }

    @Test
    void costWithoutCash_isEarnedAndNeverBilled_andALineOutsideTheIncomeStatementHasItsTaxAlone() {
        Earned wear = months(bills(SalesTax.NONE, 1, 500, new Expensing(1, 0, true), Nature.OVERHEADS));
        assertThat(wear.earned().stream().toArray()).containsOnly(-500);
        assertThat(wear.billed().stream().toArray()).containsOnly(0);
        Earned outside = months(bills(HALF_BACK, 1, 10_000, Expensing.OWN_MONTH, Nature.OUTSIDE));
        assertThat(outside.earned().stream().toArray()).containsOnly(0);
        assertThat(outside.tax().stream().toArray()).containsOnly(-1_000);
    }

    /**
     * Profit is what all lines but the tax on it earn; it is worked out to the end of the year where an instalment asks
     * for it, and shown to the horizon.
     */
    @Test
    void profit_isShownToTheHorizon_andWorkedOutToTheEndOfTheYearThatATaxAsksFor() {
        List<Line> lines =
                new ArrayList<>(List.of(bills(SalesTax.NONE, 1, 10_000, Expensing.OWN_MONTH, Nature.OVERHEADS)));
        assertThat(accounts(lines.toArray(Line[]::new)).profit().toLast().months())
                .isEqualTo(3);
        lines.add(new Line(
                "tax",
                null,
                "Tax",
                Direction.PAYMENT,
                true,
                null,
                "",
                new ProfitTax(
                        ProfitTax.Mode.YEAR,
                        Percent.parse("25"),
                        ProfitTax.YearSoFar.NOTHING,
                        0,
                        0,
                        List.of(new ProfitTax.Instalment(2, 1, Percent.parse("50"))),
                        ProfitTax.InstalmentsOf.THIS_YEAR,
                        3,
                        1,
                        Convention.NONE),
                List.of()));
        Profit toYearsEnd = accounts(lines.toArray(Line[]::new)).profit();
        assertThat(toYearsEnd.beforeTax().stream().toArray()).containsExactly(-10_000, -10_000, -10_000);
        assertThat(toYearsEnd.toLast().stream().toArray()).hasSize(12).containsOnly(-10_000);
    }

    /**
     * On books it is items that say what is owed: a ledger's total trues up neither cash nor what is earned, whether or
     * not a tax on profit asks.
     */
    @Test
    void streamOnBooks_earnsWithoutItsLedger() {
        MonthPattern pattern = new MonthPattern(
                List.of(new MonthPattern.Step(Percent.HUNDRED, 1, Percent.parse("2"))), Percent.ZERO, null);
        Assumption.Stream stream = new Assumption.Stream(
                new ActivityMethod.FixedAmount(Steps.from(D, 10_000L)),
                List.of(),
                new TreeMap<>(Map.of(YearMonth.of(2025, 12), 10_000L)),
                new TreeMap<>(),
                SalesTax.NONE,
                Terms.byMonths(pattern),
                new Ledger(50_000, true),
                new Spread.Even(),
                Basis.BOOKS);
        Line said = new Line("sales", null, "Sales", Direction.RECEIPT, true, null, "", stream, List.of());
        Line unsaid = said.with(stream.withoutLedger());
        assertThat(months(said)).isEqualTo(months(unsaid));
        assertThat(months(said).earned().stream().toArray()).containsExactly(10_000, 9_800, 9_800);
        Line onPattern = said.with(stream.on(Basis.PATTERN));
        assertThat(months(onPattern))
                .as("by its pattern it is trued up")
                .isNotEqualTo(months(onPattern.with(stream.on(Basis.PATTERN).withoutLedger())));
    }
}

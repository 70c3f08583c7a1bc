package ebbtide.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.Books;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Covenant;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.statements.Covenants;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What tax on profit, payouts and covenants read of the ledger in place of what is typed (rules 9.5). */
class ActualProfitTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 31);

    private static Line line(String id, Direction direction, Assumption assumption) {
        return new Line(id, null, id, direction, true, null, "", assumption, List.of());
    }

    private static Plan plan(List<Covenant> covenants) {
        TreeMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 4; i <= 12; i++) {
            months.put(YearMonth.of(2026, i), 1_000_000L);
        }
        Line sales = line(
                "sales",
                Direction.RECEIPT,
                Assumption.Stream.of(
                        new ActivityMethod.TypedMonths(months),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        new MonthPattern(
                                List.of(new MonthPattern.Step(Percent.HUNDRED, 0, Percent.ZERO)), Percent.ZERO, null),
                        new Spread.Even()));
        Line tax = line(
                "tax",
                Direction.PAYMENT,
                new ProfitTax(
                        ProfitTax.Mode.YEAR,
                        Percent.parse("25"),
                        new ProfitTax.YearSoFar(111, 22, 0, 0),
                        0,
                        0,
                        List.of(),
                        ProfitTax.InstalmentsOf.LAST_YEAR,
                        3,
                        1,
                        Convention.NONE));
        Line owners = line(
                "owners",
                Direction.PAYMENT,
                new Dividends(
                        Dividends.By.YEAR_PROFIT,
                        Steps.none(),
                        Percent.parse("50"),
                        Month.MAY,
                        0,
                        20,
                        Convention.NONE,
                        333,
                        444,
                        null));
        return new Plan(
                Settings.of("P", Money.currency("GBP"), D).withCovenants(covenants, new TreeMap<>()),
                List.of(sales, tax, owners),
                List.of());
    }

    /** Sales of 1,000 a month in 2025, of 2,000 since; interest of 100 a month, tax of 25% at each year's end alone. */
    private static ActualLedger ledger(int without) {
        List<TrialBalance> months = new ArrayList<>();
        for (YearMonth month = YearMonth.of(2025, 1);
                month.isBefore(YearMonth.of(2026, 4));
                month = month.plusMonths(1)) {
            int n = month.getMonthValue();
            long sold = n * (month.getYear() == 2025 ? 100_000L : 200_000L);
            long taxed = n == 12 ? (sold - n * 10_000L) / 4 : 0;
            if (!month.equals(YearMonth.of(2025, without))) {
                months.add(new TrialBalance(
                        month,
                        List.of(
                                new Balance("4000", "Sales", -sold),
                                new Balance("7900", "Interest", n * 10_000L),
                                new Balance("9000", "Tax", taxed),
                                new Balance("1000", "Bank", sold - n * 10_000L - taxed))));
            }
        }
        return new ActualLedger(
                months,
                List.of(
                        new Said("4000", null, "sales"),
                        new Said("7900", LedgerRow.INTEREST, null),
                        new Said("9000", LedgerRow.PROFIT_TAX_OF_THE_YEAR, null),
                        new Said("1000", LedgerRow.CASH, null)),
                false);
    }

    private static Forecast forecast(Plan plan, ActualLedger ledger) {
        return Forecaster.forecast(
                plan,
                Books.of(List.of(new Account("a", "A", "--", false, D, 5_000_000)))
                        .with(ledger));
    }

    private static long paid(Forecast forecast, String line, String day) {
        return forecast.flows(forecast.plan().findLine(line).orElseThrow()).stream()
                .filter(flow -> flow.day().equals(LocalDate.parse(day)))
                .mapToLong(Forecast.DayFlow::minor)
                .sum();
    }

    @Test
    void taxAndPayouts_readTheLedger_inPlaceOfWhatIsTyped() {
        Forecast forecast = forecast(plan(List.of()), ledger(12));
        // December 2025 has no trial balance: of 2025 not all months are known, of 2026 all are.
        ProfitTaxAccount tax =
                forecast.accounts().profitTax(forecast.plan().lines().get(1));
        // (6,000 - 300 + 10,000) at 25% less nothing expensed before.
        assertThat(tax.expense().at(0)).isEqualTo((600_000 - 30_000 + 1_000_000) / 4);
        assertThat(paid(forecast, "owners", "2026-05-20"))
                .as("as typed: 50% of 3.33")
                .isEqualTo(-167);
        Forecast all = forecast(plan(List.of()), ledger(1));
        // January 2025 has none: the year is known from its February's balance on.
        assertThat(paid(all, "owners", "2026-05-20")).isEqualTo(-(1_200_000 - 120_000) * 3 / 4 / 2);
        assertThat(paid(forecast(plan(List.of()), ActualLedger.NONE), "owners", "2026-05-20"))
                .isEqualTo(-167);
    }

    @Test
    void covenants_readEbitdaAndInterestOfTheLedger_andServiceOnlyWithWhatIsTyped() {
        List<Covenant> covenants =
                List.of(covenant(Covenant.Ratio.INTEREST_COVER, "2"), covenant(Covenant.Ratio.DEBT_SERVICE_COVER, "1"));
        List<Covenants.Tested> tests = Covenants.of(forecast(plan(covenants), ledger(1)));
        Covenants.Tested cover = tests.stream()
                .filter(one -> one.covenant().ratio() == Covenant.Ratio.INTEREST_COVER)
                .findFirst()
                .orElseThrow();
        // April 2026 with the eleven months before it: 8 of 1,000, 3 of 2,000 and 10,000; 11 of 100.
        assertThat(cover.date()).isEqualTo(LocalDate.of(2026, 4, 30));
        assertThat(cover.value()).isEqualByComparingTo(new BigDecimal("21.82"));
        assertThat(tests.stream()
                        .filter(one -> one.covenant().ratio() == Covenant.Ratio.DEBT_SERVICE_COVER)
                        .findFirst()
                        .orElseThrow()
                        .standing())
                .as("what tax, spending and principal took is not in a trial balance")
                .isEqualTo(Covenants.Standing.NOT_KNOWN);
    }

    private static Covenant covenant(Covenant.Ratio ratio, String bound) {
        return new Covenant(ratio.name(), ratio.name(), ratio, new BigDecimal(bound), Covenant.Every.MONTH);
    }
}

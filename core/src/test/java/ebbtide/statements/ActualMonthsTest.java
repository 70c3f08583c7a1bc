package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCalendar;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * Months with a trial balance before those that are forecast (rules 9.5): worked example W31, and months made at
 * random.
 */
class ActualMonthsTest {
    private static final LocalDate MARCH = LocalDate.of(2026, 3, 31);
    private static final YearMonth JANUARY = YearMonth.of(2026, 1);

    private static Forecast forecast(Month fiscal) {
        return Forecaster.forecast(company(fiscal), HandCompany.BOOKS);
    }

    /** The company by hand, as of the end of March, in a fiscal year of the calendar. */
    static Plan company() {
        return company(Month.JANUARY);
    }

    private static Plan company(Month fiscal) {
        Settings plain = Settings.of("P", Money.currency("GBP"), MARCH);
        PlanCalendar days = plain.calendar();
        Settings settings = new Settings(
                plain.name(),
                plain.currency(),
                new PlanCalendar(
                        days.asOf(),
                        days.firstDayOfWeek(),
                        fiscal,
                        days.horizonMonths(),
                        days.amountSteps(),
                        days.closedAfter()),
                plain.cash(),
                plain.counted(),
                plain.references(),
                plain.agreed(),
                plain.reporting());
        return new Plan(settings, HandCompany.company(), List.of());
    }

    private static TrialBalance sales(int month, long soFar) {
        return new TrialBalance(
                YearMonth.of(2026, month),
                List.of(new Balance("4000", "Sales", -soFar), new Balance("1000", "Bank", soFar)));
    }

    private static ActualLedger ledger(TrialBalance... months) {
        return new ActualLedger(
                List.of(months),
                List.of(new Said("4000", null, "sales"), new Said("1000", LedgerRow.CASH, null)),
                false);
    }

    private static List<Long> shown(Statements statements, Statements.Kind kind, String row, Periods by) {
        return statements.table(kind, statements.periods(kind, by, null, null, false), false).rows().stream()
                .filter(one -> one.id().equals(row))
                .findFirst()
                .orElseThrow()
                .amounts();
    }

    @Test
    void w31_aTrialBalanceRunsOn() {
        Statements statements = Statements.of(
                forecast(Month.JANUARY), ledger(sales(1, 3_800_000), sales(2, 7_700_000), sales(3, 11_700_000)));
        assertThat(shown(statements, Statements.Kind.INCOME, "line sales", Periods.MONTH))
                .startsWith(3_800_000L, 3_900_000L, 4_000_000L, 1_000_000L);
        StatementTable years = statements.table(
                Statements.Kind.INCOME,
                statements.periods(Statements.Kind.INCOME, Periods.YEAR, null, null, false),
                false);
        assertThat(years.actual()).startsWith(new StatementTable.Actual(3, 12), new StatementTable.Actual(0, 12));
        assertThat(shown(statements, Statements.Kind.INCOME, "line sales", Periods.YEAR))
                .as("three months of the ledger and nine of the plan")
                .startsWith(20_700_000L);
        assertThat(shown(statements, Statements.Kind.BALANCE, "row cash", Periods.MONTH))
                .startsWith(3_800_000L, 7_700_000L, 11_700_000L, 2_000_000L);
        assertThat(shown(statements, Statements.Kind.BALANCE, "check", Periods.MONTH))
                .containsOnly(0L);
    }

    @Test
    void w31_withoutFebruary_marchShowsBoth_andSaysSo() {
        Statements statements =
                Statements.of(forecast(Month.JANUARY), ledger(sales(1, 3_800_000), sales(3, 11_700_000)));
        List<Period> periods = statements.periods(Statements.Kind.INCOME, Periods.MONTH, null, null, false);
        assertThat(periods.get(1).startInclusive()).isEqualTo(LocalDate.of(2026, 2, 1));
        assertThat(shown(statements, Statements.Kind.INCOME, "line sales", Periods.MONTH))
                .startsWith(3_800_000L, 7_900_000L);
        assertThat(statements.actual().remarks()).anySatisfy(remark -> assertThat(remark)
                .startsWith("March 2026: shows February 2026 to March 2026 in one"));
    }

    @Test
    void w31_whereTheFiscalYearBeginsInMarch_marchIsItsOwn() {
        assertThat(shown(
                                Statements.of(forecast(Month.MARCH), ledger(sales(2, 7_700_000), sales(3, 4_100_000))),
                                Statements.Kind.INCOME,
                                "line sales",
                                Periods.MONTH)
                        .get(1))
                .isEqualTo(4_100_000L);
    }

    @Test
    void whatIsNotPlaced_orDoesNotBalance_isShownAndSaid() {
        Statements statements = Statements.of(
                forecast(Month.JANUARY),
                new ActualLedger(
                        List.of(new TrialBalance(
                                JANUARY, List.of(new Balance("4000", "Sales", -500), new Balance("9", "Odd", 400)))),
                        List.of(new Said("4000", LedgerRow.SALES, null)),
                        false));
        assertThat(shown(statements, Statements.Kind.INCOME, "beside sales", Periods.MONTH))
                .startsWith(500L, 0L);
        assertThat(shown(statements, Statements.Kind.BALANCE, "row suspense", Periods.MONTH))
                .startsWith(400L);
        assertThat(shown(statements, Statements.Kind.BALANCE, "row not_placed", Periods.MONTH))
                .startsWith(-100L);
        assertThat(statements.actual().remarks())
                .as("nothing of cash, as no account is said to be it")
                .hasSize(3)
                .anySatisfy(remark -> assertThat(remark)
                        .startsWith("February 2026 to March 2026 have neither a trial balance nor a forecast"))
                .anySatisfy(remark -> assertThat(remark).contains("account 9 Odd is not said to be anything"))
                .anySatisfy(remark -> assertThat(remark).contains("debits are 1 less than credits"));
    }

    @Test
    void monthsMadeAtRandom_balance_addUpOverTheFiscalYear_andSoDoTheirWorkings() {
        for (int seed = 0; seed < Asked.of(400); seed++) {
            Random random = new Random(seed);
            Forecast forecast = forecast(Month.of(1 + random.nextInt(12)));
            ActualLedger ledger = random(random);
            Statements statements = Statements.of(forecast, ledger);
            for (Statements.Kind kind : List.of(Statements.Kind.INCOME, Statements.Kind.BALANCE)) {
                List<Period> periods = statements.periods(kind, Periods.MONTH, null, null, true);
                StatementTable table = statements.table(kind, periods, false);
                for (StatementTable.Row row : table.rows()) {
                    for (int i = 0; i < table.columns().size(); i++) {
                        assertThat(statements
                                        .workings(
                                                kind,
                                                row.id(),
                                                table.columns().get(i).period())
                                        .stream()
                                        .mapToLong(item -> item.minor())
                                        .sum())
                                .as(
                                        "seed %s, %s in %s",
                                        seed, row.id(), table.columns().get(i))
                                .isEqualTo(row.amounts().get(i));
                    }
                }
            }
            assertThat(shown(statements, Statements.Kind.BALANCE, "check", Periods.MONTH))
                    .as("seed %s", seed)
                    .containsOnly(0L);
            profitAddsUp(statements, ledger, seed);
        }
    }

    /** What months show of a fiscal year is what the income accounts have at the end of its last month. */
    private static void profitAddsUp(Statements statements, ActualLedger ledger, int seed) {
        Map<YearMonth, Long> byYear = new TreeMap<>();
        Map<YearMonth, Long> left = new TreeMap<>();
        Month fiscal = statements.ledger().plan().settings().firstFiscalMonth();
        for (ActualMonth one : statements.actual().all()) {
            YearMonth year =
                    one.month().minusMonths(Math.floorMod(one.month().getMonthValue() - fiscal.getValue(), 12));
            byYear.merge(year, one.in(statements.income().figure("profit")), Long::sum);
            left.put(
                    year,
                    ledger.find(one.month()).orElseThrow().balances().stream()
                            .filter(balance -> ledger.byAccount().containsKey(balance.account())
                                    && ledger.byAccount()
                                            .get(balance.account())
                                            .row()
                                            .kind()
                                            .isEmpty())
                            .mapToLong(balance -> -balance.minor())
                            .sum());
        }
        assertThat(byYear).as("seed %s", seed).isEqualTo(left);
    }

    private static ActualLedger random(Random random) {
        List<Said> said = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            if (random.nextInt(8) > 0) {
                said.add(new Said("" + i, LedgerRow.values()[random.nextInt(LedgerRow.values().length)], null));
            }
        }
        List<TrialBalance> months = new ArrayList<>();
        for (int back = 20; back >= 0; back--) {
            if (random.nextInt(4) > 0) {
                List<Balance> balances = new ArrayList<>();
                for (int i = 0; i < 40; i++) {
                    if (random.nextInt(5) > 0) {
                        balances.add(new Balance("" + i, "Account " + i, random.nextInt(2_000_000) - 1_000_000));
                    }
                }
                months.add(new TrialBalance(YearMonth.from(MARCH).minusMonths(back), balances));
            }
        }
        return new ActualLedger(months, said, false);
    }
}

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
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Percent;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Threshold;
import ebbtide.statements.KeptStatements.KeptRow;
import ebbtide.statements.StatementVariance.Held;
import ebbtide.statements.Statements.Kind;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Statements held against what a snapshot kept of them (rules 9.5). */
class StatementVarianceTest {
    private static Period month(int month) {
        LocalDate first = LocalDate.of(2026, month, 1);
        return new Period(first, first.plusMonths(1));
    }

    private static TrialBalance sales(int month, long soFar) {
        return new TrialBalance(
                YearMonth.of(2026, month),
                List.of(new Balance("4000", "Sales", -soFar), new Balance("1000", "Bank", soFar)));
    }

    private static List<Held> held(StatementVariance variance, String row) {
        return variance.rows().stream()
                .filter(one -> one.id().equals(row))
                .findFirst()
                .orElseThrow()
                .held();
    }

    @Test
    void aMonthAndTheYearToIt_areHeldAgainstWhatWasPlanned_andWhatIsGoneToo() {
        KeptStatements planned = new KeptStatements(
                List.of(month(1), month(2), month(3)),
                Map.of(
                        Kind.INCOME,
                        List.of(
                                new KeptRow(
                                        "line sales",
                                        StatementTable.Style.LINE,
                                        "Sales",
                                        List.of(4_000_000L, 4_000_000L, 4_000_000L)),
                                new KeptRow("line gone", StatementTable.Style.LINE, "Gone", List.of(-10_000L, 0L, 0L))),
                        Kind.BALANCE,
                        List.of(new KeptRow(
                                "row cash",
                                StatementTable.Style.LINE,
                                "Cash",
                                List.of(4_000_000L, 8_000_000L, 12_000_000L)))));
        Forecast forecast = Forecaster.forecast(ActualMonthsTest.company(), HandCompany.BOOKS);
        Statements now = Statements.of(
                forecast,
                new ActualLedger(
                        List.of(sales(1, 3_800_000), sales(2, 7_700_000), sales(3, 11_700_000)),
                        List.of(new Said("4000", null, "sales"), new Said("1000", LedgerRow.CASH, null)),
                        false));
        Period year = now.yearTo(Kind.INCOME, month(2));
        assertThat(year).isEqualTo(new Period(LocalDate.of(2026, 1, 1), LocalDate.of(2026, 3, 1)));
        assertThat(planned.since(year, month(2))).isEqualTo(year);
        Period sinceNovember = new Period(LocalDate.of(2025, 11, 1), LocalDate.of(2026, 4, 1));
        assertThat(planned.since(sinceNovember, month(3)))
                .as("what was kept of a year begun before")
                .isEqualTo(new Period(LocalDate.of(2026, 1, 1), LocalDate.of(2026, 4, 1)));
        List<Period> periods = List.of(month(2), year, month(4));
        StatementVariance income = StatementVariance.of(now, planned, Kind.INCOME, periods);
        Held february = held(income, "line sales").get(0);
        assertThat(february).isEqualTo(new Held(3_900_000, 4_000_000L));
        assertThat(february.difference()).isEqualTo(-100_000);
        assertThat(february.percentHundredths()).isEqualTo(-250);
        assertThat(february.mustBeExplained(new Threshold(100_000, new Percent(25_000))))
                .isTrue();
        assertThat(february.mustBeExplained(new Threshold(100_001, Percent.ZERO)))
                .isFalse();
        assertThat(held(income, "line sales").get(1)).isEqualTo(new Held(7_700_000, 8_000_000L));
        assertThat(held(income, "line sales").get(2).planned())
                .as("April was not kept")
                .isNull();
        assertThat(held(income, "line gone").get(1).percentHundredths()).isEqualTo(10_000);
        assertThat(income.rows().get(1).id()).as("where the snapshot had it").isEqualTo("line gone");
        assertThat(held(StatementVariance.of(now, planned, Kind.BALANCE, periods), "row cash"))
                .startsWith(new Held(7_700_000, 8_000_000L), new Held(7_700_000, 8_000_000L));
    }

    /**
     * Nothing differs from what was just kept; once a line is switched off, the differences of lines add up to
     * profit's.
     */
    @Test
    void anyPlan_differsInNothingFromItself_andItsDifferencesAddUp() {
        RandomPlans.each(Asked.of(120), (some, seed) -> {
            Statements then = Statements.of(Forecaster.forecast(some.plan(), some.books()));
            KeptStatements kept = KeptStatements.of(then);
            Plan less = some.plan().lines().stream()
                    .filter(line -> !line.isGroup()
                            && some.plan().isActive(line)
                            && line.reads().isEmpty())
                    .findFirst()
                    .map(Line::off)
                    .map(some.plan()::with)
                    .orElse(some.plan());
            Statements now = Statements.of(Forecaster.forecast(less, some.books()));
            for (Periods by : List.of(Periods.MONTH, Periods.QUARTER, Periods.YEAR)) {
                for (Kind kind : List.of(Kind.INCOME, Kind.BALANCE)) {
                    List<Period> periods = then.periods(kind, by, null, null, false);
                    assertThat(StatementVariance.of(then, kept, kind, periods).rows())
                            .allSatisfy(row -> assertThat(row.held())
                                    .allMatch(one -> one.planned() == null || one.now() == one.planned()));
                }
                List<Period> periods = then.periods(Kind.INCOME, by, null, null, false);
                StatementVariance income = StatementVariance.of(now, kept, Kind.INCOME, periods);
                IntStream.range(0, periods.size()).forEach(i -> {
                    List<StatementVariance.Row> known = income.rows().stream()
                            .filter(row -> row.held().get(i).difference() != null)
                            .toList();
                    long lines = known.stream()
                            .filter(row -> row.style() == StatementTable.Style.LINE)
                            .mapToLong(row -> row.held().get(i).difference())
                            .sum();
                    assertThat(known.stream()
                                    .filter(row -> row.id().equals("profit"))
                                    .mapToLong(row -> row.held().get(i).difference())
                                    .sum())
                            .isEqualTo(lines);
                });
            }
        });
    }
}

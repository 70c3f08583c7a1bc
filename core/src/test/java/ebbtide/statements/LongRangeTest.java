package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.LongRange;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * The years after the months (rules 9.4): one worked by hand, and that each balances and its need is the sum of its
 * parts.
 */
class LongRangeTest {
    private static final LocalDate D = LocalDate.of(2025, 12, 31);

    private static Line stream(String id, Direction direction, long amount, Nature nature) {
        return new Line(
                id,
                null,
                id,
                direction,
                true,
                null,
                "",
                Assumption.Stream.of(
                        new FixedAmount(Steps.from(D, amount)),
                        new TreeMap<>(Map.of(YearMonth.of(2025, 12), amount)),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        new MonthPattern(
                                List.of(new MonthPattern.Step(Percent.HUNDRED, 1, Percent.ZERO)), Percent.ZERO, null),
                        new Spread.Even()),
                List.of(),
                nature);
    }

    /**
     * 120,000 of sales a year and 72,000 of goods, a month owed of each, 40,000 in the bank at the end of 2026; equity
     * 54,000 then.
     */
    private static Forecast trader() {
        OpeningSheet opening = new OpeningSheet(
                D,
                List.of(
                        new Entry("Customers", Kind.RECEIVABLES, 1_000_000, "sales", false),
                        new Entry("Suppliers", Kind.PAYABLES, 600_000, "goods", false),
                        new Entry("Sheds", Kind.FIXED_ASSETS, 1_000_000, null, true),
                        new Entry("Capital", Kind.PAID_IN, 600_000, null, false)));
        Settings usual = Settings.of("P", Money.currency("GBP"), D);
        Settings year = new Settings(
                        "P",
                        usual.currency(),
                        D,
                        usual.firstDayOfWeek(),
                        usual.firstFiscalMonth(),
                        12,
                        usual.amountSteps(),
                        Steps.from(D, 500_000L),
                        null,
                        usual.countedReceipts(),
                        usual.countedPayments())
                .withOpeningSheet(opening);
        return Forecaster.forecast(
                new Plan(
                        year,
                        List.of(
                                stream("sales", Direction.RECEIPT, 1_000_000, Nature.SALES),
                                stream("goods", Direction.PAYMENT, 600_000, Nature.COST_OF_SALES)),
                        List.of()),
                Books.of(List.of(new Account("a", "A", "--", false, D, -800_000))));
    }

    private static LongRange range(String growth, long spending) {
        return new LongRange(
                List.of(Percent.parse(growth)),
                Percent.parse("60"),
                2_000_000,
                Percent.ZERO,
                73,
                0,
                0,
                List.of(spending),
                Percent.parse("10"),
                Percent.parse("8"),
                Percent.parse("25"),
                Percent.parse("40"));
    }

    /**
     * 2027: sales 150,000, goods 90,000, 20,000 that do not vary: EBITDA 40,000. Depreciation a tenth of 10,000 and
     * 50,000: 6,000. Tax 8,500, profit 25,500, of which 10,200 are paid out. Receivables 73 days: 30,000. In need:
     * 20,000 more receivables, 6,000 less owed to suppliers, 50,000, 10,200, less 25,500, 6,000 and what cash has above
     * its minimum.
     */
    @Test
    void aYear_byHand() {
        Forecast forecast = trader();
        LongRangeTable table = LongRangeTable.of(forecast, range("25", 5_000_000));
        long cash = forecast.closing(LocalDate.of(2026, 12, 31));
        assertThat(cash).isEqualTo(4_000_000);
        assertThat(amounts(table, "Sales")).containsExactly(12_000_000L, 15_000_000L);
        assertThat(amounts(table, "EBITDA")).containsExactly(4_800_000L, 4_000_000L);
        assertThat(amounts(table, "Profit after tax")).containsExactly(4_800_000L, 2_550_000L);
        assertThat(amounts(table, "Receivables")).containsExactly(1_000_000L, 3_000_000L);
        assertThat(amounts(table, "Fixed assets")).containsExactly(1_000_000L, 5_400_000L);
        LongRangeTable.Need need = table.needs().get(0);
        assertThat(need.minor())
                .isEqualTo(2_000_000 + 600_000 + 5_000_000 + 1_020_000 - 2_550_000 - 600_000 + (500_000 - 4_000_000));
        assertThat(need.sentence()).isEqualTo("Up to 31 December 2027 19,700 is needed from outside");
        assertThat(amounts(table, "Funding from outside")).containsExactly(0L, 1_970_000L);
        assertThat(LongRangeTable.of(forecast, range("0", 0)).needs().get(0).sentence())
                .contains("nothing is needed from outside");
    }

    static List<Long> amounts(LongRangeTable table, String row) {
        return table.rows().stream()
                .filter(one -> one.name().equals(row))
                .findFirst()
                .orElseThrow()
                .amounts();
    }

    @Test
    void proposed_goesOnAsTheLastYearWas() {
        LongRange proposed = LongRangeTable.proposed(trader(), 3);
        assertThat(proposed.growth()).hasSize(3).containsOnly(Percent.ZERO);
        assertThat(proposed.variable()).isEqualTo(Percent.parse("60"));
        assertThat(List.of(proposed.daysOfSales(), proposed.daysOfStock(), proposed.daysOfPayables()))
                .containsExactly(30, 0, 30);
        assertThatThrownBy(() -> new LongRange(
                        List.of(Percent.ZERO),
                        Percent.ZERO,
                        0,
                        Percent.ZERO,
                        0,
                        0,
                        0,
                        List.of(),
                        Percent.ZERO,
                        Percent.ZERO,
                        Percent.ZERO,
                        Percent.ZERO))
                .hasMessageContaining("1 and 0 were given");
    }
}

package ebbtide.plan;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.AssumptionList.Entry;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The list of assumptions: every one named with its value, none left out, none of what was put aside. */
class AssumptionListTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 3, 1);

    static LongStream seeds() {
        return LongStream.range(0, Asked.of(150));
    }

    private static Driver driver(String value, String growth) {
        return new Driver(Steps.from(FIRST, new BigDecimal(value)), Percent.parse(growth), new TreeMap<>());
    }

    @Test
    void stream_everyPartOfIt_isListedInWords() {
        Assumption.Stream stream = new Assumption.Stream(
                new ActivityMethod.Product(
                        ProductOf.QUANTITY_PRICE, List.of(driver("1200.50", "0"), driver("9.99", "1.5"))),
                List.of(new ActivityMethod.FixedAmount(Steps.from(FIRST, 7L))),
                new TreeMap<>(),
                new TreeMap<>(Map.of(YearMonth.of(2026, 5), new Assumption.MonthOverride(1_234_50, "fair"))),
                SalesTax.of(Percent.parse("20"), false),
                Terms.byMonths(new MonthPattern(
                        List.of(new MonthPattern.Step(Percent.parse("97"), 1, Percent.parse("2"))),
                        Percent.parse("3"),
                        null)),
                null,
                new Spread.Even());
        Line line = new Line(
                "s",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                stream,
                List.of(new Line.CashOverride(new Period(FIRST, FIRST.plusDays(7)), 500, "seen")));
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), FIRST.minusDays(1)), List.of(line), List.of());
        assertThat(AssumptionList.of(plan).stream()
                        .filter(e -> "s".equals(e.lineId()))
                        .map(e -> e.name() + " = " + e.value() + " " + e.unit()
                                + (e.from() == null ? "" : " from " + e.from()) + e.note()))
                .containsExactly(
                        "quantity = 1,200.5  from 2026-03-01",
                        "price = 9.99  from 2026-03-01",
                        "growth a month of price = 1.5 %",
                        "override of a month = 1,234.50 GBP from 2026-05-01fair",
                        "sales tax = 20 %",
                        "share paid 1 month later = 97 %",
                        "discount on what is paid 1 month later = 2 %",
                        "share never paid = 3 %",
                        "spread in the month = even over business days ",
                        "override of cash up to 2026-03-07 = 5 GBP from 2026-03-01seen");
    }

    private static Plan growing(Steps<Long> base, String growth) {
        Assumption.Stream stream = Assumption.Stream.of(
                new ActivityMethod.BaseWithGrowth(base, Percent.parse(growth), new TreeMap<>()),
                new TreeMap<>(),
                new TreeMap<>(),
                SalesTax.NONE,
                MonthPattern.atOnce(),
                new Spread.Even());
        Line line = new Line("s", null, "Sales", Direction.RECEIPT, true, null, "", stream, List.of());
        return new Plan(Settings.of("P", Money.currency("GBP"), FIRST.minusDays(1)), List.of(line), List.of());
    }

    /** One value has no day worth saying; of several steps the day says which. */
    @Test
    void change_ofAnAssumption_isSaidWithWhatItWasAndIs() {
        Plan before = growing(Steps.from(FIRST, 100_000L), "0.4");
        Plan after = growing(
                new Steps<>(
                        List.of(new Steps.Step<>(FIRST, 100_000L), new Steps.Step<>(FIRST.plusMonths(2), 120_050L))),
                "0.9");
        assertThat(AssumptionChange.ofLine(before, after, "s"))
                .extracting(AssumptionChange::words)
                .containsExactly("base a month from 1 May 2026: 1,200.50 GBP", "growth a month 0.4 → 0.9%");
        assertThat(AssumptionChange.ofLine(after, before, "s"))
                .extracting(AssumptionChange::words)
                .containsExactly("base a month from 1 May 2026: no more", "growth a month 0.9 → 0.4%");
        assertThat(AssumptionChange.ofLine(before, growing(Steps.from(FIRST, 90_000L), "0.4"), "s"))
                .extracting(AssumptionChange::words)
                .containsExactly("base a month 1,000 → 900 GBP");
        assertThat(AssumptionChange.ofLine(before, before, "s")).isEmpty();
        assertThat(AssumptionChange.ofLine(before, after, "gone")).isEmpty();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void anyPlan_everyLineWithFigures_isListedUnderItsName(long seed) {
        Plan plan = RandomPlans.of(seed).plan();
        List<Entry> entries = AssumptionList.of(plan);
        assertThat(entries).allSatisfy(entry -> {
            assertThat(entry.name()).isNotBlank();
            assertThat(entry.value()).isNotBlank();
        });
        for (Line line : plan.lines()) {
            List<Entry> own = entries.stream()
                    .filter(entry -> line.id().equals(entry.lineId()))
                    .toList();
            assertThat(own.isEmpty()).as(line.name()).isEqualTo(line.isGroup());
            assertThat(own).allMatch(entry -> entry.line().equals(line.name()));
            assertThat(own.stream().filter(entry -> entry.name().startsWith("override of cash")))
                    .hasSize(line.overrides().size());
            if (line.assumption() instanceof DatedItems items) {
                assertThat(own.stream().filter(entry -> entry.name().startsWith("item, ")))
                        .hasSize(items.items().size());
            }
            if (line.assumption() instanceof Assumption.Stream stream) {
                assertThat(own.stream().filter(entry -> entry.name().equals("override of a month")))
                        .hasSize(stream.overrides().size());
            }
        }
    }
}

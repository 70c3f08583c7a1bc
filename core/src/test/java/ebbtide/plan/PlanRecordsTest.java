package ebbtide.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Split;
import ebbtide.plan.Assumption.Stream;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Records that refuse what no plan may hold, with a sentence that says how to mend it. */
class PlanRecordsTest {
    @ParameterizedTest
    @CsvSource({
        "60,30,15,105%,5% too much",
        "60,30,5,95%,5% is missing",
        "33.3333,33.3333,33.3333,99.9999%,0.0001% is missing"
    })
    void pattern_sharesMissHundred_refusedWithSumAndMiss(String a, String b, String c, String sum, String miss) {
        assertThatThrownBy(() -> new MonthPattern(List.of(step(a, 0), step(b, 1), step(c, 2)), Percent.ZERO, null))
                .hasMessageContaining("is " + sum)
                .hasMessageEndingWith(miss);
    }

    private static MonthPattern.Step step(String share, int lag) {
        return new MonthPattern.Step(Percent.parse(share), lag, Percent.ZERO);
    }

    @Test
    void lines_clearedOrCopied_keepWhatIsNoFigure() {
        for (long seed = 0; seed < Asked.of(120); seed++) {
            for (Line line : ebbtide.forecast.RandomPlans.of(seed).plan().lines()) {
                Line cleared = line.cleared();
                assertThat(cleared.overrides()).isEmpty();
                assertThat(cleared.assumption().getClass())
                        .isEqualTo(line.assumption().getClass());
                if (line.assumption() instanceof Stream stream) {
                    Stream left = (Stream) cleared.assumption();
                    assertThat(left.method().isEmpty())
                            .as("what reads another line has figures still")
                            .isEqualTo(!(left.method() instanceof ActivityMethod.ShareOfLine
                                    || left.method() instanceof ActivityMethod.StockPurchases));
                    assertThat(left.history()).isEqualTo(stream.history());
                    assertThat(left.terms()).isEqualTo(stream.terms());
                }
                assertThat(cleared.cleared()).isEqualTo(cleared);
                assertThat(line.copy("new").assumption()).isEqualTo(line.assumption());
                assertThat(line.copy("new").name()).isEqualTo(line.name() + ", copy");
            }
        }
        Line longest = new Line(
                "x", null, "n".repeat(120), Direction.PAYMENT, true, null, "", new Assumption.Group(), List.of());
        assertThat(longest.copy("y").name()).hasSize(120).endsWith("n, copy");
    }

    @Test
    void shares_inACircle_areRefusedWithTheLinesNamed() {
        Plan plan = new Plan(
                Settings.of("P", Money.currency("GBP"), LocalDate.of(2026, 3, 1)),
                List.of(share("a", "Ice", "b"), share("b", "Boxes", "a")),
                List.of());
        assertThat(PlanCheck.problems(plan)).hasSize(2).first().satisfies(problem -> {
            assertThat(problem.place()).isEqualTo("/lines/0/assumption/method/line");
            assertThat(problem.sentence()).startsWith("Shares run in a circle: 'Ice' of 'Boxes' of 'Ice'");
        });
    }

    private static Line share(String id, String name, String of) {
        return new Line(
                id,
                null,
                name,
                Direction.PAYMENT,
                true,
                null,
                "",
                Stream.of(
                        new ActivityMethod.ShareOfLine(of, Percent.HUNDRED),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        MonthPattern.atOnce(),
                        new Spread.Even()),
                List.of());
    }

    @Test
    void overrides_overlapping_areRefusedWithBothSpans() {
        LocalDate day = LocalDate.of(2026, 3, 2);
        List<Line.CashOverride> both = List.of(
                new Line.CashOverride(new Period(day, day.plusDays(7)), 1, "one"),
                new Line.CashOverride(new Period(day.plusDays(3), day.plusDays(9)), 2, "two"));
        assertThatThrownBy(() -> new Line(
                        "a",
                        null,
                        "A",
                        Direction.RECEIPT,
                        true,
                        null,
                        "",
                        DatedItems.untaxed(List.of(), ebbtide.time.Convention.NONE),
                        both))
                .hasMessageContaining("lift that one first");
    }

    @ParameterizedTest
    @ValueSource(strings = {"abc", "12.345", "", "1e30"})
    void amount_thatIsNone_isRefusedInASentence(String text) {
        assertThatThrownBy(() -> Money.parse(text, Money.currency("GBP"))).hasMessageStartingWith("An amount");
    }

    @Test
    void split_anyTotalAndWeights_partsAddUpAndAreNeverOffByAUnit() {
        Random random = new Random(7);
        for (int run = 0; run < 2_000; run++) {
            long total = random.nextLong() >> random.nextInt(40);
            long[] weights = random.longs(1 + random.nextInt(9), 0, 1_000_000).toArray();
            weights[0]++;
            long[] parts = Split.byWeights(total, weights);
            assertThat(Arrays.stream(parts).sum()).as("run %d", run).isEqualTo(total);
            double sum = Arrays.stream(weights).sum();
            for (int i = 0; i < parts.length && Math.abs(total) < 1L << 50; i++) {
                assertThat(Math.abs(parts[i] - total * (weights[i] / sum))).isLessThan(1.01);
            }
        }
        assertThat(Split.byWeights(-100, new long[] {1, 1, 1})).containsExactly(-34, -33, -33);
    }
}

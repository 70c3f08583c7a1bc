package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.atOnce;
import static ebbtide.whatif.WhatIfCases.base;
import static ebbtide.whatif.WhatIfCases.cash;
import static ebbtide.whatif.WhatIfCases.change;
import static ebbtide.whatif.WhatIfCases.changeOf;
import static ebbtide.whatif.WhatIfCases.forecast;
import static ebbtide.whatif.WhatIfCases.kelp;
import static ebbtide.whatif.WhatIfCases.line;
import static ebbtide.whatif.WhatIfCases.range;
import static ebbtide.whatif.WhatIfCases.scale;
import static ebbtide.whatif.WhatIfCases.set;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.Assumption;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.plan.Ledger;
import ebbtide.plan.Line;
import ebbtide.plan.Steps;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Scenarios to the cent (rules 11.1 to 11.4): W18, W26 and W27. */
class ScenarioTest {
    private static final LocalDate MARCH_31 = LocalDate.of(2026, 3, 31);

    /** W18, change 1. */
    @Test
    void salesOfTwoMonthsScaled_areCollectedAsTheyWere() {
        Forecast base = base("GBP", FEBRUARY_28, kelp());
        assertThat(cash(base, "kelp", 3, 4, 5, 6)).containsExactly(3_873_200L, 4_062_000L, 4_487_200L, 4_760_000L);
        assertThat(cash(forecast(base, change("kelp", scale("90"), range(4, 5))), "kelp", 3, 4, 5, 6))
                .containsExactly(3_873_200L, 3_930_000L, 4_078_480L, 4_422_000L);
    }

    /** W18, changes 1 and 2, and what each does to closing cash. */
    @Test
    void moreNeverPaid_isTakenFromEachStep_andWhatIsOwedStaysOwed() {
        Forecast base = base("GBP", FEBRUARY_28, kelp());
        Change less = change("kelp", scale("90"), range(4, 5));
        Change never = change("kelp", new Act.NeverPaid(Percent.parse("5")), DayRange.ALWAYS);
        assertThat(cash(forecast(base, less, never), "kelp", 3, 4, 5, 6))
                .containsExactly(3_679_540L, 3_733_500L, 3_874_556L, 4_200_900L);

        Forecast alone = forecast(base, never);
        RollForward owed = RollForwards.of(alone, 3).get(0);
        assertThat(owed.opening().get(0)).as("and trued up").isEqualTo(3_339_500L);
        assertThat(moved(owed, "trued up").get(0)).isEqualTo(3_110_000L - 3_339_500L);
        Forecast history = forecast(base("GBP", FEBRUARY_28, onlyHistory()), never);
        RollForward old = RollForwards.of(history, 3).get(0);
        assertThat(moved(old, "written off").subList(0, 2)).containsExactly(-136_000L, -19_500L);
        assertThat(moved(old, "discount").subList(0, 2)).containsExactly(-44_460L, 0L);
        assertThat(cash(history, "kelp", 3, 4).stream()
                        .mapToLong(Long::longValue)
                        .sum())
                .isEqualTo(2_910_040L);
    }

    private static List<Long> moved(RollForward owed, String name) {
        return owed.changes().stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow()
                .amounts();
    }

    private static Line growing(MonthOverride... may) {
        TreeMap<YearMonth, MonthOverride> overrides = new TreeMap<>();
        List.of(may).forEach(one -> overrides.put(YearMonth.of(2026, 5), one));
        Assumption.Stream plain = atOnce(new BaseWithGrowth(
                Steps.from(LocalDate.of(2026, 1, 1), 4_000_000L), Percent.parse("1"), new TreeMap<>()));
        return line(
                "sales",
                Direction.RECEIPT,
                Assumption.Stream.of(
                        plain.method(),
                        plain.history(),
                        overrides,
                        plain.tax(),
                        plain.terms().pattern(),
                        plain.spread()));
    }

    /** W26, the table. */
    @Test
    void baseThatGrows_changedForTwoMonths_goesOnGrowingAsItDid() {
        Forecast base = base("GBP", MARCH_31, growing());
        assertThat(cash(base, "sales", 4, 5, 6)).containsExactly(4_121_204L, 4_162_416L, 4_204_040L);
        for (Change one : List.of(
                changeOf("sales/method/base", scale("90"), range(4, 5)),
                changeOf("sales/method/base", set("36000"), range(4, 5)))) {
            assertThat(cash(forecast(base, one), "sales", 4, 5, 6)).containsExactly(3_709_084L, 3_746_174L, 4_204_040L);
        }
        Forecast overridden = base("GBP", MARCH_31, growing(new MonthOverride(5_000_000, "order")));
        assertThat(cash(
                        forecast(overridden, changeOf("sales/method/base", scale("90"), range(4, 5))),
                        "sales",
                        4,
                        5,
                        6))
                .containsExactly(3_709_084L, 5_000_000L, 4_204_040L);
        assertThat(cash(forecast(overridden, change("sales", scale("90"), range(4, 5))), "sales", 4, 5, 6))
                .containsExactly(3_709_084L, 4_500_000L, 4_204_040L);
    }

    /** W26, the group and the whole coins. */
    @Test
    void group_scaled_scalesWhatReadsNoneOfItAndTheRestFollows() {
        Line group = new Line("all", null, "all", Direction.RECEIPT, true, null, "", new Assumption.Group(), List.of());
        Forecast base = base(
                "GBP",
                MARCH_31,
                group,
                line("a", Direction.RECEIPT, atOnce(new FixedAmount(Steps.from(MARCH_31, 10_000_000L))))
                        .in("all"),
                line("b", Direction.RECEIPT, atOnce(new ShareOfLine("a", Percent.parse("50"))))
                        .in("all"));
        Forecast scaled = forecast(base, change("all", scale("80"), DayRange.ALWAYS));
        assertThat(cash(scaled, "a", 5)).containsExactly(8_000_000L);
        assertThat(cash(scaled, "b", 5)).containsExactly(4_000_000L);

        Forecast yen = base(
                "JPY", MARCH_31, line("y", Direction.RECEIPT, atOnce(new FixedAmount(Steps.from(MARCH_31, 44_005L)))));
        Change once = change("y", scale("90"), DayRange.ALWAYS);
        assertThat(cash(forecast(yen, once), "y", 5)).containsExactly(39_605L);
        assertThat(cash(forecast(yen, once, once), "y", 5)).containsExactly(35_645L);
        assertThat(cash(forecast(yen, change("y", scale("81"), DayRange.ALWAYS)), "y", 5))
                .containsExactly(35_644L);
    }

    /** W27: terms changed, what is owed on the as-of date as it was. */
    @Test
    void changedTerms_scaleWhatHistoryStillPaysToWhatItOwed() {
        Forecast base = base("GBP", FEBRUARY_28, onlyHistory());
        assertThat(cash(base, "kelp", 3, 4)).containsExactly(2_673_200L, 390_000L);
        Forecast changed = forecast(base, changeOf("kelp/terms/pattern/steps[0]/share", set("20"), DayRange.ALWAYS));
        assertThat(cash(changed, "kelp", 3, 4)).containsExactly(2_447_282L, 625_206L);
    }

    /** What is typed while a scenario is shown is figures, days and choices of what is ahead. */
    @Test
    void whatIsTheSameInEveryScenario_isRefusedAndSaysWhere() {
        Forecast base = base("GBP", FEBRUARY_28, kelp());
        Scenario shown = WhatIfCases.scenario();
        ScenarioEdit edit = new ScenarioEdit(base, new Scenarios(List.of(shown)), shown);
        Line kelp = base.plan().lines().get(0);
        Assumption.Stream stream = kelp.findStream().orElseThrow();
        TreeMap<YearMonth, Long> history = new TreeMap<>(stream.history());
        history.put(YearMonth.of(2026, 2), 1L);
        Line rewritten = kelp.with(new Assumption.Stream(
                stream.method(),
                stream.aside(),
                history,
                stream.overrides(),
                stream.tax(),
                stream.terms(),
                stream.ledger(),
                stream.spread(),
                stream.basis()));
        assertThatThrownBy(() -> edit.line(rewritten)).hasMessageContaining("the same in every scenario");
        assertThatThrownBy(() -> edit.settings(base.plan().settings().withHorizon(24)))
                .hasMessageContaining("the same in every scenario");
        Forecast owing = Forecaster.forecast(
                base.plan().with(kelp.with(stream.withLedger(new Ledger(3_110_000, true)))), base.books());
        assertThatThrownBy(() -> new ScenarioEdit(owing, new Scenarios(List.of(shown)), shown)
                        .line(kelp.with(stream.withLedger(new Ledger(1, true)))))
                .hasMessageContaining("What holds on the as-of date is the same in every scenario")
                .hasMessageContaining("ledger total");
        assertThatThrownBy(() -> edit.line(kelp.in("elsewhere"))).hasMessageContaining("Show the base");
        assertThat(edit.line(kelp)).as("typed as it is").isEqualTo(shown);
        assertThat(edit.line(kelp.off()).changes().get(0).act()).isEqualTo(new Act.LeaveOut());
    }

    /** What is made the base comes to what the scenario came to, also where growth goes on from before. */
    @Test
    void changesMadeTheBase_comeToTheSame_orAreRefused() {
        Forecast base = base("GBP", MARCH_31, growing());
        Scenario shown = WhatIfCases.scenario(
                changeOf("sales/method/base", scale("90"), range(4, 5)), change("sales", scale("50"), range(6, 6)));
        MadeBase made = MadeBase.of(base, shown, List.of("c0", "c1"));
        assertThat(made.plan().lines().get(0).altered()).isEmpty();
        assertThat(cash(Forecaster.forecast(made.plan(), base.books()), "sales", 4, 5, 6, 7))
                .containsExactly(3_709_084L, 3_746_174L, 2_102_020L, 4_246_081L);
        Scenario later = WhatIfCases.scenario(change("sales", new Act.PaidLater(5), DayRange.ALWAYS));
        assertThatThrownBy(() -> MadeBase.of(base, later, List.of("c0"))).hasMessageContaining("stays a change");
    }

    @Test
    void lineAsTheBaseHasIt_losesItsOwnChangesAlone() {
        Line sales = growing();
        Line other = line("sales-abroad", Direction.RECEIPT, atOnce(new FixedAmount(Steps.from(MARCH_31, 1_000_00L))));
        Forecast base = base("GBP", MARCH_31, sales, other);
        Change abroad = change("sales-abroad", scale("50"), DayRange.ALWAYS);
        Scenario shown = WhatIfCases.scenario(
                changeOf("sales/method/base", scale("90"), range(4, 5)),
                change("sales", scale("50"), range(6, 6)),
                abroad);
        ScenarioEdit edit = new ScenarioEdit(base, new Scenarios(List.of(shown)), shown);
        Scenario left = edit.asBase("sales");
        assertThat(left.changes()).extracting(Change::target).containsExactly(abroad.target());
        Scenarios after = new Scenarios(List.of(left));
        assertThat(ScenarioPlan.of(base, after, left).plan().findLine("sales"))
                .isEqualTo(base.plan().findLine("sales"));
        assertThatThrownBy(() -> new ScenarioEdit(base, after, left).asBase("sales"))
                .hasMessageContaining("changes nothing of this line");
        Line own = line("rent", Direction.PAYMENT, atOnce(new FixedAmount(Steps.from(MARCH_31, 500_00L))));
        Scenario more = new ScenarioEdit(base, after, left).line(own);
        assertThatThrownBy(() -> new ScenarioEdit(base, new Scenarios(List.of(more)), more).asBase("rent"))
                .hasMessageContaining("alone has it");
    }

    private static Line onlyHistory() {
        Line kelp = kelp();
        return kelp.with(((Assumption.Stream) kelp.assumption())
                .withTyped(WhatIfCases.months(3, 0, 0, 0, 0), YearMonth.of(2026, 3)));
    }
}

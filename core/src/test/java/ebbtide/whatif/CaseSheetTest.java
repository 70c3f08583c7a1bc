package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.base;
import static ebbtide.whatif.WhatIfCases.kelp;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.forecast.Forecast;
import ebbtide.money.Percent;
import ebbtide.whatif.CaseSheet.CaseCell;
import ebbtide.whatif.CaseSheet.CaseKey;
import ebbtide.whatif.CaseSheet.Says;
import ebbtide.whatif.CaseSheet.TypedCell;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Three cases typed side by side. */
class CaseSheetTest {
    private static final CaseKey SHARE = new CaseKey(Says.SHARE, "kelp");
    private static final CaseKey LATER = new CaseKey(Says.DAYS_LATER, "kelp");
    private static final CaseKey FIRST = new CaseKey(Says.VALUE, "kelp/terms/pattern/steps[0]/share");
    private final Forecast base = base("GBP", FEBRUARY_28, kelp());
    private final Scenarios three = new Scenarios(List.of(empty("worse"), empty("expected"), empty("better")));

    private static Scenario empty(String id) {
        return new Scenario(id, "The " + id, "", List.of(), List.of(), false);
    }

    private List<CaseCell> cells(Scenarios all, CaseKey key) {
        return CaseSheet.of(base, all, all.all(), List.of(key)).rows().stream()
                .filter(row -> row.key().equals(key))
                .findFirst()
                .orElseThrow()
                .cells();
    }

    @Test
    void cellsTyped_becomeChangesOfTheirScenarios_andTypedBackThereAreNone() {
        Scenarios typed = CaseSheet.typed(
                base,
                three,
                List.of(
                        new TypedCell("worse", SHARE, "90 %"),
                        new TypedCell("better", SHARE, "110"),
                        new TypedCell("worse", LATER, "12"),
                        new TypedCell("worse", FIRST, "20"),
                        new TypedCell("expected", FIRST, "30")));
        assertThat(cells(typed, SHARE))
                .containsExactly(new CaseCell("90", true), new CaseCell("100", false), new CaseCell("110", true));
        assertThat(cells(typed, LATER)).extracting(CaseCell::value).containsExactly("12", "0", "0");
        assertThat(cells(typed, FIRST))
                .as("what is as it is without a change is none")
                .containsExactly(new CaseCell("20", true), new CaseCell("30", false), new CaseCell("30", false));
        assertThat(typed.find("worse").orElseThrow().changes()).hasSize(3);
        assertThat(CaseSheet.of(base, typed, typed.all(), List.of()).rows())
                .extracting(CaseSheet.CaseRow::what, CaseSheet.CaseRow::unit, CaseSheet.CaseRow::base)
                .contains(
                        org.assertj.core.groups.Tuple.tuple("kelp: share of it that there is", "%", "100"),
                        org.assertj.core.groups.Tuple.tuple("kelp: paid later by", "days", "0"));
        Scenarios again = CaseSheet.typed(
                base, typed, List.of(new TypedCell("worse", SHARE, "85"), new TypedCell("worse", FIRST, "")));
        assertThat(cells(again, SHARE).get(0)).isEqualTo(new CaseCell("85", true));
        assertThat(again.find("worse").orElseThrow().changes()).hasSize(2);
        Scenarios back = CaseSheet.typed(
                base,
                again,
                List.of(
                        new TypedCell("worse", SHARE, "100"),
                        new TypedCell("worse", LATER, "0"),
                        new TypedCell("better", SHARE, " ")));
        assertThat(back).isEqualTo(three);
    }

    /** 100,000 in the base; 40,000 at a chance of 25%, -20,000 at 10%: 65% of the first, 10,000 and -2,000 less. */
    @Test
    void chances_weighLeastHeadroom_andWhatTheyLeaveIsTheBases() {
        Scenario late = new Scenario("a", "A", "", List.of(), List.of(), false, false, Percent.parse("25"));
        Scenario lost = new Scenario("b", "B", "", List.of(), List.of(), false, true, Percent.parse("10"));
        List<ExpectedHeadroom.Likely> all = List.of(
                new ExpectedHeadroom.Likely(late, 40_000),
                new ExpectedHeadroom.Likely(empty("worse"), -90_000),
                new ExpectedHeadroom.Likely(lost, -20_000));
        assertThat(ExpectedHeadroom.of(100_000, all)).contains(new ExpectedHeadroom(73_000, "B", -20_000));
        assertThat(ExpectedHeadroom.of(100_000, all.subList(1, 2))).isEmpty();
        Scenario certain = new Scenario("c", "C", "", List.of(), List.of(), false, true, Percent.parse("80"));
        assertThat(new Scenarios(List.of(late, lost, certain)).problems())
                .extracting(problem -> problem.sentence())
                .containsExactly(
                        "Two scenarios are the breakwater: let one of them be it",
                        "The chances of the scenarios add up to 115%, but what they leave of 100% is the base's: lower one of them");
        assertThat(new Scenarios(List.of(lost)).putting(certain).breakwater()).contains(certain);
    }

    @Test
    void cellThatIsNoSuchValue_isRefusedByItsRowAndItsScenario() {
        assertThatThrownBy(() -> CaseSheet.typed(base, three, List.of(new TypedCell("worse", LATER, "soon"))))
                .hasMessage("kelp: paid later by in 'The worse': a whole number of days is wanted, but was 'soon'");
        assertThatThrownBy(() -> CaseSheet.typed(base, three, List.of(new TypedCell("worse", FIRST, "120"))))
                .hasMessageContaining("The worse");
        assertThatThrownBy(() -> CaseSheet.typed(base, three, List.of(new TypedCell("gone", FIRST, "12"))))
                .hasMessageContaining("there no more");
    }

    @Test
    void scenarioThatStandsOnAnother_showsWhatThatHas() {
        Scenario on = new Scenario("on", "On it", "", List.of("worse"), List.of(), false);
        Scenarios all = CaseSheet.typed(
                base,
                new Scenarios(List.of(empty("worse"), on)),
                List.of(new TypedCell("worse", SHARE, "90"), new TypedCell("on", SHARE, "50")));
        assertThat(cells(all, SHARE))
                .as("what is typed is what comes out")
                .containsExactly(new CaseCell("90", true), new CaseCell("50", true));
        assertThat(all.find("on").orElseThrow().changes().get(0).act()).isEqualTo(WhatIfCases.scale("55.5556"));
    }
}

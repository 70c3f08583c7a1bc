package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.add;
import static ebbtide.whatif.WhatIfCases.atOnce;
import static ebbtide.whatif.WhatIfCases.base;
import static ebbtide.whatif.WhatIfCases.cash;
import static ebbtide.whatif.WhatIfCases.forecast;
import static ebbtide.whatif.WhatIfCases.line;
import static ebbtide.whatif.WhatIfCases.months;
import static ebbtide.whatif.WhatIfCases.range;
import static ebbtide.whatif.WhatIfCases.scale;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.forecast.Forecast;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Changes that come and go, and changes that are tied (rules 11.2). */
class RampTest {
    private static final Forecast BASE = base(
            "GBP",
            FEBRUARY_28,
            line(
                    "ropes",
                    Direction.RECEIPT,
                    atOnce(new TypedMonths(
                            months(3, 40_000, 40_000, 40_000, 40_000, 40_000, 40_000, 40_000, 40_000)))));

    private static Change ramped(String line, Act act, DayRange range, int comes, int goes) {
        return new Change("c", new Target.OfLine(line), act, range, new Ramp(comes, goes), "", "", true);
    }

    /** At 70% from April to September, coming over three months and going over two. */
    @Test
    void change_comesAndGoes() {
        Forecast shown = forecast(BASE, ramped("ropes", scale("70"), range(4, 9), 3, 2));
        assertThat(cash(shown, "ropes", 3, 4, 5, 6, 7, 8, 9, 10))
                .containsExactly(
                        4_000_000L, 3_600_000L, 3_200_000L, 2_800_000L, 2_800_000L, 2_800_000L, 3_400_000L, 4_000_000L);
    }

    /** Of a month in which it both comes and goes there is the lesser share; one without an end only comes. */
    @Test
    void change_thatGoesBeforeItIsWhole_neverIs() {
        assertThat(cash(forecast(BASE, ramped("ropes", add("-3000"), range(4, 6), 3, 3)), "ropes", 4, 5, 6, 7))
                .containsExactly(3_900_000L, 3_800_000L, 3_900_000L, 4_000_000L);
        DayRange on = new DayRange(LocalDate.of(2026, 4, 1), null);
        assertThat(cash(forecast(BASE, ramped("ropes", add("-3000"), on, 2, 0)), "ropes", 3, 4, 5, 10))
                .containsExactly(4_000_000L, 3_850_000L, 3_700_000L, 3_700_000L);
        DayRange begun = new DayRange(LocalDate.of(2026, 1, 1), null);
        assertThat(cash(forecast(BASE, ramped("ropes", add("-3000"), begun, 4, 0)), "ropes", 3, 4, 5))
                .as("three quarters of it in the third month")
                .containsExactly(3_775_000L, 3_700_000L, 3_700_000L);
        assertThatThrownBy(() -> ramped("ropes", add("-3000"), on, 2, 2))
                .hasMessage("A change that comes and goes over some months has a last month: say to when");
        assertThatThrownBy(() -> ramped("ropes", new Act.NeverPaid(ebbtide.money.Percent.HUNDRED), on, 2, 0))
                .hasMessageStartingWith("What comes and goes over some months is set");
    }

    /** A price up with a quantity down: all or none, and turned together. */
    @Test
    void tiedChanges_areDoneAllOrNone_andTurnedTogether() {
        Change up =
                new Change("up", new Target.OfLine("ropes"), scale("110"), range(4, 4), Ramp.NONE, "price", "", true);
        Change down =
                new Change("down", new Target.OfLine("ropes"), add("-6000"), range(5, 5), Ramp.NONE, "price", "", true);
        Change gone =
                new Change("gone", new Target.OfLine("nets"), scale("90"), range(4, 4), Ramp.NONE, "price", "", true);
        Scenario whole = new Scenario("s", "Dearer", "", List.of(), List.of(up, down), false);
        assertThat(cash(forecast(BASE, up, down), "ropes", 4, 5)).containsExactly(4_400_000L, 3_400_000L);

        Scenario broken = whole.with(List.of(up, down, gone));
        ScenarioPlan none = ScenarioPlan.of(BASE, new Scenarios(List.of(broken)), broken);
        assertThat(none.plan()).isEqualTo(BASE.plan());
        assertThat(none.changes().get(0).findsNothing())
                .isEqualTo(Optional.of("what it is tied to finds nothing: The plan has no line 'nets' any more"));

        // Closing cash is 2,000 less; 1,000 less is half of both.
        BreakEven.Answer answer = BreakEven.of(
                BASE,
                Dial.ofChange(new Scenarios(List.of(whole)), whole, "up"),
                new Measure.ClosingOn(BASE.lastDay()),
                BASE.closing(BASE.lastDay()) - 100_000,
                () -> {});
        assertThat(answer.nearest().orElseThrow().multiple()).isEqualTo(5_000);
    }
}

package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.base;
import static ebbtide.whatif.WhatIfCases.kelp;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.plan.DayRange;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Unit;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** Which assumptions matter (rules 11.7). */
@Order(2)
class SensitivityTest {
    private static final Measure JUNE = new Measure.ClosingOn(LocalDate.of(2026, 6, 30));

    @Test
    void eachAssumption_downAndUp_theLargestFirst() {
        Forecast base = base("GBP", FEBRUARY_28, kelp());
        List<Sensitivity.Entry> all = Sensitivity.of(base, JUNE, Sensitivity.Steps.USUAL);
        Sensitivity.Entry first = all.get(0);
        assertThat(first.path()).isEqualTo("kelp/method/amounts");
        // Of 171,824.00 come 30,632.00 of January and February.
        assertThat(first.down().orElseThrow().moves()).isEqualTo(-1_411_920L);
        assertThat(first.up().orElseThrow().moves()).isEqualTo(1_411_920L);
        Sensitivity.Entry never = all.stream()
                .filter(one -> one.path().endsWith("steps[1]/discount"))
                .findFirst()
                .orElseThrow();
        assertThat(never.down().orElseThrow().moves()).isPositive();
        assertThat(never.down().orElseThrow().bounded()).isFalse();
        assertThat(all).isSortedAccordingTo((one, other) -> Long.compare(other.size(), one.size()));
    }

    /** What a step does is what a scenario with that change does. */
    @Test
    void step_isTheScenarioThatSaysSo() {
        RandomPlans.each(Asked.of(8), (some, seed) -> {
            Forecast base = Forecaster.forecast(some.plan(), some.books());
            Measure measure = new Measure.ClosingOn(base.lastDay());
            for (Sensitivity.Entry entry :
                    Sensitivity.of(base, measure, Sensitivity.Steps.USUAL).subList(0, 5)) {
                boolean money = PlanInputs.find(some.plan(), entry.path())
                                .orElseThrow()
                                .unit()
                                .measure()
                        == Unit.Measure.MONEY;
                if (money && entry.up().isPresent() && !entry.up().orElseThrow().bounded()) {
                    Scenario more = WhatIfCases.scenario(
                            WhatIfCases.changeOf(entry.path(), WhatIfCases.scale("110"), DayRange.ALWAYS));
                    Forecast then = Forecaster.forecast(
                            ScenarioPlan.of(base, new Scenarios(List.of(more)), more)
                                    .asChanged(),
                            some.books());
                    assertThat(then.closing(base.lastDay()) - base.closing(base.lastDay()))
                            .as(entry.path())
                            .isEqualTo(entry.up().orElseThrow().moves());
                }
            }
        });
    }
}

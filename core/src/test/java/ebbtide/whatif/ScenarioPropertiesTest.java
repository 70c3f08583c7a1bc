package ebbtide.whatif;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Figures;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.plan.Plan;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** What holds for scenarios of every plan. */
class ScenarioPropertiesTest {
    private static final int PLANS = 150;

    /** Taken over from the base or made from the beginning: the same; without changes: the base (rules 11.1). */
    @Test
    void scenario_overTheBase_isThePlanThatItSays() {
        AtomicInteger found = new AtomicInteger();
        AtomicInteger lost = new AtomicInteger();
        RandomPlans.each(PLANS, (some, seed) -> {
            Forecast base = Forecaster.forecast(some.plan(), some.books());
            Scenarios all = RandomScenarios.of(seed, some.plan());
            ScenarioPlan second = ScenarioPlan.of(base, all, all.find("second").orElseThrow());
            second.changes().forEach(done -> (done.findsNothing().isEmpty() ? found : lost).incrementAndGet());
            Forecast shown = Forecaster.forecast(second.plan(), some.books(), base);
            assertThat(Figures.of(shown)).isEqualTo(Figures.of(Forecaster.forecast(second.plan(), some.books())));

            ScenarioPlan third = ScenarioPlan.of(base, all, all.find("third").orElseThrow());
            assertThat(third.plan()).isEqualTo(some.plan());
            Plan afterwards = base.plan();
            assertThat(afterwards)
                    .as("the base is never changed")
                    .isEqualTo(RandomPlans.of(seed).plan());
        });
        assertThat(found).as("changes that found their target").hasValueGreaterThan(PLANS);
        assertThat(lost).as("and not all did").hasValueGreaterThan(PLANS / 10);
    }
}

package ebbtide.years;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.LastYear;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.Driven;
import ebbtide.plan.YearsRules;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioEdit;
import ebbtide.whatif.ScenarioPlan;
import ebbtide.whatif.Scenarios;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Years in a scenario (rules 11.2): what is typed of their drivers is a change of it; what is none is refused. */
class YearsInScenarioTest {
    private static final LocalDate D = LocalDate.of(2025, 12, 31);
    private static final Scenario WORSE = new Scenario("worse", "Worse", "", List.of(), List.of(), false);

    private static Forecast base() {
        LastYear last = new LastYear(D, 365, 0, List.of(new LastYear.Entry("sales", "Sales", YearRow.SALES, 1_000_00)));
        YearDriver growth = new YearDriver.Amount(
                new TreeMap<>(), new TreeMap<>(Map.of(2026, Percent.parse("10"), 2027, Percent.parse("20"))));
        YearsPlan years = new YearsPlan(
                2,
                last,
                List.of(new Driven("sales", growth, "")),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                YearsRules.USUAL);
        Settings settings = Settings.of("P", Money.currency("GBP"), D).withYears(years);
        return Forecaster.forecast(new Plan(settings, List.of(), List.of()), Books.of(List.of()));
    }

    private static Scenario typed(Forecast base, YearsPlan years) {
        return new ScenarioEdit(base, new Scenarios(List.of(WORSE)), WORSE)
                .settings(base.plan().settings().withYears(years));
    }

    private static List<Long> sales(Forecast base, Scenario scenario) {
        Plan plan = ScenarioPlan.of(base, new Scenarios(List.of(scenario)), scenario)
                .plan();
        return Years.of(Forecaster.forecast(plan, base.books())).orElseThrow().all().stream()
                .map(Year::sales)
                .toList();
    }

    @Test
    void growthTypedInAScenario_isItsChange_andTheBaseKeepsItsOwn() {
        Forecast base = base();
        YearsPlan years = base.plan().settings().years();
        Scenario scenario = typed(base, DriverEdit.value(years, "sales", DriverPart.GROWTH, 2027, BigDecimal.ZERO));
        assertThat(scenario.changes()).hasSize(1);
        assertThat(sales(base, scenario)).containsExactly(1_000_00L, 1_100_00L, 1_100_00L);
        assertThat(sales(base, WORSE)).containsExactly(1_000_00L, 1_100_00L, 1_320_00L);
    }

    @Test
    void whatNoChangeSays_isRefusedInASentence() {
        Forecast base = base();
        YearsPlan years = base.plan().settings().years();
        assertThatThrownBy(() -> typed(base, years.withCount(5)))
                .isInstanceOf(Refused.class)
                .hasMessageMatching(".{20,}");
        assertThatThrownBy(() -> typed(base, DriverEdit.value(years, "sales", DriverPart.GROWTH, 2028, BigDecimal.ONE)))
                .isInstanceOf(Refused.class)
                .hasMessageMatching(".{20,}");
    }
}

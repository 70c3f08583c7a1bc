package ebbtide.whatif;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.Figures;
import ebbtide.activity.MonthlyActivity;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.StockPurchases;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.DayRange;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** What holds for scenarios of every plan. */
@Order(2)
class ScenarioPropertiesTest {
    private static final int PLANS = Asked.of(60);

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

            if (seed % 3 == 0) {
                List<ChangeEffects.Effect> effects =
                        ChangeEffects.of(base, all, all.find("second").orElseThrow());
                assertThat(effects.stream()
                                .mapToLong(one -> one.moves().closing())
                                .sum())
                        .isEqualTo(KeyFigures.of(shown).closing()
                                - KeyFigures.of(base).closing());
                assertThat(effects.stream()
                                .mapToLong(one -> one.moves().headroom())
                                .sum())
                        .isEqualTo(KeyFigures.of(shown).headroom()
                                - KeyFigures.of(base).headroom());
            }
            if (seed % 3 == 1) {
                Scenario whole = all.find("second").orElseThrow();
                assertThat(ScenarioPlan.ofShare(base, all, whole, Percent.ZERO).plan())
                        .as("nothing of its changes")
                        .isEqualTo(some.plan());
                Forecast all100 = Forecaster.forecast(
                        ScenarioPlan.ofShare(base, all, whole, Percent.HUNDRED).plan(), some.books(), base);
                for (LocalDate day = base.firstDay(); !day.isAfter(base.lastDay()); day = day.plusDays(1)) {
                    assertThat(all100.closing(day)).as("all of its changes").isEqualTo(shown.closing(day));
                }
            }
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

    /** What is typed while a scenario is shown is what the scenario then has, and typed back it is as it was. */
    @Test
    void lineTypedInAScenario_becomesChangesThatSaySo() {
        AtomicInteger edited = new AtomicInteger();
        RandomPlans.each(PLANS, (some, seed) -> {
            Forecast base = Forecaster.forecast(some.plan(), some.books());
            Scenarios all = RandomScenarios.of(seed, some.plan());
            Scenario shown = all.find("second").orElseThrow();
            Plan plan = ScenarioPlan.of(base, all, shown).asChanged();
            for (Input<Plan> input : RandomScenarios.figures(seed, plan, 6)) {
                Line there = plan.findLine(
                                input.path().substring(0, input.path().indexOf('/')))
                        .orElseThrow();
                if (!plan.isActive(there)) {
                    continue;
                }
                Line typed;
                try {
                    typed = input.with(RandomScenarios.other(input.value()))
                            .findLine(there.id())
                            .orElseThrow();
                } catch (IllegalArgumentException notAllowed) {
                    continue;
                }
                Scenario then = new ScenarioEdit(base, all, shown).line(typed);
                assertThat(inputs(base, all, then, there.id())).isEqualTo(inputs(plan.with(typed), there.id()));
                Scenario back = new ScenarioEdit(base, all.with(then), then).line(there);
                assertThat(inputs(base, all, back, there.id())).isEqualTo(inputs(plan, there.id()));
                edited.incrementAndGet();
            }
        });
        assertThat(edited).hasValueGreaterThan(PLANS * 3);
    }

    /** A stream scaled is the stream whose months a hand overrides with as much (rules 11.2). */
    @Test
    void activityScaled_isThePlanWhoseMonthsAreOverriddenByHand() {
        AtomicInteger scaled = new AtomicInteger();
        RandomPlans.each(PLANS, (some, seed) -> {
            Forecast base = Forecaster.forecast(some.plan(), some.books());
            some.plan().lines().stream()
                    .filter(line -> some.plan().isActive(line)
                            && line.findStream()
                                    .filter(stream -> !(stream.method() instanceof StockPurchases))
                                    .isPresent())
                    .findFirst()
                    .ifPresent(line -> {
                        Forecast shown = WhatIfCases.forecast(
                                base, WhatIfCases.change(line.id(), WhatIfCases.scale("83"), DayRange.ALWAYS));
                        Forecast byHand = Forecaster.forecast(
                                Breach.followed(base, some.plan().with(byHand(base, line))), some.books());
                        for (LocalDate day = base.firstDay(); !day.isAfter(base.lastDay()); day = day.plusDays(1)) {
                            assertThat(shown.closing(day)).as("%s", day).isEqualTo(byHand.closing(day));
                        }
                        scaled.incrementAndGet();
                    });
        });
        assertThat(scaled).hasValueGreaterThan(PLANS / 2);
    }

    private static Line byHand(Forecast base, Line line) {
        MonthlyActivity planned = base.accounts().activity().planned(line);
        SortedMap<YearMonth, MonthOverride> overrides = new TreeMap<>();
        YearMonth last = Timeline.month(planned.lastMonth());
        for (YearMonth month = base.plan().settings().firstForecastMonth();
                !month.isAfter(last);
                month = month.plusMonths(1)) {
            overrides.put(
                    month,
                    new MonthOverride(Percent.parse("83").of(planned.in(Timeline.monthNumber(month))), "by hand"));
        }
        return line.with(line.findStream().orElseThrow().withOverrides(overrides));
    }

    private static List<String> inputs(Forecast base, Scenarios all, Scenario shown, String lineId) {
        return inputs(ScenarioPlan.of(base, all.with(shown), shown).asChanged(), lineId);
    }

    /** Every input of a line as text; since when its steps grow is no part of what is typed. */
    private static List<String> inputs(Plan plan, String lineId) {
        return PlanInputs.ofLine(plan, plan.findLine(lineId).orElseThrow()).stream()
                .map(input -> input.path() + " " + RandomScenarios.plain(input.value()))
                .toList();
    }
}

package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.atOnce;
import static ebbtide.whatif.WhatIfCases.kelp;
import static ebbtide.whatif.WhatIfCases.line;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.HowFar;
import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** How far something can go (rules 11.6): W20, and what holds of every answer. */
class BreakEvenTest {
    private static final LocalDate JUNE_30 = LocalDate.of(2026, 6, 30);
    private static final DayRange FROM_MARCH = new DayRange(LocalDate.of(2026, 3, 1), null);

    private static Forecast base() {
        return Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), FEBRUARY_28).withHorizon(4),
                        List.of(
                                kelp(),
                                line(
                                        "costs",
                                        Direction.PAYMENT,
                                        atOnce(new FixedAmount(Steps.from(FEBRUARY_28, 4_200_000L))))),
                        List.of()),
                Books.of(List.of(new Account("bank", "Bank", "--", false, FEBRUARY_28, 5_000_000L))));
    }

    @Test
    void salesScaled_holdDownToTheHundredthOfAPoint() {
        Forecast base = base();
        Dial dial = Dial.of(base.plan(), new Target.OfLine("kelp"), FROM_MARCH);
        BreakEven.Answer answer = BreakEven.of(base, dial, new Measure.ClosingOn(JUNE_30), 4_000_000, () -> {});
        assertThat(answer.now().level().minor()).isEqualTo(5_382_400);
        assertThat(answer.holds()).isTrue();
        HowFar.Edge<Measure.Level> down = answer.down().orElseThrow();
        assertThat(dial.value(down.holds().multiple())).isEqualByComparingTo("90.21");
        assertThat(down.holds().level().minor()).isEqualTo(4_000_130);
        assertThat(dial.value(down.fails().multiple())).isEqualByComparingTo("90.2");
        assertThat(down.fails().level().minor()).isEqualTo(3_998_718);
        assertThat(down.others()).isFalse();
        assertThat(answer.up()).as("not within the range").isEmpty();
        assertThat(answer.over()).hasSize(129);
    }

    @Test
    void whatDoesNotHold_isAnsweredWithTheNearestThatDoes() {
        Forecast base = base();
        Dial dial = Dial.of(base.plan(), new Target.OfLine("costs"), FROM_MARCH);
        BreakEven.Answer answer = BreakEven.of(base, dial, new Measure.LeastCash(), 4_800_000, () -> {});
        assertThat(answer.holds()).isFalse();
        HowFar.Point<Measure.Level> nearest = answer.nearest().orElseThrow();
        assertThat(nearest.level().minor()).isGreaterThanOrEqualTo(4_800_000);
        Forecast next = Forecaster.forecast(dial.turned(base, nearest.multiple() + 1), base.books());
        assertThat(new Measure.LeastCash().of(next).minor()).isLessThan(4_800_000);
    }

    @Test
    void valueOfOneAssumption_isTurnedWithinItsBoundsInItsLastPlace() {
        Forecast base = base();
        Dial dial = Dial.of(base.plan(), new Target.OfAssumption("kelp/terms/pattern/steps[0]/share"), DayRange.ALWAYS);
        assertThat(dial.scales()).isFalse();
        assertThat(dial.value(dial.present())).isEqualByComparingTo("30");
        assertThat(dial.value(dial.least())).isEqualByComparingTo("0");
        assertThat(dial.value(dial.most())).isEqualByComparingTo("80");
        assertThat(dial.value(dial.present() + 1)).isEqualByComparingTo("30.01");
    }

    @Test
    void otherMeasures_areReadOfTheForecast() {
        Forecast base = base();
        assertThat(new Measure.LimitsLessNeed().of(base).minor())
                .as("no limits, and minimum cash of nil is never short of")
                .isEqualTo(new Measure.LeastCash().of(base).minor());
        assertThat(new Measure.ProfitOf(LocalDate.of(2026, 5, 1)).of(base).day())
                .isEqualTo(base.lastDay());
        assertThatThrownBy(() -> new Measure.CovenantRoom().of(base)).hasMessageContaining("agree one under Funding");
        assertThatThrownBy(() -> new Measure.ProfitOf(LocalDate.of(2020, 5, 1)).of(base))
                .hasMessageContaining("choose a later day");
    }

    /** 300 days later can be a year later at most: beyond 122% the plan refuses it, and the search ends there. */
    @Test
    void shareThatThePlanRefuses_endsTheSearch_ratherThanPassForLess() {
        Forecast base = base();
        Scenario late = WhatIfCases.scenario(WhatIfCases.change("kelp", new Act.PaidLater(300), DayRange.ALWAYS));
        Dial dial = Dial.share(new Scenarios(List.of(late)), late);
        assertThatThrownBy(() -> dial.turned(base, 15_000)).hasMessageContaining("days later");
        BreakEven.Answer answer = BreakEven.of(base, dial, new Measure.LeastCash(), Long.MIN_VALUE, () -> {});
        assertThat(dial.value(answer.over().get(answer.over().size() - 1).multiple()))
                .isLessThanOrEqualTo(new BigDecimal("122.2"));
    }

    @Test
    void searchThatNobodyWaitsFor_endsAtItsNextTrial() {
        Forecast base = base();
        Dial dial = Dial.of(base.plan(), new Target.OfLine("costs"), FROM_MARCH);
        AtomicInteger trials = new AtomicInteger();
        assertThatThrownBy(() -> BreakEven.of(base, dial, new Measure.LeastCash(), 4_800_000, () -> {
                    if (trials.incrementAndGet() > 5) {
                        throw new CancellationException("changed meanwhile");
                    }
                }))
                .isInstanceOf(CancellationException.class);
        assertThat(trials).hasValueLessThan(64);
    }
}

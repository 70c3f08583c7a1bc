package ebbtide.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.TermLoan;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Moving a draw, a repayment or a payment for an asset: what it does before it is kept, over plans made at random. */
class MovableTest {
    @Test
    void anythingMoved_liesOnItsNewDay_whileAllElseStaysAsItWas() {
        RandomPlans.each(400, (some, seed) -> {
            Plan plan = some.plan();
            LocalDate asOf = plan.settings().asOf();
            Random random = new Random(seed);
            List<MovablePayment> before = MovablePayment.of(plan);
            for (MovablePayment one : before) {
                LocalDate to = asOf.plusDays(1 + random.nextInt(20));
                Line moved = MovablePayment.moved(plan, one.id(), to);
                Plan after = new Plan(
                        plan.settings(),
                        plan.lines().stream()
                                .map(line -> line.id().equals(moved.id()) ? moved : line)
                                .toList(),
                        plan.buoys());
                List<MovablePayment> then = MovablePayment.of(after);
                assertThat(then)
                        .hasSameSizeAs(before)
                        .filteredOn(two -> two.day().equals(to)
                                && two.minor() == one.minor()
                                && two.lineId().equals(one.lineId()))
                        .isNotEmpty();
                assertThat(then.stream().mapToLong(MovablePayment::minor).sum())
                        .isEqualTo(
                                before.stream().mapToLong(MovablePayment::minor).sum());
                if (moved.assumption() instanceof TermLoan loan && !loan.running()) {
                    assertThat(loan.firstPayDay()).isAfter(loan.from().on());
                }
                assertThatThrownBy(() -> MovablePayment.moved(plan, one.id(), asOf))
                        .hasMessageContaining("moves to a day after");
            }
            if (!before.isEmpty() && seed % 10 == 0) {
                MovablePayment one = before.get(0);
                Forecast forecast = Forecaster.forecast(plan, some.books());
                assertThat(MovablePayment.trial(forecast, one.id(), one.day()).closing(forecast.lastDay()))
                        .as("put where it is")
                        .isEqualTo(forecast.closing(forecast.lastDay()));
            }
        });
        assertThatThrownBy(() -> MovablePayment.moved(RandomPlans.of(1).plan(), "gone drawn", LocalDate.of(2030, 1, 1)))
                .hasMessageContaining("no longer there");
    }
}

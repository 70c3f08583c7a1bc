package ebbtide.formats.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.activity.ActivityCalculator;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Money;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A plan put off by months: what lies ahead moves, what was stays. */
class PlanMoveTest {
    private static final Currency POUND = Money.currency("GBP");
    private static final LocalDate AS_OF = LocalDate.of(2026, 2, 28);

    private static Line line(String method) {
        return PlanReader.line(PlanReader.parse("""
        {"id": "s", "name": "Sales 2026-05", "direction": "receipt", "note": "from 2026-05-01 on", "assumption": {"kind": "stream",
         "history": {"2026-02": "90"}, "method": %s}}""".formatted(method)), POUND);
    }

    private static long month(Line line, int month) {
        return new ActivityCalculator(new Plan(ebbtide.plan.Settings.of("P", POUND, AS_OF), List.of(line), List.of()))
                .planned(line)
                .in(ebbtide.time.Timeline.monthNumber(java.time.YearMonth.of(2026, month)));
    }

    @Test
    void stepsAndMonths_afterTheAsOfDate_moveAndWhatWasStays() {
        Line moved = PlanMove.moved(
                line("{\"kind\": \"fixed\", \"amount\": [{\"from\": \"2026-01-01\", \"value\": \"5\"}, "
                        + "{\"from\": \"2026-05-01\", \"value\": \"7\"}]}"),
                AS_OF,
                2,
                POUND);
        assertThat(List.of(month(moved, 2), month(moved, 3), month(moved, 6), month(moved, 7)))
                .containsExactly(9_000L, 500L, 500L, 700L);
        assertThat(moved.name()).isEqualTo("Sales 2026-05");
        assertThat(moved.note()).isEqualTo("from 2026-05-01 on");
        Line typed = PlanMove.moved(
                line("{\"kind\": \"typed\", \"amounts\": {\"2026-03\": \"1\", \"2026-04\": \"2\"}}"), AS_OF, 1, POUND);
        assertThat(List.of(month(typed, 4), month(typed, 5))).containsExactly(100L, 200L);
    }

    @Test
    void movingBack_onToTheAsOfDate_isRefusedInWords() {
        assertThatThrownBy(() -> PlanMove.moved(
                        line("{\"kind\": \"typed\", \"amounts\": {\"2026-03\": \"1\"}}"), AS_OF, -1, POUND))
                .hasMessage(
                        "'Sales 2026-05' has something on 2026-03, which would come to lie on 2026-02-01, not after the as-of date 2026-02-28: "
                                + "move by fewer months, or take it out first");
    }

    /** Any line moved ahead and back again is the line it was, but for days that a month lacks. */
    @Test
    void anyLine_movedAheadByAYearAndBack_isTheLineItWas() {
        for (long seed = 0; seed < Asked.of(120); seed++) {
            Plan plan = RandomPlans.of(seed).plan();
            Currency currency = plan.settings().currency();
            LocalDate asOf = plan.settings().asOf();
            for (Line line : plan.lines()) {
                Line there = PlanMove.moved(line, asOf, 48, currency);
                assertThat(PlanMove.moved(there, asOf, -48, currency))
                        .as("seed %d, %s", seed, line.name())
                        .isEqualTo(line);
            }
        }
    }
}

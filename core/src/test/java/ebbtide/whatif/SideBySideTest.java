package ebbtide.whatif;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.ForecastTable;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import ebbtide.whatif.SideBySide.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** Futures beside each other, over random plans (rules 11.5). */
@Order(2)
class SideBySideTest {
    private static final int PLANS = Asked.of(24);

    @Test
    void futures_areTheTablesOfEach_andDifferencesOpenByChange() {
        AtomicInteger opened = new AtomicInteger();
        RandomPlans.each(PLANS, (some, seed) -> {
            Forecast base = Forecaster.forecast(some.plan(), some.books());
            Scenarios all = RandomScenarios.of(seed, some.plan());
            Scenario second = all.find("second").orElseThrow();
            Forecast shown =
                    Forecaster.forecast(ScenarioPlan.of(base, all, second).plan(), some.books(), base);
            List<Future> futures = List.of(
                    new Future.OfForecast("Base", base, true),
                    new Future.OfForecast("Second", shown, true),
                    new Future.OfForecast("The same, as another plan", base, false),
                    new Future.OfSnapshot("As it was kept", Snapshot.of(base, line -> "")));
            for (Table table : Table.values()) {
                List<Period> periods = base.periods(Periods.MONTH, base.firstDay(), base.lastDay());
                SideBySide beside = SideBySide.of(futures, 0, table, periods);
                for (SideBySide.Row row : beside.rows()) {
                    assertThat(row.amounts().get(2))
                            .as("by path and name")
                            .isEqualTo(row.amounts().get(0));
                    for (int i = 0; i < periods.size(); i++) {
                        Long one = row.amounts().get(1).get(i);
                        Long reference = row.amounts().get(0).get(i);
                        Long less = row.differences().get(1).get(i);
                        assertThat(less).isEqualTo(one == null || reference == null ? null : (Long) (one - reference));
                        Long kept = row.differences().get(3).get(i);
                        assertThat(kept == null || kept == 0)
                                .as("%s as kept in %s", row.name(), periods.get(i))
                                .isTrue();
                    }
                }
                beside.rows().stream()
                        .filter(row -> row.differences().get(1).stream().anyMatch(one -> one != null && one != 0))
                        .limit(2)
                        .forEach(row -> {
                            int at = first(row.differences().get(1));
                            assertThat(ChangeEffects.on(base, all, second, table, row.id(), periods.get(at)).stream()
                                            .mapToLong(ChangeEffects.OnRow::moves)
                                            .sum())
                                    .isEqualTo(row.differences().get(1).get(at));
                            opened.incrementAndGet();
                        });
            }
            List<Period> months = base.periods(Periods.MONTH, base.firstDay(), base.lastDay());
            assertThat(SideBySide.of(futures.subList(0, 1), 0, Table.CASH, months).rows().stream()
                            .map(row -> row.amounts().get(0))
                            .toList())
                    .isEqualTo(ForecastTable.of(base, months).rows().stream()
                            .map(row -> row.cells().stream()
                                    .map(cell -> cell.amount())
                                    .toList())
                            .toList());
        });
        assertThat(opened).hasValueGreaterThan(PLANS * 5 / 3);
    }

    private static int first(List<Long> differences) {
        List<Long> plain = new ArrayList<>(differences);
        plain.replaceAll(one -> Objects.requireNonNullElse(one, 0L));
        for (int i = 0; i < plain.size(); i++) {
            if (plain.get(i) != 0) {
                return i;
            }
        }
        throw new AssertionError("no difference");
    }

    @Test
    void moreThanSix_andAFirstThatIsNoForecast_areRefused() {
        Forecast base = WhatIfCases.base("GBP", WhatIfCases.FEBRUARY_28, WhatIfCases.kelp());
        Future one = new Future.OfForecast("Base", base, true);
        assertThatThrownBy(() -> SideBySide.of(List.of(one, one, one, one, one, one, one), 0, Table.CASH, List.of()))
                .hasMessageContaining("futures side by side");
        assertThatThrownBy(() -> SideBySide.of(
                        List.of(new Future.OfSnapshot("Kept", Snapshot.of(base, line -> ""))),
                        0,
                        Table.CASH,
                        List.of()))
                .hasMessageContaining("the first of the futures");
    }
}

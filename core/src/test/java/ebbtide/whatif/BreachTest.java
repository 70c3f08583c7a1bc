package ebbtide.whatif;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.plan.Covenant.Breach;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.statements.Covenants;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What lenders do once a covenant breaks (rules 11.2), over random plans. */
class BreachTest {
    private static final int PLANS = Asked.of(200);

    private static Optional<Covenants.Tested> first(Forecast forecast, Breach breach) {
        return Covenants.of(forecast).stream()
                .filter(one -> one.standing() == Covenants.Standing.BREAKS
                        && one.covenant().breach() == breach
                        && one.date().isBefore(forecast.lastDay()))
                .min(Comparator.comparing(Covenants.Tested::date));
    }

    /** What is paid on a day of taxes whose instalments know the profit of the whole year. */
    private static long instalments(Forecast forecast, LocalDate day) {
        return forecast.plan().lines().stream()
                .filter(line -> line.assumption() instanceof ProfitTax tax && tax.readsThisYear())
                .flatMap(line -> forecast.flows(line).stream())
                .filter(flow -> flow.day().equals(day))
                .mapToLong(Forecast.DayFlow::minor)
                .sum();
    }

    @Test
    void breach_stopsDrawing_orMakesDebtDue_fromTheDayAfterItsTest() {
        Map<Breach, Integer> found = new TreeMap<>();
        RandomPlans.each(PLANS, (some, seed) -> {
            Forecast base = Forecaster.forecast(some.plan(), some.books());
            Optional<Covenants.Tested> stops = first(base, Breach.STOPS_DRAWING);
            Optional<Covenants.Tested> due = first(base, Breach.DEBT_DUE);
            Plan made = ebbtide.whatif.Breach.followed(base, some.plan());
            if (stops.isEmpty() && due.isEmpty()) {
                assertThat(made).isEqualTo(some.plan());
                return;
            }
            Forecast then = Forecaster.forecast(made, some.books());
            LocalDate tested = java.util.stream.Stream.concat(stops.stream(), due.stream())
                    .map(Covenants.Tested::date)
                    .min(Comparator.naturalOrder())
                    .orElseThrow();
            Optional<LocalDate> differs = base.firstDay()
                    .datesUntil(tested.plusDays(1))
                    .filter(day -> then.closing(day) != base.closing(day))
                    .findFirst();
            differs.ifPresent(day -> assertThat(then.closing(day) - base.closing(day))
                    .as("before it, %s: no more than an instalment of this year's tax", day)
                    .isEqualTo(instalments(then, day) - instalments(base, day)));
            int last = base.timeline().index(base.lastDay());
            int at = base.timeline().index(tested);
            for (int i = 0; i < then.funding().facilities().size(); i++) {
                for (int day = at + 1; day <= last; day++) {
                    assertThat(then.funding().most(i, day))
                            .as("the most of facility %s, day %s", i, day)
                            .isLessThanOrEqualTo(Math.max(0, base.funding().drawn(i, at)));
                }
            }
            boolean all = due.isPresent() && due.get().date().equals(tested);
            if (all) {
                for (int i = 0; i < then.funding().facilities().size(); i++) {
                    assertThat(then.funding().most(i, last)).isZero();
                }
            }
            synchronized (found) {
                found.merge(all ? Breach.DEBT_DUE : Breach.STOPS_DRAWING, 1, Integer::sum);
            }
        });
        assertThat(found.get(Breach.DEBT_DUE)).isGreaterThan(PLANS / 20);
        assertThat(found.get(Breach.STOPS_DRAWING)).isGreaterThan(PLANS / 20);
    }
}

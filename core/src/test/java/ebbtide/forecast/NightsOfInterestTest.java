package ebbtide.forecast;

import static ebbtide.forecast.OneLineCases.LONG_AGO;
import static ebbtide.forecast.OneLineCases.forecast;
import static ebbtide.forecast.OneLineCases.line;
import static ebbtide.forecast.OneLineCases.on;
import static ebbtide.forecast.OneLineCases.settings;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Percent;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Charging;
import ebbtide.plan.DayCount;
import ebbtide.plan.Direction;
import ebbtide.plan.Facility;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Interest counts every night once, whenever it is charged (rules 8.4). */
class NightsOfInterestTest {
    private static Line interest(Interest.Of of, String line, Charging.Often often) {
        return line(
                "interest", Direction.PAYMENT, new Interest(of, line, new Charging(DayCount.ACT_365F, often, false)));
    }

    private static Settings bank(LocalDate asOf, Steps<Percent> onCash, Facility overdraft) {
        Settings plain = settings(asOf, 1);
        return new Settings(
                "P",
                plain.currency(),
                asOf,
                plain.firstDayOfWeek(),
                plain.firstFiscalMonth(),
                1,
                plain.amountSteps(),
                Steps.none(),
                overdraft,
                plain.countedReceipts(),
                plain.countedPayments(),
                onCash,
                List.of(),
                List.of());
    }

    /**
     * The nights since the last charge count, whichever month they lie in: 31 December to 30 March, and 31 January to
     * 27 February.
     */
    @Test
    void interestOfTheBank_countsEveryNightSinceItsLastCharge() {
        Steps<Percent> one = Steps.from(LONG_AGO, Percent.parse("1"));
        Forecast cash = forecast(
                bank(LocalDate.of(2027, 3, 15), one, null),
                3_650_000,
                Map.of(),
                interest(Interest.Of.CASH, null, Charging.Often.QUARTER));
        assertThat(on(cash, "interest", "2027-03-31"))
                .as("90 nights of 36,500.00 at 1%")
                .isEqualTo(9_000);
        Forecast overdrawn = forecast(
                bank(
                        LocalDate.of(2027, 2, 15),
                        Steps.none(),
                        new Facility("Overdraft", Steps.from(LONG_AGO, 5_000_000L), one)),
                -3_650_000,
                Map.of(),
                interest(Interest.Of.OVERDRAFT, null, Charging.Often.MONTH));
        assertThat(on(overdrawn, "interest", "2027-02-28")).as("28 nights").isEqualTo(-2_800);
    }

    /** A fee of 10% on what is undrawn of the 36,500.00 that are available, for the night of D as for any other. */
    @Test
    void feeOnTheUndrawnPart_isOnWhatIsAvailable_theNightOfTheAsOfDateToo() {
        LocalDate asOf = LocalDate.of(2026, 12, 30);
        Line facility = line(
                "f",
                Direction.PAYMENT,
                new Revolving(
                        Steps.from(LONG_AGO, 36_500_000L),
                        true,
                        null,
                        null,
                        Steps.none(),
                        Steps.none(),
                        Steps.from(LONG_AGO, Percent.parse("10")),
                        1,
                        0,
                        Steps.none(),
                        Charging.MONTHLY,
                        new Revolving.Drawn(asOf, 0, 0),
                        new BorrowingBase(Percent.ZERO, Percent.ZERO, 0, 3_650_000)));
        Forecast forecast = forecast(
                settings(asOf, 1),
                10_000_000,
                Map.of(),
                facility,
                interest(Interest.Of.LINE, "f", Charging.Often.MONTH));
        assertThat(on(forecast, "interest", "2026-12-31")).isEqualTo(-1_000);
    }
}

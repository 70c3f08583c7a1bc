package ebbtide.statements;

import static ebbtide.statements.HandCompany.BOOKS;
import static ebbtide.statements.HandCompany.OPENING;
import static ebbtide.statements.HandCompany.forecast;
import static ebbtide.statements.HandCompany.in;
import static ebbtide.statements.HandCompany.line;
import static ebbtide.statements.HandCompany.openingWith;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.forecast.Forecaster;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Covenant;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Ratios of a small company, and a covenant on one, worked by hand (rules 9.2). */
class RatiosByHandTest {
    /**
     * 6,000 owed of 6,000 a month for January's 31 days; a boat of 50,000 that is paid for later is no day of supplies.
     */
    @Test
    void daysOfPayables_leaveAssetsOut() {
        Line boat = line(
                "boat",
                new CapitalSpending(
                        List.of(new CapitalSpending.Asset(
                                "Boat",
                                SalesTax.NONE,
                                List.of(new DatedAmount(LocalDate.of(2026, 1, 10), 5_000_000, "")),
                                60,
                                LocalDate.of(2026, 1, 10),
                                60,
                                0,
                                null,
                                null)),
                        Convention.NONE));
        for (Statements statements :
                List.of(Statements.of(forecast(OPENING)), Statements.of(forecast(OPENING, boat)))) {
            Ratios.Ratio payables = Ratios.of(statements, statements.months().all(Periods.MONTH)).stream()
                    .filter(one -> one.id().equals("days-of-payables"))
                    .findFirst()
                    .orElseThrow();
            assertThat(payables.values().get(0)).isEqualByComparingTo("20.7");
        }
    }

    @Test
    void ratios_ofAQuarter_byHand() {
        Statements statements = Statements.of(forecast(openingWith(
                new Entry("Shed", Kind.FIXED_ASSETS, 900_000, null, true),
                new Entry("Shed's owner", Kind.PAID_IN, 900_000, null, false))));
        List<Period> quarters = statements.months().all(Periods.QUARTER);
        List<Ratios.Ratio> ratios = Ratios.of(statements, quarters);
        assertThat(value(ratios, "gross-margin")).isEqualByComparingTo("40.0");
        assertThat(value(ratios, "days-of-sales"))
                .as("10,000 of 30,000, times 90")
                .isEqualByComparingTo("30.0");
        assertThat(value(ratios, "days-of-payables"))
                .as("6,000 of 18,000 and 3,000 of rent, times 90")
                .isEqualByComparingTo("25.7");
        assertThat(value(ratios, "cash-conversion-cycle")).isEqualByComparingTo("4.3");
        assertThat(value(ratios, "interest-cover"))
                .as("9,000 over 60 + 57.50 + 55")
                .isEqualByComparingTo("52.17");
        BigDecimal owed =
                BigDecimal.valueOf(in(statements, Statements.Kind.BALANCE, "current-liabilities", Periods.QUARTER, 1));
        BigDecimal current =
                BigDecimal.valueOf(in(statements, Statements.Kind.BALANCE, "assets", Periods.QUARTER, 1) - 900_000);
        assertThat(value(ratios, "current-ratio"))
                .isEqualByComparingTo(current.divide(owed, 2, java.math.RoundingMode.HALF_UP));
        BigDecimal threeFactors = value(ratios, "net-margin")
                .multiply(value(ratios, "asset-turnover"))
                .multiply(value(ratios, "equity-multiplier"));
        assertThat(value(ratios, "return-on-equity"))
                .isCloseTo(threeFactors, org.assertj.core.data.Percentage.withPercentage(1));
        assertThat(value(ratios, "burn")).as("cash grows").isNull();
        assertThat(value(Ratios.of(Statements.of(forecast(null)), quarters), "current-ratio"))
                .as("no opening")
                .isNull();
    }

    private static BigDecimal value(List<Ratios.Ratio> ratios, String id) {
        return ratios.stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow()
                .values()
                .get(0);
    }

    @Test
    void currentRatio_asACovenant_readsTheBalanceSheet_andIsNotKnownWithoutItsOpening() {
        Covenant covenant = new Covenant(
                "c", "Current ratio", Covenant.Ratio.CURRENT_RATIO, new BigDecimal("2"), Covenant.Every.MONTH);
        Plan plan = forecast(OPENING).plan();
        Plan agreed =
                new Plan(plan.settings().withCovenants(List.of(covenant), new TreeMap<>()), plan.lines(), List.of());
        Covenants.Tested january =
                Covenants.of(Forecaster.forecast(agreed, BOOKS)).get(0);
        assertThat(january.value())
                .as("20,440 + 10,000 + 1,966.66 over 6,000 + 6,000 + 726.67")
                .isEqualByComparingTo("2.55");
        assertThat(january.room()).isEqualTo(3_240_666 - 2 * 1_272_667);
        assertThat(Covenants.of(Forecaster.forecast(
                                new Plan(agreed.settings().withOpeningSheet(null), plan.lines(), List.of()), BOOKS))
                        .get(0)
                        .standing())
                .isEqualTo(Covenants.Standing.NOT_KNOWN);
    }
}

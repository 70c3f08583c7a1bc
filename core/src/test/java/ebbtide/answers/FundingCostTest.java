package ebbtide.answers;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Assumption;
import ebbtide.plan.Charging;
import ebbtide.plan.DayCount;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What offers cost in all, worked by hand. */
class FundingCostTest {
    private static final LocalDate D = LocalDate.of(2025, 12, 31);

    private static Line line(String id, boolean active, Assumption assumption) {
        return new Line(id, null, id, Direction.PAYMENT, active, null, "", assumption, List.of());
    }

    private static List<FundingCost> costs(Line... lines) {
        Settings usual = Settings.of("P", Money.currency("GBP"), D);
        Settings year = new Settings(
                "P",
                usual.currency(),
                D,
                usual.firstDayOfWeek(),
                usual.firstFiscalMonth(),
                12,
                usual.amountSteps(),
                usual.minimumCash(),
                null,
                usual.countedReceipts(),
                usual.countedPayments());
        return FundingCost.of(Forecaster.forecast(
                new Plan(year, Arrays.asList(lines), List.of()),
                Books.of(List.of(new Account("a", "A", "--", false, D, 10_000_000)))));
    }

    private static TermLoan bullet(long fee) {
        return new TermLoan(
                TermLoan.By.BULLET,
                new TermLoan.Balance(D, 10_000_000, 0),
                false,
                Steps.from(D, Percent.parse("5")),
                D.plusYears(1),
                1,
                12,
                0,
                null,
                Convention.NONE,
                List.of(),
                List.of(),
                true,
                fee);
    }

    /** 100,000 for a year of 365 days at 5%: 105,000 for 100,000; with a fee of 1,000, 105,000 for 99,000. */
    @Test
    void loan_withAFee_costsMoreThanItsRate() {
        List<FundingCost> costs = costs(line("plain", false, bullet(0)), line("fee", true, bullet(100_000)));
        assertThat(costs.get(0)).satisfies(one -> {
            assertThat(one.offer()).isTrue();
            assertThat(one.allIn()).isEqualTo(Percent.parse("5"));
            assertThat(one.total()).isEqualTo(500_000);
            assertThat(one.owed()).isEqualTo(10_000_000);
        });
        assertThat(costs.get(1).allIn()).isEqualTo(Percent.parse("6.0606"));
        assertThat(costs.get(1).total()).isEqualTo(600_000);
        assertThat(costs.get(1).offer()).isFalse();
    }

    private static Revolving facility(long limit, String margin, String fee) {
        return new Revolving(
                Steps.from(D, limit),
                true,
                null,
                null,
                Steps.from(D, Percent.parse("4")),
                Steps.from(D, Percent.parse(margin)),
                Steps.from(D, Percent.parse(fee)),
                1,
                0,
                Steps.none(),
                new Charging(DayCount.ACT_365F, Charging.Often.QUARTER, false),
                new Revolving.Drawn(D, 0, 0));
    }

    /**
     * 80,000 must be drawn all year: within 200,000 at 6% with 1% on the other 120,000, 4,800 + 1,200, which is 7.5%;
     * an offer of 50,000 at 5% carries only that.
     */
    @Test
    void facility_drawnAllYear_bearsItsFeeToo_andAnOfferIsReckonedOnTheSameDrawing() {
        Settings usual = Settings.of("P", Money.currency("GBP"), D);
        Settings year = new Settings(
                "P",
                usual.currency(),
                D,
                usual.firstDayOfWeek(),
                usual.firstFiscalMonth(),
                12,
                usual.amountSteps(),
                Steps.from(D, 18_000_000L),
                null,
                usual.countedReceipts(),
                usual.countedPayments());
        Plan plan = new Plan(
                year,
                List.of(
                        line("taken", true, facility(20_000_000, "2", "1")),
                        line("offer", false, facility(5_000_000, "1", "0"))),
                List.of());
        Forecast forecast =
                Forecaster.forecast(plan, Books.of(List.of(new Account("a", "A", "--", false, D, 10_000_000))));
        List<FundingCost> costs = FundingCost.of(forecast);
        int holiday = forecast.funding().drawn(forecast.asOfIndex() + 1) == 0 ? 1 : 0;
        assertThat(costs.get(0).owed()).isEqualTo(8_000_000L * (365 - holiday) / 365);
        assertThat(costs.get(0).total()).isBetween(597_000L, 600_000L);
        assertThat(costs.get(0).allIn().millionths()).isBetween(74_900L, 75_100L);
        assertThat(costs.get(1).allIn()).isEqualTo(Percent.parse("5"));
        assertThat(costs.get(1).owed()).isLessThanOrEqualTo(5_000_000);
    }
}

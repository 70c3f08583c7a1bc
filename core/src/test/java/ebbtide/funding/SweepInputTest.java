package ebbtide.funding;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.accounts.Accounts;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.flows.Flows;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Facility;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * What the sweep reads of a plan, each by itself (rules 8.1 to 8.4); weekends the only holidays. D is Tuesday 31 March
 * 2026.
 */
class SweepInputTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 31);
    private static final LocalDate LONG_AGO = LocalDate.of(2025, 1, 1);
    private static final Timeline DAYS =
            new Timeline(YearMonth.of(2026, 3), YearMonth.of(2026, 6), BusinessDays.ofCountry("--"));

    private static Line facility(String id, Revolving revolving) {
        return new Line(id, null, id, Direction.PAYMENT, true, null, "", revolving, List.of());
    }

    private static Revolving revolving(LocalDate end, int noticeDays, LocalDate drawnOn, long drawn) {
        return new Revolving(
                Steps.from(LONG_AGO, 100_000L),
                true,
                null,
                end,
                Steps.from(LONG_AGO, Percent.parse("3.65")),
                Steps.none(),
                Steps.none(),
                1,
                noticeDays,
                Steps.from(LONG_AGO, 20_000L),
                Charging.MONTHLY,
                new Revolving.Drawn(drawnOn, drawn, 0));
    }

    private static SweepInput input(FundingRules rules, List<DayAmount> onFacility, Line... lines) {
        Settings settings = Settings.of("P", Money.currency("GBP"), D);
        Settings with = new Settings(
                        "P",
                        settings.currency(),
                        D,
                        settings.firstDayOfWeek(),
                        settings.firstFiscalMonth(),
                        3,
                        settings.amountSteps(),
                        new Steps<>(List.of(
                                new Steps.Step<>(LONG_AGO, 10_000L),
                                new Steps.Step<>(LocalDate.of(2026, 4, 15), 15_000L))),
                        new Facility("Overdraft", Steps.from(LocalDate.of(2026, 4, 2), 5_000L), Steps.none()),
                        settings.countedReceipts(),
                        settings.countedPayments())
                .withFunding(rules);
        Books books = new Books(
                List.of(new Account("a", "A", "--", false, D, 0)),
                Map.of("f", onFacility),
                List.of(),
                List.of(),
                List.of(),
                Map.of());
        return new SweepInput(
                Flows.of(Accounts.of(new Plan(with, List.of(lines), List.of()), books), Optional.empty()),
                Optional.empty());
    }

    private static int day(String date) {
        return DAYS.index(LocalDate.parse(date));
    }

    @Test
    void minimumAndLimits_holdFromTheirDay_guaranteesAndTheEndTakenOff() {
        SweepInput input =
                input(FundingRules.USUAL, List.of(), facility("f", revolving(LocalDate.of(2026, 5, 1), 0, D, 0)));
        assertThat(List.of(input.minimum(day("2026-04-14")), input.minimum(day("2026-04-15"))))
                .containsExactly(10_000L, 15_000L);
        assertThat(List.of(input.overdraft(day("2026-04-01")), input.overdraft(day("2026-04-02"))))
                .containsExactly(0L, 5_000L);
        Line f = input.facilities().get(0);
        assertThat(List.of(input.limit(f).on(day("2026-04-30")), input.limit(f).on(day("2026-05-01"))))
                .containsExactly(80_000L, 0L);
    }

    /**
     * 9,100 paid on one day of the 91 that follow: ten days of the mean are 1,000; on that day and after it, nothing is
     * ahead.
     */
    @Test
    void minimumByDays_readsTheMeanOfPaymentsAhead() {
        Line costs = new Line(
                "costs",
                null,
                "Costs",
                Direction.PAYMENT,
                true,
                null,
                "",
                DatedItems.untaxed(
                        List.of(new DatedItem(LocalDate.of(2026, 4, 20), 9_100, Certainty.CERTAIN, "")),
                        Convention.NONE),
                List.of());
        FundingRules byDays =
                new FundingRules(FundingRules.Sweeps.DAY, 0, FundingRules.InterestBy.NIGHTS, BigDecimal.TEN);
        SweepInput input = input(byDays, List.of(), costs);
        assertThat(input.minimum(DAYS.index(D) - 1)).isEqualTo(1_000);
        assertThat(input.minimum(day("2026-04-20"))).isZero();
    }

    @Test
    void whatIsDrawn_isWhatWasSaidAndEveryMovementSince_andNoticeWaitsForItsBusinessDays() {
        SweepInput input = input(
                FundingRules.USUAL,
                List.of(
                        new DayAmount(D.minusDays(9), 500),
                        new DayAmount(D.minusDays(2), 3_000),
                        new DayAmount(D.plusDays(2), -1_000)),
                facility("f", revolving(null, 3, D.minusDays(5), 40_000)));
        assertThat(input.books().drawnOn(input.facilities().get(0), D)).isEqualTo(43_000);
        SweptFacility swept = input.of(DaySeries.NIL).facilities().get(0);
        assertThat(swept.drawn()).isEqualTo(43_000);
        assertThat(swept.moved().on(1)).as("booked on 2 April").isEqualTo(-1_000);
        assertThat(swept.firstDraw())
                .as("Friday 3 April, the third business day")
                .isEqualTo(2);
    }

    @Test
    void sweeps_areOnBusinessDays_orTheLastOfTheWeekOrMonth() {
        Line f = facility("f", revolving(null, 0, D, 0));
        for (FundingRules.Sweeps sweeps : FundingRules.Sweeps.values()) {
            boolean[] swept = input(new FundingRules(sweeps, 0, FundingRules.InterestBy.NIGHTS, null), List.of(), f)
                    .of(DaySeries.NIL)
                    .swept();
            List<Integer> of = java.util.stream.IntStream.range(0, 30)
                    .filter(i -> swept[i])
                    .mapToObj(i -> i + 1)
                    .toList();
            assertThat(of)
                    .as("days of April, %s", sweeps)
                    .startsWith(
                            switch (sweeps) {
                                case DAY -> new Integer[] {1, 2, 3, 6, 7};
                                case WEEK -> new Integer[] {3, 10, 17, 24};
                                case MONTH -> new Integer[] {30};
                            });
        }
    }

    /** Four nights of 40,000 at 3.65% lie in March: 16; nothing accrues where no line pays it. */
    @Test
    void interestUpToTheAsOfDate_isThatOfItsNights_whereALinePaysIt() {
        Line f = facility("f", revolving(null, 0, D.minusDays(3), 40_000));
        Line interest = new Line(
                "fi",
                null,
                "Interest",
                Direction.PAYMENT,
                true,
                null,
                "",
                new Interest(Interest.Of.LINE, "f", Charging.MONTHLY),
                List.of());
        Sweep.Input paid = input(FundingRules.USUAL, List.of(), f, interest).of(DaySeries.NIL);
        assertThat(paid.facilities().get(0).accrual().counted()).isTrue();
        Sweep.Result result = Sweep.of(paid);
        assertThat(result.interest().on(0, 29))
                .as("30 nights to 30 April, the night of D among them, on what is then drawn")
                .isPositive();
        assertThat(input(FundingRules.USUAL, List.of(), f)
                        .of(DaySeries.NIL)
                        .facilities()
                        .get(0)
                        .accrual()
                        .counted())
                .isFalse();
    }
}

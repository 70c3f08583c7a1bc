package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.answers.ChecklistItem;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.flows.Cell;
import ebbtide.money.Money;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Facility;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.RowWorkings;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Cash planned by date and netted with the bank (rules 5.2, 1.9), and what stands under it (rules 8.7). */
class PlannedCashTest {
    private static final LocalDate AS_OF = LocalDate.of(2026, 3, 10);

    private static Line line(Direction direction, Assumption assumption) {
        return new Line("x", null, "X", direction, true, null, "", assumption, List.of());
    }

    private static Assumption item(LocalDate date, long amount, Certainty certainty) {
        return DatedItems.untaxed(List.of(new DatedItem(date, amount, certainty, "")), Convention.PRECEDING);
    }

    private static Forecast forecast(Line line, DayAmount... movements) {
        return Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), AS_OF), List.of(line), List.of()),
                new Books(
                        List.of(new Account("a", "A", "GB", false, AS_OF, 1_000_000)),
                        Map.of("x", List.of(movements)),
                        List.of(),
                        List.of(),
                        List.of(),
                        Map.of("a", List.of(movements))));
    }

    private static Cell on(Forecast forecast, LocalDate day) {
        return forecast.cell(forecast.plan().lines().get(0), new Period(day, day.plusDays(1)));
    }

    @Test
    void expectation_partlyBooked_leavesTheRest() {
        Forecast forecast = forecast(
                line(Direction.PAYMENT, item(LocalDate.of(2026, 3, 20), 900_000, Certainty.CERTAIN)),
                new DayAmount(LocalDate.of(2026, 3, 6), -350_000));
        assertThat(on(forecast, LocalDate.of(2026, 3, 6)).settled()).isEqualTo(-350_000);
        assertThat(on(forecast, LocalDate.of(2026, 3, 20)).estimated()).isEqualTo(-550_000);
    }

    @Test
    void expectation_overpaid_leavesNothingAndSaysByHowMuch() {
        Line line = line(Direction.PAYMENT, item(LocalDate.of(2026, 3, 20), 900_000, Certainty.CERTAIN));
        Forecast forecast = forecast(line, new DayAmount(LocalDate.of(2026, 3, 6), -1_000_000));
        Period march = new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1));
        assertThat(forecast.cell(line, march).estimated()).isZero();
        assertThat(RowWorkings.of(forecast, line, march).overBy()).isEqualTo(100_000);
    }

    @Test
    void expectation_dayPassedUnpaid_standsOverdueOnTheNextBusinessDayUntilItsWindowEnds() {
        Forecast late = forecast(line(Direction.PAYMENT, item(LocalDate.of(2026, 3, 6), 900_000, Certainty.CERTAIN)));
        assertThat(on(late, LocalDate.of(2026, 3, 11)).estimated()).isEqualTo(-900_000);
        assertThat(on(late, LocalDate.of(2026, 3, 11)).overdue()).isTrue();
        Forecast past = forecast(line(Direction.PAYMENT, item(LocalDate.of(2026, 1, 9), 900_000, Certainty.CERTAIN)));
        assertThat(past.closing(past.lastDay())).isEqualTo(1_000_000);
    }

    @Test
    void recurring_thirtyFirst_fallsOnEveryMonthsLastDayByItsConvention() {
        Line rent = line(
                Direction.PAYMENT,
                Recurring.plain(
                        new Recurrence(Recurrence.Span.MONTH, 1, LocalDate.of(2026, 3, 31), null),
                        Steps.from(LocalDate.of(2026, 1, 1), 10_000L),
                        Convention.PRECEDING,
                        Certainty.CERTAIN));
        Forecast forecast = forecast(rent);
        assertThat(forecast.flows(rent).stream().limit(3).map(Forecast.DayFlow::day))
                .containsExactly(LocalDate.of(2026, 3, 31), LocalDate.of(2026, 4, 30), LocalDate.of(2026, 5, 29));
    }

    @Test
    void certainty_possibleReceipt_isLeftOutUnlessCounted() {
        Forecast forecast =
                forecast(line(Direction.RECEIPT, item(LocalDate.of(2026, 3, 20), 900_000, Certainty.POSSIBLE)));
        assertThat(forecast.closing(forecast.lastDay())).isEqualTo(1_000_000);
    }

    @Test
    void headroom_ofAPeriod_isThatOfItsWorstDayWithStepsInForceOnTheDay() {
        Settings settings = new Settings(
                "P",
                Money.currency("GBP"),
                AS_OF,
                DayOfWeek.MONDAY,
                Month.APRIL,
                2,
                AmountSteps.FIRST_DAY,
                new Steps<>(List.of(
                        new Steps.Step<>(AS_OF, 500_000L), new Steps.Step<>(LocalDate.of(2026, 4, 15), 800_000L))),
                new Facility("RCF", Steps.from(AS_OF, 100_000L)),
                Set.of(Certainty.values()),
                Set.of(Certainty.values()));
        Line dip = line(Direction.PAYMENT, item(LocalDate.of(2026, 3, 20), 700_000, Certainty.CERTAIN));
        Line back = new Line(
                "y",
                null,
                "Y",
                Direction.RECEIPT,
                true,
                null,
                "",
                item(LocalDate.of(2026, 3, 27), 900_000, Certainty.CERTAIN),
                List.of());
        Forecast forecast = Forecaster.forecast(
                new Plan(settings, List.of(dip, back), List.of()),
                Books.of(List.of(new Account("a", "A", "GB", false, AS_OF, 1_000_000))));
        Period march = new Period(LocalDate.of(2026, 3, 11), LocalDate.of(2026, 4, 1));
        assertThat(forecast.worstDay(march)).isEqualTo(LocalDate.of(2026, 3, 20));
        assertThat(forecast.lowWater().headroom()).isEqualTo(300_000 + 100_000 - 500_000);
        assertThat(forecast.peakNeed()).isEqualTo(200_000);
        assertThat(forecast.closing(LocalDate.of(2026, 4, 30))).isEqualTo(1_200_000);
    }

    @Test
    void thirteenWeeks_asOfInsideAWeek_restOfTheWeekIsAColumnOfItsOwn() {
        Forecast forecast = forecast(line(Direction.PAYMENT, item(LocalDate.of(2026, 3, 20), 1, Certainty.CERTAIN)));
        List<Period> weeks = forecast.periods(Periods.WEEK, AS_OF.plusDays(1), LocalDate.of(2026, 6, 14));
        assertThat(weeks.get(0)).isEqualTo(new Period(LocalDate.of(2026, 3, 11), LocalDate.of(2026, 3, 16)));
        assertThat(weeks).hasSize(14);
    }

    @Test
    void missing_streamWithLagsButNoHistory_isNamedWithItsLine() {
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), AS_OF), List.of(), List.of());
        assertThat(ChecklistItem.of(Forecaster.forecast(plan, Books.of(List.of()))))
                .extracting(ChecklistItem::sentence)
                .anyMatch(s -> s.startsWith("No bank account yet"))
                .anyMatch(s -> s.startsWith("No receipts are planned"));
    }
}

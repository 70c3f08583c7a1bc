package ebbtide.workings;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * What a figure of a line opens into, in words (rules 12): each cause that there is. D is 31 March 2026, weekends the
 * only holidays.
 */
class LineWorkingsTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 31);
    private static final Period APRIL = new Period(LocalDate.of(2026, 4, 1), LocalDate.of(2026, 5, 1));

    private static Workings workings(
            Assumption assumption, List<Line.CashOverride> overrides, Period period, DayAmount... movements) {
        Line line = new Line("l", null, "Line", Direction.PAYMENT, true, null, "", assumption, overrides);
        Books books = new Books(
                List.of(new Account("a", "A", "--", false, D, 0)),
                Map.of("l", List.of(movements)),
                List.of(),
                List.of(),
                List.of(),
                Map.of("a", List.of(movements)));
        Forecast forecast = Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), D), List.of(line), List.of()), books);
        Workings workings = new LineWorkings(forecast, forecast.plan().lines().get(0), period).workings();
        assertThat(workings.items().stream().mapToLong(Workings.Item::minor).sum())
                .as("the parts add up to the figure")
                .isEqualTo(forecast.cell(line, period).amount());
        return workings;
    }

    private static List<String> said(Workings workings) {
        return workings.items().stream()
                .map(item -> item.what() + " | " + item.because() + " | " + item.minor())
                .toList();
    }

    private static Assumption.Stream stream() {
        MonthPattern pattern = new MonthPattern(
                List.of(
                        new MonthPattern.Step(Percent.parse("40"), 0, Percent.ZERO),
                        new MonthPattern.Step(Percent.parse("60"), 1, Percent.parse("2"))),
                Percent.ZERO,
                null);
        return Assumption.Stream.of(
                new FixedAmount(Steps.from(LocalDate.of(2026, 1, 1), 100_000L)),
                new TreeMap<>(Map.of(java.time.YearMonth.of(2026, 3), 50_000L)),
                new TreeMap<>(),
                SalesTax.of(Percent.parse("20"), false),
                pattern,
                new Spread.Even());
    }

    @Test
    void stream_opensIntoItsSteps_withShareTaxLagAndDiscount_downToWhereTheMonthComesFrom() {
        assertThat(said(workings(stream(), List.of(), APRIL)))
                .containsExactlyInAnyOrder(
                        "60% of March 2026 500 plus 20% sales tax, 600 in all, 1 month later, less 2% discount, even over business days | actual of Mar 2026, from history | -35280",
                        "40% of April 2026 1,000 plus 20% sales tax, 1,200 in all, same month, even over business days | fixed amount 1,000 from Jan 2026 | -48000");
    }

    @Test
    void whatIsBookedOverriddenAndOverdue_isSaid() {
        DatedItems dated = DatedItems.untaxed(
                List.of(
                        new DatedItem(D.minusDays(5), 900, Certainty.CERTAIN, "Roof"),
                        new DatedItem(LocalDate.of(2026, 4, 18), 400, Certainty.CERTAIN, "Door")),
                Convention.PRECEDING);
        Workings workings = workings(dated, List.of(), APRIL, new DayAmount(D.minusDays(6), -300));
        assertThat(workings.items()).extracting(Workings.Item::minor).containsExactlyInAnyOrder(-600L, -400L);
        assertThat(said(workings).toString())
                .contains("Roof")
                .contains("overdue")
                .contains("3 of 9 already booked")
                .contains("Sat 18 Apr 2026");
        Workings overridden = workings(
                dated,
                List.of(new Line.CashOverride(APRIL, 5_000, "quoted anew")),
                APRIL,
                new DayAmount(LocalDate.of(2026, 4, 2), -1_000));
        assertThat(overridden.figure().amount()).isEqualTo(-5_000);
        assertThat(said(overridden).toString())
                .contains("Bank movements of Thu 2 Apr 2026 | booked after the as-of date | -1000")
                .contains("quoted anew");
    }
}

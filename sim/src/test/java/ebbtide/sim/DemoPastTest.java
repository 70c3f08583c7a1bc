package ebbtide.sim;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * The forecasts of the demo's past weeks: made anew from what was known by then, they are the same, and none knows what
 * came later.
 */
class DemoPastTest {
    private final List<Forecast> forecasts = DemoPast.forecasts();

    @Test
    void forecasts_ofTwentySixSundays_knowNothingOfLaterDays() {
        assertThat(forecasts).hasSize(26);
        LocalDate sunday = DemoPlan.AS_OF.minusWeeks(26);
        for (Forecast forecast : forecasts) {
            assertThat(forecast.plan().settings().asOf()).isEqualTo(sunday);
            assertThat(sunday.getDayOfWeek()).isEqualTo(DayOfWeek.SUNDAY);
            assertThat(PlanCheck.problems(forecast.plan())).isEmpty();
            LocalDate day = sunday;
            Books books = forecast.books();
            assertThat(books.byAccount().values()).allSatisfy(days -> assertThat(days)
                    .allMatch(one -> !one.day().isAfter(day)));
            assertThat(books.items().all())
                    .allMatch(item -> !item.issued().isAfter(day)
                            && (item.paidOn() == null || !item.paidOn().isAfter(day)));
            assertThat(books.cash(day))
                    .isEqualTo(DemoCompany.accounts().stream()
                            .mapToLong(account -> DemoCompany.balance(account.id(), day))
                            .sum());
            assertThat(forecast.closing(day)).isEqualTo(books.cash(day));
            sunday = sunday.plusWeeks(1);
        }
    }

    /**
     * What the bank booked and the ledger listed by a Sunday, cut from the world by another way, gives the same
     * figures.
     */
    @Test
    void forecast_madeAnewFromTheBooksOfItsDay_isTheSame() {
        for (Forecast forecast : forecasts) {
            LocalDate day = forecast.plan().settings().asOf();
            Plan plan = DemoPast.plan(day);
            List<OpenItem> items = DemoCompany.items(plan, day);
            List<String> ids = items.stream().map(OpenItem::id).toList();
            List<BankMovement> movements = DemoWorld.get().movements().stream()
                    .filter(one -> !one.bookingDate().isAfter(day))
                    .map(one -> one.withParts(one.parts().stream()
                            .map(part -> ids.contains(part.itemId())
                                    ? part
                                    : new BankMovement.AssignedPart(part.lineId(), part.minor()))
                            .toList()))
                    .toList();
            Books books = Books.of(forecast.books().accounts(), movements)
                    .with(ebbtide.books.OpenItems.of(items).settled(BankMovement.settled(movements)));
            Forecast again = Forecaster.forecast(plan, books);
            for (Line line : plan.lines()) {
                if (!line.isGroup()) {
                    assertThat(again.flows(line)).as(line.name() + " on " + day).isEqualTo(forecast.flows(line));
                }
            }
        }
    }

    /**
     * The plan of a past week was another than the books that came: a budget from the year before, not the history that
     * followed.
     */
    @Test
    void plan_ofAPastWeek_takesItsMonthsFromTheYearBefore() {
        Line line = DemoPast.plan(LocalDate.of(2025, 10, 5)).findLine("grocery").orElseThrow();
        ebbtide.plan.Assumption.Stream stream = (ebbtide.plan.Assumption.Stream) line.assumption();
        assertThat(stream.history().lastKey()).isEqualTo(java.time.YearMonth.of(2025, 9));
        ebbtide.plan.ActivityMethod.TypedMonths typed = (ebbtide.plan.ActivityMethod.TypedMonths) stream.method();
        assertThat(typed.amounts().get(java.time.YearMonth.of(2026, 1)))
                .isEqualTo(Math.round(stream.history().get(java.time.YearMonth.of(2025, 1)) * 1.03));
    }
}

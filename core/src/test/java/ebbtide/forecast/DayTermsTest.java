package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.accounts.PatternSchedule;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption;
import ebbtide.plan.DayTerms;
import ebbtide.plan.DayTerms.Due;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Terms by days (rules 3.3), weekends the only holidays. D is Wednesday 31 December 2025. */
class DayTermsTest {
    private static final LocalDate AS_OF = LocalDate.of(2025, 12, 31);
    private static final YearMonth JANUARY = YearMonth.of(2026, 1);
    private static final Books BOOKS = Books.of(List.of(new Account("a", "A", "--", false, AS_OF, 0)));

    @ParameterizedTest
    @CsvSource({
        "AFTER_ISSUE, 30, 2026-03-10, 2026-04-09",
        "AFTER_ISSUE, 0, 2026-03-10, 2026-03-10",
        "AFTER_MONTH_END, 30, 2026-03-10, 2026-04-30",
        "AFTER_MONTH_END, 0, 2026-02-01, 2026-02-28",
        "DAY_OF_NEXT_MONTH, 15, 2026-03-31, 2026-04-15",
        "DAY_OF_NEXT_MONTH, 31, 2026-01-05, 2026-02-28"
    })
    void dueDay_ofEachRule_isCountedFromItsDay(Due due, int days, LocalDate issued, LocalDate falls) {
        assertThat(new DayTerms(due, days, 0, Convention.NONE).dueDay(issued)).isEqualTo(falls);
    }

    @Test
    void terms_outOfRange_areRefused() {
        assertThatThrownBy(() -> new DayTerms(Due.DAY_OF_NEXT_MONTH, 0, 0, Convention.NONE))
                .hasMessage("day of the month after must be from 1 to 31, but was 0");
        assertThatThrownBy(() -> new DayTerms(Due.AFTER_ISSUE, 400, 0, Convention.NONE))
                .hasMessage("days until due must be from 0 to 365, but was 400");
        assertThatThrownBy(() -> new DayTerms(Due.AFTER_ISSUE, 4, 200, Convention.NONE))
                .hasMessage("days late must be from 0 to 180, but was 200");
    }

    /** History of 6,000 in November and 9,000 in December, then 12,000 a month from January, with 20% sales tax. */
    private static Line sales(DayTerms terms, Spread spread) {
        return new Line(
                "s",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                new Assumption.Stream(
                        new TypedMonths(new TreeMap<>(Map.of(JANUARY, 1_200_000L))),
                        List.of(),
                        new TreeMap<>(Map.of(YearMonth.of(2025, 11), 600_000L, YearMonth.of(2025, 12), 900_000L)),
                        new TreeMap<>(),
                        SalesTax.of(Percent.parse("20"), false),
                        Terms.byDays(terms),
                        null,
                        spread),
                List.of());
    }

    private static Forecast forecast(Line line) {
        return Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), AS_OF), List.of(line), List.of()), BOOKS);
    }

    private static long on(Forecast forecast, String day) {
        LocalDate date = LocalDate.parse(day);
        return forecast.cell(forecast.plan().lines().get(0), new Period(date, date.plusDays(1)))
                .amount();
    }

    @Test
    void billsOfOneDay_fallDueThenLateThenOnABusinessDay() {
        Spread tenth = new Spread.OnDays(List.of(new Spread.DayWeight(10, 1)));
        Forecast forecast = forecast(sales(new DayTerms(Due.AFTER_ISSUE, 30, 5, Convention.FOLLOWING), tenth));
        // 10 December + 30 + 5 days is Wednesday 14 January; November's was paid before the as-of date.
        assertThat(on(forecast, "2026-01-14")).isEqualTo(1_080_000);
        // 10 January is a Saturday, so issued on Monday the 12th; + 35 days is Monday 16 February.
        assertThat(on(forecast, "2026-02-16")).isEqualTo(1_440_000);
        assertThat(forecast.cell(
                                forecast.plan().lines().get(0), new Period(AS_OF.plusDays(1), LocalDate.of(2026, 2, 1)))
                        .amount())
                .as("nothing but December's in January")
                .isEqualTo(1_080_000);
        Workings workings = RowWorkings.of(
                forecast,
                forecast.plan().lines().get(0),
                new Period(LocalDate.of(2026, 2, 16), LocalDate.of(2026, 2, 17)));
        assertThat(workings.items()).singleElement().satisfies(item -> {
            assertThat(item.what())
                    .isEqualTo("Of January 2026 12,000 plus 20% sales tax, 14,400 in all, issued on day 10, "
                            + "due 30 days after issue, paid 5 days late");
            assertThat(item.minor()).isEqualTo(1_440_000);
        });
    }

    @Test
    void billsSpreadOverAMonth_ofMonthEndTerms_arePaidTogether() {
        Forecast end =
                forecast(sales(new DayTerms(Due.AFTER_MONTH_END, 30, 0, Convention.PRECEDING), new Spread.Even()));
        // 31 December + 30 days is Friday 30 January; 31 January + 30 days is Monday 2 March.
        assertThat(on(end, "2026-01-30")).isEqualTo(1_080_000);
        assertThat(on(end, "2026-03-02")).isEqualTo(1_440_000);
        Forecast nth =
                forecast(sales(new DayTerms(Due.DAY_OF_NEXT_MONTH, 15, 0, Convention.FOLLOWING), new Spread.Even()));
        // 15 February is a Sunday.
        assertThat(on(nth, "2026-01-15")).isEqualTo(1_080_000);
        assertThat(on(nth, "2026-02-16")).isEqualTo(1_440_000);
    }

    @Test
    void schedule_ofDays_saysWhatIsStillOwedAtEachMonthEnd() {
        Line line = sales(new DayTerms(Due.AFTER_MONTH_END, 30, 0, Convention.NONE), new Spread.Even());
        PatternSchedule schedule = PatternSchedule.of(forecast(line).accounts().stream(line), JANUARY, 4);
        assertThat(schedule.cash().list()).containsExactly(1_080_000L, 0L, 2_880_000L, 1_440_000L);
        assertThat(schedule.owed().list()).containsExactly(1_440_000L, 2_880_000L, 1_440_000L, 1_440_000L);
        assertThat(schedule.billed().get(0).payments())
                .containsExactly(new PatternSchedule.Payment(1, JANUARY, 1_080_000, 0, 1_080_000));
    }
}

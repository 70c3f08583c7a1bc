package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.PatternSchedule;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.PatternBilling;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.time.MonthSeries;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** The exact results that the rules must give, to the cent. */
class WorkedExamplesTest {
    private static final LocalDate NEW_YEARS_EVE = LocalDate.of(2025, 12, 31);
    private static final MonthPattern PATTERN = new MonthPattern(
            List.of(step("35", 0, "0"), step("45", 1, "2"), step("17", 2, "0")), Percent.parse("3"), null);

    private static MonthPattern.Step step(String share, int lag, String discount) {
        return new MonthPattern.Step(Percent.parse(share), lag, Percent.parse(discount));
    }

    private static Line sales(SalesTax tax, String... amounts) {
        SortedMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 0; i < amounts.length; i++) {
            months.put(YearMonth.of(2026, 1).plusMonths(i), Money.minor(amounts[i], Money.currency("GBP")));
        }
        months.put(YearMonth.of(2026, 1).plusMonths(amounts.length), 0L);
        Stream stream =
                Stream.of(new TypedMonths(months), new TreeMap<>(), new TreeMap<>(), tax, PATTERN, new Spread.Even());
        return new Line("sales", null, "Sales", Direction.RECEIPT, true, null, "", stream, List.of());
    }

    private static Plan plan(Line line) {
        return new Plan(Settings.of("Worked", Money.currency("GBP"), NEW_YEARS_EVE), List.of(line), List.of());
    }

    /** W1: cash, discounts, what is written off and what is owed, month by month. */
    @Test
    void patternByMonths_halfAYearOfSales_cashAndWhatIsOwedToTheCent() {
        Plan plan = plan(sales(SalesTax.NONE, "84000", "91500", "78250", "96400", "102300", "0"));
        PatternSchedule schedule = PatternSchedule.of(
                Accounts.of(plan, Books.of(List.of())).stream(plan.lines().get(0)), YearMonth.of(2026, 1), 7);
        assertThat(schedule.cash().list())
                .containsExactly(2_940_000L, 6_906_900L, 8_201_900L, 8_380_325L, 9_161_990L, 6_150_230L, 1_739_100L);
        assertThat(schedule.discounts().list()).containsExactly(0L, 75_600L, 82_350L, 70_425L, 86_760L, 92_070L, 0L);
        assertThat(schedule.writtenOff().list())
                .containsExactly(0L, 0L, 252_000L, 274_500L, 234_750L, 289_200L, 306_900L);
        assertThat(schedule.owed().list())
                .containsExactly(5_460_000L, 7_627_500L, 6_916_250L, 7_831_000L, 8_577_500L, 2_046_000L, 0L);

        Books books = Books.of(List.of(new Account("bank", "Bank", "GB", false, NEW_YEARS_EVE, 100_000_00L)));
        Forecast forecast = Forecaster.forecast(plan, books);
        List<Period> months = forecast.periods(Periods.MONTH, LocalDate.of(2026, 1, 1), LocalDate.of(2026, 7, 31));
        assertThat(months.stream()
                        .map(month -> forecast.cell(plan.lines().get(0), month).amount())
                        .toList())
                .isEqualTo(schedule.cash().list());
        assertThat(forecast.closing(LocalDate.of(2026, 7, 31))).isEqualTo(100_000_00L + 43_480_445L);
    }

    /** W15: cents and tax split by largest remainder, the discount's tax part. */
    @Test
    void patternWithTax_oneMonthWithPence_everyPartToTheCent() {
        int january = Timeline.monthNumber(YearMonth.of(2026, 1));
        MonthBilling billing = new MonthBilling(
                new PatternBilling(
                        SalesTax.of(Percent.parse("20"), false), PATTERN, MonthSeries.of(january, 8_400_037L)),
                january);
        assertThat(billing.tax()).isEqualTo(1_680_007L);
        assertThat(billing.gross()).isEqualTo(10_080_044L);
        assertThat(List.of(billing.grossOf(0), billing.grossOf(1), billing.grossOf(2), billing.writtenOff()))
                .containsExactly(3_528_015L, 4_536_020L, 1_713_608L, 302_401L);
        assertThat(billing.discount(1)).isEqualTo(90_720L);
        assertThat(billing.cash(1)).isEqualTo(4_445_300L);
        assertThat(billing.taxOfDiscount(1)).isEqualTo(15_120L);
        assertThat(billing.discount(1) - billing.taxOfDiscount(1)).isEqualTo(75_600L);
        assertThat(List.of(billing.taxOf(0), billing.taxOf(1), billing.taxOf(2), billing.taxOfWrittenOff()))
                .containsExactly(588_003L, 756_003L, 285_601L, 50_400L);

        Plan plan = plan(sales(SalesTax.of(Percent.parse("20"), false), "84000.37"));
        Forecast forecast = Forecaster.forecast(plan, Books.of(List.of()));
        assertThat(forecast.cell(plan.lines().get(0), new Period(LocalDate.of(2026, 2, 1), LocalDate.of(2026, 3, 1)))
                        .amount())
                .isEqualTo(4_445_300L);
    }

    @Test
    void workings_ofAPatternFigure_nameShareMonthDelayDiscountAndSpread() {
        Plan plan = plan(sales(SalesTax.of(Percent.parse("20"), false), "84000.37"));
        Forecast forecast = Forecaster.forecast(plan, Books.of(List.of()));
        Workings workings = RowWorkings.of(
                forecast, plan.lines().get(0), new Period(LocalDate.of(2026, 2, 1), LocalDate.of(2026, 3, 1)));
        assertThat(workings.items()).singleElement().satisfies(item -> {
            assertThat(item.what())
                    .isEqualTo("45% of January 2026 84,000.37 plus 20% sales tax, 100,800.44 in all, "
                            + "1 month later, less 2% discount, even over business days");
            assertThat(item.because()).isEqualTo("typed for Jan 2026");
            assertThat(item.minor()).isEqualTo(4_445_300L);
        });
    }
}

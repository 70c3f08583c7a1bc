package ebbtide.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.ActivityMethod.FeeOn;
import ebbtide.plan.ActivityMethod.LostAs;
import ebbtide.plan.ActivityMethod.Product;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.ActivityMethod.YearTotal;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Driver;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.ProductOf;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/**
 * The ways an amount is earned (rules 2.1), by figures worked out by hand. D is 28 February 2026; the year begins in
 * April.
 */
class MethodsTest {
    private static final YearMonth MARCH = YearMonth.of(2026, 3);
    private static final LocalDate FIRST = LocalDate.of(2026, 3, 1);
    private AmountSteps rule = AmountSteps.FIRST_DAY;

    private ActivityCalculator calculator(Line line) {
        Settings settings = new Settings(
                "P",
                Money.currency("GBP"),
                LocalDate.of(2026, 2, 28),
                DayOfWeek.MONDAY,
                Month.APRIL,
                36,
                rule,
                Steps.none(),
                null,
                Set.of(),
                Set.of());
        return new ActivityCalculator(new Plan(settings, List.of(line), List.of()));
    }

    private static Line line(ActivityMethod method) {
        return new Line(
                "x",
                null,
                "X",
                Direction.RECEIPT,
                true,
                null,
                "",
                Assumption.Stream.of(
                        method,
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        MonthPattern.atOnce(),
                        new Spread.Even()),
                List.of());
    }

    private List<Long> months(ActivityMethod method, int count) {
        Line line = line(method);
        ActivityCalculator calculator = calculator(line);
        return IntStream.range(0, count)
                .mapToObj(i -> calculator.planned(line).in(Timeline.monthNumber(MARCH) + i))
                .toList();
    }

    private String words(ActivityMethod method, YearMonth month) {
        Line line = line(method);
        return calculator(line).words(line, Timeline.monthNumber(month));
    }

    private static Driver driver(String value, String growth) {
        return new Driver(Steps.from(FIRST, new BigDecimal(value)), Percent.parse(growth), new TreeMap<>());
    }

    private static Driver none() {
        return new Driver(Steps.none(), Percent.ZERO, new TreeMap<>());
    }

    @Test
    void quantityTimesPrice_eachGrowing_isRoundedOnceAMonth() {
        Product crates = new Product(ProductOf.QUANTITY_PRICE, List.of(driver("120", "10"), driver("38.505", "1")));
        // 120 x 38.505 = 4,620.60; 132 x 38.89005 = 5,133.4866; 145.2 x 39.2789505 = 5,703.3036...
        assertThat(months(crates, 3)).containsExactly(462_060L, 513_349L, 570_330L);
        assertThat(words(crates, MARCH.plusMonths(1))).isEqualTo("quantity 132 \u00d7 price 38.8901");
    }

    @Test
    void hoursAndMarket_multiplyTheirFactors_aShareCountsAHundredth() {
        Product hours = new Product(ProductOf.HOURS_RATE, List.of(driver("162.5", "0"), driver("75", "0")));
        assertThat(months(hours, 1)).containsExactly(1_218_750L);
        Product market = new Product(
                ProductOf.MARKET,
                List.of(driver("4000", "0"), driver("2.5", "0"), driver("1.2", "0"), driver("310.10", "0")));
        // 4,000 x 2.5% = 100 customers x 1.2 orders x 310.10
        assertThat(months(market, 1)).containsExactly(3_721_200L);
        assertThat(words(market, MARCH))
                .isEqualTo(
                        "customers in the market 4,000 \u00d7 share in % 2.5 \u00d7 orders per customer 1.2 \u00d7 price 310.1");
        assertThatThrownBy(() -> new Product(ProductOf.MARKET, List.of(none(), none())))
                .hasMessage(
                        "a product of customers in the market, share in %, orders per customer, price has 4 factors, but had 2");
    }

    @Test
    void product_byDays_isTheMeanOfWhatEachDayComesTo() {
        Driver quantity = new Driver(
                new Steps<>(List.of(
                        new Steps.Step<>(FIRST, new BigDecimal("10")),
                        new Steps.Step<>(LocalDate.of(2026, 4, 11), new BigDecimal("20")))),
                Percent.ZERO,
                new TreeMap<>());
        Driver price = new Driver(
                new Steps<>(List.of(
                        new Steps.Step<>(FIRST, new BigDecimal("6")),
                        new Steps.Step<>(LocalDate.of(2026, 4, 21), new BigDecimal("9")))),
                Percent.ZERO,
                new TreeMap<>());
        Product product = new Product(ProductOf.QUANTITY_PRICE, List.of(quantity, price));
        assertThat(months(product, 3)).containsExactly(6_000L, 6_000L, 18_000L);
        rule = AmountSteps.BY_DAYS;
        // April: 10 days of 60, 10 of 120, 10 of 180, over 30.
        assertThat(months(product, 3)).containsExactly(6_000L, 12_000L, 18_000L);
    }

    @Test
    void customers_gainedAndLost_payByTheClosingOrTheMean() {
        RecurringCustomers number = new RecurringCustomers(
                MARCH,
                new BigDecimal("200"),
                driver("12", "0"),
                driver("4", "0"),
                LostAs.NUMBER,
                driver("9.99", "0"),
                FeeOn.CLOSING);
        // 208, 216, 224 customers
        assertThat(months(number, 3)).containsExactly(207_792L, 215_784L, 223_776L);
        RecurringCustomers percent = new RecurringCustomers(
                MARCH,
                new BigDecimal("200"),
                driver("12", "50"),
                driver("2.5", "0"),
                LostAs.PERCENT,
                driver("10", "0"),
                FeeOn.MEAN);
        // 200 + 12 - 5 = 207; + 18 - 5.175 = 219.825; + 27 - 5.495625 = 241.329375: means 203.5, 213.4125, 230.5771875
        assertThat(months(percent, 3)).containsExactly(203_500L, 213_413L, 230_577L);
        assertThat(words(percent, MARCH.plusMonths(1)))
                .isEqualTo("207 customers + 18 gained \u2212 5.175 lost = 219.825; "
                        + "fee 10 from the mean of opening and closing, 213.4125");
        RecurringCustomers leaving = new RecurringCustomers(
                MARCH, new BigDecimal("5"), none(), driver("3", "0"), LostAs.NUMBER, driver("10", "0"), FeeOn.CLOSING);
        assertThat(months(leaving, 3)).as("no more leave than there are").containsExactly(2_000L, 0L, 0L);
        assertThatThrownBy(() -> new RecurringCustomers(
                        MARCH, BigDecimal.TEN, none(), driver("101", "0"), LostAs.PERCENT, none(), FeeOn.CLOSING))
                .hasMessage("customers lost must be at most 100% of those there were, but was 101%");
    }

    @Test
    void yearTotal_splitByWeights_addsUpToTheYearAndGrowsBeyondTheLast() {
        List<Long> weights = List.of(1L, 1L, 1L, 1L, 1L, 1L, 1L, 1L, 2L, 2L, 0L, 2L);
        YearTotal year =
                new YearTotal(new TreeMap<>(Map.of(2025, 1_400L, 2026, 100_001L)), Percent.parse("3"), weights);
        List<Long> months = months(year, 36);
        assertThat(months.get(0)).as("March is the last of twelve").isEqualTo(200);
        // 100,001 / 14 = 7,142.93 and twice that 14,285.86: thirteen remainders of .93 and .86 are filled from the
        // largest
        assertThat(months.subList(1, 13))
                .containsExactly(
                        7_143L, 7_143L, 7_143L, 7_143L, 7_143L, 7_143L, 7_143L, 7_143L, 14_286L, 14_286L, 0L, 14_285L);
        assertThat(months.subList(1, 13).stream().mapToLong(Long::longValue).sum())
                .isEqualTo(100_001);
        assertThat(months.subList(13, 25).stream().mapToLong(Long::longValue).sum())
                .as("3% more, rounded once")
                .isEqualTo(103_001);
        assertThat(words(year, YearMonth.of(2027, 12)))
                .isEqualTo("2 of 14 parts of 1,030.01, the year from Apr 2027, grown from the last total");
        assertThatThrownBy(() -> new YearTotal(new TreeMap<>(), Percent.ZERO, List.of(1L)))
                .hasMessageContaining("twelve weights");
    }

    @Test
    void datedAmounts_addUpInTheirMonths() {
        ActivityMethod dated = new ActivityMethod.DatedAmounts(List.of(
                new DatedAmount(LocalDate.of(2026, 4, 30), 500, "fair"),
                new DatedAmount(LocalDate.of(2026, 4, 2), 70, ""),
                new DatedAmount(LocalDate.of(2026, 2, 2), 9, "before")));
        assertThat(months(dated, 3)).containsExactly(0L, 570L, 0L);
        assertThat(words(dated, YearMonth.of(2026, 4))).isEqualTo("0.70 on 2 Apr 2026; 5 on 30 Apr 2026, fair");
    }

    /** Products and customers against a calculation that is exact throughout, in fractions of any length. */
    @Test
    void products_anyDrivers_agreeWithTheExactProductRoundedOnce() {
        Random random = new Random(5);
        for (int run = 0; run < 400; run++) {
            List<Driver> factors = new ArrayList<>();
            List<BigDecimal> bases = new ArrayList<>();
            List<BigDecimal> growths = new ArrayList<>();
            for (int i = 0; i < 2; i++) {
                BigDecimal base = BigDecimal.valueOf(random.nextInt(50_000), random.nextInt(4));
                long growth = random.nextInt(3) == 0 ? 125_000 : random.nextInt(90_000) - 40_000;
                bases.add(base);
                growths.add(BigDecimal.valueOf(1_000_000 + growth, 6));
                factors.add(new Driver(Steps.from(FIRST, base), new Percent(growth), new TreeMap<>()));
            }
            List<Long> months = months(new Product(ProductOf.HOURS_RATE, factors), 14);
            for (int m = 0; m < 14; m++) {
                BigDecimal exact = bases.get(0)
                        .multiply(growths.get(0).pow(m))
                        .multiply(bases.get(1))
                        .multiply(growths.get(1).pow(m));
                assertThat(months.get(m))
                        .as("run %d month %d", run, m)
                        .isEqualTo(exact.movePointRight(2)
                                .setScale(0, RoundingMode.HALF_UP)
                                .longValueExact());
            }
        }
    }
}

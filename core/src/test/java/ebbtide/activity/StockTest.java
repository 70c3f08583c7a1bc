package ebbtide.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.StockPurchases;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.Direction;
import ebbtide.plan.Driver;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import ebbtide.plan.StockPolicy.Bought;
import ebbtide.plan.StockPolicy.BoughtBy;
import ebbtide.plan.StockPolicy.Cost;
import ebbtide.plan.StockPolicy.CostBy;
import ebbtide.plan.StockPolicy.Given;
import ebbtide.plan.StockPolicy.Opening;
import ebbtide.plan.StockPolicy.Target;
import ebbtide.plan.StockPolicy.TargetBy;
import ebbtide.plan.StockPolicy.TargetOf;
import ebbtide.plan.StockPolicy.Valuation;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Stock in money and units, any two of three given (rules 6), worked by hand. */
class StockTest {
    private static final YearMonth JANUARY = YearMonth.of(2026, 1);
    private static final LocalDate NEW_YEARS_EVE = LocalDate.of(2025, 12, 31);
    private static final Bought SIXTY_PERCENT =
            new Bought(BoughtBy.SHARE_OF_SALES, Percent.parse("60"), new TreeMap<>());
    private static final Bought NOTHING = new Bought(BoughtBy.AMOUNTS, Percent.ZERO, new TreeMap<>());

    private static Cost share(String percent) {
        return new Cost(
                CostBy.SHARE_OF_SALES, Percent.parse(percent), Driver.none(), Driver.none(), Valuation.MOVING_AVERAGE);
    }

    private static Target target(long base, String share, TargetOf of) {
        return new Target(TargetBy.BASE_AND_SHARE, base * 100, BigDecimal.valueOf(base), Percent.parse(share), of, 0);
    }

    private static Line line(
            String id, Direction direction, ActivityMethod method, Map<YearMonth, MonthOverride> overrides) {
        return new Line(
                id,
                null,
                id,
                direction,
                true,
                null,
                "",
                Stream.of(
                        method,
                        new TreeMap<>(),
                        new TreeMap<>(overrides),
                        SalesTax.NONE,
                        MonthPattern.atOnce(),
                        new Spread.Even()),
                List.of());
    }

    private static Line sales(Map<YearMonth, MonthOverride> overrides, long... amounts) {
        SortedMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 0; i < amounts.length; i++) {
            months.put(JANUARY.plusMonths(i), amounts[i] * 100);
        }
        return line("sales", Direction.RECEIPT, new TypedMonths(months), overrides);
    }

    private static Plan plan(Line sales, StockPolicy policy, Map<YearMonth, MonthOverride> overrides) {
        return new Plan(
                Settings.of("Stock", Money.currency("GBP"), NEW_YEARS_EVE),
                List.of(sales, line("stock", Direction.PAYMENT, new StockPurchases(policy), overrides)),
                List.of());
    }

    private static StockRoll.Month[] roll(Plan plan) {
        return new ActivityCalculator(plan).stock(plan.lines().get(1)).months();
    }

    private static StockRoll.Month[] roll(StockPolicy policy, long... amounts) {
        return roll(plan(sales(Map.of(), amounts), policy, Map.of()));
    }

    private static void assertRow(StockRoll.Month month, long opening, long purchases, long cost, long closing) {
        assertThat(List.of(month.opening(), month.purchases(), month.cost(), month.closing()))
                .as(month.month().toString())
                .containsExactly(opening * 100, purchases * 100, cost * 100, closing * 100);
    }

    /** W2: the same sales, each two of the three given. */
    @Test
    void threeWays_sameSales_theThirdFollows() {
        StockRoll.Month[] closing = roll(
                new StockPolicy(
                        "sales",
                        Given.CLOSING,
                        share("58"),
                        target(30_000, "40", TargetOf.COST),
                        NOTHING,
                        new Opening(6_248_000, BigDecimal.ZERO),
                        0),
                140_000,
                165_000,
                190_000,
                150_000);
        assertRow(closing[0], 62_480, 87_000, 81_200, 68_280);
        assertRow(closing[1], 68_280, 101_500, 95_700, 74_080);
        assertRow(closing[2], 74_080, 100_920, 110_200, 64_800);
        StockRoll.Month[] purchases = roll(
                new StockPolicy(
                        "sales",
                        Given.PURCHASES,
                        share("58"),
                        target(0, "0", TargetOf.COST),
                        SIXTY_PERCENT,
                        new Opening(6_248_000, BigDecimal.ZERO),
                        0),
                140_000,
                165_000,
                190_000,
                150_000);
        assertRow(purchases[0], 62_480, 84_000, 81_200, 65_280);
        assertRow(purchases[1], 65_280, 99_000, 95_700, 68_580);
        assertRow(purchases[2], 68_580, 114_000, 110_200, 72_380);
        StockRoll.Month[] both = roll(
                new StockPolicy(
                        "sales",
                        Given.BOTH,
                        share("0"),
                        target(30_000, "15", TargetOf.SALES),
                        SIXTY_PERCENT,
                        new Opening(5_800_000, BigDecimal.ZERO),
                        0),
                140_000,
                165_000,
                190_000,
                150_000);
        assertRow(both[0], 58_000, 84_000, 87_250, 54_750);
        assertRow(both[1], 54_750, 99_000, 95_250, 58_500);
        assertRow(both[2], 58_500, 114_000, 120_000, 52_500);
    }

    /** 45 days from the end of January: February's 28 whole, and 17 of March's 31. */
    @Test
    void daysOfCover_countForwardOverTheMonthsToCome() {
        Target days = new Target(TargetBy.DAYS_OF_COVER, 0, BigDecimal.ZERO, Percent.ZERO, TargetOf.COST, 45);
        Plan plan = plan(
                sales(Map.of(), 1_000, 2_800, 3_100, 3_000),
                new StockPolicy(
                        "sales", Given.CLOSING, share("100"), days, NOTHING, new Opening(100_000, BigDecimal.ZERO), 0),
                Map.of());
        StockRoll roll = new ActivityCalculator(plan).stock(plan.lines().get(1));
        StockRoll.Month[] months = roll.months();
        assertRow(months[0], 1_000, 4_500, 1_000, 4_500);
        assertThat(roll.tenthsOfDays(months, 0, months[0].closing())).isEqualTo(450);
        assertThat(roll.tenthsOfDays(months, months.length - 1, 1))
                .as("nothing is known of later months")
                .isNull();
    }

    /** 100 units at 10.00; 60 bought at 13.00, then 80 sold at the average of 11.125. */
    @Test
    void units_areWorthTheirMovingAverage_orTheStandard() {
        Driver sold = new Driver(Steps.from(NEW_YEARS_EVE, BigDecimal.valueOf(80)), Percent.ZERO, new TreeMap<>());
        Driver price = new Driver(Steps.from(NEW_YEARS_EVE, BigDecimal.valueOf(13)), Percent.ZERO, new TreeMap<>());
        for (Valuation valuation : Valuation.values()) {
            StockRoll.Month month = roll(
                    new StockPolicy(
                            "sales",
                            Given.CLOSING,
                            new Cost(CostBy.UNITS, Percent.ZERO, sold, price, valuation),
                            target(80, "0", TargetOf.COST),
                            NOTHING,
                            new Opening(100_000, BigDecimal.valueOf(100)),
                            0),
                    1)[0];
            assertThat(month.units().bought()).isEqualByComparingTo("60");
            assertThat(month.purchases()).isEqualTo(78_000);
            assertThat(month.cost()).isEqualTo(valuation == Valuation.MOVING_AVERAGE ? 89_000 : 74_000);
            assertThat(month.closing()).isEqualTo(valuation == Valuation.MOVING_AVERAGE ? 89_000 : 104_000);
        }
    }

    /**
     * Two months were ordered on sales of 10,000 each; 4,000 are sold in the first: 6,000 too much lies there until it
     * is used up.
     */
    @Test
    void salesThatFallShortOfWhatWasBoughtFor_tieUpTheSurplus() {
        StockPolicy policy = new StockPolicy(
                "sales",
                Given.CLOSING,
                share("100"),
                target(5_000, "0", TargetOf.COST),
                NOTHING,
                new Opening(500_000, BigDecimal.ZERO),
                2);
        StockRoll.Month[] months = roll(plan(
                sales(Map.of(JANUARY, new MonthOverride(400_000, "lost a customer")), 10_000, 10_000, 10_000),
                policy,
                Map.of()));
        assertRow(months[0], 5_000, 10_000, 4_000, 11_000);
        assertThat(months[0].surplus()).isEqualTo(600_000);
        assertRow(months[1], 11_000, 10_000, 10_000, 11_000);
        assertRow(months[2], 11_000, 4_000, 10_000, 5_000);
        assertThat(months[2].surplus()).isZero();
    }

    @Test
    void override_ofPurchases_isWhatLaterMonthsReckonWith() {
        StockPolicy policy = new StockPolicy(
                "sales",
                Given.CLOSING,
                share("100"),
                target(5_000, "0", TargetOf.COST),
                NOTHING,
                new Opening(500_000, BigDecimal.ZERO),
                0);
        Plan plan = plan(
                sales(Map.of(), 10_000, 10_000), policy, Map.of(JANUARY, new MonthOverride(2_500_000, "a bargain")));
        StockRoll.Month[] months = roll(plan);
        assertRow(months[0], 5_000, 25_000, 10_000, 20_000);
        assertThat(months[0].computed()).isEqualTo(1_000_000);
        assertRow(months[1], 20_000, 0, 10_000, 10_000);
        assertThat(months[1].surplus())
                .as("never below zero: there is more than asked for")
                .isEqualTo(500_000);
        ActivityCalculator activity = new ActivityCalculator(plan);
        assertThat(activity.planned(plan.lines().get(1)).computedIn(ebbtide.time.Timeline.monthNumber(JANUARY)))
                .isEqualTo(1_000_000);
        assertThat(activity.words(plan.lines().get(1), ebbtide.time.Timeline.monthNumber(JANUARY.plusMonths(1))))
                .isEqualTo(
                        "closing stock 5,000 + cost of sales 10,000 − opening 20,000; there is 5,000 more than asked for");
    }

    @Test
    void whatCannotBe_isRefusedOrReportedByMonth() {
        StockPolicy both = new StockPolicy(
                "sales",
                Given.BOTH,
                share("0"),
                target(30_000, "0", TargetOf.SALES),
                NOTHING,
                new Opening(100_000, BigDecimal.ZERO),
                0);
        assertThatThrownBy(() -> roll(both, 1_000))
                .hasMessage(
                        "Stock of Jan 2026 would have a cost of sales below zero: opening 1,000 and "
                                + "purchases 0 are less than the closing 30,000 that is asked for. Lower the closing, or buy more");
        Plan scarce = plan(
                sales(Map.of(), 1_000, 1_000),
                new StockPolicy(
                        "sales",
                        Given.PURCHASES,
                        share("100"),
                        target(0, "0", TargetOf.COST),
                        NOTHING,
                        new Opening(150_000, BigDecimal.ZERO),
                        0),
                Map.of());
        assertThat(roll(scarce)[1].closing()).isEqualTo(-50_000);
        assertThatThrownBy(() -> new StockPolicy(
                        "sales",
                        Given.BOTH,
                        new Cost(CostBy.UNITS, Percent.ZERO, Driver.none(), Driver.none(), Valuation.STANDARD),
                        target(0, "0", TargetOf.COST),
                        NOTHING,
                        new Opening(0, BigDecimal.ZERO),
                        0))
                .hasMessageStartingWith("cost of sales cannot be units at a cost when it follows");
        Plan circle = new Plan(
                Settings.of("P", Money.currency("GBP"), NEW_YEARS_EVE),
                List.of(
                        line(
                                "sales",
                                Direction.RECEIPT,
                                new ActivityMethod.ShareOfLine("stock", Percent.parse("10")),
                                Map.of()),
                        plan(sales(Map.of()), both, Map.of()).lines().get(1)),
                List.of());
        assertThat(PlanCheck.problems(circle))
                .extracting(PlanProblem::sentence)
                .first()
                .asString()
                .startsWith("Shares run in a circle: 'sales' of 'stock' of 'sales'");
    }

    /**
     * Whatever the policy: the three add up each month, derived purchases are never negative, and meet the target or
     * lie above it.
     */
    @Test
    void anyPolicy_addsUpAndMeetsItsTarget() {
        Random random = new Random(6);
        for (int run = 0; run < 500; run++) {
            long[] sold = random.longs(6, 0, 100_000).toArray();
            boolean units = random.nextBoolean();
            Cost cost = units
                    ? new Cost(
                            CostBy.UNITS,
                            Percent.ZERO,
                            new Driver(
                                    Steps.from(NEW_YEARS_EVE, BigDecimal.valueOf(random.nextInt(900), 1)),
                                    new Percent(random.nextInt(200_000) - 50_000),
                                    new TreeMap<>()),
                            new Driver(
                                    Steps.from(NEW_YEARS_EVE, BigDecimal.valueOf(1 + random.nextInt(9_000), 2)),
                                    Percent.ZERO,
                                    new TreeMap<>()),
                            Valuation.values()[random.nextInt(2)])
                    : share("" + random.nextInt(120));
            Given given = Given.values()[random.nextInt(2)];
            Target target = new Target(
                    TargetBy.values()[random.nextInt(2)],
                    random.nextInt(500_000),
                    BigDecimal.valueOf(random.nextInt(90)),
                    new Percent(random.nextInt(1_000_000)),
                    TargetOf.values()[random.nextInt(2)],
                    random.nextInt(100));
            StockRoll.Month before = null;
            for (StockRoll.Month month : roll(
                    new StockPolicy(
                            "sales",
                            given,
                            cost,
                            target,
                            SIXTY_PERCENT,
                            new Opening(random.nextInt(9_000_000), BigDecimal.valueOf(random.nextInt(200))),
                            random.nextInt(3)),
                    sold)) {
                assertThat(month.closing()).isEqualTo(month.opening() + month.purchases() - month.cost());
                assertThat(before == null || month.opening() == before.closing())
                        .isTrue();
                if (given == Given.CLOSING) {
                    assertThat(month.purchases()).isGreaterThanOrEqualTo(0);
                    assertThat(units
                                    || month.closing() == month.target()
                                    || month.purchases() == 0 && month.closing() > month.target())
                            .as("run %d, %s", run, month)
                            .isTrue();
                }
                before = month;
            }
        }
    }
}

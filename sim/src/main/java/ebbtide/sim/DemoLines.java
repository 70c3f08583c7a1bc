package ebbtide.sim;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Driver;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Nature;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** The lines of what Skerrywick Shellfish Ltd assumes, one after another as it keeps them. */
final class DemoLines {
    private static final YearMonth FIRST_HISTORY = YearMonth.of(2023, 3);
    private static final YearMonth FIRST_FORECAST = YearMonth.of(2026, 3);
    private static final SalesTax VAT = SalesTax.of(Percent.parse("20"), false);

    /** How a year's trade lies over its months, January first, in percent of the mean: winter is the season. */
    private static final int[] WINTER = {112, 96, 70, 84, 114, 110, 100, 98, 98, 100, 106, 118};

    private static final int[] SEEDING = {80, 130, 190, 154, 84, 64, 74, 80, 92, 84, 82, 82};

    private final List<Line> lines = new ArrayList<>();

    private DemoLines() {}

    /** Returns all lines but those of its funding. */
    static List<Line> all() {
        DemoLines made = new DemoLines();
        made.receipts();
        made.costsOfGoods();
        made.people();
        made.overheads();
        made.oneOffs();
        return made.lines;
    }

    private void receipts() {
        add("group-trade", null, "Trade sales", Direction.RECEIPT, new Assumption.Group());
        add(
                "restaurants",
                "group-trade",
                "Restaurants & hotels",
                Direction.RECEIPT,
                stream(
                        new ActivityMethod.TypedMonths(season(168_000, WINTER, FIRST_FORECAST, 12, 4)),
                        history(160_000, WINTER, 4),
                        VAT,
                        pattern("2", "15@0", "53@1-2", "24@2", "6@3"),
                        new Spread.Even()));
        add(
                "grocery",
                "group-trade",
                "Grocery chains",
                Direction.RECEIPT,
                stream(
                        new ActivityMethod.TypedMonths(season(282_000, WINTER, FIRST_FORECAST, 12, 3)),
                        history(274_000, WINTER, 3),
                        SalesTax.NONE,
                        pattern("0", "10@0", "65@1", "25@2"),
                        new Spread.ByWeek(List.of(1, 2, 1, 3, 2))));
        add(
                "export",
                "group-trade",
                "Export distributors",
                Direction.RECEIPT,
                stream(
                        new ActivityMethod.TypedMonths(season(84_000, WINTER, FIRST_FORECAST, 12, 6)),
                        history(78_000, WINTER, 6),
                        SalesTax.NONE,
                        pattern("1", "29@1", "45@2", "25@3"),
                        new Spread.OnDays(List.of(new Spread.DayWeight(10, 2), new Spread.DayWeight(25, 3)))));
        add(
                "shop",
                null,
                "Farm-gate shop",
                Direction.RECEIPT,
                stream(
                        new ActivityMethod.BaseWithGrowth(
                                Steps.from(FIRST_FORECAST.atDay(1), pounds(21_600)),
                                Percent.parse("0.8"),
                                new TreeMap<>()),
                        history(21_000, new int[] {80, 80, 90, 100, 110, 120, 130, 135, 105, 90, 80, 80}, 9),
                        SalesTax.of(Percent.parse("20"), true),
                        MonthPattern.atOnce(),
                        new Spread.Even()));
        add(
                "licences",
                null,
                "Licence fees",
                Direction.RECEIPT,
                stream(
                        new ActivityMethod.FixedAmount(new Steps<>(List.of(
                                new Steps.Step<>(LocalDate.of(2024, 9, 1), pounds(6_500)),
                                new Steps.Step<>(LocalDate.of(2026, 7, 1), pounds(7_200))))),
                        flat(6_500),
                        VAT,
                        pattern("0", "100@1"),
                        new Spread.OnDays(List.of(new Spread.DayWeight(15, 1)))));
        add(
                "grant",
                null,
                "Reef restoration grant",
                Direction.RECEIPT,
                items(
                        Convention.FOLLOWING,
                        new DatedItem(
                                LocalDate.of(2026, 6, 30),
                                pounds(60_000),
                                Certainty.POSSIBLE,
                                "second round, not promised")));
    }

    private void costsOfGoods() {
        add("group-goods", null, "Growing & packing", Direction.PAYMENT, new Assumption.Group());
        add(
                "seed",
                "group-goods",
                "Seed & gear",
                Direction.PAYMENT,
                stream(
                        new ActivityMethod.TypedMonths(season(148_000, SEEDING, FIRST_FORECAST, 12, 5)),
                        history(144_000, SEEDING, 5),
                        VAT,
                        pattern("0", "5@0", "95@1"),
                        new Spread.Even()));
        SortedMap<YearMonth, Long> bought = new TreeMap<>();
        history(274_000, WINTER, 3)
                .forEach(
                        (month, sold) -> bought.put(month, Percent.parse("15.5").of(sold)));
        add(
                "packaging",
                "group-goods",
                "Packaging & ice",
                Direction.PAYMENT,
                stream(
                        new ActivityMethod.StockPurchases(new StockPolicy(
                                "grocery",
                                StockPolicy.Given.CLOSING,
                                new StockPolicy.Cost(
                                        StockPolicy.CostBy.SHARE_OF_SALES,
                                        Percent.parse("15.5"),
                                        Driver.none(),
                                        Driver.none(),
                                        StockPolicy.Valuation.MOVING_AVERAGE),
                                new StockPolicy.Target(
                                        StockPolicy.TargetBy.DAYS_OF_COVER,
                                        0,
                                        BigDecimal.ZERO,
                                        Percent.ZERO,
                                        StockPolicy.TargetOf.COST,
                                        20),
                                new StockPolicy.Bought(StockPolicy.BoughtBy.AMOUNTS, Percent.ZERO, new TreeMap<>()),
                                new StockPolicy.Opening(pounds(21_000), BigDecimal.ZERO),
                                1)),
                        bought,
                        VAT,
                        pattern("0", "100@1"),
                        new Spread.OnDays(List.of(new Spread.DayWeight(12, 1), new Spread.DayWeight(26, 1)))));
        add(
                "diesel",
                "group-goods",
                "Diesel",
                Direction.PAYMENT,
                stream(
                        new ActivityMethod.BaseWithGrowth(
                                Steps.from(FIRST_FORECAST.atDay(1), pounds(17_800)),
                                Percent.parse("0.4"),
                                new TreeMap<>()),
                        history(17_200, WINTER, 2),
                        VAT,
                        pattern("0", "50@0", "50@1"),
                        new Spread.Even()));
    }

    private void people() {
        add("group-people", null, "People", Direction.PAYMENT, new Assumption.Group());
        add(
                "pay",
                "group-people",
                "Pay",
                Direction.PAYMENT,
                new Pay(
                        List.of(
                                role("Growers", 41, 27_600),
                                role("Packers", 38, 24_900),
                                role("Boat crew", 12, 38_400),
                                role("Office", 13, 44_200)),
                        new PayDays(PayDays.Often.FORTNIGHTLY, LocalDate.of(2025, 9, 5), 31, Convention.PRECEDING),
                        new Pay.PaidOver(1, 22, Convention.FOLLOWING, new TreeMap<>())));
    }

    /** A role with a rise of 2.5% in April. */
    private static Pay.Role role(String name, int posts, long annual) {
        return new Pay.Role(
                name,
                LocalDate.of(2024, 9, 1),
                null,
                Steps.from(LocalDate.of(2024, 9, 1), BigDecimal.valueOf(posts)),
                Pay.PaidBy.YEAR,
                new Steps<>(List.of(
                        new Steps.Step<>(LocalDate.of(2024, 9, 1), pounds(annual)),
                        new Steps.Step<>(LocalDate.of(2026, 4, 6), pounds(annual * 1025 / 1000)))),
                BigDecimal.valueOf(1_950),
                Percent.parse("8"),
                Percent.parse("17"),
                null,
                List.of());
    }

    private void overheads() {
        add("group-overheads", null, "Overheads", Direction.PAYMENT, new Assumption.Group());
        add(
                "rent",
                "group-overheads",
                "Rent of sheds & foreshore",
                Direction.PAYMENT,
                Recurring.plain(
                        new Recurrence(Recurrence.Span.MONTH, 3, LocalDate.of(2025, 9, 25), null),
                        Steps.from(LocalDate.of(2025, 1, 1), pounds(31_500)),
                        Convention.PRECEDING,
                        Certainty.CERTAIN));
        add("insurance", "group-overheads", "Insurance", Direction.PAYMENT, monthly(LocalDate.of(2025, 9, 3), 6_840));
        add(
                "marketing",
                "group-overheads",
                "Marketing",
                Direction.PAYMENT,
                stream(
                        new ActivityMethod.FixedAmount(Steps.from(LocalDate.of(2024, 9, 1), pounds(8_200))),
                        flat(8_200),
                        VAT,
                        pattern("0", "30@0", "70@1"),
                        new Spread.Even()));
        add(
                "repairs",
                "group-overheads",
                "Repairs",
                Direction.PAYMENT,
                stream(
                        new ActivityMethod.FixedAmount(Steps.from(LocalDate.of(2024, 9, 1), pounds(11_400))),
                        flat(11_400),
                        VAT,
                        pattern("0", "60@0", "40@1"),
                        new Spread.Even()));
        add(
                "vat",
                null,
                "VAT",
                Direction.PAYMENT,
                new SalesTaxSettlement(
                        3,
                        Month.JANUARY,
                        2,
                        7,
                        21,
                        Convention.FOLLOWING,
                        SalesTaxSettlement.TaxPoint.INVOICE,
                        true,
                        new TreeMap<>()));
    }

    private void oneOffs() {
        LocalDate autumn = LocalDate.of(2026, 9, 15);
        add(
                "assets",
                null,
                "Boats & sheds",
                Direction.PAYMENT,
                new CapitalSpending(
                        List.of(
                                new CapitalSpending.Asset(
                                        "Sheds & moorings",
                                        SalesTax.NONE,
                                        List.of(),
                                        0,
                                        LocalDate.of(2018, 5, 1),
                                        300,
                                        pounds(80_000),
                                        new CapitalSpending.Owned(
                                                pounds(960_000), pounds(305_000), 0, Percent.parse("4")),
                                        null),
                                new CapitalSpending.Asset(
                                        "Workboat engine",
                                        VAT,
                                        List.of(
                                                new ActivityMethod.DatedAmount(
                                                        autumn, pounds(14_000), "with the order"),
                                                new ActivityMethod.DatedAmount(
                                                        autumn.plusMonths(2), pounds(24_000), "fitted")),
                                        30,
                                        LocalDate.of(2026, 11, 20),
                                        96,
                                        pounds(2_000),
                                        null,
                                        null)),
                        Convention.FOLLOWING));
        add(
                "profit-tax",
                null,
                "Profit tax",
                Direction.PAYMENT,
                new ProfitTax(
                        ProfitTax.Mode.YEAR,
                        Percent.parse("25"),
                        new ProfitTax.YearSoFar(pounds(379_000), pounds(94_750), pounds(26_000), 0),
                        pounds(21_400),
                        0,
                        List.of(),
                        ProfitTax.InstalmentsOf.LAST_YEAR,
                        9,
                        31,
                        Convention.PRECEDING));
        add(
                "owners",
                null,
                "Dividends",
                Direction.PAYMENT,
                new Dividends(
                        Dividends.By.YEAR_PROFIT,
                        Steps.none(),
                        Percent.parse("30"),
                        Month.SEPTEMBER,
                        1,
                        15,
                        Convention.FOLLOWING,
                        pounds(64_200),
                        pounds(284_250),
                        pounds(410_000)));
        add(
                "boat-refit",
                null,
                "Boat refit",
                Direction.PAYMENT,
                items(
                        Convention.PRECEDING,
                        new DatedItem(
                                LocalDate.of(2026, 4, 30), pounds(86_000), Certainty.CERTAIN, "Slipway, first half"),
                        new DatedItem(
                                LocalDate.of(2026, 5, 20), pounds(64_000), Certainty.LIKELY, "Slipway, on launching")));
    }

    private void add(String id, @Nullable String group, String name, Direction direction, Assumption assumption) {
        String account = id.equals("shop") ? "shop-takings" : null;
        Nature nature =
                id.equals("seed") || id.equals("diesel") ? Nature.COST_OF_SALES : assumption.usualNature(direction);
        lines.add(new Line(id, group, name, direction, true, account, "", assumption, List.of(), nature));
    }

    private static Assumption stream(
            ActivityMethod method,
            SortedMap<YearMonth, Long> history,
            SalesTax tax,
            MonthPattern pattern,
            Spread spread) {
        return Assumption.Stream.of(method, history, new TreeMap<>(), tax, pattern, spread);
    }

    private static Assumption monthly(LocalDate first, long amount) {
        return Recurring.plain(
                new Recurrence(Recurrence.Span.MONTH, 1, first, null),
                Steps.from(LocalDate.of(2025, 1, 1), pounds(amount)),
                Convention.FOLLOWING,
                Certainty.CERTAIN);
    }

    private static Assumption items(Convention convention, DatedItem... items) {
        return DatedItems.untaxed(List.of(items), convention);
    }

    /** Reads steps such as "53@1-2": 53% one month later, less 2%. */
    private static MonthPattern pattern(String never, String... steps) {
        List<MonthPattern.Step> made = new ArrayList<>();
        for (String step : steps) {
            String[] parts = step.split("[@-]");
            made.add(new MonthPattern.Step(
                    Percent.parse(parts[0]),
                    Integer.parseInt(parts[1]),
                    Percent.parse(parts.length > 2 ? parts[2] : "0")));
        }
        return new MonthPattern(made, Percent.parse(never), null);
    }

    private static SortedMap<YearMonth, Long> history(long mean, int[] shape, int wobble) {
        return season(mean, shape, FIRST_HISTORY, 36, wobble);
    }

    private static SortedMap<YearMonth, Long> flat(long amount) {
        return season(
                amount, new int[] {100, 100, 100, 100, 100, 100, 100, 100, 100, 100, 100, 100}, FIRST_HISTORY, 36, 1);
    }

    /** A mean laid over months by a shape, a few percent up and down, in whole pounds. */
    private static SortedMap<YearMonth, Long> season(long mean, int[] shape, YearMonth first, int count, int wobble) {
        SortedMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 0; i < count; i++) {
            YearMonth month = first.plusMonths(i);
            long sway = 100
                    + Math.floorMod(month.getMonthValue() * 7L + month.getYear() * 5L + mean, 2L * wobble + 1)
                    - wobble;
            months.put(month, pounds(mean * shape[month.getMonthValue() - 1] * sway / 10_000));
        }
        return months;
    }

    /** Returns whole pounds in minor units. */
    static long pounds(long whole) {
        return whole * 100;
    }
}

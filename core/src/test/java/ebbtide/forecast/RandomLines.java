package ebbtide.forecast;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.DayTerms;
import ebbtide.plan.DaysTarget;
import ebbtide.plan.Direction;
import ebbtide.plan.Driver;
import ebbtide.plan.EarlyPayment;
import ebbtide.plan.Expensing;
import ebbtide.plan.Ledger;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Netting;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.plan.ProductOf;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.ProfitTax.MonthlyProfit;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Lines made at random, of every kind but those of funding. */
final class RandomLines {
    private final Random random;
    private final LocalDate asOf;
    private final List<Line> lines;

    /** Makes lines beside those that there are, which they may read. */
    RandomLines(Random random, LocalDate asOf, List<Line> lines) {
        this.random = random;
        this.asOf = asOf;
        this.lines = lines;
    }

    Line line(int i) {
        Direction direction = random.nextBoolean() ? Direction.RECEIPT : Direction.PAYMENT;
        List<String> groups = lines.stream()
                .filter(l -> l.isGroup() && l.direction() == direction)
                .map(Line::id)
                .toList();
        String group = groups.isEmpty() || random.nextBoolean() ? null : pick(groups);
        Assumption assumption = assumption();
        if (assumption instanceof Assumption.Stream stream
                && stream.terms().by() != Terms.By.TARGET
                && random.nextInt(3) == 0) {
            assumption = stream.on(Basis.BOOKS);
        }
        return new Line(
                        "l" + i,
                        group,
                        "Line " + i,
                        direction,
                        random.nextInt(8) > 0,
                        random.nextBoolean() ? null : "a0",
                        "",
                        assumption,
                        assumption instanceof Assumption.Group || random.nextBoolean()
                                ? List.of()
                                : List.of(new Line.CashOverride(somePeriod(), amount(), "seen in the contract")))
                .carrying(
                        assumption instanceof Assumption.Group || random.nextInt(3) > 0
                                ? List.of()
                                : List.of(new CarriedAmount(
                                        "c" + i,
                                        asOf.plusDays(random.nextInt(120) - 40),
                                        random.nextBoolean() ? 1 + amount() : -1 - amount(),
                                        "Left of a month that is closed")))
                .netting(netting());
    }

    private Netting netting() {
        return new Netting(
                pick(List.of(Netting.Left.values())),
                random.nextBoolean() ? null : new Netting.Window(random.nextInt(30), random.nextInt(61)),
                random.nextBoolean()
                        ? List.of()
                        : List.of(new Netting.Chosen(
                                asOf.minusDays(random.nextInt(30)), asOf.plusDays(random.nextInt(30)))));
    }

    private Assumption assumption() {
        return switch (random.nextInt(6)) {
            case 0 -> new Assumption.Group();
            case 1 ->
                new Recurring(
                        recurrence(),
                        steps(),
                        new Percent(random.nextInt(90_000)),
                        tax(),
                        random.nextInt(3) * 30,
                        pick(List.of(Convention.values())),
                        pick(List.of(Certainty.values())),
                        new Expensing(1 + random.nextInt(6), random.nextInt(5) - 2, random.nextInt(5) == 0));
            case 2 -> new DatedItems(items(), tax(), pick(List.of(Convention.values())));
            default ->
                new Assumption.Stream(
                        method(),
                        random.nextBoolean() ? List.of() : List.of(method()),
                        months(18, -18),
                        overrides(),
                        tax(),
                        terms(),
                        random.nextInt(3) > 0 ? null : new Ledger(amount(), random.nextBoolean()),
                        spread());
        };
    }

    private SalesTax tax() {
        return new SalesTax(
                new Percent(random.nextInt(300_000)), random.nextBoolean(), new Percent(random.nextInt(3) * 500_000));
    }

    Assumption capital() {
        List<CapitalSpending.Asset> assets = new ArrayList<>();
        for (int i = random.nextInt(3); i >= 0; i--) {
            long cost = amount();
            assets.add(new CapitalSpending.Asset(
                    "Asset " + i,
                    tax(),
                    items().stream()
                            .map(item -> new ActivityMethod.DatedAmount(item.date(), item.amount(), item.note()))
                            .toList(),
                    random.nextInt(60),
                    asOf.plusDays(random.nextInt(300) - 150L),
                    1 + random.nextInt(60),
                    0,
                    random.nextBoolean()
                            ? null
                            : new CapitalSpending.Owned(
                                    cost, cost / 3, random.nextBoolean() ? 0 : cost / 40, Percent.ZERO),
                    random.nextBoolean()
                            ? null
                            : new CapitalSpending.Disposal(asOf.plusDays(random.nextInt(400)), amount())));
        }
        return new CapitalSpending(assets, pick(List.of(Convention.values())));
    }

    Assumption profitTax() {
        ProfitTax.Mode mode = pick(List.of(ProfitTax.Mode.values()));
        Percent rate = new Percent(random.nextInt(400_000));
        return new ProfitTax(
                mode,
                rate,
                new ProfitTax.YearSoFar(amount() - 9_000_000L, amount(), random.nextBoolean() ? 0 : amount(), amount()),
                amount(),
                amount(),
                List.of(
                        new ProfitTax.Instalment(
                                1 + random.nextInt(12), 1 + random.nextInt(31), new Percent(random.nextInt(500_000))),
                        new ProfitTax.Instalment(
                                1 + random.nextInt(12), 1 + random.nextInt(31), new Percent(random.nextInt(500_000)))),
                pick(List.of(ProfitTax.InstalmentsOf.values())),
                random.nextInt(12),
                1 + random.nextInt(31),
                pick(List.of(Convention.values())),
                rate.millionths() % 3 == 0 ? MonthlyProfit.OPERATING : MonthlyProfit.BEFORE_TAX);
    }

    Assumption pay() {
        List<String> streams = lines.stream()
                .filter(l -> l.assumption() instanceof Assumption.Stream)
                .map(Line::id)
                .toList();
        List<Pay.Role> roles = new ArrayList<>();
        for (int i = random.nextInt(3); i >= 0; i--) {
            LocalDate start = asOf.plusDays(random.nextInt(300) - 200L);
            roles.add(new Pay.Role(
                    "Role " + i,
                    start,
                    random.nextBoolean() ? null : start.plusDays(random.nextInt(300)),
                    Steps.from(start, number(2).setScale(2, java.math.RoundingMode.DOWN)),
                    pick(List.of(Pay.PaidBy.values())),
                    steps(),
                    java.math.BigDecimal.valueOf(1_950),
                    new Percent(random.nextInt(300_000)),
                    new Percent(random.nextInt(400_000)),
                    streams.isEmpty() || random.nextBoolean()
                            ? null
                            : new Pay.Commission(
                                    pick(streams), new Percent(random.nextInt(200_000)), random.nextInt(4)),
                    items().stream()
                            .map(item -> new ActivityMethod.DatedAmount(item.date(), item.amount(), item.note()))
                            .toList()));
        }
        return new Pay(
                roles,
                new PayDays(
                        pick(List.of(PayDays.Often.values())),
                        asOf.plusMonths(random.nextInt(6) - 4L).withDayOfMonth(1 + random.nextInt(28)),
                        31,
                        pick(List.of(Convention.values()))),
                new Pay.PaidOver(
                        random.nextInt(3),
                        1 + random.nextInt(31),
                        pick(List.of(Convention.values())),
                        new TreeMap<>(Map.of(YearMonth.from(asOf), amount()))));
    }

    Assumption salesTax() {
        int length = pick(SalesTaxSettlement.LENGTHS);
        SalesTaxSettlement empty = new SalesTaxSettlement(
                length,
                pick(List.of(Month.values())),
                random.nextInt(4),
                1 + random.nextInt(31),
                random.nextInt(60),
                pick(List.of(Convention.values())),
                pick(List.of(SalesTaxSettlement.TaxPoint.values())),
                random.nextBoolean(),
                new TreeMap<>());
        YearMonth open = empty.lastMonthOf(YearMonth.from(asOf));
        TreeMap<YearMonth, Long> owed = new TreeMap<>(Map.of(open, amount() - 5_000_000L));
        owed.put(open.minusMonths((long) length * random.nextInt(3)), amount());
        return new SalesTaxSettlement(
                length,
                empty.firstMonth(),
                empty.monthsAfter(),
                empty.day(),
                empty.refundDays(),
                empty.convention(),
                empty.point(),
                empty.relief(),
                owed,
                empty.refundDays() % 3 == 0
                        ? List.of(new SalesTaxSettlement.OtherDay(open.getMonth(), empty.refundDays() % 12, 28))
                        : List.of());
    }

    private Recurrence recurrence() {
        LocalDate first = asOf.plusDays(random.nextInt(120) - 90L);
        return new Recurrence(
                pick(List.of(Recurrence.Span.values())),
                1 + random.nextInt(4),
                first,
                random.nextInt(4) == 0 ? first.plusDays(random.nextInt(300)) : null);
    }

    private List<DatedItem> items() {
        Map<LocalDate, DatedItem> items = new TreeMap<>();
        for (int i = random.nextInt(5); i >= 0; i--) {
            LocalDate day = asOf.plusDays(random.nextInt(400) - 60L);
            items.put(day, new DatedItem(day, amount(), pick(List.of(Certainty.values())), "item " + i));
        }
        return List.copyOf(items.values());
    }

    private ActivityMethod method() {
        List<String> streams = lines.stream()
                .filter(l -> l.assumption() instanceof Assumption.Stream)
                .map(Line::id)
                .toList();
        return switch (random.nextInt(streams.isEmpty() ? 7 : 9)) {
            case 0 -> new ActivityMethod.FixedAmount(steps());
            case 1 ->
                new ActivityMethod.BaseWithGrowth(
                        steps(),
                        new Percent(random.nextInt(100_000) - 30_000),
                        new TreeMap<>(
                                Map.of(YearMonth.from(asOf).plusMonths(2), new Percent(random.nextInt(100_000)))));
            case 2 -> new ActivityMethod.TypedMonths(months(1 + random.nextInt(14), 1));
            case 3 -> product();
            case 4 ->
                new ActivityMethod.RecurringCustomers(
                        YearMonth.from(asOf).plusMonths(random.nextInt(9) - 6L),
                        number(3),
                        driver(2),
                        driver(1),
                        pick(List.of(ActivityMethod.LostAs.values())),
                        driver(2),
                        pick(List.of(ActivityMethod.FeeOn.values())));
            case 5 ->
                new ActivityMethod.YearTotal(
                        new TreeMap<>(Map.of(asOf.getYear() - 1, amount(), asOf.getYear() + 1, amount())),
                        new Percent(random.nextInt(200_000) - 50_000),
                        random.longs(12, 0, 100).map(w -> w + 1).boxed().toList());
            case 6 ->
                new ActivityMethod.DatedAmounts(items().stream()
                        .map(item -> new ActivityMethod.DatedAmount(item.date(), item.amount(), item.note()))
                        .toList());
            case 7 -> stock(pick(streams));
            default -> new ActivityMethod.ShareOfLine(pick(streams), new Percent(random.nextInt(1_500_000)));
        };
    }

    private ActivityMethod stock(String sales) {
        StockPolicy.Cost cost = new StockPolicy.Cost(
                pick(List.of(StockPolicy.CostBy.values())),
                new Percent(random.nextInt(1_200_000)),
                driver(2),
                driver(2),
                pick(List.of(StockPolicy.Valuation.values())));
        StockPolicy.Target target = new StockPolicy.Target(
                pick(List.of(StockPolicy.TargetBy.values())),
                amount(),
                number(3),
                new Percent(random.nextInt(900_000)),
                pick(List.of(StockPolicy.TargetOf.values())),
                random.nextInt(120));
        StockPolicy.Bought bought = new StockPolicy.Bought(
                pick(List.of(StockPolicy.BoughtBy.values())),
                new Percent(random.nextInt(900_000)),
                months(random.nextInt(10), 1));
        return new ActivityMethod.StockPurchases(new StockPolicy(
                sales,
                random.nextBoolean() ? StockPolicy.Given.CLOSING : StockPolicy.Given.PURCHASES,
                cost,
                target,
                bought,
                new StockPolicy.Opening(amount(), number(3)),
                random.nextInt(3)));
    }

    private ActivityMethod product() {
        ProductOf of = pick(List.of(ProductOf.values()));
        List<Driver> factors = new ArrayList<>();
        of.factors().forEach(name -> factors.add(driver(2)));
        return new ActivityMethod.Product(of, factors);
    }

    private Driver driver(int digits) {
        List<Steps.Step<BigDecimal>> steps = new ArrayList<>();
        LocalDate day = asOf.minusDays(random.nextInt(200));
        for (int i = random.nextInt(3); i >= 0; i--) {
            steps.add(new Steps.Step<>(day, number(digits)));
            day = day.plusDays(1 + random.nextInt(200));
        }
        return new Driver(
                new Steps<>(steps),
                new Percent(random.nextInt(60_000) - 20_000),
                new TreeMap<>(Map.of(
                        YearMonth.from(asOf).plusMonths(random.nextInt(9)),
                        new Percent(random.nextInt(100_000) - 50_000))));
    }

    /** A number of at most so many digits before the point, with up to six decimals. */
    private BigDecimal number(int digits) {
        return BigDecimal.valueOf(random.nextLong((long) Math.pow(10, digits + 6)), 6)
                .setScale(random.nextInt(7), java.math.RoundingMode.DOWN);
    }

    private TreeMap<YearMonth, Long> months(int count, int from) {
        TreeMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 0; i < count; i++) {
            months.put(YearMonth.from(asOf.plusDays(1)).plusMonths(from + i), amount());
        }
        return months;
    }

    private TreeMap<YearMonth, Assumption.MonthOverride> overrides() {
        TreeMap<YearMonth, Assumption.MonthOverride> overrides = new TreeMap<>();
        if (random.nextBoolean()) {
            overrides.put(
                    YearMonth.from(asOf).plusMonths(1 + random.nextInt(6)),
                    new Assumption.MonthOverride(amount(), "new contract"));
        }
        return overrides;
    }

    Terms terms() {
        DayTerms.Due due = pick(List.of(DayTerms.Due.values()));
        DayTerms days = new DayTerms(
                due,
                due == DayTerms.Due.DAY_OF_NEXT_MONTH ? 1 + random.nextInt(31) : random.nextInt(130),
                random.nextInt(30),
                pick(List.of(Convention.values())),
                random.nextBoolean()
                        ? null
                        : new EarlyPayment(
                                new Percent(random.nextInt(60_000)), random.nextInt(20), random.nextBoolean()));
        List<Steps.Step<Integer>> targets = new ArrayList<>();
        steps().steps().forEach(step -> targets.add(new Steps.Step<>(step.from(), random.nextInt(120))));
        return new Terms(
                pick(List.of(Terms.By.values())),
                pattern(),
                days,
                new DaysTarget(new Steps<>(targets)),
                random.nextInt(4) == 0 ? "t1" : null);
    }

    private MonthPattern pattern() {
        List<MonthPattern.Step> steps = new ArrayList<>();
        long left = Percent.WHOLE;
        int count = 1 + random.nextInt(5);
        int lag = -random.nextInt(3);
        for (int i = 0; i < count; i++) {
            long share = i == count - 1 && random.nextBoolean() ? left : random.nextInt((int) left + 1);
            left -= share;
            steps.add(new MonthPattern.Step(new Percent(share), lag++, new Percent(random.nextInt(60_000))));
        }
        return new MonthPattern(steps, new Percent(left), random.nextBoolean() ? null : random.nextInt(9));
    }

    private Spread spread() {
        return switch (random.nextInt(4)) {
            case 0 -> new Spread.OnDays(List.of(new Spread.DayWeight(31, 1)));
            case 1 -> new Spread.OnDays(List.of(new Spread.DayWeight(5, 2), new Spread.DayWeight(20, 1)));
            case 2 -> new Spread.ByWeek(List.of(1, 0, 3, 2, 1 + random.nextInt(3)));
            default -> new Spread.Even();
        };
    }

    Steps<Long> steps() {
        List<Steps.Step<Long>> steps = new ArrayList<>();
        LocalDate day = asOf.minusDays(random.nextInt(200));
        for (int i = random.nextInt(3); i >= 0; i--) {
            steps.add(new Steps.Step<>(day, amount()));
            day = day.plusDays(1 + random.nextInt(200));
        }
        return new Steps<>(steps);
    }

    Period somePeriod() {
        LocalDate start = asOf.plusDays(random.nextInt(80) - 20L);
        return new Period(start, start.plusDays(1 + random.nextInt(40)));
    }

    long amount() {
        return random.nextInt(6) == 0 ? random.nextInt(100) : random.nextInt(40_000_000);
    }

    <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}

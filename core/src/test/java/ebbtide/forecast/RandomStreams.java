package ebbtide.forecast;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.DayTerms;
import ebbtide.plan.DaysTarget;
import ebbtide.plan.Driver;
import ebbtide.plan.EarlyPayment;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.ProductOf;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** What streams assume, made at random: how they are earned, paid and spread. */
final class RandomStreams extends RandomValues {
    private final List<Line> lines;

    /** Makes what streams assume beside lines that there are, which they may read. */
    RandomStreams(Random random, LocalDate asOf, List<Line> lines) {
        super(random, asOf);
        this.lines = lines;
    }

    ActivityMethod method() {
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

    TreeMap<YearMonth, Assumption.MonthOverride> overrides() {
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

    Spread spread() {
        return switch (random.nextInt(4)) {
            case 0 -> new Spread.OnDays(List.of(new Spread.DayWeight(31, 1)));
            case 1 -> new Spread.OnDays(List.of(new Spread.DayWeight(5, 2), new Spread.DayWeight(20, 1)));
            case 2 -> new Spread.ByWeek(List.of(1, 0, 3, 2, 1 + random.nextInt(3)));
            default -> new Spread.Even();
        };
    }
}

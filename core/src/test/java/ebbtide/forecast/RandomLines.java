package ebbtide.forecast;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Expensing;
import ebbtide.plan.Ledger;
import ebbtide.plan.Line;
import ebbtide.plan.Netting;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.ProfitTax.MonthlyProfit;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.plan.Wear;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Lines made at random, of every kind but those of funding. */
final class RandomLines extends RandomValues {
    private final List<Line> lines;
    private final RandomStreams streams;

    /** Makes lines beside those that there are, which they may read. */
    RandomLines(Random random, LocalDate asOf, List<Line> lines) {
        super(random, asOf);
        this.lines = lines;
        this.streams = new RandomStreams(random, asOf, lines);
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
                        streams.method(),
                        random.nextBoolean() ? List.of() : List.of(streams.method()),
                        months(18, -18),
                        streams.overrides(),
                        tax(),
                        streams.terms(),
                        random.nextInt(3) > 0 ? null : new Ledger(amount(), random.nextBoolean()),
                        streams.spread());
        };
    }

    private SalesTax tax() {
        return new SalesTax(
                new Percent(random.nextInt(300_000)), random.nextBoolean(), new Percent(random.nextInt(3) * 500_000));
    }

    /** The asset used up in one of all ways, by chance of its own: what else a seed makes is as it was. */
    private static CapitalSpending.Asset worn(CapitalSpending.Asset asset, Random own) {
        CapitalSpending.Owned owned = asset.owned();
        Wear wear =
                switch (own.nextInt(5)) {
                    case 0 -> Wear.EVENLY;
                    case 1 -> new Wear(Wear.By.COST, new Percent(1 + own.nextInt(600_000)));
                    case 2 -> new Wear(Wear.By.BOOK, new Percent(1 + own.nextInt(600_000)));
                    default -> null;
                };
        return new CapitalSpending.Asset(
                asset.name(),
                asset.tax(),
                asset.milestones(),
                asset.termsDays(),
                asset.service(),
                asset.lifeMonths(),
                owned == null || own.nextInt(3) > 0 ? 0 : own.nextLong(1 + owned.cost() / 2),
                wear,
                own.nextInt(3) == 0,
                owned == null || wear == null
                        ? owned
                        : new CapitalSpending.Owned(owned.cost(), owned.depreciated(), 0, Percent.ZERO),
                asset.disposal());
    }

    Assumption capital() {
        List<CapitalSpending.Asset> assets = new ArrayList<>();
        for (int i = random.nextInt(3); i >= 0; i--) {
            long cost = amount();
            assets.add(worn(
                    new CapitalSpending.Asset(
                            "Asset " + i,
                            tax(),
                            items().stream()
                                    .map(item ->
                                            new ActivityMethod.DatedAmount(item.date(), item.amount(), item.note()))
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
                                    : new CapitalSpending.Disposal(asOf.plusDays(random.nextInt(400)), amount())),
                    new Random(cost)));
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
}

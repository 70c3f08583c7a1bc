package ebbtide.forecast;

import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Buoy;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Facility;
import ebbtide.plan.Line;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.PaymentRuns;
import ebbtide.plan.Plan;
import ebbtide.plan.SaidHabit;
import ebbtide.plan.Settings;
import ebbtide.plan.SourceDocument;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.plan.Threshold;
import ebbtide.time.Convention;
import ebbtide.years.RandomYears;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.stream.LongStream;

/** Plans and books made at random from a seed, using every kind of assumption, for properties to hold on. */
public final class RandomPlans {
    private static final List<String> CURRENCIES = List.of("GBP", "EUR", "JPY", "KWD");

    private final Random random;

    private final LocalDate asOf;

    private final List<Line> lines = new ArrayList<>();
    private final RandomLines any;

    private RandomPlans(long seed) {
        this.random = new Random(seed);
        this.asOf = LocalDate.of(2024, 1, 1).plusDays(random.nextInt(1100));
        this.any = new RandomLines(random, asOf, lines);
    }

    /** A plan and its books. */
    public record Case(Plan plan, Books books) {}

    /** Something that holds for a plan and its books. */
    public interface Property {
        void holdFor(Case some, long seed);
    }

    /** Holds a property against so many plans, on all cores; the first seed for which it fails is named. */
    public static void each(int plans, Property property) {
        ConcurrentSkipListMap<Long, Throwable> failed = new ConcurrentSkipListMap<>();
        LongStream.range(0, plans).parallel().forEach(seed -> {
            try {
                property.holdFor(of(seed), seed);
            } catch (AssertionError | RuntimeException failure) {
                failed.put(seed, failure);
            }
        });
        if (!failed.isEmpty()) {
            throw new AssertionError(
                    "seed " + failed.firstKey() + " (of " + failed.size() + " that fail): "
                            + failed.firstEntry().getValue().getMessage(),
                    failed.firstEntry().getValue());
        }
    }

    /** Returns the plan and books of a seed. */
    public static Case of(long seed) {
        return new RandomPlans(seed).make();
    }

    private Case make() {
        RandomFunding funding = new RandomFunding(random, asOf);
        Set<Certainty> all = Set.of(Certainty.values());
        Settings settings = new Settings(
                "Random",
                Money.currency(any.pick(CURRENCIES)),
                asOf,
                any.pick(List.of(DayOfWeek.values())),
                any.pick(List.of(Month.values())),
                1 + random.nextInt(30),
                any.pick(List.of(AmountSteps.values())),
                any.steps(),
                random.nextBoolean()
                        ? null
                        : new Facility("Overdraft", any.steps(), Steps.from(asOf, new Percent(84_000))),
                random.nextBoolean() ? all : Set.of(Certainty.CERTAIN),
                all,
                Steps.from(asOf, new Percent(12_500)),
                List.of(new NamedTerms(
                        "t1",
                        "Shared",
                        new RandomStreams(random, asOf, lines).terms().sharedAs(null))),
                List.of(new SourceDocument("Pay roll", random.nextBoolean())));
        int count = 3 + random.nextInt(12);
        for (int i = 0; i < count; i++) {
            lines.add(any.line(i));
        }
        if (random.nextBoolean()) {
            lines.add(new Line("pay", null, "Pay", Direction.PAYMENT, true, null, "", any.pay(), List.of()));
        }
        if (random.nextBoolean()) {
            lines.add(new Line("assets", null, "Assets", Direction.PAYMENT, true, null, "", any.capital(), List.of()));
            lines.add(new Line(
                    "profit-tax",
                    null,
                    "Profit tax",
                    Direction.PAYMENT,
                    random.nextBoolean(),
                    null,
                    "",
                    any.profitTax(),
                    List.of()));
            lines.add(new Line(
                    "owners",
                    null,
                    "Owners",
                    Direction.PAYMENT,
                    true,
                    null,
                    "",
                    new Dividends(
                            any.pick(List.of(Dividends.By.values())),
                            any.steps(),
                            new Percent(random.nextInt(900_000)),
                            any.pick(List.of(Month.values())),
                            random.nextInt(3),
                            1 + random.nextInt(31),
                            any.pick(List.of(Convention.values())),
                            any.amount() - 9_000_000L,
                            any.amount() - 9_000_000L,
                            random.nextBoolean() ? null : any.amount()),
                    List.of()));
        }
        if (random.nextBoolean()) {
            lines.add(new Line("tax", null, "Sales tax", Direction.PAYMENT, true, null, "", any.salesTax(), List.of()));
        }
        if (random.nextBoolean()) {
            lines.addAll(funding.lines());
        }
        List<Buoy> buoys = List.of(new Buoy("b1", lines.get(0).id(), any.somePeriod(), "ask about it"));
        settings = settings.withPaymentRuns(
                        random.nextBoolean()
                                ? null
                                : new PaymentRuns(
                                        any.pick(List.of(PaymentRuns.When.values())),
                                        any.pick(List.of(DayOfWeek.values())),
                                        List.of(1 + random.nextInt(31)),
                                        random.nextInt(9),
                                        any.pick(List.of(PaymentRuns.Takes.values()))))
                .withHabits(
                        random.nextBoolean()
                                ? List.of()
                                : List.of(new SaidHabit(
                                        any.pick(List.of(Direction.values())),
                                        "Party " + random.nextInt(4),
                                        random.nextInt(60) - 10)))
                .withClosedAfter(random.nextBoolean() ? 0 : random.nextInt(40))
                .withFunding(funding.rules())
                .withCovenants(funding.covenants(), funding.pastMonths())
                .withOpeningSheet(random.nextInt(4) == 0 ? null : opening(settings))
                .withYears(random.nextBoolean() ? null : RandomYears.afterMonths(new Random(random.nextLong())))
                .withExplained(
                        random.nextBoolean()
                                ? null
                                : new Threshold(any.amount(), new Percent(random.nextInt(400_000))));
        return new Case(
                new Plan(
                        settings,
                        new Plan(settings, lines, buoys)
                                .lines().stream()
                                        .map(RandomPlans::withoutTargetOnBooks)
                                        .toList(),
                        buoys),
                new RandomBooks(random, asOf, lines).make());
    }

    /** An opening balance sheet of the right day, each entry cleared by some line, staying, or neither. */
    private OpeningSheet opening(Settings settings) {
        List<OpeningSheet.Entry> entries = new ArrayList<>();
        for (OpeningSheet.Kind kind : OpeningSheet.Kind.values()) {
            for (int i = random.nextInt(3); i > 0; i--) {
                String line = random.nextBoolean() || kind == OpeningSheet.Kind.CASH
                        ? null
                        : any.pick(lines).id();
                entries.add(new OpeningSheet.Entry(
                        kind + " " + i, kind, any.amount() - 500_000L, line, line == null && random.nextBoolean()));
            }
        }
        return new OpeningSheet(settings.openingDay(), entries);
    }

    private static Line withoutTargetOnBooks(Line line) {
        return line.assumption() instanceof Assumption.Stream stream
                        && stream.terms().by() == Terms.By.TARGET
                ? line.with(stream.on(Basis.PATTERN))
                : line;
    }
}

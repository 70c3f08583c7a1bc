package ebbtide.bench;

import ebbtide.answers.ItemTable;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.books.Settling;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The time that so many items cost, half of them open, of three counterparties a hundred on 100 lines on books. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(
        value = 2,
        jvmArgs = {"-Xmx512m"})
public class ItemsBench {
    private static final LocalDate AS_OF = LocalDate.of(2026, 3, 1);
    private static final int LINES = 100;
    private final Random random = new Random(100_000);
    private final Plan plan = plan();

    @Param({"10000", "100000", "200000"})
    private int count;

    private List<OpenItem> items;
    private Books books;
    private Forecast forecast;
    private @Nullable Settling index;
    private List<BankMovement> movements = List.of();

    @Setup
    public void make() {
        items = items();
        books = Books.of(List.of(new Account("a", "A", "GB", false, AS_OF, 100_000_000L)))
                .with(OpenItems.of(items));
        forecast = Forecaster.forecast(plan, books);
    }

    @Benchmark
    public Forecast forecastWithItems() {
        return Forecaster.forecast(plan, books);
    }

    @Benchmark
    public ItemTable receivables() {
        return ItemTable.of(forecast, Direction.RECEIPT);
    }

    /** Proposals for 5,000 movements. */
    @Benchmark
    public int proposals() {
        Settling settling = index;
        if (settling == null) {
            // An index of that size is in the way of those who do not ask for proposals.
            settling = new Settling(items, Map.of());
            index = settling;
            movements = movements();
        }
        int found = 0;
        for (BankMovement movement : movements) {
            found += settling.proposals(movement, 8).size();
        }
        return found;
    }

    private static Plan plan() {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < LINES; i++) {
            lines.add(new Line(
                    "l" + i,
                    null,
                    "Line " + i,
                    i % 2 == 0 ? Direction.RECEIPT : Direction.PAYMENT,
                    true,
                    null,
                    "",
                    new Assumption.Stream(
                            new ActivityMethod.FixedAmount(Steps.from(AS_OF, 900_000L + i)),
                            List.of(),
                            new TreeMap<>(),
                            new TreeMap<>(),
                            SalesTax.NONE,
                            Terms.byDays(new DayTerms(DayTerms.Due.AFTER_ISSUE, 30, 0, Convention.FOLLOWING)),
                            null,
                            new Spread.Even(),
                            Basis.BOOKS),
                    List.of()));
        }
        return new Plan(Settings.of("Items", Money.currency("GBP"), AS_OF), lines, List.of());
    }

    private List<OpenItem> items() {
        List<String> lines =
                IntStream.range(0, LINES).mapToObj(line -> "l" + line).toList();
        return LargePlan.items(count, lines, AS_OF, 5_000_000, random);
    }

    private List<BankMovement> movements() {
        List<BankMovement> made = new ArrayList<>();
        for (int i = 0; i < 5_000; i++) {
            OpenItem item = items.get(2 * random.nextInt(items.size() / 2));
            made.add(new BankMovement(
                    "a",
                    AS_OF,
                    AS_OF,
                    item.amount().open(),
                    i % 2 == 0 ? "INV " + item.number() : "PAYMENT",
                    item.counterparty(),
                    "",
                    List.of()));
        }
        return made;
    }
}

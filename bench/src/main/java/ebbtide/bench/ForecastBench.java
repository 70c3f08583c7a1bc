package ebbtide.bench;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Charging;
import ebbtide.plan.DayCount;
import ebbtide.plan.DayTerms;
import ebbtide.plan.DaysTarget;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Driver;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.plan.Plan;
import ebbtide.plan.ProductOf;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import ebbtide.plan.TermLoan;
import ebbtide.plan.Terms;
import ebbtide.sim.DemoCompany;
import ebbtide.statements.StatementTable;
import ebbtide.statements.Statements;
import ebbtide.time.Convention;
import ebbtide.time.Periods;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Full recomputation, nothing cached: the demo plan, and 500 lines over 72 months, daily. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(
        value = 2,
        jvmArgs = {"-Xmx256m"})
public class ForecastBench {
    private final PlanDocument demo = DemoCompany.document();
    private final Books demoBooks = demo.books();
    private final Plan large = large(false);
    private final Plan everyKind = large(true);
    private final Plan funded = funded(large);
    private final Books largeBooks =
            Books.of(List.of(new Account("a", "A", "GB", false, large.settings().asOf(), 100_000_000L)));

    private Forecast everyKindKnown = Forecaster.forecast(everyKind, largeBooks);
    private Forecast fundedKnown = Forecaster.forecast(funded, largeBooks);
    private long edits;

    @Benchmark
    public Forecast demoPlan() {
        return Forecaster.forecast(demo.plan(), demoBooks);
    }

    @Benchmark
    public Forecast largePlan() {
        return Forecaster.forecast(large, largeBooks);
    }

    @Benchmark
    public Forecast everyKindPlan() {
        return Forecaster.forecast(everyKind, largeBooks);
    }

    @Benchmark
    public Forecast fundedPlan() {
        return Forecaster.forecast(funded, largeBooks);
    }

    /** One typed amount changed of the plan with every kind: what does not read it is taken over. */
    @Benchmark
    public Forecast everyKindOneLineChanged() {
        everyKindKnown = Forecaster.forecast(changed(everyKind), largeBooks, everyKindKnown);
        return everyKindKnown;
    }

    /** The same of the plan with facilities, loans and their interest. */
    @Benchmark
    public Forecast fundedOneLineChanged() {
        fundedKnown = Forecaster.forecast(changed(funded), largeBooks, fundedKnown);
        return fundedKnown;
    }

    /** The plan with another override in the month after next of its first stream. */
    private Plan changed(Plan plan) {
        List<Line> lines = new ArrayList<>(plan.lines());
        int at = 0;
        while (!(lines.get(at).assumption() instanceof Assumption.Stream)) {
            at++;
        }
        Assumption.Stream stream = (Assumption.Stream) lines.get(at).assumption();
        TreeMap<YearMonth, Assumption.MonthOverride> overrides = new TreeMap<>(stream.overrides());
        overrides.put(
                plan.settings().firstForecastMonth().plusMonths(2),
                new Assumption.MonthOverride(1_000_000L + edits++, "measured"));
        lines.set(
                at,
                lines.get(at)
                        .with(new Assumption.Stream(
                                stream.method(),
                                stream.aside(),
                                stream.history(),
                                overrides,
                                stream.tax(),
                                stream.terms(),
                                stream.ledger(),
                                stream.spread(),
                                stream.basis())));
        return new Plan(plan.settings(), lines, plan.buoys());
    }

    /**
     * The same with its statements: every row of income statement, balance sheet and both cash flows over 72 months.
     */
    @Benchmark
    public List<StatementTable> fundedStatements() {
        Statements statements = Statements.of(Forecaster.forecast(funded, largeBooks));
        return Arrays.stream(Statements.Kind.values())
                .map(kind -> statements.table(kind, statements.months().all(Periods.MONTH), true))
                .toList();
    }

    /** The large plan with three facilities swept each day and five loans, their interest beside them. */
    static Plan funded(Plan plan) {
        LocalDate asOf = plan.settings().asOf();
        List<Line> lines = new ArrayList<>(plan.lines());
        for (int i = 0; i < 3; i++) {
            lines.add(payment(
                    "f" + i,
                    new Revolving(
                            Steps.from(asOf, 40_000_000_000L),
                            true,
                            null,
                            null,
                            Steps.from(asOf, Percent.parse("4.5")),
                            Steps.from(asOf, Percent.parse("2")),
                            Steps.from(asOf, Percent.parse("0.5")),
                            2_500_000,
                            0,
                            Steps.none(),
                            Charging.MONTHLY,
                            new Revolving.Drawn(asOf, 0, 0))));
            lines.add(payment("fi" + i, new Interest(Interest.Of.LINE, "f" + i, Charging.MONTHLY)));
        }
        for (int i = 0; i < 5; i++) {
            lines.add(payment(
                    "loan" + i,
                    new TermLoan(
                            TermLoan.By.EQUAL_INSTALMENTS,
                            new TermLoan.Balance(asOf.plusDays(1 + i), 900_000_000, 0),
                            false,
                            Steps.from(asOf, Percent.parse("6.6")),
                            asOf.plusMonths(1).plusDays(2 + i),
                            60,
                            1,
                            0,
                            DayCount.ACT_365F,
                            Convention.FOLLOWING,
                            List.of(),
                            List.of(),
                            true,
                            0)));
            lines.add(payment("li" + i, new Interest(Interest.Of.LINE, "loan" + i, Charging.MONTHLY)));
        }
        return new Plan(plan.settings(), lines, List.of());
    }

    /**
     * 500 streams with 12 months of history that grow and are paid by a five-step pattern, or of every kind by turns.
     */
    static Plan large(boolean everyKind) {
        LocalDate asOf = LocalDate.of(2026, 3, 1);
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < 500; i++) {
            TreeMap<YearMonth, Long> history = new TreeMap<>();
            for (int month = 1; month <= 12; month++) {
                history.put(YearMonth.of(2026, 3).minusMonths(month), 1_000_000L + i * 977L + month * 31L);
            }
            List<MonthPattern.Step> steps = new ArrayList<>();
            for (int lag = 0; lag < 5; lag++) {
                steps.add(new MonthPattern.Step(
                        Percent.parse(List.of("15", "40", "25", "12", "6").get(lag)),
                        lag,
                        Percent.parse(lag == 1 ? "2" : "0")));
            }
            MonthPattern pattern = new MonthPattern(steps, Percent.parse("2"), null);
            Terms terms = everyKind && i % 3 == 0
                    ? Terms.byDays(new DayTerms(DayTerms.Due.values()[i % 9 / 3], 30, 4, Convention.FOLLOWING))
                    : everyKind && i % 10 == 1
                            ? Terms.byTarget(new DaysTarget(Steps.from(asOf.minusYears(1), 45)))
                            : Terms.byMonths(pattern);
            Assumption stream = new Assumption.Stream(
                    method(everyKind ? i : 0, i, asOf),
                    List.of(),
                    history,
                    new TreeMap<>(),
                    SalesTax.of(Percent.parse("20"), false),
                    terms,
                    null,
                    new Spread.Even());
            lines.add(new Line(
                    "l" + i,
                    null,
                    "Line " + i,
                    i % 2 == 0 ? Direction.RECEIPT : Direction.PAYMENT,
                    true,
                    null,
                    "",
                    stream,
                    List.of()));
        }
        if (everyKind) {
            lines.addAll(settled(asOf));
        }
        Settings settings = new Settings(
                "Large",
                Money.currency("GBP"),
                asOf,
                DayOfWeek.MONDAY,
                Month.JANUARY,
                72,
                AmountSteps.FIRST_DAY,
                Steps.from(asOf, 50_000_000L),
                null,
                Set.of(),
                Set.of());
        return new Plan(settings, lines, List.of());
    }

    /**
     * A line of each kind that is settled by rules: forty roles, thirty assets, sales tax of every line, tax on their
     * profit, dividends.
     */
    private static List<Line> settled(LocalDate asOf) {
        LocalDate first = LocalDate.of(2025, 1, 1);
        List<Pay.Role> roles = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            roles.add(new Pay.Role(
                    "Role " + i,
                    first,
                    null,
                    Steps.from(first, BigDecimal.valueOf(2 + i)),
                    Pay.PaidBy.YEAR,
                    Steps.from(first, 3_000_000L + i),
                    BigDecimal.valueOf(1_950),
                    Percent.parse("12"),
                    Percent.parse("25"),
                    null,
                    List.of()));
        }
        List<CapitalSpending.Asset> assets = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            assets.add(new CapitalSpending.Asset(
                    "Asset " + i,
                    SalesTax.of(Percent.parse("20"), false),
                    List.of(new ActivityMethod.DatedAmount(asOf.plusMonths(1 + i), 5_000_000L + i, "")),
                    30,
                    asOf.plusMonths(2 + i),
                    60,
                    100_000L,
                    null,
                    null));
        }
        return List.of(
                payment(
                        "pay",
                        new Pay(
                                roles,
                                new PayDays(PayDays.Often.FORTNIGHTLY, first, 31, Convention.PRECEDING),
                                new Pay.PaidOver(1, 22, Convention.FOLLOWING, new TreeMap<>()))),
                payment("assets", new CapitalSpending(assets, Convention.FOLLOWING)),
                payment(
                        "sales-tax",
                        new SalesTaxSettlement(
                                3,
                                Month.JANUARY,
                                1,
                                31,
                                20,
                                Convention.FOLLOWING,
                                SalesTaxSettlement.TaxPoint.INVOICE,
                                true,
                                new TreeMap<>())),
                payment(
                        "profit-tax",
                        new ProfitTax(
                                ProfitTax.Mode.YEAR,
                                Percent.parse("25"),
                                ProfitTax.YearSoFar.NOTHING,
                                900_000,
                                0,
                                List.of(new ProfitTax.Instalment(7, 31, Percent.parse("50"))),
                                ProfitTax.InstalmentsOf.LAST_YEAR,
                                9,
                                31,
                                Convention.FOLLOWING)),
                payment(
                        "owners",
                        new Dividends(
                                Dividends.By.YEAR_PROFIT,
                                Steps.none(),
                                Percent.parse("40"),
                                Month.JUNE,
                                0,
                                31,
                                Convention.FOLLOWING,
                                0,
                                0,
                                null)));
    }

    private static Line payment(String id, Assumption assumption) {
        return new Line(id, null, id, Direction.PAYMENT, true, null, "", assumption, List.of());
    }

    private static ActivityMethod stock(int i) {
        return new ActivityMethod.StockPurchases(new StockPolicy(
                "l" + (i - 8),
                StockPolicy.Given.CLOSING,
                new StockPolicy.Cost(
                        StockPolicy.CostBy.SHARE_OF_SALES,
                        Percent.parse("58"),
                        Driver.none(),
                        Driver.none(),
                        StockPolicy.Valuation.MOVING_AVERAGE),
                new StockPolicy.Target(
                        StockPolicy.TargetBy.DAYS_OF_COVER,
                        0,
                        BigDecimal.ZERO,
                        Percent.ZERO,
                        StockPolicy.TargetOf.COST,
                        45),
                new StockPolicy.Bought(StockPolicy.BoughtBy.AMOUNTS, Percent.ZERO, new TreeMap<>()),
                new StockPolicy.Opening(900_000, BigDecimal.ZERO),
                2));
    }

    private static ActivityMethod method(int kind, int i, LocalDate asOf) {
        return switch (kind % 9) {
            case 1 ->
                new ActivityMethod.Product(ProductOf.QUANTITY_PRICE, List.of(driver(asOf, 120 + i), driver(asOf, 38)));
            case 2 ->
                new ActivityMethod.Product(
                        ProductOf.MARKET,
                        List.of(driver(asOf, 4_000), driver(asOf, 3), driver(asOf, 2), driver(asOf, 310 + i)));
            case 3 ->
                new ActivityMethod.RecurringCustomers(
                        YearMonth.from(asOf),
                        BigDecimal.valueOf(200 + i),
                        driver(asOf, 12),
                        driver(asOf, 3),
                        ActivityMethod.LostAs.PERCENT,
                        driver(asOf, 25),
                        ActivityMethod.FeeOn.MEAN);
            case 4 ->
                new ActivityMethod.YearTotal(
                        new TreeMap<>(Map.of(2026, 14_000_000L + i)),
                        Percent.parse("3"),
                        Collections.nCopies(12, 1L + i % 5));
            case 5 -> new ActivityMethod.TypedMonths(new TreeMap<>(Map.of(YearMonth.from(asOf), 1_300_000L + i)));
            case 6 -> new ActivityMethod.FixedAmount(Steps.from(asOf, 900_000L + i));
            case 7 -> new ActivityMethod.ShareOfLine("l" + (i - 1), Percent.parse("45"));
            case 8 -> stock(i);
            default ->
                new ActivityMethod.BaseWithGrowth(
                        Steps.from(asOf, 1_200_000L + i * 1_003L), Percent.parse("0.7"), new TreeMap<>());
        };
    }

    private static Driver driver(LocalDate from, long value) {
        return new Driver(Steps.from(from, BigDecimal.valueOf(value)), Percent.parse("0.4"), new TreeMap<>());
    }
}

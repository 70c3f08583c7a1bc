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
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.sim.DemoCompany;
import ebbtide.time.Spread;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
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
@Fork(value = 2, jvmArgs = {"-Xmx256m"})
public class ForecastBench {
  private final PlanDocument demo = DemoCompany.document();
  private final Books demoBooks = demo.books();
  private final Plan large = large();
  private final Books largeBooks =
      Books.of(List.of(new Account("a", "A", "GB", false, large.settings().asOf(), 100_000_000L)));

  @Benchmark
  public Forecast demoPlan() {
    return Forecaster.forecast(demo.plan(), demoBooks);
  }

  @Benchmark
  public Forecast largePlan() {
    return Forecaster.forecast(large, largeBooks);
  }

  /** 500 streams that grow, each with a five-step pattern and 12 months of history. */
  private static Plan large() {
    LocalDate asOf = LocalDate.of(2026, 3, 1);
    List<Line> lines = new ArrayList<>();
    for (int i = 0; i < 500; i++) {
      TreeMap<YearMonth, Long> history = new TreeMap<>();
      for (int month = 1; month <= 12; month++) {
        history.put(YearMonth.of(2026, 3).minusMonths(month), 1_000_000L + i * 977L + month * 31L);
      }
      List<MonthPattern.Step> steps = new ArrayList<>();
      for (int lag = 0; lag < 5; lag++) {
        steps.add(new MonthPattern.Step(Percent.parse(List.of("15", "40", "25", "12", "6").get(lag)), lag,
            Percent.parse(lag == 1 ? "2" : "0")));
      }
      Assumption stream = Assumption.Stream.of(new ActivityMethod.BaseWithGrowth(
          Steps.from(asOf, 1_200_000L + i * 1_003L), Percent.parse("0.7"), new TreeMap<>()), history, new TreeMap<>(),
          new SalesTax(Percent.parse("20"), false), new MonthPattern(steps, Percent.parse("2"), null), new Spread.Even());
      lines.add(new Line("l" + i, null, "Line " + i, i % 2 == 0 ? Direction.RECEIPT : Direction.PAYMENT, true, null, "",
          stream, List.of()));
    }
    Settings settings = new Settings("Large", Money.currency("GBP"), asOf, DayOfWeek.MONDAY, Month.JANUARY, 72,
        AmountSteps.FIRST_DAY, Steps.from(asOf, 50_000_000L), null, Set.of(), Set.of());
    return new Plan(settings, lines, List.of());
  }
}

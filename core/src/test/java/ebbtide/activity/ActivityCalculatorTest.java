package ebbtide.activity;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What is earned or incurred by month (rules 2). D is 28 February 2026, so March is the first month forecast. */
class ActivityCalculatorTest {
  private static final YearMonth MARCH = YearMonth.of(2026, 3);
  private final List<Line> lines = new ArrayList<>();

  private Line line(String id, ActivityMethod method, Map<YearMonth, Long> history, Map<YearMonth, MonthOverride> overrides) {
    Line line = new Line(id, null, id, Direction.RECEIPT, true, null, "", new Assumption.Stream(method,
        new TreeMap<>(history), new TreeMap<>(overrides), SalesTax.NONE, MonthPattern.atOnce(), new Spread.Even()), List.of());
    lines.add(line);
    return line;
  }

  private List<Long> months(Line line, YearMonth from, int count) {
    ActivityCalculator calculator = calculator();
    List<Long> amounts = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      amounts.add(calculator.of(line).in(Timeline.monthNumber(from.plusMonths(i))));
    }
    return amounts;
  }

  private ActivityCalculator calculator() {
    return new ActivityCalculator(
        new Plan(Settings.of("P", Money.currency("GBP"), LocalDate.of(2026, 2, 28)), lines, List.of()));
  }

  @Test
  void fixed_withAStepInTheMiddleOfAMonth_changesWithTheNext() {
    Line line = line("a", new FixedAmount(new Steps<>(List.of(new Steps.Step<>(LocalDate.of(2026, 1, 1), 500L),
        new Steps.Step<>(LocalDate.of(2026, 4, 15), 700L)))), Map.of(), Map.of());
    assertThat(months(line, MARCH, 4)).containsExactly(500L, 500L, 700L, 700L);
  }

  @Test
  void growth_compoundsUnroundedAndCountsFromTheBasesLastStep() {
    Line line = line("a", new BaseWithGrowth(new Steps<>(List.of(new Steps.Step<>(LocalDate.of(2026, 3, 1), 1_000_000L),
        new Steps.Step<>(LocalDate.of(2026, 7, 1), 2_000_000L))), Percent.parse("1"), new TreeMap<>()), Map.of(), Map.of());
    assertThat(months(line, MARCH, 6)).containsExactly(1_000_000L, 1_010_000L, 1_020_100L, 1_030_301L, 2_000_000L, 2_020_000L);
  }

  @Test
  void growth_ofAMonthOfItsOwn_takesThePlaceOfTheUsual() {
    Line line = line("a", new BaseWithGrowth(Steps.from(LocalDate.of(2026, 3, 1), 1_000L), Percent.parse("10"),
        new TreeMap<>(Map.of(YearMonth.of(2026, 4), Percent.parse("-50")))), Map.of(), Map.of());
    assertThat(months(line, MARCH, 3)).containsExactly(1_000L, 500L, 550L);
  }

  @Test
  void typed_monthsNotTyped_repeatTheYearBeforeElseTheLast() {
    Line line = line("a", new TypedMonths(new TreeMap<>(Map.of(MARCH, 10L, YearMonth.of(2026, 4), 20L))),
        Map.of(YearMonth.of(2025, 6), 66L), Map.of());
    assertThat(months(line, MARCH, 4)).as("May: the last typed; June: the June before").containsExactly(10L, 20L, 20L, 66L);
    assertThat(months(line, YearMonth.of(2027, 3), 2)).containsExactly(10L, 20L);
  }

  @Test
  void override_changesItsMonthAndWhatReadsIt_neverTheMethodsPath() {
    Line base = line("base", new BaseWithGrowth(Steps.from(LocalDate.of(2026, 3, 1), 1_000L), Percent.parse("10"),
        new TreeMap<>()), Map.of(), Map.of(YearMonth.of(2026, 4), new MonthOverride(5_000, "fair")));
    Line share = line("share", new ShareOfLine("base", Percent.parse("50")), Map.of(), Map.of());
    assertThat(months(base, MARCH, 3)).containsExactly(1_000L, 5_000L, 1_210L);
    assertThat(months(share, MARCH, 3)).containsExactly(500L, 2_500L, 605L);
    assertThat(calculator().of(base).computedIn(Timeline.monthNumber(YearMonth.of(2026, 4)))).isEqualTo(1_100);
    assertThat(calculator().words(base, Timeline.monthNumber(YearMonth.of(2026, 4))))
        .startsWith("overridden: fair (computed 11, base 10 from Mar 2026");
  }

  @Test
  void history_isReadBeforeTheForecast_andASharesPastFollowsItsLine() {
    Line base = line("base", new FixedAmount(Steps.from(LocalDate.of(2025, 1, 1), 900L)),
        Map.of(YearMonth.of(2026, 1), 111L, YearMonth.of(2026, 2), 222L), Map.of());
    Line share = line("share", new ShareOfLine("base", Percent.parse("200")), Map.of(), Map.of());
    assertThat(months(base, YearMonth.of(2026, 1), 3)).containsExactly(111L, 222L, 900L);
    assertThat(months(share, YearMonth.of(2026, 1), 3)).containsExactly(222L, 444L, 1_800L);
    assertThat(calculator().words(base, Timeline.monthNumber(YearMonth.of(2026, 2)))).isEqualTo("actual of Feb 2026, from history");
    assertThat(calculator().words(share, Timeline.monthNumber(MARCH))).isEqualTo("200% of base 9");
  }
}

package ebbtide.activity;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.AmountSteps;
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
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What is earned or incurred by month (rules 2). D is 28 February 2026, so March is the first month forecast. */
class ActivityCalculatorTest {
    private static final YearMonth MARCH = YearMonth.of(2026, 3);
    private final List<Line> lines = new ArrayList<>();
    private AmountSteps rule = AmountSteps.FIRST_DAY;

    private Line line(
            String id, ActivityMethod method, Map<YearMonth, Long> history, Map<YearMonth, MonthOverride> overrides) {
        Line line = new Line(
                id,
                null,
                id,
                Direction.RECEIPT,
                true,
                null,
                "",
                Assumption.Stream.of(
                        method,
                        new TreeMap<>(history),
                        new TreeMap<>(overrides),
                        SalesTax.NONE,
                        MonthPattern.atOnce(),
                        new Spread.Even()),
                List.of());
        lines.add(line);
        return line;
    }

    private List<Long> months(Line line, YearMonth from, int count) {
        ActivityCalculator calculator = calculator();
        List<Long> amounts = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            amounts.add(calculator.planned(line).in(Timeline.monthNumber(from.plusMonths(i))));
        }
        return amounts;
    }

    private ActivityCalculator calculator() {
        Settings s = Settings.of("P", Money.currency("GBP"), LocalDate.of(2026, 2, 28));
        return new ActivityCalculator(new Plan(
                new Settings(
                        s.name(),
                        s.currency(),
                        s.asOf(),
                        s.firstDayOfWeek(),
                        s.firstFiscalMonth(),
                        s.horizonMonths(),
                        rule,
                        s.minimumCash(),
                        s.facility(),
                        s.countedReceipts(),
                        s.countedPayments()),
                lines,
                List.of()));
    }

    @SafeVarargs
    @SuppressWarnings("varargs")
    private static Steps<Long> steps(Map.Entry<String, Long>... values) {
        return new Steps<>(Stream.of(values)
                .map(v -> new Steps.Step<>(LocalDate.parse(v.getKey()), v.getValue()))
                .toList());
    }

    @Test
    void byDays_aMonthWithStepsInsideIt_isTheSumOfWhatHoldsRoundedOnce() {
        rule = AmountSteps.BY_DAYS;
        Line line = line(
                "a",
                new FixedAmount(steps(
                        Map.entry("2026-01-01", 60_000L),
                        Map.entry("2026-04-21", 90_000L),
                        Map.entry("2026-06-02", 100L),
                        Map.entry("2026-06-30", 401L),
                        Map.entry("2026-08-01", 7L))),
                Map.of(),
                Map.of());
        // June: 90,000 for 1 day, 100 for 28, 401 for 1, over 30: 3,106.7
        assertThat(months(line, MARCH, 6)).containsExactly(60_000L, 70_000L, 90_000L, 3_107L, 401L, 7L);
        assertThat(calculator().words(line, Timeline.monthNumber(YearMonth.of(2026, 6))))
                .isEqualTo("fixed amount by days: 900 for 1 day, 1 for 28 days, 4.01 for 1 day");
        assertThat(calculator().words(line, Timeline.monthNumber(YearMonth.of(2026, 7))))
                .isEqualTo("fixed amount 4.01 from Jun 2026");
    }

    @Test
    void byDays_withGrowth_movesOnlyTheMonthsInsideWhichABaseBegins() {
        Line line = line(
                "a",
                new BaseWithGrowth(
                        steps(Map.entry("2026-03-01", 1_000L), Map.entry("2026-05-11", 4_000L)),
                        Percent.parse("10"),
                        new TreeMap<>()),
                Map.of(),
                Map.of());
        assertThat(months(line, MARCH, 5)).containsExactly(1_000L, 1_100L, 1_210L, 4_000L, 4_400L);
        rule = AmountSteps.BY_DAYS;
        // May: 1,210 for 10 days and 4,000 for 21, over 31: 3,100
        assertThat(months(line, MARCH, 5)).containsExactly(1_000L, 1_100L, 3_100L, 4_000L, 4_400L);
        assertThat(calculator().words(line, Timeline.monthNumber(YearMonth.of(2026, 5))))
                .isEqualTo("base by days: 12.10 for 10 days, 40 for 21 days");
    }

    @Test
    void byDays_anySteps_agreesWithADayByDaySum() {
        Random random = new Random(22);
        for (int run = 0; run < 300; run++) {
            lines.clear();
            TreeMap<LocalDate, Long> values = new TreeMap<>();
            for (int i = random.nextInt(9); i >= 0; i--) {
                values.put(LocalDate.of(2026, 2, 1).plusDays(random.nextInt(200)), random.nextLong(1_000_000));
            }
            Line line = line(
                    "a",
                    new FixedAmount(new Steps<>(values.entrySet().stream()
                            .map(v -> new Steps.Step<>(v.getKey(), v.getValue()))
                            .toList())),
                    Map.of(),
                    Map.of());
            rule = AmountSteps.BY_DAYS;
            List<Long> byDays = months(line, MARCH, 8);
            rule = AmountSteps.FIRST_DAY;
            List<Long> firstDay = months(line, MARCH, 8);
            for (int m = 0; m < 8; m++) {
                YearMonth month = MARCH.plusMonths(m);
                long sum = 0;
                for (int day = 1; day <= month.lengthOfMonth(); day++) {
                    sum += valueOn(values, month.atDay(day));
                }
                assertThat(byDays.get(m))
                        .as("run %d, %s", run, month)
                        .isEqualTo(Math.round((double) sum / month.lengthOfMonth()));
                assertThat(firstDay.get(m)).isEqualTo(valueOn(values, month.atDay(1)));
            }
        }
    }

    private static long valueOn(TreeMap<LocalDate, Long> values, LocalDate day) {
        return values.floorEntry(day) == null ? 0 : values.floorEntry(day).getValue();
    }

    @Test
    void fixed_withAStepInTheMiddleOfAMonth_changesWithTheNext() {
        Line line = line(
                "a",
                new FixedAmount(new Steps<>(List.of(
                        new Steps.Step<>(LocalDate.of(2026, 1, 1), 500L),
                        new Steps.Step<>(LocalDate.of(2026, 4, 15), 700L)))),
                Map.of(),
                Map.of());
        assertThat(months(line, MARCH, 4)).containsExactly(500L, 500L, 700L, 700L);
    }

    @Test
    void growth_compoundsUnroundedAndCountsFromTheBasesLastStep() {
        Line line = line(
                "a",
                new BaseWithGrowth(
                        new Steps<>(List.of(
                                new Steps.Step<>(LocalDate.of(2026, 3, 1), 1_000_000L),
                                new Steps.Step<>(LocalDate.of(2026, 7, 1), 2_000_000L))),
                        Percent.parse("1"),
                        new TreeMap<>()),
                Map.of(),
                Map.of());
        assertThat(months(line, MARCH, 6))
                .containsExactly(1_000_000L, 1_010_000L, 1_020_100L, 1_030_301L, 2_000_000L, 2_020_000L);
    }

    @Test
    void growth_ofAMonthOfItsOwn_takesThePlaceOfTheUsual() {
        Line line = line(
                "a",
                new BaseWithGrowth(
                        Steps.from(LocalDate.of(2026, 3, 1), 1_000L),
                        Percent.parse("10"),
                        new TreeMap<>(Map.of(YearMonth.of(2026, 4), Percent.parse("-50")))),
                Map.of(),
                Map.of());
        assertThat(months(line, MARCH, 3)).containsExactly(1_000L, 500L, 550L);
    }

    @Test
    void typed_monthsNotTyped_repeatTheYearBeforeElseTheLast() {
        Line line = line(
                "a",
                new TypedMonths(new TreeMap<>(Map.of(MARCH, 10L, YearMonth.of(2026, 4), 20L))),
                Map.of(YearMonth.of(2025, 6), 66L),
                Map.of());
        assertThat(months(line, MARCH, 4))
                .as("May: the last typed; June: the June before")
                .containsExactly(10L, 20L, 20L, 66L);
        assertThat(months(line, YearMonth.of(2027, 3), 2)).containsExactly(10L, 20L);
    }

    @Test
    void override_changesItsMonthAndWhatReadsIt_neverTheMethodsPath() {
        Line base = line(
                "base",
                new BaseWithGrowth(Steps.from(LocalDate.of(2026, 3, 1), 1_000L), Percent.parse("10"), new TreeMap<>()),
                Map.of(),
                Map.of(YearMonth.of(2026, 4), new MonthOverride(5_000, "fair")));
        Line share = line("share", new ShareOfLine("base", Percent.parse("50")), Map.of(), Map.of());
        assertThat(months(base, MARCH, 3)).containsExactly(1_000L, 5_000L, 1_210L);
        assertThat(months(share, MARCH, 3)).containsExactly(500L, 2_500L, 605L);
        assertThat(calculator().planned(base).computedIn(Timeline.monthNumber(YearMonth.of(2026, 4))))
                .isEqualTo(1_100);
        assertThat(calculator().words(base, Timeline.monthNumber(YearMonth.of(2026, 4))))
                .startsWith("overridden: fair (computed 11, base 10 from Mar 2026");
    }

    @Test
    void history_isReadBeforeTheForecast_andASharesPastFollowsItsLine() {
        Line base = line(
                "base",
                new FixedAmount(Steps.from(LocalDate.of(2025, 1, 1), 900L)),
                Map.of(YearMonth.of(2026, 1), 111L, YearMonth.of(2026, 2), 222L),
                Map.of());
        Line share = line("share", new ShareOfLine("base", Percent.parse("200")), Map.of(), Map.of());
        assertThat(months(base, YearMonth.of(2026, 1), 3)).containsExactly(111L, 222L, 900L);
        assertThat(months(share, YearMonth.of(2026, 1), 3)).containsExactly(222L, 444L, 1_800L);
        assertThat(calculator().words(base, Timeline.monthNumber(YearMonth.of(2026, 2))))
                .isEqualTo("actual of Feb 2026, from history");
        assertThat(calculator().words(share, Timeline.monthNumber(MARCH))).isEqualTo("200% of base 9");
    }
}

package ebbtide.whatif;

import ebbtide.money.Percent;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Certainty;
import ebbtide.plan.DayRange;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Steps;
import ebbtide.plan.Unit;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Scenarios made at random over a plan: every act on every kind of target. */
public final class RandomScenarios {
    private static final Set<Unit.Measure> FIGURES =
            EnumSet.complementOf(EnumSet.of(Unit.Measure.DAY, Unit.Measure.CHOICE));

    private final Random random;
    private final Plan plan;

    private RandomScenarios(long seed, Plan plan) {
        this.random = new Random(seed ^ 0x5ce4a710);
        this.plan = plan;
    }

    /** Returns three scenarios of a plan; the second stands on the first, the third has no changes. */
    public static Scenarios of(long seed, Plan plan) {
        RandomScenarios made = new RandomScenarios(seed, plan);
        return new Scenarios(List.of(
                made.scenario("first", List.of(), 1 + made.random.nextInt(5)),
                made.scenario("second", List.of("first"), 1 + made.random.nextInt(3)),
                made.scenario("third", List.of(), 0)));
    }

    private Scenario scenario(String id, List<String> on, int changes) {
        List<Change> all = new ArrayList<>();
        for (int i = 0; i < changes; i++) {
            all.add(change("c" + i));
        }
        return new Scenario(
                id,
                "The " + id,
                "",
                on,
                all,
                false,
                id.equals("second"),
                plan.lines().size() % 2 == 0 ? null : new Percent(300_000));
    }

    private Change change(String id) {
        Target target = target();
        DayRange range = target instanceof Target.OfItem || random.nextBoolean() ? DayRange.ALWAYS : range();
        Act act = target instanceof Target.OfItem item
                ? act(item.part())
                : target instanceof Target.OfAssumption && random.nextInt(3) > 0 ? scale() : act();
        boolean on = random.nextInt(9) > 0;
        String tie = random.nextInt(5) == 0 ? "tied" : "";
        Ramp ramp = new Ramp(range.from() == null ? 0 : random.nextInt(4), range.to() == null ? 0 : random.nextInt(3));
        try {
            return new Change(id, target, act, range, ramp, tie, "", on);
        } catch (IllegalArgumentException neverRamped) {
            return new Change(id, target, act, range, Ramp.NONE, tie, "", on);
        }
    }

    private Target target() {
        List<Input<Plan>> inputs = PlanInputs.of(plan).stream()
                .filter(input -> FIGURES.contains(input.unit().measure()))
                .toList();
        // Most changes are to what is planned by month; of all other lines few have anything to come.
        List<Line> doubtful = plan.lines().stream()
                .filter(one -> one.assumption().isDoubtful())
                .toList();
        List<Line> among = doubtful.isEmpty() || random.nextInt(3) == 0 ? plan.lines() : doubtful;
        Line line = among.get(random.nextInt(among.size()));
        if (random.nextInt(12) == 0) {
            return new Target.OfBaseRate();
        }
        if (random.nextInt(15) == 0) {
            return new Target.OfItem("i" + random.nextInt(9), Target.OfItem.Part.values()[random.nextInt(3)]);
        }
        if (random.nextBoolean() && !inputs.isEmpty()) {
            return new Target.OfAssumption(
                    inputs.get(random.nextInt(inputs.size())).path());
        }
        if (!plan.settings().terms().isEmpty() && random.nextInt(4) == 0) {
            return new Target.OfTerms(plan.settings().terms().get(0).id());
        }
        if (line.assumption().isDoubtful() && random.nextInt(3) == 0) {
            return new Target.OfCertainty(line.direction(), Certainty.values()[random.nextInt(3)]);
        }
        if (line.assumption() instanceof Pay pay && !pay.roles().isEmpty()) {
            return new Target.OfPart(line.id(), pay.roles().get(0).name());
        }
        return line.assumption() instanceof CapitalSpending spending
                        && !spending.assets().isEmpty()
                ? new Target.OfPart(line.id(), spending.assets().get(0).name())
                : new Target.OfLine(line.id());
    }

    private Act act() {
        return switch (random.nextInt(12)) {
            case 0 -> new Act.Set(Typed.of(Integer.toString(1 + random.nextInt(40))));
            case 1 -> new Act.Add(BigDecimal.valueOf(random.nextInt(40) - 10));
            case 2 -> new Act.LeaveOut();
            case 4 -> new Act.NeverPaid(new Percent(random.nextInt(30) * 10_000L));
            case 10 -> new Act.WithoutDiscounts();
            case 11 -> new Act.OnDueDates();
            case 8 -> new Act.Shift(random.nextInt(7) - 2, Act.Shift.Unit.MONTHS);
            case 9 -> new Act.Shift(random.nextInt(60) - 10, Act.Shift.Unit.DAYS);
            case 3 -> new Act.PaidLater(random.nextInt(60) - 10);
            default -> scale();
        };
    }

    private Act scale() {
        return new Act.Scale(new Percent(random.nextInt(20) * 100_000L));
    }

    /** What may be said of an item: of many there is no item, or no day to shift. */
    private Act act(Target.OfItem.Part part) {
        if (part == Target.OfItem.Part.STANDING) {
            return new Act.Set(new Typed.Word(
                    List.of("normal", "held", "disputed", "cannot-wait").get(random.nextInt(4))));
        }
        return random.nextInt(4) == 0
                ? new Act.Shift(random.nextInt(30), Act.Shift.Unit.DAYS)
                : new Act.Set(new Typed.Day(plan.settings().asOf().plusDays(1L + random.nextInt(90))));
    }

    private DayRange range() {
        YearMonth first = plan.settings().firstForecastMonth().plusMonths(random.nextInt(6));
        LocalDate from = first.atDay(1);
        return new DayRange(
                from,
                random.nextBoolean()
                        ? null
                        : first.plusMonths(random.nextInt(4)).atEndOfMonth());
    }

    /** Returns some inputs of the lines of a plan that are figures. */
    static List<Input<Plan>> figures(long seed, Plan plan, int most) {
        List<Input<Plan>> all = new ArrayList<>(figures(PlanInputs.of(plan)).stream()
                .filter(input -> !input.path().startsWith("/"))
                .toList());
        Collections.shuffle(all, new Random(seed));
        return all.subList(0, Math.min(most, all.size()));
    }

    /** Returns those of some inputs that are figures, have one and are no facts. */
    public static List<Input<Plan>> figures(List<Input<Plan>> inputs) {
        return inputs.stream()
                .filter(input -> !input.fact() && FIGURES.contains(input.unit().measure()) && hasFigure(input.value()))
                .toList();
    }

    private static boolean hasFigure(Input.Value value) {
        return value instanceof Input.Value.Stepped stepped
                ? !stepped.of().isEmpty()
                : value instanceof Input.Value.Monthly months ? !months.of().isEmpty() : value.held() != null;
    }

    /** Returns a value that is another in its first figure. */
    public static Input.Value other(Input.Value value) {
        if (value instanceof Input.Value.Stepped stepped) {
            List<Steps.Step<Object>> steps = new ArrayList<>();
            stepped.of()
                    .steps()
                    .forEach(step -> steps.add(new Steps.Step<>(
                            step.from(), steps.isEmpty() ? more(step.value()) : step.value(), step.since())));
            return new Input.Value.Stepped(new Steps<>(steps));
        }
        if (value instanceof Input.Value.Monthly monthly) {
            TreeMap<YearMonth, Object> months = new TreeMap<>(monthly.of());
            months.computeIfPresent(months.firstKey(), (month, one) -> more(one));
            return new Input.Value.Monthly(months);
        }
        if (value instanceof Input.Value.Yearly yearly) {
            TreeMap<Integer, Object> years = new TreeMap<>(yearly.of());
            years.computeIfPresent(years.firstKey(), (year, one) -> more(one));
            return new Input.Value.Yearly(years);
        }
        return new Input.Value.One(more(value.held()));
    }

    private static Object more(Object value) {
        if (value instanceof MonthOverride override) {
            return new MonthOverride(override.amount() + 100, override.reason());
        }
        return value instanceof Long minor
                ? (Object) (minor + 100)
                : value instanceof Percent percent
                        ? percent.plus(new Percent(10_000))
                        : value instanceof Integer whole ? whole + 1 : ((BigDecimal) value).add(BigDecimal.ONE);
    }

    /** Returns a value as text; 24 posts and 24.00 are the same. */
    static String plain(Input.Value value) {
        return value instanceof Input.Value.Stepped stepped
                ? stepped.of().steps().stream()
                        .map(step -> step.from() + ": " + plain(step.value()))
                        .toList()
                        .toString()
                : plain(value.held());
    }

    private static String plain(@Nullable Object value) {
        return value instanceof BigDecimal number ? number.stripTrailingZeros().toPlainString() : String.valueOf(value);
    }
}

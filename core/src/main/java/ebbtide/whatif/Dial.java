package ebbtide.whatif;

import static java.util.Objects.requireNonNull;

import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.DayRange;
import ebbtide.plan.Input;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.LongStream;
import org.jspecify.annotations.Nullable;

/**
 * What a search turns (rules 11.6): one value of an assumption, or the scale of what has steps, months or activity, in
 * whole multiples of its tolerance; where it stands, and how far it is turned.
 */
public final class Dial {
    private static final long WIDE_PERCENT = 50;
    private static final int WIDE_DAYS = 60;
    private static final int WIDE_MONTHS = 12;
    private static final BigDecimal POINT = new BigDecimal("0.01");
    private static final BigDecimal WHOLE = BigDecimal.valueOf(100);
    private static final BigDecimal TWICE = BigDecimal.valueOf(200);
    private static final Scenario TRIAL = new Scenario("break-even", "Break-even", "", List.of(), List.of(), false);

    private final Turning turning;
    private final boolean ofBase;
    private final boolean scales;
    private final BigDecimal tolerance;
    private final long present;
    private final long least;
    private final long most;

    /** The plan that a base is at a value of the dial. */
    private interface Turning {
        Plan turned(Forecast base, Plan plan, BigDecimal to);
    }

    private Dial(
            Turning turning,
            boolean ofBase,
            boolean scales,
            BigDecimal tolerance,
            BigDecimal present,
            BigDecimal least,
            BigDecimal most) {
        this.turning = turning;
        this.ofBase = ofBase;
        this.scales = scales;
        this.tolerance = tolerance;
        this.present = multiple(present);
        this.least = multiple(least);
        this.most = multiple(most);
    }

    /**
     * Returns the dial of a line's activity, or of an assumption with steps or months: its scale, from nil to twice.
     */
    private static Dial scale(Target target, DayRange range) {
        return new Dial(
                changing(target, range, to -> new Act.Scale(Percent.of(to))),
                true,
                true,
                POINT,
                WHOLE,
                BigDecimal.ZERO,
                TWICE);
    }

    /** Returns the dial of all changes of a scenario at once: from none of them to twice (rules 11.9). */
    public static Dial share(Scenarios all, Scenario scenario) {
        return new Dial(
                (base, plan, to) -> ScenarioPlan.ofShare(base, all, scenario, Percent.of(to))
                        .requireAsFoundAs(ScenarioPlan.of(base, all, scenario))
                        .plan(),
                true,
                true,
                POINT,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                TWICE);
    }

    /**
     * Returns the dial of a change of a scenario and of what is tied to it: from nothing of it to twice (rules 11.6).
     */
    public static Dial ofChange(Scenarios all, Scenario scenario, String changeId) {
        Set<String> tied = scenario.tiedTo(changeId);
        Check.that(!tied.isEmpty(), "'" + scenario.name() + "' has no such change any more");
        return new Dial(
                (base, plan, to) -> ScenarioPlan.ofShare(base, all, scenario, tied, Percent.of(to))
                        .requireAsFoundAs(ScenarioPlan.of(base, all, scenario))
                        .plan(),
                false,
                true,
                POINT,
                WHOLE,
                BigDecimal.ZERO,
                TWICE);
    }

    private static Turning changing(Target target, DayRange range, Function<BigDecimal, Act> act) {
        return (base, plan, to) ->
                Changing.changed(base, plan, TRIAL, new Change("dial", target, act.apply(to), range, "", true));
    }

    /**
     * Returns the dial of a target in the range in which it is turned at first.
     *
     * @throws Refused for what has no figure to turn
     */
    public static Dial of(Plan plan, Target target, DayRange range) {
        if (!(target instanceof Target.OfAssumption assumption)) {
            return scale(target, range);
        }
        Input<Plan> input = PlanInputs.find(plan, assumption.path())
                .orElseThrow(() -> new Refused("The plan has no assumption '" + assumption.path() + "' any more"));
        if (!(input.value() instanceof Input.Value.One)) {
            return scale(target, range);
        }
        Typed typed = TypedDifferences.typed(
                requireNonNull(input.value().held(), "value"), plan.settings().currency());
        Check.that(typed instanceof Typed.Figure, "Only a figure can be turned up and down");
        return value(plan, target, input, ((Typed.Figure) typed).number());
    }

    private static Dial value(Plan plan, Target target, Input<Plan> input, BigDecimal number) {
        BigDecimal wide =
                switch (input.unit().measure()) {
                    case PERCENT -> BigDecimal.valueOf(WIDE_PERCENT);
                    case DAYS -> BigDecimal.valueOf(WIDE_DAYS);
                    case MONTHS -> BigDecimal.valueOf(WIDE_MONTHS);
                    default -> number.abs();
                };
        BigDecimal tolerance =
                switch (input.unit().measure()) {
                    case MONEY ->
                        BigDecimal.ONE.movePointLeft(
                                Money.decimals(plan.settings().currency()));
                    case PERCENT -> POINT;
                    case NUMBER -> BigDecimal.ONE.movePointLeft(Math.max(0, number.scale()));
                    default -> BigDecimal.ONE;
                };
        BigDecimal low = bound(input.unit().least(), plan, number.subtract(wide), true);
        BigDecimal high = bound(input.unit().most(), plan, number.add(wide), false);
        return new Dial(
                changing(target, DayRange.ALWAYS, to -> new Act.Set(new Typed.Figure(to))),
                true,
                false,
                tolerance,
                number,
                low,
                high);
    }

    private static BigDecimal bound(@Nullable Object bound, Plan plan, BigDecimal wanted, boolean low) {
        if (bound == null) {
            return wanted;
        }
        BigDecimal number = bound instanceof Percent percent
                ? new BigDecimal(percent.number())
                : bound instanceof Long minor
                        ? new BigDecimal(Money.plain(minor, plan.settings().currency()))
                        : new BigDecimal(bound.toString());
        return low ? wanted.max(number) : wanted.min(number);
    }

    private long multiple(BigDecimal of) {
        return of.divide(tolerance, 0, RoundingMode.HALF_UP).longValueExact();
    }

    /** Returns where it stands, in multiples of its tolerance. */
    public long present() {
        return present;
    }

    /** Returns whether the base itself is where it stands; else that is a change of it. */
    boolean standsInBase() {
        return ofBase;
    }

    /** Returns how far down it is turned. */
    public long least() {
        return least;
    }

    /** Returns how far up it is turned. */
    public long most() {
        return most;
    }

    /** Returns whether it is the scale of what there is, in percent. */
    public boolean scales() {
        return scales;
    }

    /** Returns what a multiple is: a share in percent, or a value in the unit of the assumption. */
    public BigDecimal value(long multiple) {
        return new Typed.Figure(tolerance.multiply(BigDecimal.valueOf(multiple))).number();
    }

    /**
     * Returns a plan over a base with the dial turned to a multiple, on what others left.
     *
     * @throws Refused for what the plan refuses
     */
    Plan turned(Forecast base, Plan left, long multiple) {
        return turning.turned(base, left, value(multiple));
    }

    /** Returns so many values, an odd number, from one end of the range to the other with the present one amidst. */
    List<Long> values(int count) {
        int half = count / 2;
        return LongStream.rangeClosed(-half, half)
                .map(i -> present + Math.round((double) ((i < 0 ? least : most) - present) * Math.abs(i) / half))
                .distinct()
                .boxed()
                .toList();
    }

    /**
     * Returns the plan of a base with the dial turned to a multiple.
     *
     * @throws Refused for what the plan refuses
     */
    Plan turned(Forecast base, long multiple) {
        return turning.turned(base, base.plan(), value(multiple));
    }
}

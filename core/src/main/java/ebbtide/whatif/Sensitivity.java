package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Input;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Unit;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * Which assumptions matter (rules 11.7): each by itself, all its steps and months, a step down and a step up, and what
 * that does to a measure; sorted by the larger effect, then by the list.
 */
public final class Sensitivity {
    private static final Set<Unit.Measure> FIGURES =
            EnumSet.complementOf(EnumSet.of(Unit.Measure.DAY, Unit.Measure.CHOICE));

    private Sensitivity() {}

    /**
     * How far each kind of figure is moved: money, quantities, prices and counts by a share of it (counts by one at
     * least), percentages by points, days and months by so many.
     */
    public record Steps(Percent share, Percent points, int days, int months) {
        public static final Steps USUAL = new Steps(Percent.parse("10"), Percent.parse("1"), 5, 1);

        public Steps {
            Check.inRange(share, Percent.ZERO, Percent.HUNDRED, "step of money, quantities and prices");
            Check.inRange(points, Percent.ZERO, Percent.HUNDRED, "step of percentages");
            Check.inRange(days, 0, 366, "step of days");
            Check.inRange(months, 0, 60, "step of months");
        }
    }

    /**
     * What a step one way does: by how much the measure moves, in minor units, and whether a value stopped at its
     * bound.
     */
    public record Effect(long moves, boolean bounded) {}

    /**
     * An assumption with what a step down and a step up do; nothing where the plan refuses that. {@code nil} is true
     * for one that is nil, of which a share is nothing.
     */
    public record Entry(String path, Optional<String> lineId, boolean nil, Optional<Effect> down, Optional<Effect> up) {
        /** Returns the larger of its effects, without its sign. */
        public long size() {
            return Math.max(
                    down.map(one -> Math.abs(one.moves())).orElse(0L),
                    up.map(one -> Math.abs(one.moves())).orElse(0L));
        }
    }

    /** Some of the assumptions, that with the largest effect first, and how many there are in all. */
    public record Part(int all, List<Entry> entries) {}

    /** Returns every figure of the list of assumptions with its effects on a measure, the largest first. */
    public static List<Entry> of(Forecast base, Measure measure, Steps steps) {
        return of(base, measure, steps, 0, Integer.MAX_VALUE).entries();
    }

    /** Returns the same of so many figures of the list from a place on: what takes long is asked for part by part. */
    public static Part of(Forecast base, Measure measure, Steps steps, int from, int count) {
        List<Input<Plan>> all = PlanInputs.of(base.plan()).stream()
                .filter(input -> input.listed()
                        && !input.fact()
                        && FIGURES.contains(input.unit().measure())
                        && isActive(base.plan(), input))
                .toList();
        int start = Math.min(from, all.size());
        int end = start + Math.min(count, all.size() - start);
        return new Part(all.size(), entries(base, measure, steps, all.subList(start, end)));
    }

    private static List<Entry> entries(Forecast base, Measure measure, Steps steps, List<Input<Plan>> inputs) {
        long now = measure.of(base).minor();
        return inputs.parallelStream()
                .map(input -> new Entry(
                        input.path(),
                        Optional.of(input.path().substring(0, input.path().indexOf('/')))
                                .filter(id -> !id.isEmpty()),
                        isNil(input),
                        moved(base, measure, now, input, steps, -1),
                        moved(base, measure, now, input, steps, 1)))
                .sorted(Comparator.comparingLong(Entry::size).reversed())
                .toList();
    }

    private static boolean isActive(Plan plan, Input<Plan> input) {
        return input.path().startsWith("/")
                || plan.findLine(input.path().substring(0, input.path().indexOf('/')))
                        .filter(plan::isActive)
                        .isPresent();
    }

    private static boolean isNil(Input<Plan> input) {
        return input.value().figures().allMatch(value -> Figures.of(value).signum() == 0);
    }

    private static Optional<Effect> moved(
            Forecast base, Measure measure, long now, Input<Plan> input, Steps steps, int way) {
        AtomicBoolean bounded = new AtomicBoolean();
        try {
            Plan plan = ScenarioPlan.checked(
                    input.with(input.value().mapped(value -> stepped(value, input.unit(), steps, way, bounded))));
            Forecast then = Forecaster.forecast(plan, base.books(), base);
            return Optional.of(new Effect(measure.of(then).minor() - now, bounded.get()));
        } catch (Refused refused) {
            return Optional.empty();
        }
    }

    /** A value a step further, stopped at the bounds of its unit. */
    private static Object stepped(Object value, Unit unit, Steps steps, int way, AtomicBoolean bounded) {
        BigDecimal figure = Figures.of(value);
        BigDecimal step =
                switch (unit.measure()) {
                    case MONEY, NUMBER -> figure.abs().multiply(steps.share().asFraction());
                    case COUNT ->
                        figure.abs()
                                .multiply(steps.share().asFraction())
                                .setScale(0, RoundingMode.HALF_UP)
                                .max(BigDecimal.ONE);
                    case PERCENT -> Figures.points(value, steps.points());
                    case DAYS -> BigDecimal.valueOf(steps.days());
                    case MONTHS -> BigDecimal.valueOf(steps.months());
                    case DAY, CHOICE -> throw new Refused("No figure can be moved");
                };
        BigDecimal wanted = figure.add(step.multiply(BigDecimal.valueOf(way)));
        BigDecimal held = Figures.within(wanted, unit);
        if (held.compareTo(wanted) != 0) {
            bounded.set(true);
        }
        return Figures.as(held, value, unit);
    }
}

package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Ledger;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The plan that a scenario is (rules 11.1, 11.2): the base with the changes of the scenarios it stands on and its own,
 * one after the other, and what came of each. A change whose target is gone, or that leaves what is not allowed, finds
 * nothing: it is left out and says why (rules 11.4).
 */
public final class ScenarioPlan {
    private final Forecast base;
    private final Plan asChanged;
    private final List<Done> changes;
    private @Nullable Plan plan;

    /** A change that is switched on, of which scenario, and why it finds nothing, where it does. */
    public record Done(Scenario scenario, Change change, Optional<String> findsNothing) {}

    private ScenarioPlan(Forecast base, Plan asChanged, List<Done> changes) {
        this.base = base;
        this.asChanged = asChanged;
        this.changes = List.copyOf(changes);
    }

    /** Returns the base with the changes that found something, and nothing else. */
    public Plan asChanged() {
        return asChanged;
    }

    /** Returns what came of each change that is switched on, in the order in which they are done. */
    public List<Done> changes() {
        return changes;
    }

    /**
     * Returns the plan to forecast: as changed, owing on the as-of date what the base owes, and with what lenders do
     * once a covenant breaks. Without a change it is the base.
     */
    public synchronized Plan plan() {
        if (plan == null) {
            Plan owing = owingAsBefore(base, asChanged);
            plan = owing.equals(base.plan()) ? base.plan() : Breach.followed(base, owing);
        }
        return plan;
    }

    /** Returns the plan of a scenario over the base that a forecast is of. */
    public static ScenarioPlan of(Forecast base, Scenarios scenarios, Scenario shown) {
        return of(base, scenarios, shown, Integer.MAX_VALUE);
    }

    /** Returns the same with the first so many changes alone that are switched on (rules 11.5). */
    public static ScenarioPlan of(Forecast base, Scenarios scenarios, Scenario shown, int most) {
        return of(
                base,
                scenarios,
                shown,
                most,
                (plan, scenario, change) -> ChangeShare.whole(base, plan, scenario, change));
    }

    /** Returns the same with a share of every change at once (rules 11.9). */
    static ScenarioPlan ofShare(Forecast base, Scenarios scenarios, Scenario shown, Percent share) {
        return of(base, scenarios, shown, Integer.MAX_VALUE, (plan, scenario, change) -> new ChangeShare(
                        base, scenario, change, share)
                .of(plan));
    }

    /** Returns the same with a share of some changes of the scenario, all others whole (rules 11.6). */
    static ScenarioPlan ofShare(
            Forecast base, Scenarios scenarios, Scenario shown, Set<String> changeIds, Percent share) {
        return of(
                base,
                scenarios,
                shown,
                Integer.MAX_VALUE,
                (plan, scenario, change) -> scenario.equals(shown) && changeIds.contains(change.id())
                        ? new ChangeShare(base, scenario, change, share).of(plan)
                        : ChangeShare.whole(base, plan, scenario, change));
    }

    /** How a change of a scenario is done to a plan. */
    private interface Doing {
        Plan done(Plan plan, Scenario scenario, Change change);
    }

    /** Tied changes are done all or none: where one finds nothing, the others are left out with it. */
    private static ScenarioPlan of(Forecast base, Scenarios scenarios, Scenario shown, int most, Doing doing) {
        Map<Tie, String> broken = new HashMap<>();
        while (true) {
            ScenarioPlan made = of(base, scenarios, shown, most, broken, doing);
            int before = broken.size();
            made.changes().forEach(one -> one.findsNothing()
                    .filter(sentence -> !one.change().tie().isEmpty())
                    .ifPresent(sentence -> broken.putIfAbsent(Tie.of(one.scenario(), one.change()), sentence)));
            if (broken.size() == before) {
                return made;
            }
        }
    }

    private record Tie(String scenario, String tie) {
        static Tie of(Scenario scenario, Change change) {
            return new Tie(scenario.id(), change.tie());
        }
    }

    private static ScenarioPlan of(
            Forecast base, Scenarios scenarios, Scenario shown, int most, Map<Tie, String> broken, Doing doing) {
        Plan plan = base.plan();
        List<Done> done = new ArrayList<>();
        for (Scenario scenario : scenarios.under(shown)) {
            for (Change change : scenario.changes()) {
                if (change.on() && done.size() < most) {
                    String sentence = broken.get(Tie.of(scenario, change));
                    try {
                        Plan then = checked(doing.done(plan, scenario, change));
                        plan = sentence == null ? then : plan;
                        done.add(new Done(
                                scenario,
                                change,
                                Optional.ofNullable(sentence).map(one -> "what it is tied to finds nothing: " + one)));
                    } catch (Refused refused) {
                        done.add(new Done(scenario, change, Optional.of(String.valueOf(refused.getMessage()))));
                    }
                }
            }
        }
        return new ScenarioPlan(base, plan, done);
    }

    /**
     * Returns this, where every change that another found is found here too.
     *
     * @throws Refused for the first that is refused here alone: the rest would pass for the whole
     */
    ScenarioPlan requireAsFoundAs(ScenarioPlan other) {
        for (int i = 0; i < changes.size(); i++) {
            if (other.changes().get(i).findsNothing().isEmpty()) {
                changes.get(i).findsNothing().ifPresent(sentence -> {
                    throw new Refused(sentence);
                });
            }
        }
        return this;
    }

    /** Returns whether every change found its target, so that the figures are those of the whole scenario. */
    public boolean isWhole() {
        return changes.stream().allMatch(one -> one.findsNothing().isEmpty());
    }

    /**
     * Returns a plan that holds together between its lines.
     *
     * @throws Refused for one that does not, with the first of what is wrong
     */
    static Plan checked(Plan plan) {
        List<PlanProblem> problems = PlanCheck.problems(plan);
        if (!problems.isEmpty()) {
            throw new Refused(problems.get(0).sentence());
        }
        return plan;
    }

    /**
     * Under changed terms what history still pays is scaled to what it owed on the as-of date without the change, as
     * where a line is trued up to its ledger (rules 3.5, 11.2).
     */
    private static Plan owingAsBefore(Forecast base, Plan changed) {
        return new Plan(
                changed.settings(),
                changed.lines().stream().map(line -> owingAsBefore(base, line)).toList(),
                changed.buoys());
    }

    private static Line owingAsBefore(Forecast base, Line line) {
        Optional<Assumption.Stream> before = base.plan().findLine(line.id()).flatMap(Line::findStream);
        Optional<Assumption.Stream> after = line.findStream();
        if (before.isEmpty()
                || after.isEmpty()
                || after.get().basis() == Basis.BOOKS
                || before.get().terms().equals(after.get().terms())
                || line.patternBeforeNeverPaid()
                        .filter(before.get().terms().pattern()::equals)
                        .isPresent()
                || before.get().ledger() != null && before.get().ledger().trueUp()) {
            return line;
        }
        return line.with(
                after.get().withLedger(new Ledger(base.accounts().stream(line).owed(), true)));
    }
}

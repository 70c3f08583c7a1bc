package ebbtide.plan;

import ebbtide.time.Period;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Every input of a plan by its lasting name: the id of a line and where it stands in what the line assumes
 * ("loan/rate", "boats/assets[Skiff]/lifeMonths", "sales/method/growth"), or of a setting, which has no line,
 * "/cash/minimumCash". Setting one makes a new plan; whether that holds together between its lines is asked of
 * {@link PlanCheck}.
 */
public final class PlanInputs {
    private PlanInputs() {}

    /** Returns the inputs of the settings, shared terms among them. */
    public static List<Input<Plan>> ofSettings(Plan plan) {
        return plan.settings().inputs().list().stream()
                .map(one -> one.within("/", made -> new Plan(made, plan.lines(), plan.buoys())))
                .toList();
    }

    /** Returns the inputs of what a line of the plan assumes, and of its overrides of cash; none of a group. */
    public static List<Input<Plan>> ofLine(Plan plan, Line line) {
        List<Input<Plan>> inputs = new ArrayList<>();
        for (Input<? extends Assumption> one : line.assumption().inputs()) {
            inputs.add(one.within(line.id(), made -> with(plan, line, line.with(made))));
        }
        for (int i = 0; i < line.overrides().size(); i++) {
            Line.CashOverride override = line.overrides().get(i);
            Period period = override.period();
            int at = i;
            inputs.add(new Input<>(
                    line.id() + "/overrides[" + period.startInclusive() + "]",
                    "override of cash up to " + period.lastDay(),
                    null,
                    Unit.SIGNED,
                    Input.Value.of(override.amount()),
                    period.startInclusive(),
                    override.reason(),
                    true,
                    value -> with(
                            plan,
                            line,
                            line.overridden(Inputs.replaced(
                                    line.overrides(),
                                    at,
                                    new Line.CashOverride(period, (Long) value.held(), override.reason()))))));
        }
        return inputs;
    }

    /** Returns every input: the settings' first, then line by line in the order of the plan. */
    public static List<Input<Plan>> of(Plan plan) {
        List<Input<Plan>> inputs = new ArrayList<>(ofSettings(plan));
        plan.lines().forEach(line -> inputs.addAll(ofLine(plan, line)));
        return inputs;
    }

    /** Returns the input of a lasting name, nothing where the plan has it no more. */
    public static Optional<Input<Plan>> find(Plan plan, String path) {
        Stream<Input<Plan>> near = path.startsWith("/")
                ? ofSettings(plan).stream()
                : plan.lines().stream()
                        .filter(line -> path.startsWith(line.id() + "/"))
                        .flatMap(line -> ofLine(plan, line).stream());
        return near.filter(one -> one.path().equals(path)).findFirst();
    }

    private static Plan with(Plan plan, Line line, Line other) {
        return new Plan(
                plan.settings(),
                plan.lines().stream().map(one -> one == line ? other : one).toList(),
                plan.buoys());
    }
}

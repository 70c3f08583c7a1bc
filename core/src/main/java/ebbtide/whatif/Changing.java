package ebbtide.whatif;

import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Alteration;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Recurring;
import ebbtide.plan.Revolving;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The doing of one change to a plan (rules 11.2, 11.3). */
final class Changing {
    private final Forecast base;
    private final Plan plan;
    private final Scenario scenario;
    private final Change change;

    private Changing(Forecast base, Plan plan, Scenario scenario, Change change) {
        this.base = base;
        this.plan = plan;
        this.scenario = scenario;
        this.change = change;
    }

    /**
     * Returns a plan over a base with a change of a scenario that is whole at once done to it.
     *
     * @throws Refused where the change finds nothing, or leaves what is not allowed, in a sentence
     */
    static Plan changed(Forecast base, Plan plan, Scenario scenario, Change change) {
        Changing changing = new Changing(base, plan, scenario, change);
        if (change.target() instanceof Target.OfAssumption assumption) {
            return changing.assumption(assumption.path());
        }
        if (change.target() instanceof Target.OfItem item) {
            return changing.item(item);
        }
        if (change.target() instanceof Target.OfCounterparty party) {
            return changing.counterparty(party);
        }
        if (change.target() instanceof Target.OfPart part) {
            return changing.part(part);
        }
        if (change.target() instanceof Target.OfTerms terms) {
            return changing.terms(terms.id());
        }
        if (change.target() instanceof Target.OfCertainty sums) {
            return changing.certainty(sums);
        }
        return changing.line(((Target.OfLine) change.target()).lineId());
    }

    /** Returns what a change is of one by one: of the base rate, that of each active facility. */
    static List<Target> targets(Plan plan, Change change) {
        if (!(change.target() instanceof Target.OfBaseRate)) {
            return List.of(change.target());
        }
        List<Target> found = new ArrayList<>();
        for (Line line : plan.lines()) {
            if (line.assumption() instanceof Revolving facility
                    && plan.isActive(line)
                    && !facility.base().isEmpty()) {
                found.add(new Target.OfAssumption(line.id() + "/base"));
            }
        }
        Check.that(!found.isEmpty(), "No facility has a base rate");
        return found;
    }

    private Plan assumption(String path) {
        Input<Plan> input = PlanInputs.find(plan, path)
                .orElseThrow(() -> new Refused("The plan has no assumption '" + path + "' any more"));
        Check.that(
                !input.fact(),
                "What holds on the as-of date is the same in every scenario, and '" + input.name()
                        + "' is part of it: show the base to change it");
        if (!path.startsWith("/")) {
            on(path.substring(0, path.indexOf('/')));
        }
        ChangedValue value = new ChangedValue(
                change.act(),
                input.unit(),
                plan.settings().currency(),
                change.note().isBlank() ? scenario.name() : change.note());
        return input.with(new ChangedInput(input, value, change.range(), plan).changed());
    }

    private Line on(String lineId) {
        Line line =
                plan.findLine(lineId).orElseThrow(() -> new Refused("The plan has no line '" + lineId + "' any more"));
        Check.that(plan.isActive(line), "'" + line.name() + "' is switched off");
        return line;
    }

    private Plan line(String lineId) {
        if (change.act() instanceof Act.New made) {
            Check.that(
                    plan.findLine(lineId).isEmpty() && made.line().id().equals(lineId),
                    "The plan has a line '" + lineId + "' already");
            List<Line> lines = new ArrayList<>(plan.lines());
            lines.add(made.line());
            return new Plan(plan.settings(), lines, plan.buoys());
        }
        Line target = on(lineId);
        List<Line> all = plan.linesOf(target);
        Plan changed = plan;
        int found = 0;
        for (Line one : all) {
            Optional<Line> other = plan.isActive(one) && (HowPaid.isSaidBy(change.act()) || !follows(one, all))
                    ? done(one)
                    : Optional.empty();
            if (other.isPresent()) {
                changed = changed.with(other.get());
                found++;
            }
        }
        Check.that(
                found > 0,
                target.isGroup()
                        ? "No line of '" + target.name() + "' has anything of that to change"
                        : "'" + target.name() + "' has no activity of its own to change: change what it follows from");
        return changed;
    }

    /** How a line is paid is said of it as of any other; what it comes to, by its kind. */
    private Optional<Line> done(Line line) {
        return HowPaid.isSaidBy(change.act())
                ? new HowPaid(scenario.name(), change).of(line)
                : LineChange.of(base, plan, scenario.name(), change, line);
    }

    private Plan item(Target.OfItem target) {
        OpenItem item = base.books()
                .items()
                .find(target.item())
                .orElseThrow(() -> new Refused("The books have no open item '" + target.item() + "' any more"));
        return new ItemChange(plan, scenario.name(), item, on(item.lineId())).with(change, target.part());
    }

    /** Whoever pays its items later does so on every line of its direction that keeps items. */
    private Plan counterparty(Target.OfCounterparty party) {
        if (change.act() instanceof Act.Fails) {
            return new FailingParty(base, plan, scenario.name(), party).failed();
        }
        Alteration paid = paid(party.name());
        Plan changed = plan;
        for (Line line : plan.lines()) {
            if (line.direction() == party.direction() && line.assumption().keepsItems() && plan.isActive(line)) {
                changed = changed.with(line.altered(paid));
            }
        }
        Check.that(changed != plan, "The plan has no line with items of '" + party.name() + "'");
        return changed;
    }

    private Alteration paid(String party) {
        if (change.act() instanceof Act.PaidLater later) {
            return new Alteration.PaidLater(scenario.name(), later.days(), change.range(), party);
        }
        Check.that(
                change.range().isAlways() && HowPaid.isSaidBy(change.act()) && !(change.act() instanceof Act.NeverPaid),
                "Items of a counterparty are paid later or sooner, and without a range in full or on due dates, or it"
                        + " fails: what they come to is a fact");
        return change.act() instanceof Act.OnDueDates
                ? new Alteration.OnDueDates(scenario.name(), party)
                : new Alteration.WithoutDiscounts(scenario.name(), party);
    }

    private Plan terms(String id) {
        Check.that(
                HowPaid.isSaidBy(change.act()),
                "Shared terms are paid later or sooner, less of them, in full or on due dates: their figures are changed"
                        + " as assumptions");
        return new HowPaid(scenario.name(), change).ofShared(plan, id);
    }

    /** Bills and single items that are so certain, on every active line of the direction. */
    private Plan certainty(Target.OfCertainty sums) {
        Check.that(
                change.act() instanceof Act.Scale
                        || change.act() instanceof Act.LeaveOut
                        || change.act() instanceof Act.Shift,
                "What is so certain is scaled, shifted or left out");
        Plan changed = plan;
        for (Line line : plan.lines()) {
            boolean such = line.assumption() instanceof Recurring bills && bills.certainty() == sums.certainty()
                    || line.assumption() instanceof DatedItems dated
                            && dated.items().stream().anyMatch(item -> item.certainty() == sums.certainty());
            if (such && line.direction() == sums.direction() && plan.isActive(line)) {
                changed = done(line).map(changed::with).orElse(changed);
            }
        }
        Check.that(changed != plan, "No bill or single item is of that certainty");
        return changed;
    }

    /** A line of a group that reads another of it is not changed itself: it follows (rules 11.2). */
    private static boolean follows(Line line, List<Line> all) {
        return all.stream().anyMatch(one -> line.reads().contains(one.id()));
    }

    private Plan part(Target.OfPart part) {
        Line line = on(part.lineId());
        return plan.with(LineChange.ofPart(base, plan, scenario.name(), change, line, part.part())
                .orElseThrow(() ->
                        new Refused("'" + line.name() + "' has no asset or role '" + part.part() + "' any more")));
    }
}

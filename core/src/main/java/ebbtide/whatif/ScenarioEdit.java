package ebbtide.whatif;

import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption;
import ebbtide.plan.DayRange;
import ebbtide.plan.Handling;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Settings;
import ebbtide.whatif.TypedDifferences.Wanted;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * What is typed while a scenario is shown, as changes of that scenario (rules 11.2): figures that differ from what it
 * has are set, a line that is switched off is left out, one that is not there is new. What is typed back to what there
 * is without a change takes that change out.
 */
public final class ScenarioEdit {
    private final Forecast base;
    private final Scenarios all;
    private final Scenario shown;

    /** Makes the editing of one of the scenarios over the base that a forecast is of. */
    public ScenarioEdit(Forecast base, Scenarios all, Scenario shown) {
        this.base = base;
        this.all = all;
        this.shown = shown;
    }

    /**
     * Returns the scenario with a line as it is typed.
     *
     * @throws Refused for what no change says: another name, another way to plan the line
     */
    public Scenario line(Line typed) {
        Optional<Line> there = plan(shown).findLine(typed.id());
        if (there.isEmpty() || isNew(typed.id())) {
            return accepted(with(
                    without(
                            shown,
                            change -> change.act() instanceof Act.New made
                                    && made.line().id().equals(typed.id())),
                    List.of(new Wanted(new Target.OfLine(typed.id()), new Act.New(typed), DayRange.ALWAYS, ""))));
        }
        if (there.get().active() && !typed.active()) {
            return leftOut(typed.id());
        }
        requireFiguresAlone(there.get(), typed);
        Line own = withItsLedger(there.get(), typed);
        return edited(
                !own.unaltered().equals(there.get().unaltered()),
                PlanInputs.ofLine(plan(shown), there.get()),
                PlanInputs.ofLine(plan(shown).with(own), own),
                plan -> PlanInputs.ofLine(plan, plan.findLine(typed.id()).orElseThrow()));
    }

    /**
     * Returns the scenario with one more change, which always holds.
     *
     * @throws Refused where it finds nothing, or leaves what is not allowed
     */
    Scenario with(Target target, Act act) {
        return accepted(with(shown, List.of(new Wanted(target, act, DayRange.ALWAYS, ""))));
    }

    /** Returns the scenario with a line of the base left out, or without one that only the scenario has. */
    public Scenario leftOut(String lineId) {
        return isNew(lineId)
                ? without(shown, change -> change.target().equals(new Target.OfLine(lineId)))
                : accepted(with(
                        shown,
                        List.of(new Wanted(new Target.OfLine(lineId), new Act.LeaveOut(), DayRange.ALWAYS, ""))));
    }

    /**
     * Returns the scenario without what it changes of a line, so that this is as the base has it, or as the scenarios
     * have it that this one stands on; what is said of its items stays.
     *
     * @throws Refused where it changes nothing of the line, or has it alone
     */
    public Scenario asBase(String lineId) {
        Check.that(!isNew(lineId), "The base has no such line: '" + shown.name() + "' alone has it");
        Scenario left = without(shown, change -> isOfLine(change.target(), lineId));
        Check.that(
                left.changes().size() < shown.changes().size(),
                "'" + shown.name() + "' changes nothing of this line by itself: what it has stands in the base, or"
                        + " follows from other changes");
        return left;
    }

    private static boolean isOfLine(Target target, String lineId) {
        return target.equals(new Target.OfLine(lineId))
                || target instanceof Target.OfPart part && part.lineId().equals(lineId)
                || target instanceof Target.OfAssumption of && of.path().startsWith(lineId + "/");
    }

    /**
     * Returns the scenario with the settings as they are typed.
     *
     * @throws Refused for what is the same in every scenario, such as the as-of date
     */
    public Scenario settings(Settings typed) {
        Plan before = plan(shown);
        return edited(
                !typed.equals(before.settings()),
                PlanInputs.ofSettings(before),
                PlanInputs.ofSettings(new Plan(typed, before.lines(), before.buoys())),
                PlanInputs::ofSettings);
    }

    /**
     * Returns the scenario with what is said of open items as it is typed: their days, promises and whether they are
     * held.
     *
     * @throws Refused for what is a fact of an item, or the books' own: what it comes to, its discount, its note
     */
    public Scenario items(List<OpenItem> typed) {
        Plan before = plan(shown);
        Map<Target.OfItem, Optional<Typed>> wanted = new LinkedHashMap<>();
        for (OpenItem item : typed) {
            OpenItem there = shown(before, item.id());
            requireSaidAlone(there, item);
            for (Target.OfItem.Part part : Target.OfItem.Part.values()) {
                Optional<Typed> other = ItemChange.typed(item.handling(), part);
                if (!other.equals(ItemChange.typed(there.handling(), part))) {
                    wanted.put(new Target.OfItem(item.id(), part), other);
                }
            }
        }
        Set<Target> targets = Set.copyOf(wanted.keySet());
        Scenario stripped = without(shown, change -> change.on() && targets.contains(change.target()));
        Plan left = plan(stripped);
        List<Wanted> changes = new ArrayList<>();
        wanted.forEach((target, value) -> {
            Handling said = shown(left, target.item()).handling();
            if (!value.equals(ItemChange.typed(said, target.part()))) {
                changes.add(new Wanted(
                        target, value.<Act>map(Act.Set::new).orElseGet(Act.LeaveOut::new), DayRange.ALWAYS, ""));
            }
        });
        return wanted.isEmpty() ? shown : accepted(with(stripped, changes));
    }

    private OpenItem shown(Plan plan, String itemId) {
        return base.books()
                .items()
                .find(itemId)
                .flatMap(item -> plan.findLine(item.lineId()).map(line -> ItemChange.shown(line, item)))
                .orElseThrow(
                        () -> new Refused(
                                "An open item belongs to the books, which are the same in every scenario: show the base to add one"));
    }

    private static void requireSaidAlone(OpenItem there, OpenItem typed) {
        Handling said = typed.handling();
        Handling wouldBe = new Handling(
                said.expected(),
                said.promised(),
                said.standing(),
                there.handling().note());
        Check.that(
                there.with(wouldBe).equals(typed),
                "In a scenario an item is expected or promised on another day, or held: what it comes to, its discount"
                        + " and its note belong to the books, which are the same in every scenario. Show the base to"
                        + " change them");
    }

    /** What a line owes as the base does is shown as its ledger's total, and typed by nobody. */
    private Line withItsLedger(Line there, Line typed) {
        Optional<Assumption.Stream> seen =
                made(shown).plan().findLine(typed.id()).flatMap(Line::findStream);
        Optional<Assumption.Stream> own = there.findStream();
        Optional<Assumption.Stream> stream = typed.findStream();
        return seen.isPresent()
                        && own.isPresent()
                        && stream.isPresent()
                        && Objects.equals(seen.get().ledger(), stream.get().ledger())
                ? typed.with(stream.get().withLedger(own.get().ledger()))
                : typed;
    }

    /**
     * Returns the scenario as it is sent whole.
     *
     * @throws Refused where a change that it did not have before finds nothing, or leaves what is not allowed
     */
    public Scenario whole(Scenario sent) {
        return accepted(sent);
    }

    private Plan plan(Scenario scenario) {
        return made(scenario).asChanged();
    }

    private ScenarioPlan made(Scenario scenario) {
        return ScenarioPlan.of(base, all.with(scenario), scenario);
    }

    private boolean isNew(String lineId) {
        return shown.changes().stream()
                .anyMatch(change ->
                        change.act() instanceof Act.New made && made.line().id().equals(lineId));
    }

    private static void requireFiguresAlone(Line there, Line typed) {
        boolean same = there.heading().equals(typed.heading())
                && there.nature().equals(typed.nature())
                && there.assumption().kind().equals(typed.assumption().kind())
                && there.carried().equals(typed.carried())
                && there.netting().equals(typed.netting());
        if (!same) {
            throw new Refused(
                    "In a scenario figures are changed: a line's name, place, account and how facts take its place are the base's. Show the base to change them");
        }
    }

    private Scenario edited(
            boolean differs,
            List<Input<Plan>> before,
            List<Input<Plan>> typed,
            Function<Plan, List<Input<Plan>>> inputs) {
        Set<Target> targets = TypedDifferences.targets(before, typed);
        if (targets.isEmpty()) {
            Check.that(
                    !differs,
                    "That is the same in every scenario, as history, the as-of date and names are: show the base to change it");
            return shown;
        }
        Scenario stripped =
                without(shown, change -> change.act() instanceof Act.Set && targets.contains(change.target()));
        List<Input<Plan>> left = inputs.apply(plan(stripped));
        Scenario edited = TypedDifferences.same(left, typed)
                ? stripped
                : accepted(with(
                        stripped,
                        TypedDifferences.between(left, typed, base.plan().settings())));
        if (!TypedDifferences.same(inputs.apply(plan(edited)), typed)) {
            throw new Refused(
                    "In a scenario figures are changed, not what they are figures of: add a line that the scenario alone has, or show the base to change it");
        }
        return edited;
    }

    /** A change that is refused says so to whom it is typed by, rather than to find nothing later. */
    private Scenario accepted(Scenario edited) {
        made(edited).changes().stream()
                .filter(done -> done.scenario().id().equals(edited.id())
                        && !shown.changes().contains(done.change()))
                .flatMap(done -> done.findsNothing().stream())
                .findFirst()
                .ifPresent(sentence -> {
                    throw new Refused(sentence);
                });
        return edited;
    }

    private static Scenario without(Scenario scenario, Predicate<Change> gone) {
        return scenario.with(
                scenario.changes().stream().filter(change -> !gone.test(change)).toList());
    }

    private static Scenario with(Scenario scenario, List<Wanted> wanted) {
        List<Change> changes = new ArrayList<>(scenario.changes());
        int next = changes.stream()
                .map(change -> change.id().replaceAll("\\D", ""))
                .filter(digits -> !digits.isEmpty() && digits.length() < 8)
                .mapToInt(Integer::parseInt)
                .max()
                .orElse(0);
        for (Wanted one : wanted) {
            changes.add(new Change("c" + ++next, one.target(), one.act(), one.range(), one.note(), true));
        }
        return scenario.with(changes);
    }
}

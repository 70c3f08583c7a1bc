package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import ebbtide.plan.PlanProblem;
import ebbtide.whatif.CaseSheet;
import ebbtide.whatif.CaseSheet.CaseKey;
import ebbtide.whatif.CaseSheet.TypedCell;
import ebbtide.whatif.MadeBase;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioEdit;
import ebbtide.whatif.Scenarios;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** The edits of scenarios: put whole, typed into the sheet of all, made the base, taken out. */
public final class WhatIfEdits {
    private WhatIfEdits() {}

    private static Scenario scenario(Draft draft, String id) {
        return draft.base().scenarios().find(id).orElseThrow(() -> new NotFound("scenario", id));
    }

    /** Puts a scenario as it is sent, which must have the id: a new one stands last. */
    public static Change put(String id, JsonNode json) {
        return draft -> {
            PlanAtVersion base = draft.base();
            Scenario sent = PlanReader.scenario(json, base.currency());
            Check.that(
                    sent.id().equals(id),
                    "The scenario in the text is '" + sent.id() + "', but '" + id + "' was to be put");
            draft.reads(Kind.SCENARIO, id);
            Optional<Scenario> before = base.scenarios().find(id);
            Scenarios all = base.scenarios().putting(sent);
            List<PlanProblem> problems = all.problems();
            if (!problems.isEmpty()) {
                throw new BrokenPlan(problems);
            }
            draft.putScenario(new ScenarioEdit(base.forecast(), all, before.orElse(sent.with(List.of()))).whole(sent));
            all.all().stream()
                    .filter(one ->
                            !one.id().equals(id) && !base.scenarios().all().contains(one))
                    .forEach(draft::putScenario);
            return before.isEmpty()
                    ? "Scenario '" + sent.name() + "' made"
                    : "Scenario '" + before.get().name() + "' changed";
        };
    }

    /** Takes a scenario out; refuses one that others stand on. */
    public static Change remove(String id) {
        return draft -> {
            Scenario scenario = scenario(draft, id);
            draft.base().scenarios().all().stream()
                    .filter(one -> one.standsOn().contains(id))
                    .findFirst()
                    .ifPresent(one -> {
                        throw new Refused("'" + one.name() + "' stands on '" + scenario.name()
                                + "': let it stand without, or put this one by");
                    });
            draft.removeScenario(id);
            return "Scenario '" + scenario.name() + "' taken out";
        };
    }

    /** Makes changes of a scenario the base; the scenario has them no more. */
    public static Change makeBase(String id, List<String> changes) {
        return draft -> {
            PlanAtVersion base = draft.base();
            Scenario scenario = scenario(draft, id);
            draft.reads(Kind.SCENARIO, id);
            MadeBase made = MadeBase.of(base.forecast(), scenario, changes);
            Set<String> taken = changes.stream()
                    .flatMap(change -> scenario.tiedTo(change).stream())
                    .collect(Collectors.toSet());
            draft.putSettings(made.plan().settings());
            List<PlacedLine> placed = base.placed();
            List<Line> lines = made.plan().lines();
            for (int i = 0; i < placed.size(); i++) {
                draft.putLine(lines.get(i), placed.get(i).position());
            }
            draft.putLast(lines.subList(placed.size(), lines.size()));
            draft.putItems(made.items());
            draft.putScenario(scenario.with(scenario.changes().stream()
                    .filter(change -> !taken.contains(change.id()))
                    .toList()));
            return (taken.size() == 1 ? "A change" : taken.size() + " changes") + " of '" + scenario.name()
                    + "' made the base";
        };
    }

    /** Puts what is typed into cells of the sheet of scenarios; all of them or none. */
    public static Change type(List<TypedCell> cells) {
        return draft -> {
            PlanAtVersion base = draft.base();
            Scenarios made = CaseSheet.typed(base.forecast(), base.scenarios(), cells);
            List<Scenario> changed = made.all().stream()
                    .filter(one -> !base.scenarios().all().contains(one))
                    .toList();
            Check.that(!changed.isEmpty(), "That is what the sheet says already");
            changed.forEach(draft::putScenario);
            return (changed.size() == 1
                            ? "Scenario '" + changed.get(0).name() + "': "
                            : changed.size() + " scenarios: ")
                    + (cells.size() == 1 ? said(base, cells.get(0)) : cells.size() + " cells of the sheet");
        };
    }

    private static String said(PlanAtVersion base, TypedCell cell) {
        CaseKey key = cell.key();
        Optional<CaseSheet.CaseRow> row =
                CaseSheet.of(base.forecast(), base.scenarios(), List.of(), List.of(key)).rows().stream()
                        .findFirst();
        return row.map(CaseSheet.CaseRow::what).orElse(key.of()) + " "
                + (cell.text().isBlank() ? "as the base has it" : cell.text().strip());
    }
}

package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WhatIfEdits;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.whatif.Change;
import ebbtide.whatif.ChangeEffects;
import ebbtide.whatif.ChangeWords;
import ebbtide.whatif.ExpectedHeadroom;
import ebbtide.whatif.KeyFigures;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioPlan;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The scenarios of a plan (rules 11.1 to 11.4): listed with what they come to, put, taken out, made the base. */
@RestController
@RequestMapping("/api/plans/{plan}/scenarios")
class ScenariosController {
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    ScenariosController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    /**
     * The base's figures and its closing cash by day from the plan's first day on, the scenarios in their order, and
     * what is to be expected of their chances; null where none has one.
     */
    record ScenariosView(
            KeyFigures base,
            long[] closing,
            List<ScenarioView> scenarios,
            @Schema(nullable = true) @Nullable ExpectedHeadroom expected) {}

    /**
     * A scenario as the plan file has it, its changes in words (those of the scenarios that it stands on first), what
     * it comes to, and how much more that is than the base, and its closing cash by day.
     */
    record ScenarioView(
            @Schema(ref = DocumentPart.SCENARIO) Map<String, Object> scenario,
            List<ChangeInWords> changes,
            KeyFigures figures,
            KeyFigures difference,
            long[] closing) {}

    /** A change in words, with what it moves, and the figures with it and all changes before it. */
    record EffectView(String target, String act, String range, KeyFigures moves, KeyFigures after) {}

    /** A change in words; {@code of} is the scenario it is of where that is not the one in hand. */
    record ChangeInWords(
            String id,
            @Schema(nullable = true) @Nullable String of,
            String target,
            String act,
            String range,
            String note,
            boolean on,
            @Schema(nullable = true) @Nullable String findsNothing) {}

    @GetMapping
    ScenariosView all(@PathVariable String plan) {
        PlanAtVersion base = plans.current(plan);
        KeyFigures figures = KeyFigures.of(base.forecast());
        List<ExpectedHeadroom.Likely> likely = new ArrayList<>();
        List<ScenarioView> views = new ArrayList<>();
        for (Scenario one : base.scenarios().all()) {
            ScenarioView view = view(base, plans.scenario(plan, one.id()), one, figures);
            views.add(view);
            likely.add(new ExpectedHeadroom.Likely(one, view.figures().headroom()));
        }
        return new ScenariosView(
                figures,
                PlanView.tide(base.forecast()).closing(),
                views,
                ExpectedHeadroom.of(figures.headroom(), likely).orElse(null));
    }

    private static ScenarioView view(PlanAtVersion base, PlanAtVersion made, Scenario scenario, KeyFigures ofBase) {
        List<ChangeInWords> changes = new ArrayList<>();
        for (Scenario one : base.scenarios().under(scenario)) {
            for (Change change : one.changes()) {
                Optional<String> findsNothing = made.shown().stream()
                        .flatMap(shown -> shown.made().changes().stream())
                        .filter(done ->
                                done.scenario().equals(one) && done.change().equals(change))
                        .findFirst()
                        .flatMap(ScenarioPlan.Done::findsNothing);
                ChangeWords words = ChangeWords.of(base.forecast(), change);
                changes.add(new ChangeInWords(
                        change.id(),
                        one.equals(scenario) ? null : one.name(),
                        words.target(),
                        words.act(),
                        words.range(),
                        change.note(),
                        change.on(),
                        findsNothing.orElse(null)));
            }
        }
        KeyFigures figures = KeyFigures.of(made.forecast());
        return new ScenarioView(
                PlanView.plain(PlanWriter.json(scenario, base.currency())),
                changes,
                figures,
                figures.less(ofBase),
                PlanView.tide(made.forecast()).closing());
    }

    /** Returns what each change does, one after the other, from the base to the scenario (rules 11.5). */
    @GetMapping("/{id}/effects")
    List<EffectView> effects(@PathVariable String plan, @PathVariable String id) {
        PlanAtVersion base = plans.current(plan);
        Scenario scenario = plans.scenario(plan, id).shown().orElseThrow().scenario();
        return ChangeEffects.of(base.forecast(), base.scenarios(), scenario).stream()
                .map(one -> {
                    ChangeWords words =
                            ChangeWords.of(base.forecast(), one.done().change());
                    return new EffectView(
                            words.target(), words.act(), words.range(), one.moves(), KeyFigures.of(one.forecast()));
                })
                .toList();
    }

    /** Puts a scenario whole: a new one stands last. */
    @PutMapping(path = "/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome put(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_SCENARIO)))
                    @RequestBody
                    String json) {
        return EditOutcome.of(plan, edits.edit(plan, version, WhatIfEdits.put(id, PlanReader.parse(json))), stores);
    }

    /** Takes a scenario out; refuses one that others stand on. */
    @DeleteMapping("/{id}")
    EditOutcome remove(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, WhatIfEdits.remove(id)), stores);
    }

    /** Makes changes of a scenario the base, in one edit; the scenario has them no more. */
    @PostMapping("/{id}/base")
    EditOutcome makeBase(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestParam List<String> changes) {
        return EditOutcome.of(plan, edits.editBase(plan, version, WhatIfEdits.makeBase(id, changes)), stores);
    }
}

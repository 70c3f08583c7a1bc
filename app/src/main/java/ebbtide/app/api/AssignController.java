package ebbtide.app.api;

import ebbtide.app.storage.Draft;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.MovementStore;
import ebbtide.app.storage.MovementStore.StoredMovement;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.Stores;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Line;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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

/** Saying what bank movements were: by hand, several at once, divided, or by remembered rules. */
@RestController
@RequestMapping("/api/plans/{plan}")
class AssignController {
    private static final int AT_ONCE = 5_000;
    private final Edits edits;
    private final Stores stores;

    AssignController(Edits edits, Stores stores) {
        this.edits = edits;
        this.stores = stores;
    }

    /** What is left of several movements goes to one line; without a line it is a transfer between own accounts. */
    record Assigning(
            List<Long> movements,
            @Schema(nullable = true) @Nullable String line) {}

    @PostMapping("/assign")
    EditOutcome assign(@PathVariable String plan, @RequestParam long version, @RequestBody Assigning assigning) {
        requireLine(plan, assigning.line());
        String words = count(assigning.movements().size()) + " assigned to " + name(plan, assigning.line());
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, words, draft -> assigning.movements().forEach(id -> {
                    BankMovement movement = stores.movements().get(plan, id);
                    if (movement.unassigned() != 0) {
                        List<AssignedPart> parts = new ArrayList<>(movement.parts());
                        parts.add(new AssignedPart(assigning.line(), movement.unassigned()));
                        draft.putParts(id, parts);
                    }
                })),
                stores);
    }

    /** A part that a movement is divided into: on a line, or, without one, a transfer between own accounts. */
    record DividedPart(@Schema(nullable = true) @Nullable String line, long minor) {}

    /** The parts that one movement is divided into; none leaves it unassigned. */
    record Dividing(List<DividedPart> parts) {}

    @PutMapping("/movements/{id}/parts")
    EditOutcome divide(
            @PathVariable String plan,
            @PathVariable long id,
            @RequestParam long version,
            @RequestBody Dividing dividing) {
        dividing.parts().forEach(part -> requireLine(plan, part.line()));
        List<AssignedPart> parts = dividing.parts().stream()
                .map(p -> new AssignedPart(p.line(), p.minor()))
                .toList();
        String words = parts.isEmpty()
                ? "A movement made unassigned"
                : "A movement divided over " + parts.size() + (parts.size() == 1 ? " part" : " parts");
        return EditOutcome.of(plan, edits.edit(plan, version, words, draft -> draft.putParts(id, parts)), stores);
    }

    private void requireLine(String plan, @Nullable String line) {
        if (line != null
                && edits.current(plan)
                        .plan()
                        .findLine(line)
                        .filter(l -> !l.isGroup())
                        .isEmpty()) {
            throw new NotFound("line to assign to", line);
        }
    }

    private String name(String plan, @Nullable String line) {
        return line == null
                ? "transfers between own accounts"
                : "'"
                        + edits.current(plan)
                                .plan()
                                .findLine(line)
                                .map(Line::name)
                                .orElseThrow() + "'";
    }

    private static String count(int movements) {
        return movements == 1 ? "1 movement" : movements + " movements";
    }

    /** A rule as the plan file writes it, with how many movements not yet assigned it fits. */
    record RuleView(@Schema(ref = DocumentPart.RULE) Map<String, Object> rule, int fits) {}

    @GetMapping("/rules")
    List<RuleView> rules(@PathVariable String plan) {
        List<StoredMovement> open = open(plan);
        return stores.rules().all(plan).stream()
                .map(rule -> new RuleView(
                        PlanView.plain(PlanWriter.json(
                                rule, edits.current(plan).plan().settings().currency())),
                        (int) open.stream().filter(m -> rule.fits(m.movement())).count()))
                .toList();
    }

    private List<StoredMovement> open(String plan) {
        return stores.movements()
                .find(
                        plan,
                        new MovementStore.Query(
                                null, MovementStore.Which.UNASSIGNED, null, null, "", null, AT_ONCE, 0));
    }

    /** Remembers a rule, and with {@code apply} lets it assign at once what it fits and nobody has assigned. */
    @PutMapping(path = "/rules/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome rule(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestParam(defaultValue = "false") boolean apply,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_RULE)))
                    @RequestBody
                    String json) {
        AssignRule rule = PlanReader.rule(
                PlanReader.parse(json), edits.current(plan).plan().settings().currency());
        requireLine(plan, rule.lineId());
        List<StoredMovement> fitting =
                apply ? open(plan).stream().filter(m -> rule.fits(m.movement())).toList() : List.of();
        String words = "Rule for " + name(plan, rule.lineId()) + " remembered"
                + (apply ? ", " + count(fitting.size()) + " assigned" : "");
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, words, draft -> {
                    draft.putRule(rule);
                    fitting.forEach(stored -> assignWhole(draft, stored, rule));
                }),
                stores);
    }

    private static void assignWhole(Draft draft, StoredMovement stored, AssignRule rule) {
        if (stored.movement().parts().isEmpty()) {
            draft.putParts(stored.id(), rule.partsOf(stored.movement()));
        }
    }

    @DeleteMapping("/rules/{id}")
    EditOutcome forget(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, "Rule forgotten", draft -> draft.removeRule(id)), stores);
    }
}

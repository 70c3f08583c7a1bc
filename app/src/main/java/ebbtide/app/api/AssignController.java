package ebbtide.app.api;

import ebbtide.app.desk.AssignEdits;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.MovementStore;
import ebbtide.app.storage.MovementStore.StoredMovement;
import ebbtide.app.storage.Stores;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
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
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    AssignController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    /** What is left of several movements goes to one line; without a line it is a transfer between own accounts. */
    record Assigning(
            List<Long> movements,
            @Schema(nullable = true) @Nullable String line) {}

    @PostMapping("/assign")
    EditOutcome assign(@PathVariable String plan, @RequestParam long version, @RequestBody Assigning assigning) {
        return EditOutcome.of(
                plan, edits.edit(plan, version, AssignEdits.assign(assigning.movements(), assigning.line())), stores);
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
        List<AssignedPart> parts = dividing.parts().stream()
                .map(part -> new AssignedPart(part.line(), part.minor()))
                .toList();
        return EditOutcome.of(plan, edits.edit(plan, version, AssignEdits.divide(id, parts)), stores);
    }

    /** A rule as the plan file writes it, with how many movements not yet assigned it fits. */
    record RuleView(@Schema(ref = DocumentPart.RULE) Map<String, Object> rule, int fits) {}

    @GetMapping("/rules")
    @Allowed(Role.ONLOOKER)
    List<RuleView> rules(@PathVariable String plan) {
        List<StoredMovement> open = stores.movements().find(plan, MovementStore.Query.unassigned(AT_ONCE));
        return stores.rules().all(plan).stream()
                .map(rule -> new RuleView(
                        PlanView.plain(PlanWriter.json(
                                rule, plans.current(plan).plan().settings().currency())),
                        (int) open.stream().filter(m -> rule.fits(m.movement())).count()))
                .toList();
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
        return EditOutcome.of(
                plan, edits.edit(plan, version, AssignEdits.remember(PlanReader.parse(json), apply)), stores);
    }

    @DeleteMapping("/rules/{id}")
    EditOutcome forget(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, AssignEdits.forget(id)), stores);
    }
}

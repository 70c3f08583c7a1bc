package ebbtide.app.api;

import ebbtide.app.desk.BuoyEdits;
import ebbtide.app.desk.Edits;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanReader;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.OffsetDateTime;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is said on figures: buoys left, changed, answered and lifted. */
@RestController
@RequestMapping("/api/plans/{plan}/buoys/{id}")
class BuoysController {
    private final Edits edits;
    private final Stores stores;
    private final Clock clock;

    BuoysController(Edits edits, Stores stores, Clock clock) {
        this.edits = edits;
        this.stores = stores;
        this.clock = clock;
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }

    @PutMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    @Allowed(Role.COMMENTER)
    EditOutcome put(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_BUOY)))
                    @RequestBody
                    String json) {
        return EditOutcome.of(plan, edits.edit(plan, version, BuoyEdits.put(PlanReader.parse(json), now())), stores);
    }

    @DeleteMapping
    @Allowed(Role.COMMENTER)
    EditOutcome lift(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, BuoyEdits.lift(id)), stores);
    }

    /** What is answered. */
    record Answering(String words) {}

    @PostMapping("/answers")
    @Allowed(Role.COMMENTER)
    EditOutcome answer(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestBody Answering answering) {
        return EditOutcome.of(plan, edits.edit(plan, version, BuoyEdits.answer(id, answering.words(), now())), stores);
    }

    @DeleteMapping("/answers/{answer}")
    @Allowed(Role.COMMENTER)
    EditOutcome takeBack(
            @PathVariable String plan,
            @PathVariable String id,
            @PathVariable String answer,
            @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, BuoyEdits.takeBack(id, answer)), stores);
    }
}

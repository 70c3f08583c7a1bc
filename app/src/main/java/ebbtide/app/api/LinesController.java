package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.LineEdits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanReader;
import ebbtide.plan.Line;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.YearMonth;
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

/** The lines of a plan: looked at, added, changed, moved, deleted. */
@RestController
@RequestMapping("/api/plans/{plan}/lines")
class LinesController {
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    LinesController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    private static int within(int asked, int least, int most) {
        return Math.max(least, Math.min(most, asked));
    }

    @GetMapping("/{id}")
    @Allowed(Role.ONLOOKER)
    LineView view(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam(required = false) YearMonth from,
            @RequestParam(defaultValue = "3") int history,
            @RequestParam(defaultValue = "12") int months) {
        PlanAtVersion current = plans.shownWithin(plan, id);
        YearMonth first = from == null ? current.plan().settings().firstForecastMonth() : from;
        return LineView.of(current, line(current, id), first, within(history, 0, 60), within(months, 1, 72));
    }

    private static Line line(PlanAtVersion current, String id) {
        return current.plan().findLine(id).orElseThrow(() -> new NotFound("line", id));
    }

    /**
     * Puts a line as it is sent: a new one stands after all others, one that is there keeps its place. The change log
     * says what changed where it is one assumption, and {@code words} otherwise.
     */
    @PutMapping(path = "/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
    @Allowed(Role.COMMENTER)
    EditOutcome put(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestParam String words,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_LINE)))
                    @RequestBody
                    String json) {
        return EditOutcome.of(
                plan, edits.edit(plan, version, LineEdits.put(id, PlanReader.parse(json), words)), stores);
    }

    /** Copies a line that is no group to an id of the caller's; the copy stands right after it. */
    @PostMapping("/{id}/copy")
    EditOutcome copy(
            @PathVariable String plan, @PathVariable String id, @RequestParam long version, @RequestParam String to) {
        return EditOutcome.of(plan, edits.edit(plan, version, LineEdits.copy(id, to)), stores);
    }

    /** Takes a line's figures out, its overrides too; history, dates and terms stay. */
    @PostMapping("/{id}/clear")
    EditOutcome clear(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, LineEdits.clear(id)), stores);
    }

    /** Takes what the scenario that is shown changes of a line out, so that it is as the base has it. */
    @PostMapping("/{id}/base")
    EditOutcome takeBase(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, LineEdits.takeBase(id)), stores);
    }

    /** Moves a line into a group (none: the top) before another line, or to the end of the group. */
    @PostMapping("/{id}/move")
    EditOutcome move(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestParam(required = false) String group,
            @RequestParam(required = false) String before) {
        return EditOutcome.of(plan, edits.edit(plan, version, LineEdits.move(id, group, before)), stores);
    }

    /**
     * Deletes a line, or a group with all it holds, and the interest of a facility or loan with it; movements assigned
     * to them become unassigned.
     */
    @DeleteMapping("/{id}")
    EditOutcome delete(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, LineEdits.delete(id)), stores);
    }
}

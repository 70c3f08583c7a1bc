package ebbtide.app.api;

import ebbtide.app.storage.Draft;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.YearMonth;
import java.util.List;
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
    private final Edits edits;
    private final Stores stores;

    LinesController(Edits edits, Stores stores) {
        this.edits = edits;
        this.stores = stores;
    }

    private static int within(int asked, int least, int most) {
        return Math.max(least, Math.min(most, asked));
    }

    @GetMapping("/{id}")
    LineView view(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam(required = false) YearMonth from,
            @RequestParam(defaultValue = "3") int history,
            @RequestParam(defaultValue = "12") int months) {
        PlanAtVersion current = edits.shown(plan);
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
    EditOutcome put(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestParam String words,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_LINE)))
                    @RequestBody
                    String json) {
        Plan now = edits.shown(plan).plan();
        Line line = PlanReader.line(PlanReader.parse(json), now.settings().currency());
        if (!line.id().equals(id)) {
            throw new Refused("The line in the text is '" + line.id() + "', but '" + id + "' was to be put");
        }
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        LineWords.of(now, line, words),
                        draft -> draft.putLine(line, position(plan, id))),
                stores);
    }

    /** Returns the position of a line in the order of all, for a new one that after the last. */
    private double position(String plan, String id) {
        List<PlacedLine> all = edits.shown(plan).placed();
        return all.stream()
                .filter(p -> p.line().id().equals(id))
                .mapToDouble(PlacedLine::position)
                .findFirst()
                .orElse(all.isEmpty() ? 1 : all.get(all.size() - 1).position() + 1);
    }

    /** Copies a line that is no group to an id of the caller's; the copy stands right after it. */
    @PostMapping("/{id}/copy")
    EditOutcome copy(
            @PathVariable String plan, @PathVariable String id, @RequestParam long version, @RequestParam String to) {
        PlanAtVersion current = edits.shown(plan);
        Line line = line(current, id);
        if (line.isGroup()) {
            throw new Refused("A group is not copied as a whole: copy the lines in it");
        }
        if (current.plan().findLine(to).isPresent()) {
            throw new Refused("The id '" + to + "' is taken by another line");
        }
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        "'" + line.name() + "' copied",
                        draft -> place(
                                draft,
                                edits.shown(plan).placed(),
                                line.copy(to),
                                after(edits.shown(plan).placed(), id))),
                stores);
    }

    private static int after(List<PlacedLine> all, String id) {
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).line().id().equals(id)) {
                return i + 1;
            }
        }
        return all.size();
    }

    /** Takes a line's figures out, its overrides too; history, dates and terms stay. */
    @PostMapping("/{id}/clear")
    EditOutcome clear(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        Line line = line(edits.shown(plan), id);
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        "Figures of '" + line.name() + "' cleared",
                        draft -> draft.putLine(line.cleared(), position(plan, id))),
                stores);
    }

    /** Takes what the scenario that is shown changes of a line out, so that it is as the base has it. */
    @PostMapping("/{id}/base")
    EditOutcome takeBase(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        Line line = line(edits.shown(plan), id);
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan, version, "'" + line.name() + "' as the base has it", draft -> draft.takeBase(line.id())),
                stores);
    }

    /** Moves a line into a group (none: the top) before another line, or to the end of the group. */
    @PostMapping("/{id}/move")
    EditOutcome move(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestParam(required = false) String group,
            @RequestParam(required = false) String before) {
        Line line = line(edits.shown(plan), id);
        Line moved = line.in(group);
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, "'" + line.name() + "' moved", draft -> {
                    List<PlacedLine> others = edits.shown(plan).placed().stream()
                            .filter(p -> !p.line().id().equals(id))
                            .toList();
                    int at = others.size();
                    for (int i = 0; i < others.size() && before != null; i++) {
                        at = others.get(i).line().id().equals(before) ? i : at;
                    }
                    place(draft, others, moved, at);
                }),
                stores);
    }

    /**
     * Puts a line among others in their order, before the one at a place; numbers that lie too near are given out anew.
     */
    private static void place(Draft draft, List<PlacedLine> others, Line line, int at) {
        double low = others.isEmpty()
                ? 0
                : at == 0 ? others.get(0).position() - 2 : others.get(at - 1).position();
        double high = at == others.size() ? low + 2 : others.get(at).position();
        if (high - low < 1e-6) {
            for (int i = 0; i < others.size(); i++) {
                draft.putLine(others.get(i).line(), i < at ? i : i + 1);
            }
            draft.putLine(line, at);
        } else {
            draft.putLine(line, (low + high) / 2);
        }
    }

    /**
     * Deletes a line, or a group with all it holds, and the interest of a facility or loan with it; movements assigned
     * to them become unassigned.
     */
    @DeleteMapping("/{id}")
    EditOutcome delete(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        PlanAtVersion current = edits.shown(plan);
        Line line = line(current, id);
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, "'" + line.name() + "' deleted", draft -> deleteTree(draft, current, line)),
                stores);
    }

    private static void deleteTree(Draft draft, PlanAtVersion current, Line line) {
        current.plan().childrenOf(line.direction(), line.id()).forEach(child -> deleteTree(draft, current, child));
        // Interest of what is gone is interest of nothing.
        current.plan().lines().stream()
                .filter(other -> other.assumption()
                        .findInterest()
                        .filter(interest -> line.id().equals(interest.lineId()))
                        .isPresent())
                .forEach(other -> draft.removeLine(other.id()));
        draft.removeLine(line.id());
    }
}

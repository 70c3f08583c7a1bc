package ebbtide.app.desk;

import ebbtide.answers.MovablePayment;
import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import ebbtide.plan.LineOrder;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** The edits of lines: put, copied, cleared, moved among the others, deleted. */
public final class LineEdits {
    private LineEdits() {}

    private static Line line(Draft draft, String id) {
        return draft.shown().plan().findLine(id).orElseThrow(() -> new NotFound("line", id));
    }

    /**
     * Puts a line as it is sent, which must have the id: a new one stands after all others. The log says what changed
     * where it is one assumption, and {@code words} otherwise.
     */
    public static Change put(String id, JsonNode json, String words) {
        return draft -> {
            Line line = draft.sentLine(json);
            if (!line.id().equals(id)) {
                throw new Refused("The line in the text is '" + line.id() + "', but '" + id + "' was to be put");
            }
            draft.putLine(line);
            return LineWords.of(draft.shown().plan(), line, words);
        };
    }

    /** Copies a line that is no group to an id that is free; the copy stands right after it. */
    public static Change copy(String id, String to) {
        return draft -> {
            Line line = line(draft, id);
            if (line.isGroup()) {
                throw new Refused("A group is not copied as a whole: copy the lines in it");
            }
            if (draft.shown().plan().findLine(to).isPresent()) {
                throw new Refused("The id '" + to + "' is taken by another line");
            }
            draft.reads(Kind.LINE, id);
            List<PlacedLine> all = draft.shown().placed();
            place(draft, all, line.copy(to), placeOf(all, id) + 1);
            return "'" + line.name() + "' copied";
        };
    }

    /** Takes a line's figures out, its overrides too; history, dates and terms stay. */
    public static Change clear(String id) {
        return draft -> {
            Line line = line(draft, id);
            draft.putLine(line.cleared());
            return "Figures of '" + line.name() + "' cleared";
        };
    }

    /** Takes what the scenario that is shown changes of a line out, so that it is as the base has it. */
    public static Change takeBase(String id) {
        return draft -> {
            Line line = line(draft, id);
            draft.takeBase(id);
            return "'" + line.name() + "' as the base has it";
        };
    }

    /** Moves a line into a group (null: the top) before another line, or to the end where none is named. */
    public static Change move(String id, @Nullable String group, @Nullable String before) {
        return draft -> {
            Line line = line(draft, id);
            List<PlacedLine> others = draft.shown().placed().stream()
                    .filter(one -> !one.line().id().equals(id))
                    .toList();
            place(draft, others, line.in(group), before == null ? others.size() : placeOf(others, before));
            return "'" + line.name() + "' moved";
        };
    }

    /** Returns the place of a line among others, from 0; that after the last where it is not there. */
    private static int placeOf(List<PlacedLine> all, String id) {
        int place = 0;
        while (place < all.size() && !all.get(place).line().id().equals(id)) {
            place++;
        }
        return place;
    }

    private static void place(Draft draft, List<PlacedLine> others, Line line, int at) {
        LineOrder order =
                LineOrder.putting(others.stream().map(PlacedLine::position).toList(), Math.min(at, others.size()));
        for (int i = 0; i < order.others().size(); i++) {
            draft.putLine(others.get(i).line(), order.others().get(i));
        }
        draft.putLine(line, order.place());
    }

    /**
     * Deletes a line with what goes with it: all that a group holds, the interest of a facility or loan; movements
     * assigned to them become unassigned.
     */
    public static Change delete(String id) {
        return draft -> {
            Line line = line(draft, id);
            for (Line going : draft.shown().plan().goingWith(line)) {
                draft.removeLine(going.id());
            }
            return "'" + line.name() + "' deleted";
        };
    }

    /** Adds a facility or a loan together with the line of its interest; both stand after all others. */
    public static Change addFunding(List<JsonNode> lines) {
        return draft -> {
            List<Line> added = lines.stream()
                    .map(json -> PlanReader.line(json, draft.base().currency()))
                    .toList();
            Check.that(
                    !added.isEmpty() && added.stream().allMatch(Line::isFunding),
                    "facilities, loans and their interest are added here");
            draft.putLast(added);
            return "'" + added.get(0).name() + "' added";
        };
    }

    /** Moves something of a line that can be paid another day. */
    public static Change movePayment(String id, LocalDate to) {
        return draft -> {
            Line moved = MovablePayment.moved(draft.shown().plan(), id, to);
            draft.putLine(moved);
            return "'" + moved.name() + "' moved to " + to;
        };
    }
}

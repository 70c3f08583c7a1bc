package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.MovementStore.StoredMovement;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.formats.plan.PlanReader;
import ebbtide.plan.Line;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** The edits that say what bank movements were: by hand, several at once, divided, or by remembered rules. */
public final class AssignEdits {
    private AssignEdits() {}

    /** Assigns what is left of movements to a line; without one it is a transfer between own accounts. */
    public static Change assign(List<Long> movements, @Nullable String line) {
        return draft -> {
            requireLine(draft, line);
            for (long id : movements) {
                BankMovement movement = draft.books().movement(id);
                if (movement.unassigned() != 0) {
                    List<AssignedPart> parts = new ArrayList<>(movement.parts());
                    parts.add(new AssignedPart(line, movement.unassigned()));
                    draft.books().putParts(id, parts);
                }
            }
            return count(movements.size()) + " assigned to " + name(draft, line);
        };
    }

    /** Divides a movement into parts; none leaves it unassigned. */
    public static Change divide(long movement, List<AssignedPart> parts) {
        return draft -> {
            parts.forEach(part -> requireLine(draft, part.lineId()));
            draft.books().putParts(movement, parts);
            return parts.isEmpty()
                    ? "A movement made unassigned"
                    : "A movement divided over " + parts.size() + (parts.size() == 1 ? " part" : " parts");
        };
    }

    /** Remembers a rule as it is sent, and, if asked, assigns at once what it fits and nobody has assigned. */
    public static Change remember(JsonNode json, boolean apply) {
        return draft -> {
            AssignRule rule = PlanReader.rule(json, draft.base().currency());
            requireLine(draft, rule.lineId());
            draft.reads(Kind.RULE, rule.id());
            draft.putRule(rule);
            String words = "Rule for " + name(draft, rule.lineId()) + " remembered";
            if (!apply) {
                return words;
            }
            List<StoredMovement> fitting = draft.books().unassigned().stream()
                    .filter(one -> rule.fits(one.movement()))
                    .toList();
            fitting.stream().filter(one -> one.movement().parts().isEmpty()).forEach(one -> draft.books()
                    .putParts(one.id(), rule.partsOf(one.movement())));
            return words + ", " + count(fitting.size()) + " assigned";
        };
    }

    /** Forgets a rule. */
    public static Change forget(String id) {
        return draft -> {
            draft.removeRule(id);
            return "Rule forgotten";
        };
    }

    private static void requireLine(Draft draft, @Nullable String line) {
        if (line != null
                && draft.base()
                        .plan()
                        .findLine(line)
                        .filter(one -> !one.isGroup())
                        .isEmpty()) {
            throw new NotFound("line to assign to", line);
        }
    }

    private static String name(Draft draft, @Nullable String line) {
        return line == null
                ? "transfers between own accounts"
                : "'" + draft.base().plan().findLine(line).map(Line::name).orElseThrow() + "'";
    }

    private static String count(int movements) {
        return movements == 1 ? "1 movement" : movements + " movements";
    }
}

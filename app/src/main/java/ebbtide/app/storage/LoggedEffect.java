package ebbtide.app.storage;

import ebbtide.app.storage.ChangeLog.Effect;
import java.util.EnumSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What the log keeps of an effect: of a thing that came or went its state, of one that changed what changed, of one
 * whose state is a word, and in logs of before this was so, both states.
 */
public record LoggedEffect(
        UndoableStore.Kind kind,
        String id,
        @Nullable String before,
        @Nullable String after,
        @Nullable StateChange change) {

    /** Kinds whose states are words or short lists, and no objects of fields. */
    private static final Set<UndoableStore.Kind> AS_A_WHOLE =
            EnumSet.of(UndoableStore.Kind.STATEMENT, UndoableStore.Kind.PARTS, UndoableStore.Kind.NOTE);

    static LoggedEffect of(Effect effect) {
        StateChange change = effect.before() == null || effect.after() == null || AS_A_WHOLE.contains(effect.kind())
                ? null
                : StateChange.between(effect.before(), effect.after()).orElse(null);
        return change == null
                ? new LoggedEffect(effect.kind(), effect.id(), effect.before(), effect.after(), null)
                : new LoggedEffect(effect.kind(), effect.id(), null, null, change);
    }

    /** Whether the thing was not there before. */
    boolean begins() {
        return before == null && change == null;
    }

    /** Returns the effect on a thing whose state is the one the edit left, or, to bring it back, the one it found. */
    public Effect on(@Nullable String now, boolean back) {
        if (change == null) {
            return new Effect(kind, id, now, back ? before : after);
        }
        if (now == null) {
            throw new IllegalStateException("The " + kind + " '" + id + "' that was changed is not there");
        }
        return new Effect(kind, id, now, change.of(now, back));
    }

    void write(ArrayNode into) {
        ObjectNode json = into.addObject().put("kind", kind.name()).put("id", id);
        if (change == null) {
            json.put("before", before).put("after", after);
        } else {
            json.set("changes", change.changes());
        }
    }

    static LoggedEffect read(JsonNode json) {
        return new LoggedEffect(
                UndoableStore.Kind.valueOf(json.get("kind").asString()),
                json.get("id").asString(),
                json.path("before").asString(null),
                json.path("after").asString(null),
                json.get("changes") instanceof ArrayNode changes ? new StateChange(changes) : null);
    }
}

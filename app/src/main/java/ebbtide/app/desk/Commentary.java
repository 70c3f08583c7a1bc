package ebbtide.app.desk;

import ebbtide.app.people.Role;
import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.app.storage.UndoableStore.Kind;
import java.util.List;
import java.util.Set;

/** What a commenter writes: buoys, explanations, the notes and commentary of snapshots, the notes of lines. */
final class Commentary {
    private static final Set<List<String>> OF_SNAPSHOT = Set.of(List.of("note"), List.of("commentary"));
    private static final Set<List<String>> OF_LINE = Set.of(List.of("line", "note"));

    private Commentary() {}

    /** Returns the least role that may have effects: a commenter where they are commentary alone, else an editor. */
    static Role least(List<Effect> effects) {
        return effects.stream().allMatch(Commentary::isAll) ? Role.COMMENTER : Role.EDITOR;
    }

    private static boolean isAll(Effect effect) {
        if (effect.kind() == Kind.NOTE || effect.kind() == Kind.BUOY) {
            return true;
        }
        Set<List<String>> may =
                effect.kind() == Kind.SNAPSHOT ? OF_SNAPSHOT : effect.kind() == Kind.LINE ? OF_LINE : Set.of();
        return may.containsAll(Places.between(effect.before(), effect.after()).all());
    }
}

package ebbtide.app.storage;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A kind of thing that edits change: its state is text that can be read, written back, and kept in the change log, so
 * that undo and redo need to know nothing else about it. A state of null means that the thing is not there.
 */
public interface UndoableStore {
    /** The kinds. */
    enum Kind {
        SETTINGS,
        LINE,
        BUOY,
        ACCOUNT,
        RULE,
        STATEMENT,
        PARTS,
        ITEM,
        SNAPSHOT,
        ROLL,
        NOTE,
        SCENARIO,
        LEDGER
    }

    Kind kind();

    /** Returns the store of a kind. */
    static UndoableStore of(List<UndoableStore> all, Kind kind) {
        return all.stream().filter(one -> one.kind() == kind).findFirst().orElseThrow();
    }

    /** Returns the state of a thing of a plan, null if it is not there. */
    @Nullable
    String state(String planId, String id);

    /** Makes a thing of a plan have a state, null taking it away. */
    void restore(String planId, String id, @Nullable String state);
}

package ebbtide.app.desk;

import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore;
import ebbtide.app.storage.UndoableStore.Kind;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** What an edit has written so far, each thing with its state before and after; it is written at once. */
final class Effects {
    private final String planId;
    private final List<UndoableStore> kept;
    private final Stores stores;
    private final List<Effect> all = new ArrayList<>();

    Effects(String planId, List<UndoableStore> kept, Stores stores) {
        this.planId = planId;
        this.kept = kept;
        this.stores = stores;
    }

    List<Effect> all() {
        return all;
    }

    String planId() {
        return planId;
    }

    Stores stores() {
        return stores;
    }

    @Nullable
    String state(Kind kind, String id) {
        return UndoableStore.of(kept, kind).state(planId, id);
    }

    void put(Kind kind, String id, @Nullable String after) {
        UndoableStore store = UndoableStore.of(kept, kind);
        String before = store.state(planId, id);
        if (!Objects.equals(before, after)) {
            store.restore(planId, id, after);
            note(kind, id, before, after);
        }
    }

    /**
     * Holds what was written against what others wrote since the version that the edit was made on.
     *
     * @throws StaleVersion where both changed the same of a thing
     */
    void requireApartFrom(Since since) {
        Map<List<Object>, Effect> things = new LinkedHashMap<>();
        all.forEach(one -> things.merge(
                List.of(one.kind(), one.id()),
                one,
                (first, last) -> new Effect(first.kind(), first.id(), first.before(), last.after())));
        things.values().stream()
                .filter(one -> since.touched(one.kind(), one.id()))
                .filter(one -> since.then(one.kind(), one.id(), one.before())
                        .changed()
                        .meet(Places.between(one.before(), one.after())))
                .findFirst()
                .ifPresent(one -> {
                    throw since.stale();
                });
    }

    /** Notes what was written already. */
    void note(Kind kind, String id, @Nullable String before, @Nullable String after) {
        all.add(new Effect(kind, id, before, after));
    }
}

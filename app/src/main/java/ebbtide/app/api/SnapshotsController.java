package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.SnapshotEdits;
import ebbtide.app.people.Role;
import ebbtide.app.storage.SnapshotStore;
import ebbtide.app.storage.SnapshotStore.SnapshotLabel;
import ebbtide.app.storage.Stores;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The snapshots of the forecast: kept, named, annotated, protected, taken out of the list. */
@RestController
@RequestMapping("/api/plans/{plan}/snapshots")
class SnapshotsController {
    private final SnapshotEdits snapshots;
    private final Edits edits;
    private final Stores stores;

    SnapshotsController(SnapshotEdits snapshots, Edits edits, Stores stores) {
        this.snapshots = snapshots;
        this.edits = edits;
        this.stores = stores;
    }

    @GetMapping
    @Allowed(Role.ONLOOKER)
    List<SnapshotStore.SnapshotListed> list(@PathVariable String plan) {
        return stores.snapshots().all(plan);
    }

    /** The name and note of a snapshot to keep. */
    record Keeping(
            String name, @Schema(nullable = true) @Nullable String note) {}

    @PostMapping
    EditOutcome keep(@PathVariable String plan, @RequestParam long version, @RequestBody Keeping keeping) {
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, snapshots.keep(keeping.name(), keeping.note() == null ? "" : keeping.note())),
                stores);
    }

    /**
     * Keeps what a scenario comes to as it is approved, to be held against what happens, and the base that it stands on
     * beside it (rules 10.1); in one edit.
     */
    @PostMapping("/approved")
    EditOutcome approve(@PathVariable String plan, @RequestParam long version, @RequestParam String of) {
        return EditOutcome.of(plan, edits.edit(plan, version, snapshots.approve(plan, of)), stores);
    }

    /** Changes what is said of a snapshot; what it keeps is never changed. */
    @PutMapping("/{id}")
    @Allowed(Role.COMMENTER)
    EditOutcome say(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestBody SnapshotLabel said) {
        return EditOutcome.of(plan, edits.edit(plan, version, snapshots.say(plan, id, said)), stores);
    }

    /** Takes a snapshot out of the list. Refuses one that is protected. */
    @DeleteMapping("/{id}")
    EditOutcome remove(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, snapshots.remove(plan, id)), stores);
    }
}

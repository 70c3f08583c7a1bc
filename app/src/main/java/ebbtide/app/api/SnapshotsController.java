package ebbtide.app.api;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.SnapshotStore;
import ebbtide.app.storage.SnapshotStore.SnapshotLabel;
import ebbtide.app.storage.Stores;
import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.whatif.Scenario;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;
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
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_NOTE = 10_000;
    private static final int LONGEST_COMMENTARY = 50_000;
    private final Edits edits;
    private final Stores stores;

    SnapshotsController(Edits edits, Stores stores) {
        this.edits = edits;
        this.stores = stores;
    }

    @GetMapping
    List<SnapshotStore.SnapshotListed> list(@PathVariable String plan) {
        return stores.snapshots().all(plan);
    }

    /** The name and note of a snapshot to keep. */
    record Keeping(
            String name, @Schema(nullable = true) @Nullable String note) {}

    @PostMapping
    EditOutcome keep(@PathVariable String plan, @RequestParam long version, @RequestBody Keeping keeping) {
        SnapshotLabel said =
                checked(new SnapshotLabel(keeping.name(), keeping.note() == null ? "" : keeping.note(), false, ""));
        String id = UUID.randomUUID().toString();
        Forecast forecast = edits.current(plan).forecast();
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        "Snapshot '" + said.name() + "' saved",
                        draft -> draft.addSnapshot(id, said.name(), said.note(), forecast)),
                stores);
    }

    /**
     * Keeps what a scenario comes to as it is approved, to be held against what happens, and the base that it stands on
     * beside it (rules 10.1); in one edit.
     */
    @PostMapping("/approved")
    EditOutcome approve(@PathVariable String plan, @RequestParam long version, @RequestParam String of) {
        PlanAtVersion made = edits.scenario(plan, of);
        Scenario approved = made.shown().orElseThrow().scenario();
        Forecast base = edits.current(plan).forecast();
        String name = approved.name() + ", approved as of "
                + DAY.format(made.plan().settings().asOf());
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        "Scenario '" + approved.name() + "' approved, to be tracked",
                        draft -> draft.addApproved(name, approved, made.forecast(), base)),
                stores);
    }

    private static SnapshotLabel checked(SnapshotLabel said) {
        return new SnapshotLabel(
                Check.text(said.name(), "name of the snapshot", LONGEST_NAME),
                Check.atMost(said.note() == null ? "" : said.note(), "note of a snapshot", LONGEST_NOTE),
                said.locked(),
                Check.atMost(said.commentary() == null ? "" : said.commentary(), "commentary", LONGEST_COMMENTARY));
    }

    /** Changes what is said of a snapshot; what it keeps is never changed. */
    @PutMapping("/{id}")
    EditOutcome say(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestBody SnapshotLabel said) {
        SnapshotLabel before = stores.snapshots().said(plan, id);
        SnapshotLabel now = checked(said);
        String words = !before.name().equals(now.name())
                ? "Snapshot '" + before.name() + "' renamed"
                : before.locked() != now.locked()
                        ? "Snapshot '" + now.name() + "' " + (now.locked() ? "protected" : "no longer protected")
                        : !before.commentary().equals(now.commentary())
                                ? "Commentary of '" + now.name() + "' written"
                                : "Note of '" + now.name() + "' written";
        return EditOutcome.of(plan, edits.edit(plan, version, words, draft -> draft.putSaid(id, now)), stores);
    }

    /** Takes a snapshot out of the list. Refuses one that is protected. */
    @DeleteMapping("/{id}")
    EditOutcome remove(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        SnapshotLabel said = stores.snapshots().said(plan, id);
        Check.that(!said.locked(), "The snapshot '" + said.name() + "' is protected: lift its protection first");
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, "Snapshot '" + said.name() + "' removed", draft -> draft.removeSnapshot(id)),
                stores);
    }
}

package ebbtide.app.desk;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.SnapshotStore.SnapshotLabel;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.money.Check;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.whatif.Scenario;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** The edits of snapshots and of what is said of them: kept, named, annotated, protected, taken out of the list. */
@Component
public record SnapshotEdits(Stores stores, Plans plans) {
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_NOTE = 10_000;
    private static final int LONGEST_COMMENTARY = 50_000;

    /** Keeps the forecast as it stands. */
    public Change keep(String name, String note) {
        SnapshotLabel said = checked(new SnapshotLabel(name, note, false, ""));
        return draft -> {
            draft.readsForecast();
            draft.addSnapshot(
                    UUID.randomUUID().toString(),
                    said.name(),
                    said.note(),
                    draft.base().forecast());
            return "Snapshot '" + said.name() + "' saved";
        };
    }

    /**
     * Keeps what a scenario comes to as it is approved, to be held against what happens, and the base that it stands on
     * beside it (rules 10.1).
     */
    public Change approve(String plan, String scenario) {
        return draft -> {
            draft.readsForecast();
            PlanAtVersion made = plans.scenario(plan, scenario);
            for (Scenario one :
                    draft.base().scenarios().under(made.shown().orElseThrow().scenario())) {
                draft.reads(Kind.SCENARIO, one.id());
            }
            Scenario approved = made.shown().orElseThrow().scenario();
            draft.addApproved(
                    approved.name() + ", approved as of "
                            + DAY.format(made.plan().settings().asOf()),
                    approved,
                    made.forecast());
            return "Scenario '" + approved.name() + "' approved, to be tracked";
        };
    }

    private static SnapshotLabel checked(SnapshotLabel said) {
        return new SnapshotLabel(
                Check.text(said.name(), "name of the snapshot", LONGEST_NAME),
                Check.atMost(said.note() == null ? "" : said.note(), "note of a snapshot", LONGEST_NOTE),
                said.locked(),
                Check.atMost(said.commentary() == null ? "" : said.commentary(), "commentary", LONGEST_COMMENTARY));
    }

    /** Changes what is said of a snapshot; what it keeps is never changed. */
    public Change say(String plan, String id, SnapshotLabel said) {
        SnapshotLabel now = checked(said);
        return draft -> {
            SnapshotLabel before = stores.snapshots().said(plan, id);
            draft.reads(Kind.SNAPSHOT, id);
            draft.putSaid(id, now);
            if (!before.name().equals(now.name())) {
                return "Snapshot '" + before.name() + "' renamed";
            }
            if (before.locked() != now.locked()) {
                return "Snapshot '" + now.name() + "' " + (now.locked() ? "protected" : "no longer protected");
            }
            return (before.commentary().equals(now.commentary()) ? "Note" : "Commentary") + " of '" + now.name()
                    + "' written";
        };
    }

    /** Takes a snapshot out of the list. Refuses one that is protected. */
    public Change remove(String plan, String id) {
        return draft -> {
            SnapshotLabel said = stores.snapshots().said(plan, id);
            Check.that(!said.locked(), "The snapshot '" + said.name() + "' is protected: lift its protection first");
            draft.removeSnapshot(id);
            return "Snapshot '" + said.name() + "' removed";
        };
    }

    /** A line by its name; a row of a statement, "income line 1", by its statement and what it is. */
    private static String named(Plan plan, String row) {
        String id = row.substring(row.lastIndexOf(' ') + 1);
        String what =
                plan.findLine(id).map(Line::name).orElse(id.replace('_', ' ').replace('-', ' '));
        return row.startsWith("income ")
                ? what + " in the income statement"
                : row.startsWith("balance ") ? what + " in the balance sheet" : what;
    }

    /** Says something of a row's figure in the days of a window, both included; blank takes it back. */
    public Change note(String plan, String snapshot, LocalDate from, LocalDate to, String row, String note) {
        Check.atMost(note, "note of a figure", LONGEST_NOTE);
        return draft -> {
            stores.snapshots().said(plan, snapshot);
            draft.putNote(snapshot, from, to, row, note);
            return "'" + named(draft.base().plan(), row) + "' "
                    + (note.isBlank() ? "no longer explained" : "explained");
        };
    }
}

package ebbtide.formats.plan;

import ebbtide.money.Check;
import ebbtide.statements.KeptStatements;
import ebbtide.track.Snapshot;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What was of a plan before now, as its file can carry it: the snapshots in the order in which they were kept, the
 * notes on their comparisons, and the edits that made the plan what it is, to be read and not undone.
 */
public record PlanPast(List<KeptSnapshot> snapshots, List<VarianceNote> notes, List<LoggedEdit> log) {
    private static final int LONG_TEXT = 10_000;

    /** Nothing of it. */
    public static final PlanPast NONE = new PlanPast(List.of(), List.of(), List.of());

    /**
     * A snapshot with what is said of it: the scenario it is of (null: the base), the low water of its forecast, and
     * its statements (null: kept before they were).
     */
    public record KeptSnapshot(
            String id,
            String name,
            String note,
            boolean locked,
            String commentary,
            @Nullable String scenario,
            OffsetDateTime takenAt,
            LocalDate lowWaterDay,
            long lowWaterCash,
            Snapshot forecast,
            @Nullable KeptStatements statements) {
        public KeptSnapshot {
            Check.that(id.length() <= 40, "An id has at most 40 letters");
            Check.that(name.length() <= 200, "A name has at most 200 letters");
            Check.that(note.length() <= LONG_TEXT, "A note has at most 10,000 letters");
            Check.that(commentary.length() <= 100_000, "A commentary has at most 100,000 letters");
        }
    }

    /** What was said of a row of a snapshot's comparison over some days, both included. */
    public record VarianceNote(String snapshot, LocalDate from, LocalDate to, String row, String note) {
        public VarianceNote {
            Check.that(snapshot.length() + row.length() <= 200, "A snapshot and a row have at most 200 letters in all");
            Check.that(note.length() <= LONG_TEXT, "A note has at most 10,000 letters");
        }
    }

    /** An edit: whether it held in the end, or was undone. */
    public record LoggedEdit(OffsetDateTime madeAt, String author, String words, boolean held) {
        public LoggedEdit {
            Check.that(author.length() <= 200, "An author has at most 200 letters");
            Check.that(words.length() <= 1000, "What an edit did is said in at most 1,000 letters");
        }
    }

    public PlanPast {
        snapshots = List.copyOf(snapshots);
        notes = List.copyOf(notes);
        log = List.copyOf(log);
        Check.that(
                snapshots.stream().map(KeptSnapshot::id).distinct().count() == snapshots.size(),
                "Two snapshots have the same id: give one of them another");
    }
}

package ebbtide.app.jobs;

import ebbtide.app.desk.EditMade;
import ebbtide.app.desk.Marks;
import ebbtide.formats.bank.RowProblem;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** How far the bringing in of a file is, and what its edit did once it is done (null before). */
public record BringingIn(Progress progress, @Nullable BroughtIn edit) {
    /** How far a job is, or how it ended. */
    public enum State {
        READING,
        KEEPING,
        DONE,
        BAD_ROWS,
        STOPPED,
        FAILED;

        boolean isOver() {
            return this != READING && this != KEEPING;
        }
    }

    /** What a person sees of a job: bytes read of all, rows good and bad, what was added and assigned by rules. */
    public record Progress(
            State state,
            long bytesRead,
            long bytes,
            int rows,
            int badRows,
            List<RowProblem> problems,
            int added,
            int alreadyThere,
            int assigned,
            @Nullable LocalDate lastDay,
            String sentence) {}

    /** What the edit of a job did: a job is known long after, and holds no forecast. */
    public record BroughtIn(String words, Marks was, Marks became) {
        static BroughtIn of(EditMade made) {
            return new BroughtIn(
                    made.words(),
                    Marks.of(made.was().forecast()),
                    Marks.of(made.became().forecast()));
        }
    }
}

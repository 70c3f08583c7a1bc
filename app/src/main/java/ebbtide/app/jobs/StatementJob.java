package ebbtide.app.jobs;

import ebbtide.app.storage.EditMade;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.NoRoom;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.StatementStore;
import ebbtide.app.storage.StatementStore.ArrivingStatement;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.StatementBalances;
import ebbtide.formats.bank.BankCsvReader;
import ebbtide.formats.bank.BankRow;
import ebbtide.formats.bank.CsvDialect;
import ebbtide.formats.bank.RowProblem;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The bringing in of one bank's file, with one statement or several: read whole first, then kept in one edit, or not at
 * all. With bad rows and no word to leave them out it stops before anything is kept.
 */
public final class StatementJob implements Runnable {
    private static final Logger LOG = LoggerFactory.getLogger(StatementJob.class);
    private static final int MOST_PROBLEMS = 500;

    /** How far a job is, or how it ended. */
    public enum State {
        READING,
        KEEPING,
        DONE,
        BAD_ROWS,
        STOPPED,
        FAILED
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

    /** The reading of a file's bytes into what arrives. */
    @FunctionalInterface
    public interface Content {
        void read(InputStream in, Arrivals arrivals) throws IOException;
    }

    /** Returns the reading of a bank's CSV by a dialect, all of it for one account. */
    public static Content csv(String account, CsvDialect dialect, Currency currency) {
        return (in, arrivals) -> {
            arrivals.begin(account, null);
            new BankCsvReader(dialect, currency).read(in, arrivals);
        };
    }

    private final BankFiles.HeldFile file;
    private final Content content;
    private final boolean leaveBadRows;
    private final List<AssignRule> rules;
    private final Edits edits;
    private final StatementStore statements;
    private final List<ArrivingStatement> arriving = new ArrayList<>();
    private final List<RowProblem> problems = new ArrayList<>();
    private volatile boolean stopAsked;
    private volatile State state = State.READING;
    private volatile long bytesRead;
    private volatile int badRows;
    private volatile int rows;
    private volatile int assigned;
    private volatile int added;
    private volatile @Nullable LocalDate lastDay;
    private volatile String sentence = "";
    private volatile @Nullable EditMade done;

    /** Makes the job of a file, its movements assigned by rules. */
    public StatementJob(
            BankFiles.HeldFile file,
            Content content,
            boolean leaveBadRows,
            List<AssignRule> rules,
            Edits edits,
            StatementStore statements) {
        this.file = file;
        this.content = content;
        this.leaveBadRows = leaveBadRows;
        this.rules = List.copyOf(rules);
        this.edits = edits;
        this.statements = statements;
    }

    /** Asks the job to stop; nothing of it is kept unless it was done already. */
    public void stop() {
        stopAsked = true;
    }

    /** Returns how far the job is. */
    public Progress progress() {
        // The state is read before what it speaks of: what is said to be over has left all its problems behind.
        State now = state;
        List<RowProblem> shown;
        synchronized (problems) {
            shown = List.copyOf(problems);
        }
        return new Progress(
                now,
                bytesRead,
                file.size(),
                rows,
                badRows,
                shown,
                added,
                now == State.DONE ? rows - added : 0,
                assigned,
                lastDay,
                sentence);
    }

    /** Returns the edit of a job that is done, null before. */
    public @Nullable EditMade edit() {
        return done;
    }

    @Override
    public void run() {
        try {
            read();
            if (stopAsked) {
                throw new Stopped();
            }
            if (badRows > 0 && !leaveBadRows) {
                end(
                        State.BAD_ROWS,
                        badRows + (badRows == 1 ? " row" : " rows")
                                + " could not be taken as they stand: nothing was brought in yet.");
                return;
            }
            if (arriving.stream().allMatch(one -> one.movements().isEmpty() && one.declared() == null)) {
                throw new IllegalArgumentException(
                        "No movement was found in the file: look at which columns hold what");
            }
            keep();
        } catch (Stopped e) {
            end(State.STOPPED, "Stopped: nothing was brought in.");
        } catch (IllegalArgumentException | NoRoom e) {
            end(State.FAILED, String.valueOf(e.getMessage()));
        } catch (IOException | RuntimeException e) {
            LOG.error("A bank file could not be brought in", e);
            end(
                    State.FAILED,
                    "The file could not be read to its end: nothing was brought in. Export it from the bank again.");
        }
    }

    /**
     * Says how the job ended: the sentence stands before the state, by which a reader knows that it may be read. What
     * was read is let go: a job is looked at long after, and a million rows are most of the heap.
     */
    private void end(State ended, String said) {
        arriving.clear();
        sentence = said;
        state = ended;
    }

    /** Ends the work from inside when a stop was asked for. */
    private static final class Stopped extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Stopped() {
            super(null, null, false, false);
        }
    }

    private void read() throws IOException {
        try (InputStream in = new Counting(Files.newInputStream(file.path()))) {
            content.read(in, new Arrivals());
        }
    }

    /** What arrives while a file is read: statement by statement, row by row. */
    public final class Arrivals implements BankCsvReader.Sink {
        private List<BankMovement> movements = new ArrayList<>();
        private String account = "";

        private Arrivals() {}

        /** Begins what arrives for an account, with the balances that the bank declares, or null. */
        public void begin(String of, @Nullable StatementBalances declared) {
            account = of;
            movements = new ArrayList<>();
            arriving.add(new ArrivingStatement(of, file.name(), movements, declared));
        }

        @Override
        public void row(BankRow row) {
            if (stopAsked) {
                throw new Stopped();
            }
            try {
                movements.add(movement(row));
            } catch (IllegalArgumentException e) {
                problem(new RowProblem(row.line(), String.valueOf(e.getMessage()), row.counterparty()));
            }
        }

        @Override
        public void problem(RowProblem problem) {
            badRows++;
            synchronized (problems) {
                if (problems.size() < MOST_PROBLEMS) {
                    problems.add(problem);
                }
            }
        }

        private BankMovement movement(BankRow row) {
            BankMovement bare = new BankMovement(
                    account,
                    row.bookingDate(),
                    row.valueDate(),
                    row.minor(),
                    row.text(),
                    row.counterparty(),
                    row.reference(),
                    List.of());
            BankMovement movement = row.minor() == 0
                    ? bare
                    : AssignRule.findFitting(rules, bare)
                            .map(rule -> bare.withParts(rule.partsOf(bare)))
                            .orElse(bare);
            rows++;
            assigned += movement.parts().isEmpty() ? 0 : 1;
            lastDay = lastDay == null || row.bookingDate().isAfter(lastDay) ? row.bookingDate() : lastDay;
            return movement;
        }
    }

    private void keep() {
        Map<String, ArrivingStatement> laid = new LinkedHashMap<>();
        List<String> toSwitchOn = new ArrayList<>();
        try {
            arriving.stream()
                    .filter(one -> !one.movements().isEmpty() || one.declared() != null)
                    .forEach(one -> laid.put(ShortId.next(), one));
            laid.forEach((id, one) -> statements.begin(file.planId(), id, one));
            // Not before it is begun: who has seen it being kept must be told if it is cut off.
            state = State.KEEPING;
            for (Map.Entry<String, ArrivingStatement> entry : laid.entrySet()) {
                ArrivingStatement one = entry.getValue();
                int fresh = lay(entry.getKey(), one);
                if (fresh > 0 || one.declared() != null && !statements.isThere(file.planId(), one.declared())) {
                    toSwitchOn.add(entry.getKey());
                } else {
                    statements.takeUp(file.planId(), entry.getKey());
                }
                added += fresh;
            }
            done = edits.edit(
                    file.planId(),
                    "Statement " + file.name() + " brought in",
                    draft -> toSwitchOn.forEach(draft::switchOn));
        } catch (RuntimeException e) {
            added = 0;
            laid.keySet().forEach(id -> statements.takeUp(file.planId(), id));
            throw e;
        }
        end(
                State.DONE,
                added == 0
                        ? "Every movement of this file was there already: nothing was added."
                        : added + (added == 1 ? " movement" : " movements") + " brought in"
                                + (added < rows ? ", " + (rows - added) + " were there already" : "") + ".");
    }

    private int lay(String id, ArrivingStatement one) {
        return statements.lay(file.planId(), id, one, () -> {
            if (stopAsked) {
                throw new Stopped();
            }
        });
    }

    /** Counts the bytes that were read, for progress. */
    private final class Counting extends FilterInputStream {
        Counting(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            int one = super.read();
            bytesRead += one < 0 ? 0 : 1;
            return one;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int count = super.read(into, from, length);
            bytesRead += Math.max(0, count);
            return count;
        }
    }
}

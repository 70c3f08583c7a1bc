package ebbtide.app.jobs;

import ebbtide.app.Fault;
import ebbtide.app.desk.Edits;
import ebbtide.app.jobs.BringingIn.BroughtIn;
import ebbtide.app.jobs.BringingIn.Progress;
import ebbtide.app.jobs.BringingIn.State;
import ebbtide.app.storage.NoRoom;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.StatementLaying;
import ebbtide.app.storage.StatementStore;
import ebbtide.app.storage.StatementStore.ArrivingStatement;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.StatementBalances;
import ebbtide.formats.bank.BankCsvReader;
import ebbtide.formats.bank.BankRow;
import ebbtide.formats.bank.CsvDialect;
import ebbtide.formats.bank.RowProblem;
import ebbtide.money.Refused;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The bringing in of one bank's file, with one statement or several: read whole first, then a second time to be laid
 * down row by row and kept in one edit, or not at all; of a long one a batch of its rows is held, a short one whole.
 * With bad rows and no word to leave them out it stops before anything is kept.
 */
public final class StatementJob implements Runnable {
    private static final Logger LOG = LoggerFactory.getLogger(StatementJob.class);
    private static final String STOPPING = "Stopping: what of it is there already is taken out again.";
    private static final int MOST_PROBLEMS = 500;
    /** Some 40 MB; more than a month of most companies. */
    private static final int MOST_HELD = 100_000;

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
    private final List<StatementLaying> laid = new ArrayList<>();
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
    private volatile @Nullable BroughtIn done;

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

    /** Returns whether it has come to its end, whichever. */
    boolean isOver() {
        return state.isOver();
    }

    String planId() {
        return file.planId();
    }

    private Progress progress() {
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
                stopAsked && !now.isOver() ? STOPPING : sentence);
    }

    /** Returns how the job stands. */
    public BringingIn standing() {
        Progress now = progress();
        return new BringingIn(now, done);
    }

    @Override
    public void run() {
        try {
            Reading read = new Reading();
            read(read);
            if (badRows > 0 && !leaveBadRows) {
                end(
                        State.BAD_ROWS,
                        badRows
                                + (badRows == 1
                                        ? " row could not be taken as it stands"
                                        : " rows could not be taken as they stand")
                                + ": nothing was brought in yet.");
                return;
            }
            if (arriving.stream().allMatch(ArrivingStatement::isEmpty)) {
                throw new Refused("No movement was found in the file: look at which columns hold what");
            }
            keep(read.held);
        } catch (Stopped e) {
            end(State.STOPPED, "Stopped: nothing was brought in.");
        } catch (Refused | NoRoom e) {
            end(State.FAILED, String.valueOf(e.getMessage()));
        } catch (IOException | RuntimeException e) {
            LOG.error("A bank file could not be brought in: {}", new Fault(e));
            end(
                    State.FAILED,
                    "The file could not be read to its end: nothing was brought in. Export it from the bank again.");
        }
    }

    /**
     * Says how the job ended: the sentence stands before the state, by which a reader knows that it may be read. What
     * was noted of the file is let go: a job is looked at long after.
     */
    private void end(State ended, String said) {
        arriving.clear();
        laid.clear();
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

    private void read(Arrivals into) throws IOException {
        bytesRead = 0;
        try (InputStream in = new Counting(Files.newInputStream(file.path()))) {
            content.read(in, into);
        }
        goOn();
    }

    private void goOn() {
        if (stopAsked) {
            throw new Stopped();
        }
    }

    /** What arrives while a file is read: statement by statement, row by row. */
    public abstract sealed class Arrivals implements BankCsvReader.Sink {
        private String account = "";

        /** Begins what arrives for an account, with the balances that the bank declares, or null. */
        public final void begin(String of, @Nullable StatementBalances declared) {
            account = of;
            begun(of, declared);
        }

        abstract void begun(String of, @Nullable StatementBalances declared);

        /** Takes a movement as it would be kept. */
        abstract void take(BankMovement movement);

        @Override
        public final void row(BankRow row) {
            goOn();
            BankMovement movement;
            try {
                movement = movement(row);
            } catch (Refused e) {
                problem(new RowProblem(row.line(), String.valueOf(e.getMessage()), row.counterparty()));
                return;
            }
            take(movement);
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
            return row.minor() == 0
                    ? bare
                    : AssignRule.findFitting(rules, bare)
                            .map(rule -> bare.withParts(rule.partsOf(bare)))
                            .orElse(bare);
        }
    }

    /** The first reading: what there is of each day, and what is wrong. */
    private final class Reading extends Arrivals {
        private SortedMap<LocalDate, Integer> days = new TreeMap<>();
        /** The movements of each statement, where they are few enough to be held: they need not be read again. */
        private @Nullable List<List<BankMovement>> held = new ArrayList<>();

        @Override
        void begun(String of, @Nullable StatementBalances declared) {
            if (held != null) {
                held.add(new ArrayList<>());
            }
            days = new TreeMap<>();
            arriving.add(new ArrivingStatement(of, file.name(), days, declared));
        }

        @Override
        void take(BankMovement movement) {
            LocalDate day = movement.bookingDate();
            days.merge(day, 1, Integer::sum);
            rows++;
            if (held != null && rows <= MOST_HELD) {
                held.get(held.size() - 1).add(movement);
            } else {
                held = null;
            }
            assigned += movement.parts().isEmpty() ? 0 : 1;
            lastDay = lastDay == null || day.isAfter(lastDay) ? day : lastDay;
        }

        @Override
        public void problem(RowProblem problem) {
            goOn();
            badRows++;
            synchronized (problems) {
                if (problems.size() < MOST_PROBLEMS) {
                    problems.add(problem);
                }
            }
        }
    }

    /** The second reading: what is good is laid down, statement by statement. */
    private final class Laying extends Arrivals {
        private final List<String> ids;
        private int begun;

        Laying(List<String> ids) {
            this.ids = ids;
        }

        @Override
        void begun(String of, @Nullable StatementBalances declared) {
            laid.add(statements.laying(file.planId(), ids.get(begun), arriving.get(begun), StatementJob.this::goOn));
            begun++;
        }

        @Override
        void take(BankMovement movement) {
            laid.get(begun - 1).take(movement);
        }

        @Override
        public void problem(RowProblem problem) {
            // It was said when the file was read first.
        }
    }

    private void keep(@Nullable List<List<BankMovement>> held) throws IOException {
        List<String> ids = arriving.stream()
                .map(one -> one.isEmpty() ? "" : ShortId.next())
                .toList();
        List<String> toSwitchOn = new ArrayList<>();
        try {
            for (int i = 0; i < ids.size(); i++) {
                if (!arriving.get(i).isEmpty()) {
                    statements.begin(file.planId(), ids.get(i), arriving.get(i));
                }
            }
            // Not before it is begun: who has seen it being kept must be told if it is cut off.
            state = State.KEEPING;
            lay(new Laying(ids), held);
            for (int i = 0; i < ids.size(); i++) {
                int fresh = laid.get(i).end();
                StatementBalances declared = arriving.get(i).declared();
                if (fresh > 0 || declared != null && !statements.isThere(file.planId(), declared)) {
                    toSwitchOn.add(ids.get(i));
                } else {
                    statements.takeUp(file.planId(), ids.get(i));
                }
                added += fresh;
            }
            done = BroughtIn.of(edits.edit(
                    file.planId(),
                    "Statement " + file.name() + " brought in",
                    draft -> toSwitchOn.forEach(draft.books()::switchOn)));
        } catch (IOException | RuntimeException e) {
            added = 0;
            ids.forEach(id -> statements.takeUp(file.planId(), id));
            throw e;
        }
        end(
                State.DONE,
                added == 0
                        ? "Every movement of this file was there already: nothing was added."
                        : added + (added == 1 ? " movement" : " movements") + " brought in"
                                + (added < rows ? ", " + (rows - added) + " were there already" : "") + ".");
    }

    private void lay(Laying laying, @Nullable List<List<BankMovement>> held) throws IOException {
        if (held == null) {
            read(laying);
            return;
        }
        for (int i = 0; i < held.size(); i++) {
            laying.begin(arriving.get(i).account(), arriving.get(i).declared());
            held.get(i).forEach(laying::take);
        }
        goOn();
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

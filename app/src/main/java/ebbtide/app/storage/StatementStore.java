package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.StatementBalances;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;

/** The statements that were brought in. The movements of one count while it is switched on; undo switches it off. */
@Repository
public class StatementStore implements UndoableStore {
    private final JdbcClient client;
    private final MovementStore movements;
    private final MovementRows rows;
    private final TransactionTemplate transaction;
    private final ProcessStore processes;
    private final Clock clock;

    StatementStore(
            JdbcClient client,
            MovementStore movements,
            MovementRows rows,
            TransactionTemplate transaction,
            ProcessStore processes,
            Clock clock) {
        this.processes = processes;
        this.rows = rows;
        this.client = client;
        this.transaction = transaction;
        this.movements = movements;
        this.clock = clock;
    }

    /**
     * A statement in the list of those brought in; number and balances are null where the bank's file declared none.
     */
    public record StatementListed(
            String id,
            String account,
            String fileName,
            OffsetDateTime broughtInAt,
            int movements,
            LocalDate firstDay,
            LocalDate lastDay,
            String number,
            Long opening,
            Long closing) {

        /** Returns the balances that the bank declared, none for a file that declares none. */
        public Optional<StatementBalances> balances() {
            return number == null
                    ? Optional.empty()
                    : Optional.of(new StatementBalances(account, number, firstDay, lastDay, opening, closing));
        }
    }

    /**
     * What comes in for an account: how many movements of each day, and the balances if the file declares them (else
     * null).
     */
    public record ArrivingStatement(
            String account,
            String fileName,
            SortedMap<LocalDate, Integer> rows,
            @Nullable StatementBalances declared) {
        /** Returns what arrives with these movements, without declared balances. */
        public static ArrivingStatement of(String account, String fileName, List<BankMovement> movements) {
            SortedMap<LocalDate, Integer> rows = new TreeMap<>();
            movements.forEach(one -> rows.merge(one.bookingDate(), 1, Integer::sum));
            return new ArrivingStatement(account, fileName, rows, null);
        }

        /** Whether nothing arrives, no statement without movements either. */
        public boolean isEmpty() {
            return rows.isEmpty() && declared == null;
        }
    }

    /** Returns what a statement's movements are in the books of a plan's accounts. */
    public BooksWithCount books(String planId, String id, List<Account> accounts) {
        return movements.booksOf(planId, accounts, id);
    }

    /**
     * A statement whose bringing in was cut off: how many movements of it had been laid down; without a file name where
     * none was known.
     */
    public record CutOff(String planId, String fileName, int movements) {
        /** Returns what happened, and how to mend it. */
        public String sentence() {
            return "The bringing in of " + (fileName.isEmpty() ? "a bank file" : "'" + fileName + "'")
                    + " was cut off: none of its movements counts (" + movements
                    + " had been laid down and were taken up). Bring the file in again";
        }
    }

    /**
     * Takes up a statement that was laid down and never switched on; one that is kept stays. Returns how many movements
     * of it there were.
     */
    public int takeUp(String planId, String id) {
        if (client.sql("select count(*) from statement where plan_id = ? and id = ? and not kept")
                        .params(planId, id)
                        .query(Integer.class)
                        .single()
                > 0) {
            int taken = rows.removeOf(planId, id);
            client.sql("delete from statement where plan_id = ? and id = ?")
                    .params(planId, id)
                    .update();
            return taken;
        }
        return 0;
    }

    /**
     * Takes up every statement whose bringing in was cut off when the program that did it ended, this one too, which
     * starts, and returns all that are not brought in again yet.
     */
    public List<CutOff> takeUpAtStart() {
        takeUp(true);
        return client.sql("select plan_id, file_name, movements from statement_cut_off")
                .query(CutOff.class)
                .list();
    }

    /** Takes up every statement whose bringing in was cut off when another program ended that did it. */
    public void takeUpCutOff() {
        takeUp(false);
    }

    private void takeUp(boolean ownToo) {
        client.sql("""
        select plan_id, id, file_name from statement where not kept
        and (laid_by is null or laid_by not in (select id from process) or laid_by = ?)""")
                .param(ownToo ? processes.id() : "")
                .query((row, n) -> List.of(row.getString("plan_id"), row.getString("id"), row.getString("file_name")))
                .list()
                .forEach(laid -> {
                    int there = takeUp(laid.get(0), laid.get(1));
                    // One that was cut off again is said once.
                    client.sql("delete from statement_cut_off where plan_id = ? and file_name = ?")
                            .params(laid.get(0), laid.get(2))
                            .update();
                    client.sql("insert into statement_cut_off (plan_id, file_name, movements) values (?, ?, ?)")
                            .params(laid.get(0), laid.get(2), there)
                            .update();
                });
    }

    /** Returns the statements of a plan whose bringing in was cut off and that were not brought in again since. */
    public List<CutOff> cutOff(String planId) {
        return client.sql("select plan_id, file_name, movements from statement_cut_off where plan_id = ?")
                .param(planId)
                .query(CutOff.class)
                .list();
    }

    /** Returns whether a statement with just these balances counts already. */
    public boolean isThere(String planId, StatementBalances declared) {
        return all(planId).stream()
                .anyMatch(one -> one.balances().filter(declared::equals).isPresent());
    }

    /** Returns how many movements the statements of a plan that count have. */
    public int movements(String planId) {
        return client.sql("select coalesce(sum(movements), 0) from statement where plan_id = ? and active")
                .param(planId)
                .query(Integer.class)
                .single();
    }

    /** Returns the statements of a plan that count, the latest first. */
    public List<StatementListed> all(String planId) {
        return client.sql("""
        select id, account, file_name, brought_in_at, movements, first_day, last_day, number, opening, closing from statement
        where plan_id = ? and active order by brought_in_at desc, id""").param(planId).query(StatementListed.class).list();
    }

    /**
     * Begins a statement, switched off and without a movement yet: from here on no movement of it is ever there without
     * it, and what cuts the work off is said.
     */
    public void begin(String planId, String id, ArrivingStatement arriving) {
        StatementBalances declared = arriving.declared();
        LocalDate first = declared != null ? declared.from() : arriving.rows().firstKey();
        LocalDate last = declared != null ? declared.to() : arriving.rows().lastKey();
        client.sql("""
        insert into statement (plan_id, id, account, file_name, brought_in_at, movements, first_day, last_day, active, kept,
          number, opening, closing, laid_by)
        values (?, ?, ?, ?, ?, 0, ?, ?, false, false, ?, ?, ?, ?)""")
                .params(Arrays.asList(
                        planId,
                        id,
                        arriving.account(),
                        arriving.fileName(),
                        OffsetDateTime.now(clock),
                        first,
                        last,
                        declared == null ? null : declared.number(),
                        declared == null ? null : declared.opening(),
                        declared == null ? null : declared.closing(),
                        processes.id()))
                .update();
    }

    /**
     * Returns the laying down of the movements that arrive for a statement that was begun. {@code eachBatch} runs
     * before every ten thousand and may throw to end the work: the statement is then to be taken up.
     */
    public StatementLaying laying(String planId, String id, ArrivingStatement arriving, Runnable eachBatch) {
        return new StatementLaying(planId, id, arriving, movements, rows, transaction, eachBatch);
    }

    @Override
    public Kind kind() {
        return Kind.STATEMENT;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql("select active from statement where plan_id = ? and id = ?")
                .params(planId, id)
                .query(Boolean.class)
                .optional()
                .filter(active -> active)
                .map(active -> "active")
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("update statement set active = ?, kept = true where plan_id = ? and id = ?")
                .params(state != null, planId, id)
                .update();
        client.sql("""
        delete from statement_cut_off where plan_id = ? and file_name in ('', (select file_name from statement where plan_id = ? and id = ?))""").params(planId, planId, id).update();
    }
}

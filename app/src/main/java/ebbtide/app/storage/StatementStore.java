package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.StatementBalances;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
    private final DaySums sums;
    private final TransactionTemplate transaction;
    private final Clock clock;

    StatementStore(
            JdbcClient client, MovementStore movements, DaySums sums, TransactionTemplate transaction, Clock clock) {
        this.client = client;
        this.sums = sums;
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
     * What comes in for an account: the movements that were read, and the balances if the file declares them (else
     * null).
     */
    public record ArrivingStatement(
            String account,
            String fileName,
            List<BankMovement> movements,
            @Nullable StatementBalances declared) {}

    /** Returns what a statement's movements are in the books of a plan's accounts. */
    BooksWithCount books(String planId, String id, List<Account> accounts) {
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

    /** Takes up a statement that was laid down and never switched on; one that is kept stays. */
    public void takeUp(String planId, String id) {
        if (client.sql("select count(*) from statement where plan_id = ? and id = ? and not kept")
                        .params(planId, id)
                        .query(Integer.class)
                        .single()
                > 0) {
            movements.removeOf(planId, id);
            client.sql("delete from statement where plan_id = ? and id = ?")
                    .params(planId, id)
                    .update();
        }
    }

    /**
     * Takes up every statement whose bringing in was cut off when the program ended, and returns all that are not
     * brought in again yet; for a start.
     */
    public List<CutOff> takeUpCutOff() {
        client.sql("select plan_id, id, file_name from statement where not kept")
                .query((row, n) -> List.of(row.getString("plan_id"), row.getString("id"), row.getString("file_name")))
                .list()
                .forEach(laid -> {
                    int there = client.sql("select count(*) from movement where plan_id = ? and statement_id = ?")
                            .params(laid.get(0), laid.get(1))
                            .query(Integer.class)
                            .single();
                    // One that was cut off again is said once.
                    client.sql("delete from statement_cut_off where plan_id = ? and file_name = ?")
                            .params(laid.get(0), laid.get(2))
                            .update();
                    client.sql("insert into statement_cut_off (plan_id, file_name, movements) values (?, ?, ?)")
                            .params(laid.get(0), laid.get(2), there)
                            .update();
                    takeUp(laid.get(0), laid.get(1));
                });
        return client.sql("select plan_id, file_name, movements from statement_cut_off")
                .query(CutOff.class)
                .list();
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
        List<BankMovement> read = arriving.movements();
        StatementBalances declared = arriving.declared();
        LocalDate first = declared != null
                ? declared.from()
                : read.stream()
                        .map(BankMovement::bookingDate)
                        .min(Comparator.naturalOrder())
                        .orElseThrow();
        LocalDate last = declared != null
                ? declared.to()
                : read.stream()
                        .map(BankMovement::bookingDate)
                        .max(Comparator.naturalOrder())
                        .orElseThrow();
        client.sql("""
        insert into statement (plan_id, id, account, file_name, brought_in_at, movements, first_day, last_day, active, kept,
          number, opening, closing)
        values (?, ?, ?, ?, ?, 0, ?, ?, false, false, ?, ?, ?)""")
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
                        declared == null ? null : declared.closing()))
                .update();
    }

    /**
     * Lays down the movements that arrive for a statement that was begun and are not among the account's yet, switched
     * off, and returns how many those are. A movement is the same as another if account, day, amount and the bank's
     * words are; a file that has it twice adds it twice. {@code eachBatch} runs before every ten thousand and may throw
     * to end the work, which leaves nothing.
     */
    public int lay(String planId, String id, ArrivingStatement arriving, Runnable eachBatch) {
        List<BankMovement> fresh = fresh(planId, arriving);
        try {
            layAll(planId, arriving.account(), id, fresh, eachBatch);
            transaction.executeWithoutResult(status -> {
                sums.lay(planId, id, fresh);
                client.sql("update statement set movements = ? where plan_id = ? and id = ?")
                        .params(fresh.size(), planId, id)
                        .update();
            });
            return fresh.size();
        } catch (RuntimeException e) {
            takeUp(planId, id);
            throw e;
        }
    }

    /**
     * What is not there yet, by day: what is known of one day at a time is held, for that of a large file's days would
     * fill the heap.
     */
    private List<BankMovement> fresh(String planId, ArrivingStatement arriving) {
        SortedMap<LocalDate, List<BankMovement>> byDay = new TreeMap<>();
        arriving.movements().forEach(movement -> byDay.computeIfAbsent(movement.bookingDate(), day -> new ArrayList<>())
                .add(movement));
        List<BankMovement> fresh = new ArrayList<>(arriving.movements().size());
        byDay.forEach(
                (day, ofDay) -> fresh.addAll(without(movements.fingerprints(planId, arriving.account(), day), ofDay)));
        return fresh;
    }

    private static List<BankMovement> without(Map<String, Integer> known, List<BankMovement> read) {
        if (known.isEmpty()) {
            return read;
        }
        Map<String, Integer> seen = new HashMap<>();
        return read.stream()
                .filter(movement -> {
                    String fingerprint = Fingerprint.of(movement);
                    return seen.merge(fingerprint, 1, Integer::sum) > known.getOrDefault(fingerprint, 0);
                })
                .toList();
    }

    /** A batch and a transaction at a time: nothing of it counts before the statement is switched on. */
    private void layAll(String planId, String account, String id, List<BankMovement> fresh, Runnable eachBatch) {
        for (int from = 0; from < fresh.size(); from += MovementStore.BATCH) {
            List<BankMovement> batch = fresh.subList(from, Math.min(fresh.size(), from + MovementStore.BATCH));
            eachBatch.run();
            transaction.executeWithoutResult(status -> movements.add(planId, account, id, batch));
        }
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

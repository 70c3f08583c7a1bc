package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItems;
import ebbtide.books.Payment;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What the movements of each statement come to by day, kept beside them: an edit adds to it and takes from it, so that
 * books are read in the time their days take, however many movements there are (decisions/0005).
 */
@Repository
class DaySums {
    private final JdbcClient client;
    private final JdbcTemplate template;

    DaySums(JdbcClient client, JdbcTemplate template) {
        this.client = client;
        this.template = template;
    }

    private record LineDay(String account, @Nullable String line, LocalDate day, int direction) {}

    private record ItemDay(String account, @Nullable String line, String item, LocalDate day) {}

    private record AccountDay(String account, LocalDate day, int direction) {}

    /** What movements come to by day, added up one after the other. */
    static final class Added {
        private final Map<LineDay, long[]> lines = new HashMap<>();
        private final Map<AccountDay, long[]> accounts = new HashMap<>();
        private final Map<ItemDay, long[]> items = new HashMap<>();

        void add(BankMovement movement) {
            DaySums.add(movement, 1, lines, accounts);
            addItems(movement, 1, items);
        }
    }

    /** Keeps the sums of a statement that has none yet. */
    void lay(String planId, String statementId, Added added) {
        template.batchUpdate(
                "insert into line_day (plan_id, statement_id, account, line_id, booking_date, direction, minor, settled) values (?, ?, ?, ?, ?, ?, ?, ?)",
                added.lines.entrySet().stream()
                        .map(e -> new Object[] {
                            planId,
                            statementId,
                            e.getKey().account(),
                            e.getKey().line(),
                            e.getKey().day(),
                            e.getKey().direction(),
                            e.getValue()[0],
                            e.getValue()[1]
                        })
                        .toList());
        template.batchUpdate(
                "insert into account_day (plan_id, statement_id, account, booking_date, direction, minor, unassigned, waiting) values (?, ?, ?, ?, ?, ?, ?, ?)",
                added.accounts.entrySet().stream()
                        .map(e -> new Object[] {
                            planId,
                            statementId,
                            e.getKey().account(),
                            e.getKey().day(),
                            e.getKey().direction(),
                            e.getValue()[0],
                            e.getValue()[1],
                            e.getValue()[2]
                        })
                        .toList());
        template.batchUpdate(
                "insert into item_day (plan_id, statement_id, account, line_id, item_id, booking_date, minor, closed) values (?, ?, ?, ?, ?, ?, ?, ?)",
                added.items.entrySet().stream()
                        .map(e -> new Object[] {
                            planId,
                            statementId,
                            e.getKey().account(),
                            e.getKey().line(),
                            e.getKey().item(),
                            e.getKey().day(),
                            e.getValue()[0],
                            e.getValue()[1]
                        })
                        .toList());
    }

    /** Takes the sums of a statement out. */
    void remove(String planId, String statementId) {
        for (String table : List.of("line_day", "account_day", "item_day")) {
            client.sql("delete from " + table + " where plan_id = ? and statement_id = ?")
                    .params(planId, statementId)
                    .update();
        }
    }

    /** Takes from the sums of a statement what a movement was said to be, and adds what it is said to be now. */
    void change(String planId, String statementId, BankMovement was, BankMovement becomes) {
        Map<LineDay, long[]> lines = new HashMap<>();
        Map<AccountDay, long[]> accounts = new HashMap<>();
        add(was, -1, lines, accounts);
        add(becomes, 1, lines, accounts);
        lines.forEach((key, by) -> {
            int there = client.sql("""
          update line_day set minor = minor + ?, settled = settled + ?
          where plan_id = ? and statement_id = ? and booking_date = ? and account = ? and line_id is not distinct from ? and direction = ?""")
                    .params(Arrays.asList(
                            by[0], by[1], planId, statementId, key.day(), key.account(), key.line(), key.direction()))
                    .update();
            if (there == 0) {
                client.sql(
                                "insert into line_day (plan_id, statement_id, account, line_id, booking_date, direction, minor, settled) values (?, ?, ?, ?, ?, ?, ?, ?)")
                        .params(Arrays.asList(
                                planId,
                                statementId,
                                key.account(),
                                key.line(),
                                key.day(),
                                key.direction(),
                                by[0],
                                by[1]))
                        .update();
            }
        });
        accounts.forEach((key, by) -> client.sql("""
        update account_day set unassigned = unassigned + ?, waiting = waiting + ?
        where plan_id = ? and statement_id = ? and booking_date = ? and account = ? and direction = ?""")
                .params(by[1], by[2], planId, statementId, key.day(), key.account(), key.direction())
                .update());
        Map<ItemDay, long[]> items = new HashMap<>();
        addItems(was, -1, items);
        addItems(becomes, 1, items);
        items.forEach((key, by) -> {
            int there = client.sql("""
          update item_day set minor = minor + ?, closed = closed + ?
          where plan_id = ? and item_id = ? and statement_id = ? and booking_date = ? and account = ? and line_id = ?""")
                    .params(Arrays.asList(
                            by[0], by[1], planId, key.item(), statementId, key.day(), key.account(), key.line()))
                    .update();
            if (there == 0) {
                client.sql(
                                "insert into item_day (plan_id, statement_id, account, line_id, item_id, booking_date, minor, closed) values (?, ?, ?, ?, ?, ?, ?, ?)")
                        .params(Arrays.asList(
                                planId, statementId, key.account(), key.line(), key.item(), key.day(), by[0], by[1]))
                        .update();
            }
        });
    }

    /** Returns what movements settle of items by id, without the statements that are switched off. */
    Map<String, Long> settled(String planId, List<String> off) {
        Map<String, Long> settled = new HashMap<>();
        client.sql(
                        "select item_id, sum(closed) as closed from item_day where plan_id = :plan and statement_id not in (:off) group by item_id")
                .param("plan", planId)
                .param("off", off)
                .query(row -> {
                    settled.put(row.getString("item_id"), row.getLong("closed"));
                });
        return settled;
    }

    /** Returns what movements settle of an item, without the statements that are switched off. */
    long settled(String planId, String itemId, List<String> off) {
        return client.sql(
                        "select coalesce(sum(closed), 0) from item_day where plan_id = :plan and item_id = :item and statement_id not in (:off)")
                .param("plan", planId)
                .param("item", itemId)
                .param("off", off)
                .query(Long.class)
                .single();
    }

    /**
     * Returns what was paid on items after a day and up to another, by line and day, of accounts that are not
     * restricted, without the statements that are switched off.
     */
    List<Payment> payments(String planId, LocalDate after, LocalDate upTo, List<Account> accounts, List<String> off) {
        return client.sql("""
        select line_id, item_id, booking_date, sum(minor) as minor, sum(closed) as closed from item_day
        where plan_id = :plan and booking_date > :after and booking_date <= :to and account not in (:restricted) and statement_id not in (:off)
        group by line_id, item_id, booking_date having sum(minor) <> 0""")
                .param("plan", planId)
                .param("after", after)
                .param("to", upTo)
                .param("restricted", restricted(accounts))
                .param("off", off)
                .query((row, n) -> new Payment(
                        row.getString("line_id"),
                        row.getString("item_id"),
                        "",
                        row.getObject("booking_date", LocalDate.class),
                        row.getLong("minor"),
                        row.getLong("closed") - Math.abs(row.getLong("minor"))))
                .list();
    }

    private static List<String> restricted(List<Account> accounts) {
        return Stream.concat(
                        Stream.of(""),
                        accounts.stream().filter(Account::restricted).map(Account::id))
                .collect(Collectors.toList());
    }

    private static void addItems(BankMovement movement, int by, Map<ItemDay, long[]> items) {
        for (AssignedPart part : movement.parts()) {
            if (part.itemId() != null) {
                long[] sum = items.computeIfAbsent(
                        new ItemDay(movement.account(), part.lineId(), part.itemId(), movement.bookingDate()),
                        key -> new long[2]);
                sum[0] += by * part.minor();
                sum[1] += by * (Math.abs(part.minor()) + part.less());
            }
        }
    }

    private static void add(
            BankMovement movement, int by, Map<LineDay, long[]> lines, Map<AccountDay, long[]> accounts) {
        for (AssignedPart part : movement.parts()) {
            long[] sum = lines.computeIfAbsent(
                    new LineDay(movement.account(), part.lineId(), movement.bookingDate(), Long.signum(part.minor())),
                    key -> new long[2]);
            sum[0] += by * part.minor();
            sum[1] += part.itemId() == null ? 0 : by * part.minor();
        }
        long[] sum = accounts.computeIfAbsent(
                new AccountDay(movement.account(), movement.bookingDate(), Long.signum(movement.minor())),
                key -> new long[3]);
        sum[0] += by * movement.minor();
        sum[1] += by * movement.unassigned();
        sum[2] += movement.unassigned() == 0 ? 0 : by;
    }

    /** Returns the books of the statements that a condition on their id chooses. */
    BooksWithCount of(String planId, List<Account> accounts, String condition, List<String> chosen) {
        List<String> restricted = restricted(accounts);
        Map<String, List<DayAmount>> byLine = new HashMap<>();
        Map<String, List<DayAmount>> settling = new HashMap<>();
        List<DayAmount> transfers = new ArrayList<>();
        client.sql("""
        select line_id, booking_date, sum(minor) as minor, sum(settled) as settled from line_day
        where plan_id = :plan and account not in (:restricted) and %s
        group by line_id, booking_date, direction having sum(minor) <> 0""".formatted(condition))
                .param("plan", planId)
                .param("restricted", restricted)
                .param("chosen", chosen)
                .query(row -> {
                    String line = row.getString("line_id");
                    (line == null ? transfers : byLine.computeIfAbsent(line, id -> new ArrayList<>()))
                            .add(amount(row, "minor"));
                    if (row.getLong("settled") != 0) {
                        settling.computeIfAbsent(line, id -> new ArrayList<>()).add(amount(row, "settled"));
                    }
                });
        Map<String, List<DayAmount>> byAccount = new HashMap<>();
        List<DayAmount> in = new ArrayList<>();
        List<DayAmount> out = new ArrayList<>();
        int[] waiting = {0};
        client.sql("""
        select account, booking_date, sum(minor) as minor, sum(unassigned) as unassigned, sum(waiting) as waiting from account_day
        where plan_id = :plan and %s group by account, booking_date, direction""".formatted(condition))
                .param("plan", planId)
                .param("chosen", chosen)
                .query(row -> {
                    String account = Objects.requireNonNull(row.getString("account"));
                    byAccount.computeIfAbsent(account, id -> new ArrayList<>()).add(amount(row, "minor"));
                    waiting[0] += row.getInt("waiting");
                    if (!restricted.contains(account)) {
                        (row.getLong("minor") > 0 ? in : out).add(amount(row, "unassigned"));
                    }
                });
        return new BooksWithCount(
                new Books(accounts, byLine, in, out, transfers, byAccount, settling, OpenItems.NONE, ActualLedger.NONE),
                waiting[0]);
    }

    private static DayAmount amount(ResultSet row, String column) throws SQLException {
        return new DayAmount(row.getObject("booking_date", LocalDate.class), row.getLong(column));
    }
}

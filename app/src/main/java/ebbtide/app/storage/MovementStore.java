package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Payment;
import ebbtide.formats.plan.PlanReader;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The bank movements of plans, and the parts that say what each was. */
@Repository
public class MovementStore implements UndoableStore {
    /** Half a year of bookings, from which one learns what usually belongs where. */
    private static final int DAYS_ASSIGNED = 130;

    private final JdbcClient client;
    private final DaySums sums;
    private final MovementRows rows;

    MovementStore(JdbcClient client, DaySums sums, MovementRows rows) {
        this.client = client;
        this.sums = sums;
        this.rows = rows;
    }

    /** A movement with its id. */
    public record StoredMovement(long id, BankMovement movement) {}

    /** Whether a movement must have something unassigned, or something assigned. */
    public enum Which {
        ALL,
        UNASSIGNED,
        ASSIGNED
    }

    /** Which movements are asked for: null or blank does not matter; the newest come first. */
    public record Query(
            @Nullable String account,
            Which which,
            @Nullable LocalDate from,
            @Nullable LocalDate to,
            String words,
            @Nullable String lineId,
            int limit,
            int offset) {
        /** Returns the question for the newest movements that are not wholly assigned. */
        public static Query unassigned(int most) {
            return new Query(null, Which.UNASSIGNED, null, null, "", null, most, 0);
        }

        Query between(LocalDate first, LocalDate last) {
            return new Query(account, which, first, last, words, lineId, limit, offset);
        }

        Query within(LocalDate first, LocalDate last, int most) {
            return new Query(account, which, first, last, words, lineId, most, 0);
        }
    }

    /** Returns how often each fingerprint is already among an account's movements of a day; of so many at the most. */
    Map<String, Integer> fingerprints(String planId, String account, LocalDate day, int most) {
        Map<String, Integer> counts = new HashMap<>();
        client.sql("""
        select fingerprint, count(*) as times from movement
        where plan_id = :plan and account = :account and booking_date = :day and statement_id not in (:off)
        group by fingerprint limit :most""")
                .param("plan", planId)
                .param("account", account)
                .param("day", day)
                .param("most", most)
                .param("off", switchedOff(planId))
                .query(row -> {
                    counts.put(row.getString("fingerprint"), row.getInt("times"));
                });
        return counts;
    }

    /** Returns the books of a plan's accounts, from what they come to by day. */
    public BooksWithCount books(String planId, List<Account> accounts) {
        return sums.of(planId, accounts, "statement_id not in (:chosen)", switchedOff(planId));
    }

    /** Returns what a statement's movements are in the books of a plan's accounts, be it switched on or off. */
    BooksWithCount booksOf(String planId, List<Account> accounts, String statementId) {
        return sums.of(planId, accounts, "statement_id in (:chosen)", List.of(statementId));
    }

    /**
     * Returns what movements in the books settle of items, by their id: cash, and what closed them beyond it; in minor
     * units, unsigned.
     */
    public Map<String, Long> settled(String planId) {
        return sums.settled(planId, switchedOff(planId));
    }

    /** Returns what movements in the books settle of an item, in minor units, unsigned. */
    public long settled(String planId, String itemId) {
        return sums.settled(planId, itemId, switchedOff(planId));
    }

    /** Returns what was paid on open items after a day and up to another. */
    public List<Payment> payments(String planId, LocalDate after, LocalDate upTo, List<Account> accounts) {
        return sums.payments(planId, after, upTo, accounts, switchedOff(planId));
    }

    /** Returns whether a movement is in the books: its statement is switched on. */
    public boolean isInBooks(String planId, long id) {
        return client.sql("""
        select count(*) from movement m join statement s on s.plan_id = m.plan_id and s.id = m.statement_id
        where m.plan_id = ? and m.id = ? and s.active""").params(planId, id).query(Integer.class).single() > 0;
    }

    /** Statements that undo has switched off are few: leaving them out by name spares a join over every movement. */
    private List<String> switchedOff(String planId) {
        List<String> off = new ArrayList<>(client.sql("select id from statement where plan_id = ? and not active")
                .param(planId)
                .query(String.class)
                .list());
        off.add("");
        return off;
    }

    /** Days are asked for only where they are bound: only then are they found by the index. */
    private static String days(Query query) {
        return (query.from() == null ? "" : "and booking_date >= :from ")
                + (query.to() == null ? "" : "and booking_date <= :to");
    }

    /** Returns the movements asked for. */
    public List<StoredMovement> find(String planId, Query asked) {
        Query query = asked;
        if (asked.which() == Which.UNASSIGNED
                && asked.lineId() == null
                && asked.words().isBlank()) {
            Optional<Query> narrowed = waiting(planId, asked);
            if (narrowed.isEmpty()) {
                return List.of();
            }
            query = narrowed.get();
        }
        return read(planId, query);
    }

    /**
     * Narrows what is asked of movements that wait to be assigned to the days in which as many of them are: where a few
     * are among millions they are not looked for among all. Nothing where none waits.
     */
    private Optional<Query> waiting(String planId, Query query) {
        LocalDate[] days = new LocalDate[2];
        long[] found = {0};
        client.sql("""
        select booking_date, sum(waiting) as waiting from account_day
        where plan_id = :plan and statement_id not in (:off) and (cast(:account as varchar) is null or account = :account) %s
        group by booking_date having sum(waiting) <> 0 order by booking_date desc""".formatted(days(query)))
                .param("plan", planId)
                .param("off", switchedOff(planId))
                .param("account", query.account())
                .param("from", query.from())
                .param("to", query.to())
                .query(row -> {
                    LocalDate day = row.getObject("booking_date", LocalDate.class);
                    days[1] = days[1] == null ? day : days[1];
                    days[0] = found[0] <= (long) query.limit() + query.offset() ? day : days[0];
                    found[0] += row.getLong("waiting");
                });
        return days[0] == null ? Optional.empty() : Optional.of(query.between(days[0], days[1]));
    }

    private List<StoredMovement> read(String planId, Query query) {
        String like = query.words() == null || query.words().isBlank()
                ? null
                : "%" + query.words().strip().toLowerCase(java.util.Locale.ROOT) + "%";
        List<StoredMovement> bare = client.sql("""
        select id, account, booking_date, value_date, minor, text, counterparty, reference, line_id from movement m
        where plan_id = :plan
          and statement_id not in (:off)
          and (cast(:account as varchar) is null or account = :account)
          and (:which <> 'UNASSIGNED' or unassigned <> 0)
          and (:which <> 'ASSIGNED' or unassigned <> minor)
          %s
          and (cast(:words as varchar) is null or lower(text || ' ' || counterparty || ' ' || reference) like :words)
          and (cast(:line as varchar) is null or line_id = :line
            or exists (select 1 from movement_part p where p.movement_id = m.id and p.line_id = :line))
        order by plan_id, booking_date desc, id desc limit :limit offset :offset""".formatted(days(query)))
                .param("plan", planId)
                .param("off", switchedOff(planId))
                .param("account", query.account())
                .param("which", query.which().name())
                .param("from", query.from())
                .param("to", query.to())
                .param("words", like)
                .param("line", query.lineId())
                .param("limit", query.limit())
                .param("offset", query.offset())
                .query((row, n) -> new StoredMovement(row.getLong("id"), movement(row)))
                .list();
        return withParts(bare);
    }

    /**
     * Returns the latest movements that are assigned, at most so many, of the latest days that have any: where a few
     * are among millions they are not looked for among all.
     */
    public List<BankMovement> latestAssigned(String planId, int most) {
        List<LocalDate> days = client.sql("""
        select distinct booking_date from line_day where plan_id = ? order by booking_date desc limit ?""")
                .params(planId, DAYS_ASSIGNED)
                .query(LocalDate.class)
                .list();
        List<BankMovement> found = new ArrayList<>();
        for (LocalDate day : days) {
            if (found.size() < most) {
                Query ofDay = new Query(null, Which.ASSIGNED, day, day, "", null, most - found.size(), 0);
                find(planId, ofDay).forEach(one -> found.add(one.movement()));
            }
        }
        return found;
    }

    /** Returns the movements of a statement that are booked on a day. */
    public List<BankMovement> ofStatement(String planId, String statementId, LocalDate day) {
        return withParts(client.sql("""
        select id, account, booking_date, value_date, minor, text, counterparty, reference, line_id from movement
        where plan_id = ? and booking_date = ? and statement_id = ? order by id""")
                        .params(planId, day, statementId)
                        .query((row, n) -> new StoredMovement(row.getLong("id"), movement(row)))
                        .list())
                .stream()
                .map(StoredMovement::movement)
                .toList();
    }

    /** Returns a movement of a plan; refuses an id that is not there. */
    public BankMovement get(String planId, long id) {
        List<StoredMovement> bare = client.sql("""
        select id, account, booking_date, value_date, minor, text, counterparty, reference, line_id from movement
        where plan_id = ? and id = ?""")
                .params(planId, id)
                .query((row, n) -> new StoredMovement(row.getLong("id"), movement(row)))
                .list();
        return withParts(bare).stream()
                .findFirst()
                .map(StoredMovement::movement)
                .orElseThrow(() -> new NotFound("bank movement", Long.toString(id)));
    }

    private static BankMovement movement(ResultSet row) throws SQLException {
        String line = row.getString("line_id");
        List<AssignedPart> parts = line == null ? List.of() : List.of(new AssignedPart(line, row.getLong("minor")));
        return new BankMovement(
                row.getString("account"),
                row.getObject("booking_date", LocalDate.class),
                row.getObject("value_date", LocalDate.class),
                row.getLong("minor"),
                row.getString("text"),
                row.getString("counterparty"),
                row.getString("reference"),
                parts);
    }

    private List<StoredMovement> withParts(List<StoredMovement> bare) {
        if (bare.isEmpty()) {
            return bare;
        }
        Map<Long, List<AssignedPart>> parts = new HashMap<>();
        for (int from = 0; from < bare.size(); from += MovementRows.BATCH) {
            // Joined, each is looked up in the index; of a list of many the whole table would be read and each row held
            // against all.
            client.sql("""
          select movement_id, line_id, minor, item_id, less from unnest(cast(:ids as bigint array)) as one (id)
          join movement_part on movement_id = one.id order by position""")
                    .param(
                            "ids",
                            MovementRows.array(
                                    "bigint",
                                    bare.subList(from, Math.min(bare.size(), from + MovementRows.BATCH)).stream()
                                            .map(StoredMovement::id)))
                    .query(row -> {
                        parts.computeIfAbsent(row.getLong("movement_id"), id -> new ArrayList<>())
                                .add(new AssignedPart(
                                        row.getString("line_id"),
                                        row.getLong("minor"),
                                        row.getString("item_id"),
                                        row.getLong("less")));
                    });
        }
        return bare.stream()
                .map(stored -> new StoredMovement(
                        stored.id(),
                        stored.movement()
                                .withParts(parts.getOrDefault(
                                        stored.id(), stored.movement().parts()))))
                .toList();
    }

    /** Returns the ids of the movements that have a part on a line. */
    public List<Long> idsOnLine(String planId, String lineId) {
        return client.sql("""
        select m.id from movement m
        where m.plan_id = :plan and (m.line_id = :line or exists (select 1 from movement_part p where p.movement_id = m.id and p.line_id = :line))
          and m.booking_date in (select booking_date from line_day where plan_id = :plan and line_id = :line)""")
                .param("plan", planId)
                .param("line", lineId)
                .query(Long.class)
                .list();
    }

    /** Returns the state of parts, as the change log keeps it. */
    public static String state(List<AssignedPart> parts) {
        ArrayNode state = JsonNodeFactory.instance.arrayNode();
        for (AssignedPart part : parts) {
            ObjectNode one = state.addObject().put("minor", part.minor());
            if (!part.isTransfer()) {
                one.put("line", part.lineId());
            }
            if (part.itemId() != null) {
                one.put("item", part.itemId()).put("less", part.less());
            }
        }
        return state.toString();
    }

    /** Returns the parts that a state kept. */
    public static List<AssignedPart> parts(@Nullable String state) {
        List<AssignedPart> parts = new ArrayList<>();
        if (state == null) {
            return parts;
        }
        for (JsonNode part : PlanReader.parse(state)) {
            parts.add(new AssignedPart(
                    part.path("line").asString(null),
                    part.get("minor").asLong(),
                    part.path("item").asString(null),
                    part.path("less").asLong(0)));
        }
        return parts;
    }

    @Override
    public Kind kind() {
        return Kind.PARTS;
    }

    @Override
    public String state(String planId, String id) {
        return state(get(planId, Long.parseLong(id)).parts());
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        long movementId = Long.parseLong(id);
        List<AssignedPart> parts = parts(state);
        BankMovement was = get(planId, movementId);
        String statementId = client.sql("select statement_id from movement where plan_id = ? and id = ?")
                .params(planId, movementId)
                .query(String.class)
                .single();
        BankMovement becomes = was.withParts(parts);
        sums.change(planId, statementId, was, becomes);
        rows.replaceParts(planId, movementId, becomes);
    }
}

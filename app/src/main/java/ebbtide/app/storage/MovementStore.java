package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Check;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The bank movements of plans, and the parts that say what each was. */
@Repository
public class MovementStore implements Kept {
  /** The most movements that are added at once; the sequence of ids goes up by as many. */
  static final int BATCH = 10_000;
  private final JdbcClient client;
  private final JdbcTemplate template;

  MovementStore(JdbcClient client, JdbcTemplate template) {
    this.client = client;
    this.template = template;
  }

  /** A movement with its id. */
  public record Stored(long id, BankMovement movement) {}

  /** Which movements are asked for: null or blank does not matter; the newest come first. */
  public record Query(String account, boolean unassignedOnly, LocalDate from, LocalDate to, String words, String lineId,
      int limit, int offset) {}

  /** Adds movements of a statement; the fingerprints are of the same order. */
  void add(String planId, String statementId, List<BankMovement> movements, List<String> fingerprints) {
    long first = nextIds(movements.size());
    List<Object[]> rows = new ArrayList<>();
    List<Object[]> parts = new ArrayList<>();
    for (int i = 0; i < movements.size(); i++) {
      BankMovement m = movements.get(i);
      rows.add(new Object[] {first + i, planId, m.account(), statementId, m.bookingDate(), m.valueDate(), m.minor(),
          m.unassigned(), m.text(), m.counterparty(), m.reference(), fingerprints.get(i)});
      addParts(first + i, m.parts(), parts);
    }
    template.batchUpdate("""
        insert into movement (id, plan_id, account, statement_id, booking_date, value_date, minor, unassigned, text,
          counterparty, reference, fingerprint)
        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""", rows);
    insertParts(parts);
  }

  /** Ids are given out in runs of a batch, so that parts can be inserted together with their movements. */
  private long nextIds(int count) {
    Check.inRange(count, 0, BATCH, "movements in a batch");
    return client.sql("select next value for movement_id").query(Long.class).single();
  }

  private static void addParts(long movementId, List<AssignedPart> parts, List<Object[]> rows) {
    for (int i = 0; i < parts.size(); i++) {
      rows.add(new Object[] {movementId, i, parts.get(i).lineId(), parts.get(i).minor()});
    }
  }

  private void insertParts(List<Object[]> rows) {
    template.batchUpdate("insert into movement_part (movement_id, position, line_id, minor) values (?, ?, ?, ?)", rows);
  }

  /** Returns how often each fingerprint is already among an account's movements of some days. */
  Map<String, Integer> fingerprints(String planId, String account, LocalDate from, LocalDate to) {
    Map<String, Integer> counts = new HashMap<>();
    client.sql("""
        select fingerprint, count(*) as times from movement
        where plan_id = :plan and account = :account and booking_date between :from and :to and statement_id not in (:off)
        group by fingerprint""")
        .param("plan", planId).param("account", account).param("from", from).param("to", to)
        .param("off", switchedOff(planId))
        .query(row -> {
          counts.put(row.getString("fingerprint"), row.getInt("times"));
        });
    return counts;
  }

  /** A plan's books, and how many of its movements are not wholly assigned. */
  record Counted(Books books, int unassigned) {}

  /** Returns the books of a plan's accounts, added up by day in the database, in two passes over the movements. */
  Counted books(String planId, List<Account> accounts) {
    Set<String> restricted = accounts.stream().filter(Account::restricted).map(Account::id).collect(Collectors.toSet());
    Map<String, List<DayAmount>> byLine = new HashMap<>();
    List<DayAmount> transfers = new ArrayList<>();
    client.sql("""
        select p.line_id, m.account, m.booking_date, sum(p.minor) as minor from movement m
        join movement_part p on p.movement_id = m.id
        where m.plan_id = :plan and m.statement_id not in (:off)
        group by p.line_id, m.account, m.booking_date order by m.booking_date, m.account""")
        .param("plan", planId).param("off", switchedOff(planId)).query(row -> {
          String line = row.getString("line_id");
          if (!restricted.contains(row.getString("account"))) {
            (line == null ? transfers : byLine.computeIfAbsent(line, id -> new ArrayList<>())).add(dayAmount(row, "minor"));
          }
        });
    Map<String, List<DayAmount>> byAccount = new HashMap<>();
    List<DayAmount> in = new ArrayList<>();
    List<DayAmount> out = new ArrayList<>();
    int[] unassigned = {0};
    client.sql("""
        select account, booking_date, sum(minor) as minor, sum(greatest(unassigned, 0)) as money_in,
          sum(least(unassigned, 0)) as money_out, sum(case when unassigned = 0 then 0 else 1 end) as open
        from movement where plan_id = :plan and statement_id not in (:off)
        group by account, booking_date order by booking_date, account""")
        .param("plan", planId).param("off", switchedOff(planId)).query(row -> {
          byAccount.computeIfAbsent(row.getString("account"), id -> new ArrayList<>()).add(dayAmount(row, "minor"));
          unassigned[0] += row.getInt("open");
          if (!restricted.contains(row.getString("account"))) {
            addUnlessZero(in, dayAmount(row, "money_in"));
            addUnlessZero(out, dayAmount(row, "money_out"));
          }
        });
    return new Counted(new Books(accounts, byLine, in, out, transfers, byAccount), unassigned[0]);
  }

  /** Statements that undo has switched off are few: leaving them out by name spares a join over every movement. */
  private List<String> switchedOff(String planId) {
    List<String> off = new ArrayList<>(client.sql("select id from statement where plan_id = ? and not active").param(planId)
        .query(String.class).list());
    off.add("");
    return off;
  }

  private static void addUnlessZero(List<DayAmount> amounts, DayAmount amount) {
    if (amount.minor() != 0) {
      amounts.add(amount);
    }
  }

  private static DayAmount dayAmount(ResultSet row, String column) throws SQLException {
    return new DayAmount(row.getObject("booking_date", LocalDate.class), row.getLong(column));
  }

  /** Returns the movements asked for. */
  public List<Stored> find(String planId, Query query) {
    String like = query.words() == null || query.words().isBlank() ? null
        : "%" + query.words().strip().toLowerCase(java.util.Locale.ROOT) + "%";
    List<Stored> bare = client.sql("""
        select id, account, booking_date, value_date, minor, text, counterparty, reference from movement m
        where plan_id = :plan
          and statement_id not in (:off)
          and (cast(:account as varchar) is null or account = :account)
          and (not :unassigned or unassigned <> 0)
          and (cast(:from as date) is null or booking_date >= :from)
          and (cast(:to as date) is null or booking_date <= :to)
          and (cast(:words as varchar) is null or lower(text || ' ' || counterparty || ' ' || reference) like :words)
          and (cast(:line as varchar) is null
            or exists (select 1 from movement_part p where p.movement_id = m.id and p.line_id = :line))
        order by booking_date desc, id desc limit :limit offset :offset""")
        .param("plan", planId).param("off", switchedOff(planId)).param("account", query.account()).param("unassigned", query.unassignedOnly())
        .param("from", query.from()).param("to", query.to()).param("words", like).param("line", query.lineId())
        .param("limit", query.limit()).param("offset", query.offset())
        .query((row, n) -> new Stored(row.getLong("id"), movement(row, List.of()))).list();
    return withParts(bare);
  }

  /** Returns a movement of a plan; refuses an id that is not there. */
  public BankMovement get(String planId, long id) {
    List<Stored> bare = client.sql("""
        select id, account, booking_date, value_date, minor, text, counterparty, reference from movement
        where plan_id = ? and id = ?""").params(planId, id)
        .query((row, n) -> new Stored(row.getLong("id"), movement(row, List.of()))).list();
    return withParts(bare).stream().findFirst().map(Stored::movement)
        .orElseThrow(() -> new NotFound("bank movement", Long.toString(id)));
  }

  private static BankMovement movement(ResultSet row, List<AssignedPart> parts) throws SQLException {
    return new BankMovement(row.getString("account"), row.getObject("booking_date", LocalDate.class),
        row.getObject("value_date", LocalDate.class), row.getLong("minor"), row.getString("text"),
        row.getString("counterparty"), row.getString("reference"), parts);
  }

  private List<Stored> withParts(List<Stored> bare) {
    if (bare.isEmpty()) {
      return bare;
    }
    Map<Long, List<AssignedPart>> parts = new HashMap<>();
    for (int from = 0; from < bare.size(); from += BATCH) {
      client.sql("select movement_id, line_id, minor from movement_part where movement_id in (:ids) order by position")
          .param("ids", bare.subList(from, Math.min(bare.size(), from + BATCH)).stream().map(Stored::id).toList())
          .query(row -> {
            parts.computeIfAbsent(row.getLong("movement_id"), id -> new ArrayList<>())
                .add(new AssignedPart(row.getString("line_id"), row.getLong("minor")));
          });
    }
    return bare.stream().map(stored -> {
      BankMovement m = stored.movement();
      return new Stored(stored.id(), new BankMovement(m.account(), m.bookingDate(), m.valueDate(), m.minor(), m.text(),
          m.counterparty(), m.reference(), parts.getOrDefault(stored.id(), List.of())));
    }).toList();
  }

  /** Takes out the movements of a statement that was never switched on. */
  void removeOf(String planId, String statementId) {
    client.sql("""
        delete from movement_part where movement_id in
          (select id from movement where plan_id = ? and statement_id = ?)""").params(planId, statementId).update();
    client.sql("delete from movement where plan_id = ? and statement_id = ?").params(planId, statementId).update();
  }

  /** Returns the ids of the movements that have a part on a line. */
  List<Long> idsOnLine(String planId, String lineId) {
    return client.sql("""
        select distinct m.id from movement m join movement_part p on p.movement_id = m.id
        where m.plan_id = ? and p.line_id = ?""").params(planId, lineId).query(Long.class).list();
  }

  /** Returns the state of parts, as the change log keeps it. */
  static String state(List<AssignedPart> parts) {
    ArrayNode state = JsonNodeFactory.instance.arrayNode();
    for (AssignedPart part : parts) {
      ObjectNode one = state.addObject().put("minor", part.minor());
      if (!part.isTransfer()) {
        one.put("line", part.lineId());
      }
    }
    return state.toString();
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
  public void restore(String planId, String id, String state) {
    long movementId = Long.parseLong(id);
    List<AssignedPart> parts = new ArrayList<>();
    for (JsonNode part : PlanReader.parse(state)) {
      parts.add(new AssignedPart(part.path("line").asString(null), part.get("minor").asLong()));
    }
    client.sql("delete from movement_part where movement_id = ?").param(movementId).update();
    List<Object[]> rows = new ArrayList<>();
    addParts(movementId, parts, rows);
    insertParts(rows);
    client.sql("update movement set unassigned = minor - ? where plan_id = ? and id = ?")
        .params(parts.stream().mapToLong(AssignedPart::minor).sum(), planId, movementId).update();
  }
}

package ebbtide.app.storage;

import ebbtide.books.BankMovement;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The statements that were brought in. One taken back by undo keeps its movements, which then no longer count. */
@Repository
public class StatementStore implements Kept {
  private final JdbcClient client;
  private final MovementStore movements;
  private final Clock clock;

  StatementStore(JdbcClient client, MovementStore movements, Clock clock) {
    this.client = client;
    this.movements = movements;
    this.clock = clock;
  }

  /** A statement in the list of those brought in. */
  public record StatementListed(String id, String account, String fileName, OffsetDateTime broughtInAt, int movements,
      LocalDate firstDay, LocalDate lastDay) {}

  /** Returns the statements of a plan that count, the latest first. */
  public List<StatementListed> all(String planId) {
    return client.sql("""
        select id, account, file_name, brought_in_at, movements, first_day, last_day from statement
        where plan_id = ? and active order by brought_in_at desc, id""").param(planId).query(StatementListed.class).list();
  }

  /**
   * Adds the movements of a file that are not among the account's yet, and returns how many those are. A movement is
   * the same as another if account, day, amount and the bank's words are; a file that has it twice adds it twice.
   */
  int add(String planId, String id, String account, String fileName, List<BankMovement> read) {
    if (read.isEmpty()) {
      return 0;
    }
    LocalDate first = read.stream().map(BankMovement::bookingDate).min(Comparator.naturalOrder()).orElseThrow();
    LocalDate last = read.stream().map(BankMovement::bookingDate).max(Comparator.naturalOrder()).orElseThrow();
    Map<String, Integer> known = movements.fingerprints(planId, account, first, last);
    Map<String, Integer> seen = new HashMap<>();
    List<BankMovement> fresh = new ArrayList<>();
    List<String> fingerprints = new ArrayList<>();
    for (BankMovement movement : read) {
      String fingerprint = fingerprint(movement);
      if (seen.merge(fingerprint, 1, Integer::sum) > known.getOrDefault(fingerprint, 0)) {
        fresh.add(movement);
        fingerprints.add(fingerprint);
      }
    }
    client.sql("""
        insert into statement (plan_id, id, account, file_name, brought_in_at, movements, first_day, last_day, active)
        values (?, ?, ?, ?, ?, ?, ?, ?, true)""")
        .params(planId, id, account, fileName, OffsetDateTime.now(clock), fresh.size(), first, last).update();
    for (int from = 0; from < fresh.size(); from += MovementStore.BATCH) {
      int to = Math.min(fresh.size(), from + MovementStore.BATCH);
      movements.add(planId, id, fresh.subList(from, to), fingerprints.subList(from, to));
    }
    return fresh.size();
  }

  private static String fingerprint(BankMovement m) {
    try {
      String whole = String.join("\u0000", m.bookingDate().toString(), Long.toString(m.minor()), m.text(), m.counterparty(),
          m.reference());
      byte[] hash = MessageDigest.getInstance("SHA-256").digest(whole.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(hash, 0, 16);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java has SHA-256", e);
    }
  }

  @Override
  public Kind kind() {
    return Kind.STATEMENT;
  }

  @Override
  public String state(String planId, String id) {
    return client.sql("select active from statement where plan_id = ? and id = ?").params(planId, id).query(Boolean.class)
        .optional().filter(active -> active).map(active -> "active").orElse(null);
  }

  @Override
  public void restore(String planId, String id, String state) {
    boolean active = state != null;
    client.sql("update statement set active = ? where plan_id = ? and id = ?").params(active, planId, id).update();
    client.sql("update movement set active = ? where plan_id = ? and statement_id = ?").params(active, planId, id).update();
  }
}

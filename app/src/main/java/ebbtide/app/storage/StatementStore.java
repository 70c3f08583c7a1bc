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
import org.springframework.transaction.support.TransactionTemplate;

/** The statements that were brought in. The movements of one count while it is switched on; undo switches it off. */
@Repository
public class StatementStore implements Kept {
  private final JdbcClient client;
  private final MovementStore movements;
  private final TransactionTemplate transaction;
  private final Clock clock;

  StatementStore(JdbcClient client, MovementStore movements, TransactionTemplate transaction, Clock clock) {
    this.client = client;
    this.transaction = transaction;
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
   * Lays down the movements of a file that are not among the account's yet, switched off, and returns how many those
   * are. A movement is the same as another if account, day, amount and the bank's words are; a file that has it twice
   * adds it twice. {@code eachBatch} runs after every ten thousand and may throw to end the work, which leaves nothing.
   */
  public int lay(String planId, String id, String account, String fileName, List<BankMovement> read, Runnable eachBatch) {
    if (read.isEmpty()) {
      return 0;
    }
    LocalDate first = read.stream().map(BankMovement::bookingDate).min(Comparator.naturalOrder()).orElseThrow();
    LocalDate last = read.stream().map(BankMovement::bookingDate).max(Comparator.naturalOrder()).orElseThrow();
    Map<String, Integer> known = movements.fingerprints(planId, account, first, last);
    Map<String, Integer> seen = new HashMap<>();
    List<BankMovement> batch = new ArrayList<>();
    List<String> fingerprints = new ArrayList<>();
    int added = 0;
    try {
      for (BankMovement movement : read) {
        String fingerprint = fingerprint(movement);
        if (known.isEmpty() || seen.merge(fingerprint, 1, Integer::sum) > known.getOrDefault(fingerprint, 0)) {
          batch.add(movement);
          fingerprints.add(fingerprint);
          added++;
        }
        if (batch.size() == MovementStore.BATCH) {
          layBatch(planId, id, batch, fingerprints);
          eachBatch.run();
        }
      }
      layBatch(planId, id, batch, fingerprints);
      client.sql("""
          insert into statement (plan_id, id, account, file_name, brought_in_at, movements, first_day, last_day, active)
          values (?, ?, ?, ?, ?, ?, ?, ?, false)""")
          .params(planId, id, account, fileName, OffsetDateTime.now(clock), added, first, last).update();
      return added;
    } catch (RuntimeException e) {
      movements.removeOf(planId, id);
      throw e;
    }
  }

  /** Each batch is a transaction of its own: nothing of it counts before the statement is switched on. */
  private void layBatch(String planId, String id, List<BankMovement> batch, List<String> fingerprints) {
    transaction.executeWithoutResult(status -> movements.add(planId, id, batch, fingerprints));
    batch.clear();
    fingerprints.clear();
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
    client.sql("update statement set active = ? where plan_id = ? and id = ?").params(state != null, planId, id).update();
  }
}

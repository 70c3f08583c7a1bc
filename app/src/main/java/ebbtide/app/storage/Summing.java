package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItems;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The adding up of chosen movements into books, in the database: two passes, however many there are. */
final class Summing {
  private final JdbcClient client;
  private final String planId;
  private final List<Account> accounts;
  private final Map<String, List<DayAmount>> byLine = new HashMap<>();
  private final Map<String, List<DayAmount>> byAccount = new HashMap<>();
  private final Map<String, List<DayAmount>> settling = new HashMap<>();
  private final List<DayAmount> in = new ArrayList<>();
  private final List<DayAmount> out = new ArrayList<>();
  private final List<DayAmount> transfers = new ArrayList<>();
  private int unassigned;

  Summing(JdbcClient client, String planId, List<Account> accounts) {
    this.client = client;
    this.planId = planId;
    this.accounts = accounts;
  }

  /** Returns the books of the movements that a condition on statements chooses. */
  Counted of(String condition, List<String> chosen) {
    List<String> restricted = Stream.concat(Stream.of(""),
        accounts.stream().filter(Account::restricted).map(Account::id)).collect(Collectors.toList());
    client.sql("""
        select p.line_id, m.booking_date, sum(p.minor) as minor,
          sum(case when p.item_id is null then 0 else p.minor end) as settled from movement m
        join movement_part p on p.movement_id = m.id
        where m.plan_id = :plan and m.account not in (:restricted) and m.%s
        group by p.line_id, m.booking_date, sign(p.minor)""".formatted(condition))
        .param("plan", planId).param("restricted", restricted).param("chosen", chosen).query(row -> {
          String line = row.getString("line_id");
          (line == null ? transfers : byLine.computeIfAbsent(line, id -> new ArrayList<>())).add(amount(row, "minor"));
          if (row.getLong("settled") != 0) {
            settling.computeIfAbsent(line, id -> new ArrayList<>()).add(amount(row, "settled"));
          }
        });
    client.sql("""
        select account, booking_date, sum(minor) as minor, sum(unassigned) as unassigned,
          sum(case when unassigned = 0 then 0 else 1 end) as open
        from movement where plan_id = :plan and %s
        group by account, booking_date, sign(minor)""".formatted(condition))
        .param("plan", planId).param("chosen", chosen).query(row -> {
          String account = row.getString("account");
          byAccount.computeIfAbsent(account, id -> new ArrayList<>()).add(amount(row, "minor"));
          unassigned += row.getInt("open");
          if (!restricted.contains(account)) {
            (row.getLong("minor") > 0 ? in : out).add(amount(row, "unassigned"));
          }
        });
    return new Counted(new Books(accounts, byLine, in, out, transfers, byAccount, settling, OpenItems.NONE), unassigned);
  }

  private static DayAmount amount(ResultSet row, String column) throws SQLException {
    return new DayAmount(row.getObject("booking_date", LocalDate.class), row.getLong(column));
  }
}

package ebbtide.app.storage;

import ebbtide.forecast.Part;
import ebbtide.plan.Direction;
import ebbtide.track.Snapshot;
import ebbtide.track.Snapshot.KeptFlow;
import ebbtide.track.Snapshot.KeptLine;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The snapshots of forecasts. What one keeps is written once and never altered; undo only hides it. */
@Repository
public class SnapshotStore implements Kept {
  private static final int BATCH = 5_000;
  private final JdbcClient client;
  private final JdbcTemplate template;
  private final Clock clock;

  SnapshotStore(JdbcClient client, JdbcTemplate template, Clock clock) {
    this.client = client;
    this.template = template;
    this.clock = clock;
  }

  /** A snapshot in the list, with what it said of the low water. */
  public record SnapshotListed(String id, String name, String note, OffsetDateTime takenAt, LocalDate asOf, LocalDate horizonEnd,
      LocalDate lowWaterDay, long lowWaterCash) {}

  /** Returns the snapshots of a plan, the latest as-of date first. */
  public List<SnapshotListed> all(String planId) {
    return client.sql("""
        select id, name, note, taken_at, as_of, horizon_end, low_water_day, low_water_cash from snapshot
        where plan_id = ? and active order by as_of desc, taken_at desc""").param(planId).query(SnapshotListed.class).list();
  }

  /** Keeps a snapshot under a name. */
  void add(String planId, String id, String name, String note, Snapshot snapshot, LocalDate lowWaterDay,
      long lowWaterCash) {
    client.sql("""
        insert into snapshot (plan_id, id, name, note, taken_at, as_of, horizon_end, cash, low_water_day, low_water_cash,
          active)
        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, true)""")
        .params(planId, id, name, note, OffsetDateTime.now(clock), snapshot.asOf(), snapshot.horizonEnd(),
            snapshot.cashAtAsOf(), lowWaterDay, lowWaterCash)
        .update();
    List<Object[]> lines = new ArrayList<>();
    for (KeptLine line : snapshot.lines()) {
      lines.add(new Object[] {id, lines.size(), line.id(), line.name(), line.group(), line.direction().name()});
    }
    template.batchUpdate("""
        insert into snapshot_line (snapshot_id, position, line_id, name, group_path, direction)
        values (?, ?, ?, ?, ?, ?)""", lines);
    for (int from = 0; from < snapshot.flows().size(); from += BATCH) {
      List<Object[]> rows = snapshot.flows().subList(from, Math.min(snapshot.flows().size(), from + BATCH)).stream()
          .map(flow -> new Object[] {id, flow.lineId(), flow.day(), flow.part().name(), flow.minor()}).toList();
      template.batchUpdate("""
          insert into snapshot_flow (snapshot_id, line_id, flow_day, part, minor) values (?, ?, ?, ?, ?)""", rows);
    }
  }

  /** Returns a snapshot with its flows up to a day; later ones are not loaded. Refuses an id that is not there. */
  public Snapshot get(String planId, String id, LocalDate upTo) {
    List<KeptLine> lines = client.sql("""
        select line_id, name, group_path, direction from snapshot_line where snapshot_id = ? order by position""").param(id)
        .query((row, n) -> new KeptLine(row.getString("line_id"), row.getString("name"), row.getString("group_path"),
            Direction.valueOf(row.getString("direction")))).list();
    List<KeptFlow> flows = client.sql("""
        select line_id, flow_day, part, minor from snapshot_flow where snapshot_id = ? and flow_day <= ?""").params(id, upTo)
        .query((row, n) -> new KeptFlow(row.getString("line_id"), row.getObject("flow_day", LocalDate.class),
            Part.valueOf(row.getString("part")), row.getLong("minor"))).list();
    return client.sql("select as_of, horizon_end, cash from snapshot where plan_id = ? and id = ? and active")
        .params(planId, id).query((row, n) -> new Snapshot(row.getObject("as_of", LocalDate.class),
            row.getObject("horizon_end", LocalDate.class), row.getLong("cash"), lines, flows))
        .optional().orElseThrow(() -> new NotFound("snapshot", id));
  }

  @Override
  public Kind kind() {
    return Kind.SNAPSHOT;
  }

  @Override
  public String state(String planId, String id) {
    return client.sql("select active from snapshot where plan_id = ? and id = ?").params(planId, id).query(Boolean.class)
        .optional().filter(active -> active).map(active -> "active").orElse(null);
  }

  @Override
  public void restore(String planId, String id, String state) {
    client.sql("update snapshot set active = ? where plan_id = ? and id = ?").params(state != null, planId, id).update();
  }
}

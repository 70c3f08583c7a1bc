package ebbtide.app.storage;

import static java.util.Objects.requireNonNull;
import static java.util.Objects.requireNonNullElse;

import ebbtide.flows.Part;
import ebbtide.formats.plan.PlanPast.KeptSnapshot;
import ebbtide.plan.Direction;
import ebbtide.statements.KeptStatements;
import ebbtide.time.DaySeries;
import ebbtide.track.KeptFlows;
import ebbtide.track.Snapshot;
import ebbtide.track.Snapshot.KeptLine;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Currency;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/**
 * The snapshots of forecasts. What one keeps is written once and never altered, as what differs from the one before it;
 * undo only hides it. What is said of one (its name, a note, a commentary, that it is protected) can be edited.
 */
@Repository
public class SnapshotStore implements UndoableStore {
    private static final JsonMapper JSON = new JsonMapper();
    /** What those before the edits of names were kept as in the change log. */
    private static final String ACTIVE = "active";

    private static final String LISTED = """
        select id, name, note, protected as locked, commentary, scenario, taken_at, as_of, horizon_end, low_water_day,
          low_water_cash, closing_cash, content_size as size from snapshot where plan_id = ? and active""";

    private final JdbcClient client;
    private final Clock clock;
    private final Engine engine;
    private final PlanStore plans;

    SnapshotStore(JdbcClient client, Clock clock, Engine engine, PlanStore plans) {
        this.client = client;
        this.plans = plans;
        this.engine = engine;
        this.clock = clock;
    }

    /** Returns when a snapshot is taken that is taken now. */
    public OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }

    /** What is said of a snapshot. */
    public record SnapshotLabel(String name, String note, boolean locked, String commentary) {
        /** Returns what is said of one that is kept. */
        public static SnapshotLabel of(KeptSnapshot kept) {
            return new SnapshotLabel(kept.name(), kept.note(), kept.locked(), kept.commentary());
        }
    }

    /**
     * A snapshot in the list: the scenario it is of (null: the base), what it said of the low water and of cash at its
     * end (null: kept before that was), and what it costs to keep.
     */
    public record SnapshotListed(
            String id,
            String name,
            String note,
            boolean locked,
            String commentary,
            @Schema(nullable = true) @Nullable String scenario,
            OffsetDateTime takenAt,
            LocalDate asOf,
            LocalDate horizonEnd,
            LocalDate lowWaterDay,
            long lowWaterCash,
            Long closingCash,
            long size) {

        SnapshotLabel said() {
            return new SnapshotLabel(name, note, locked, commentary);
        }
    }

    /** Returns the snapshots of a plan, the latest as-of date first; those of scenarios after the base's of the day. */
    public List<SnapshotListed> all(String planId) {
        return client.sql(LISTED + " order by as_of desc, scenario nulls first, taken_at desc, seq desc")
                .param(planId)
                .query(SnapshotListed.class)
                .list();
    }

    /** Returns the snapshots of a plan in the order in which they were kept. */
    public List<SnapshotListed> inOrder(String planId) {
        return client.sql(LISTED + " order by seq nulls first, taken_at, id")
                .param(planId)
                .query(SnapshotListed.class)
                .list();
    }

    /** Returns what is said of a snapshot; refuses an id that is not there. */
    public SnapshotLabel said(String planId, String id) {
        return find(planId, id).map(SnapshotListed::said).orElseThrow(() -> new NotFound("snapshot", id));
    }

    private Optional<SnapshotListed> find(String planId, String id) {
        return all(planId).stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** The place of a snapshot in the order in which they were kept, and what it keeps. */
    private record Content(long seq, boolean whole, long size, byte[] bytes) {}

    /**
     * Keeps a snapshot of the base, or of a scenario, with its closing cash. It is kept as a whole where what differs
     * since the last whole one has come to as much: so none is read from more than twice a whole one.
     */
    public void add(String planId, KeptSnapshot kept) {
        Snapshot snapshot = kept.forecast();
        long changed = client.sql("""
        select coalesce(sum(case when whole then -content_size else content_size end), 0) from snapshot where plan_id = :plan and seq >=
          (select coalesce(max(seq), 0) from snapshot where plan_id = :plan and whole)""").param("plan", planId).query(Long.class).single();
        SnapshotReader before = changed > 0 ? null : reader(planId, Long.MAX_VALUE);
        boolean whole = before == null;
        byte[] content = SnapshotWriter.content(before == null ? null : before.snapshot(LocalDate.MAX), snapshot);
        client.sql("""
        insert into snapshot (plan_id, id, name, note, taken_at, as_of, horizon_end, cash, low_water_day, low_water_cash, active, seq, whole, content,
          content_size, closing_cash, protected, commentary, scenario)
        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, true, %s, ?, ?, ?, ?, ?, ?, nullif(?, ''))""".formatted(engine.next("snapshot_seq")))
                .params(
                        planId,
                        kept.id(),
                        kept.name(),
                        kept.note(),
                        kept.takenAt(),
                        snapshot.asOf(),
                        snapshot.horizonEnd(),
                        snapshot.cashAtAsOf(),
                        kept.lowWaterDay(),
                        kept.lowWaterCash(),
                        whole,
                        content,
                        content.length,
                        snapshot.closing(snapshot.horizonEnd()),
                        kept.locked(),
                        kept.commentary(),
                        requireNonNullElse(kept.scenario(), ""))
                .update();
        if (kept.statements() != null) {
            client.sql("update snapshot set statements = ? where plan_id = ? and id = ?")
                    .params(KeptStatementsBytes.of(kept.statements(), currency(planId)), planId, kept.id())
                    .update();
        }
    }

    private Currency currency(String planId) {
        return plans.settings(planId).currency();
    }

    /**
     * Returns the statements of a snapshot; nothing of one that was kept before they were.
     *
     * @throws NotFound for an id that is not there
     */
    public Optional<KeptStatements> statements(String planId, String id) {
        said(planId, id);
        return client.sql("select statements from snapshot where plan_id = ? and id = ? and statements is not null")
                .params(planId, id)
                .query((row, n) -> row.getBytes("statements"))
                .optional()
                .map(bytes -> KeptStatementsBytes.read(bytes, currency(planId)));
    }

    /**
     * Returns a reader that has taken every snapshot from the last whole one up to a place; null when there is none.
     */
    private @Nullable SnapshotReader reader(String planId, long upTo) {
        SnapshotReader reader = new SnapshotReader();
        boolean[] any = {false};
        client.sql("""
        select whole, content from snapshot where plan_id = :plan and seq <= :upto and seq >=
          (select coalesce(max(seq), 0) from snapshot where plan_id = :plan and whole and seq <= :upto) order by seq""").param("plan", planId).param("upto", upTo).query(row -> {
            reader.take(row.getBytes("content"), row.getBoolean("whole"));
            any[0] = true;
        });
        return any[0] ? reader : null;
    }

    /**
     * Returns a snapshot with its flows up to a day; later ones are not loaded.
     *
     * @throws NotFound for an id that is not there
     */
    public Snapshot get(String planId, String id, LocalDate upTo) {
        if (find(planId, id).isEmpty()) {
            throw new NotFound("snapshot", id);
        }
        Optional<Long> seq = client.sql("select seq from snapshot where plan_id = ? and id = ? and seq is not null")
                .params(planId, id)
                .query(Long.class)
                .optional();
        return seq.isPresent() ? requireNonNull(reader(planId, seq.get())).snapshot(upTo) : fromRows(planId, id, upTo);
    }

    /**
     * Gives the base's latest snapshot of each as-of date to a consumer, one after another in the order in which they
     * were kept, each with its flows for so many days after it: all at once would not fit the memory. What was kept of
     * a scenario was never the forecast, and says nothing of how well that was made.
     */
    public void each(String planId, int days, Consumer<Snapshot> take) {
        List<SnapshotListed> all = all(planId);
        Map<LocalDate, String> latest = new LinkedHashMap<>();
        all.stream().filter(one -> one.scenario() == null).forEach(one -> latest.putIfAbsent(one.asOf(), one.id()));
        SnapshotReader reader = new SnapshotReader();
        client
                .sql("select id from snapshot where plan_id = ? and seq is null")
                .param(planId)
                .query(String.class)
                .list()
                .stream()
                .filter(latest::containsValue)
                .map(id -> fromRows(planId, id, LocalDate.MAX))
                .forEach(take);
        client.sql("select id, whole, content from snapshot where plan_id = ? and seq is not null order by seq")
                .param(planId)
                .query(row -> {
                    reader.take(row.getBytes("content"), row.getBoolean("whole"));
                    if (latest.containsValue(row.getString("id"))) {
                        take.accept(reader.snapshot(reader.asOf().plusDays(days)));
                    }
                });
    }

    /** Reads a snapshot that was kept row by row, without open items. */
    private Snapshot fromRows(String planId, String id, LocalDate upTo) {
        List<KeptLine> lines = client.sql("""
        select line_id, name, group_path, direction from snapshot_line where snapshot_id = ? order by position""")
                .param(id)
                .query((row, n) -> new KeptLine(
                        row.getString("line_id"),
                        row.getString("name"),
                        row.getString("group_path"),
                        Direction.valueOf(row.getString("direction")),
                        ""))
                .list();
        return client.sql("select as_of, horizon_end, cash from snapshot where plan_id = ? and id = ?")
                .params(planId, id)
                .query((row, n) -> {
                    LocalDate asOf = row.getObject("as_of", LocalDate.class);
                    LocalDate horizonEnd = row.getObject("horizon_end", LocalDate.class);
                    Map<String, Map<Part, DaySeries.Sum>> sums = new HashMap<>();
                    int length = (int) ChronoUnit.DAYS.between(asOf, upTo.isBefore(horizonEnd) ? upTo : horizonEnd);
                    client.sql(
                                    "select line_id, flow_day, part, minor from snapshot_flow where snapshot_id = ? and flow_day <= ?")
                            .params(id, asOf.plusDays(length))
                            .query(flow -> {
                                sums.computeIfAbsent(flow.getString("line_id"), any -> new EnumMap<>(Part.class))
                                        .computeIfAbsent(
                                                Part.valueOf(flow.getString("part")), any -> new DaySeries.Sum(length))
                                        .add(
                                                (int) ChronoUnit.DAYS.between(
                                                                asOf, flow.getObject("flow_day", LocalDate.class))
                                                        - 1,
                                                flow.getLong("minor"));
                            });
                    Map<String, KeptFlows> flows = new LinkedHashMap<>();
                    lines.forEach(line -> flows.put(line.id(), kept(sums.getOrDefault(line.id(), Map.of()))));
                    return new Snapshot(asOf, horizonEnd, row.getLong("cash"), lines, flows, List.of());
                })
                .single();
    }

    private static KeptFlows kept(Map<Part, DaySeries.Sum> sums) {
        return new KeptFlows(
                sums.getOrDefault(Part.COMMITTED, new DaySeries.Sum(0)).series(),
                sums.getOrDefault(Part.ESTIMATED, new DaySeries.Sum(0)).series());
    }

    public static String state(SnapshotLabel said) {
        return JSON.writeValueAsString(said);
    }

    @Override
    public Kind kind() {
        return Kind.SNAPSHOT;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return find(planId, id).map(one -> state(one.said())).orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("update snapshot set active = ? where plan_id = ? and id = ?")
                .params(state != null, planId, id)
                .update();
        if (state != null && !state.equals(ACTIVE)) {
            SnapshotLabel said = JSON.readValue(state, SnapshotLabel.class);
            client.sql(
                            "update snapshot set name = ?, note = ?, protected = ?, commentary = ? where plan_id = ? and id = ?")
                    .params(said.name(), said.note(), said.locked(), said.commentary(), planId, id)
                    .update();
        }
    }
}

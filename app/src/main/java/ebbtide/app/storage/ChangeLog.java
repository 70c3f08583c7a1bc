package ebbtide.app.storage;

import ebbtide.formats.plan.PlanPast.LoggedEdit;
import ebbtide.formats.plan.PlanReader;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Every edit of a plan in order: who, when, what it was, what it became. Nothing is ever taken out of it. */
@Repository
public class ChangeLog {
    /** The states of edits that were not undone. */
    private static final Set<String> HELD = Set.of("DONE", "CARRIED");

    private final JdbcClient client;
    private final Clock clock;

    ChangeLog(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** The state of one thing before and after an edit; null where it was not there. */
    public record Effect(
            UndoableStore.Kind kind,
            String id,
            @Nullable String before,
            @Nullable String after) {}

    /** An edit with its effects. */
    public record Entry(long seq, String words, List<LoggedEffect> effects) {}

    /**
     * A step from one version of a plan to the next: an edit made or brought back, or, back, one taken back; by whom
     * and when, empty and null where the log did not tell yet.
     */
    public record Turn(
            String words,
            List<LoggedEffect> effects,
            boolean back,
            String author,
            @Nullable OffsetDateTime at) {}

    /** An edit in the list; one that is undone, was replaced by another, or came with the plan's file is said so. */
    public record ChangeListed(long seq, OffsetDateTime madeAt, String author, String words, String state) {}

    /** Adds an edit; what was undone before it can no longer be redone. */
    public void add(String planId, String author, String words, long version, List<Effect> effects) {
        client.sql("update change_log set state = 'REPLACED' where plan_id = ? and state = 'UNDONE'")
                .param(planId)
                .update();
        client.sql("""
        insert into change_log (plan_id, seq, made_at, author, words, state, version, effects)
        values (?, (select coalesce(max(seq), 0) + 1 from change_log where plan_id = ?), ?, ?, ?, 'DONE', ?, ?)""")
                .params(planId, planId, OffsetDateTime.now(clock), author, words, version, json(effects))
                .update();
    }

    /** Returns every edit, the oldest first, as a plan file carries it. */
    public List<LoggedEdit> all(String planId) {
        return client.sql("select made_at, author, words, state from change_log where plan_id = ? order by seq")
                .param(planId)
                .query((row, n) -> new LoggedEdit(
                        row.getObject("made_at", OffsetDateTime.class),
                        row.getString("author"),
                        row.getString("words"),
                        HELD.contains(row.getString("state"))))
                .list();
    }

    /** Adds edits that were made elsewhere, to be read: nothing is kept of what they did, and none is undone. */
    public void carry(String planId, List<LoggedEdit> edits) {
        for (LoggedEdit edit : edits) {
            client.sql("""
            insert into change_log (plan_id, seq, made_at, author, words, state, version, effects)
            values (?, (select coalesce(max(seq), 0) + 1 from change_log where plan_id = ?), ?, ?, ?, ?, 0, '[]')""")
                    .params(
                            planId,
                            planId,
                            edit.madeAt(),
                            edit.author(),
                            edit.words(),
                            edit.held() ? "CARRIED" : "REPLACED")
                    .update();
        }
    }

    /** Returns the edit that undo would take back. */
    public Optional<Entry> findToUndo(String planId) {
        return find(planId, "DONE", "desc");
    }

    /** Returns the edit that redo would bring back. */
    public Optional<Entry> findToRedo(String planId) {
        return find(planId, "UNDONE", "asc");
    }

    private Optional<Entry> find(String planId, String state, String order) {
        return client.sql("select seq, words, effects from change_log where plan_id = ? and state = ? order by seq "
                        + order + " limit 1")
                .params(planId, state)
                .query((row, n) ->
                        new Entry(row.getLong("seq"), row.getString("words"), effects(row.getString("effects"))))
                .optional();
    }

    /** Returns the place in the log of the edit in force that first put a thing there, if there is one. */
    public Optional<Long> findFirst(String planId, UndoableStore.Kind kind, String id) {
        // Read only as far back as it stands.
        try (Stream<Entry> entries = client
                .sql(
                        "select seq, words, effects from change_log where plan_id = ? and state = 'DONE' order by seq desc")
                .param(planId)
                .query((row, n) ->
                        new Entry(row.getLong("seq"), row.getString("words"), effects(row.getString("effects"))))
                .stream()) {
            return entries.filter(entry ->
                            entry.effects().stream().anyMatch(e -> e.kind() == kind && e.id().equals(id) && e.begins()))
                    .map(Entry::seq)
                    .findFirst();
        }
    }

    /** Returns how many edits in force were made from a place in the log on. */
    public int countFrom(String planId, long seq) {
        return client.sql("select count(*) from change_log where plan_id = ? and state = 'DONE' and seq >= ?")
                .params(planId, seq)
                .query(Integer.class)
                .single();
    }

    /** Returns the words of the edit that undo would take back. */
    public Optional<String> findUndoWords(String planId) {
        return words(planId, "DONE", "desc");
    }

    /** Returns the words of the edit that redo would bring back. */
    public Optional<String> findRedoWords(String planId) {
        return words(planId, "UNDONE", "asc");
    }

    private Optional<String> words(String planId, String state, String order) {
        return client.sql("select words from change_log where plan_id = ? and state = ? order by seq " + order
                        + " limit 1")
                .params(planId, state)
                .query(String.class)
                .optional();
    }

    public void mark(String planId, long seq, String state) {
        client.sql("update change_log set state = ? where plan_id = ? and seq = ?")
                .params(state, planId, seq)
                .update();
    }

    /** Adds that an edit was taken back, or brought back, which made a version of the plan. */
    public void addReplay(String planId, String author, long version, long seq, boolean back) {
        client.sql("insert into replay (plan_id, version, seq, back, author, made_at) values (?, ?, ?, ?, ?, ?)")
                .params(planId, version, seq, back, author, OffsetDateTime.now(clock))
                .update();
    }

    /**
     * Returns the steps that led from one version to another, the earliest first, as far as they are known: what was
     * undone before the log told so is missing.
     */
    public List<Turn> turns(String planId, long after, long upTo) {
        return client.sql("""
        select version, words, effects, false as back, author, made_at from change_log where plan_id = :plan and version > :after and version <= :upTo
        union all
        select r.version, case when r.back then 'Undone: ' else 'Redone: ' end || l.words, l.effects, r.back, r.author, r.made_at from replay r join change_log l on l.plan_id = r.plan_id and l.seq = r.seq
        where r.plan_id = :plan and r.version > :after and r.version <= :upTo
        order by version""")
                .param("plan", planId)
                .param("after", after)
                .param("upTo", upTo)
                .query((row, n) -> new Turn(
                        row.getString("words"),
                        effects(row.getString("effects")),
                        row.getBoolean("back"),
                        row.getString("author"),
                        row.getObject("made_at", OffsetDateTime.class)))
                .list();
    }

    /** Returns the latest edits, the newest first. */
    public List<ChangeListed> latest(String planId, int limit) {
        return client.sql("""
        select seq, made_at, author, words, state from change_log where plan_id = ? order by seq desc limit ?""").params(planId, limit).query(ChangeListed.class).list();
    }

    /** Returns the latest edit in force of each line by its id, and of the settings under an empty one. */
    public Map<String, ChangeListed> latestOfEach(String planId) {
        Map<String, ChangeListed> latest = new HashMap<>();
        client.sql("""
        select seq, made_at, author, words, state, effects from change_log
        where plan_id = ? and state = 'DONE' order by seq""").param(planId).query(row -> {
            ChangeListed change = new ChangeListed(
                    row.getLong("seq"),
                    row.getObject("made_at", OffsetDateTime.class),
                    row.getString("author"),
                    row.getString("words"),
                    row.getString("state"));
            for (LoggedEffect effect : effects(row.getString("effects"))) {
                if (effect.kind() == UndoableStore.Kind.LINE || effect.kind() == UndoableStore.Kind.SETTINGS) {
                    latest.put(effect.kind() == UndoableStore.Kind.LINE ? effect.id() : "", change);
                }
            }
        });
        return latest;
    }

    private static String json(List<Effect> effects) {
        ArrayNode array = JsonNodeFactory.instance.arrayNode();
        effects.forEach(effect -> LoggedEffect.of(effect).write(array));
        return array.toString();
    }

    private static List<LoggedEffect> effects(String json) {
        List<LoggedEffect> effects = new ArrayList<>();
        PlanReader.parse(json).forEach(node -> effects.add(LoggedEffect.read(node)));
        return effects;
    }
}

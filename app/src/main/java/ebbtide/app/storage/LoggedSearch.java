package ebbtide.app.storage;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was done, sought by whom, when and in which words: the edits of a plan, and what happened beside edits. */
@Repository
public class LoggedSearch {
    private static final String EDITS = """
            select seq, made_at as at_time, author, 'EDIT' as kind, words, state from change_log where plan_id = :plan
            union all
            select replay.seq, replay.made_at, replay.author, case when back then 'UNDO' else 'REDO' end,
              case when back then 'Undone: ' else 'Redone: ' end || words, 'DONE'
            from replay join change_log on change_log.plan_id = replay.plan_id and change_log.seq = replay.seq
            where replay.plan_id = :plan and replay.made_at is not null""";
    private static final String BESIDE =
            "select cast(0 as bigint) as seq, at_time, author, kind, words, 'DONE' as state from happening";

    private final JdbcClient client;

    LoggedSearch(JdbcClient client) {
        this.client = client;
    }

    /**
     * What is sought: part of an author's name, part of the words, the first and the last day; empty and null for any.
     */
    public record Sought(
            String author,
            String words,
            @Nullable LocalDate from,
            @Nullable LocalDate to) {
        /** All of it. */
        public static final Sought ALL = new Sought("", "", null, null);
    }

    /**
     * Something that was done: an edit with its place in the log, that it was undone or redone with the same, or of
     * another kind, whose place is 0.
     */
    public record Logged(long seq, OffsetDateTime atTime, String author, String kind, String words, String state) {}

    /**
     * Gives the latest that is sought of a plan's edits, the newest first; and of what happened beside them if told to.
     */
    public void ofPlan(String planId, boolean withBeside, Sought sought, int most, Consumer<Logged> taker) {
        search(
                withBeside ? EDITS + " union all " + BESIDE + " where plan_id = :plan" : EDITS,
                planId,
                sought,
                most,
                taker);
    }

    /** Gives the latest that is sought of what happened beside edits, in all plans and none, the newest first. */
    public void beside(Sought sought, int most, Consumer<Logged> taker) {
        search(BESIDE, "", sought, most, taker);
    }

    private void search(String of, String planId, Sought sought, int most, Consumer<Logged> taker) {
        Stream<Logged> rows = client
                .sql("select * from (" + of + """
        ) found
        where lower(author) like :author escape '!' and lower(words) like :words escape '!'
        and at_time >= :from and at_time < :until
        order by at_time desc, seq desc limit :most""")
                .param("plan", planId)
                .param("author", like(sought.author()))
                .param("words", like(sought.words()))
                .param("from", begin(sought.from() == null ? LocalDate.of(1900, 1, 1) : sought.from()))
                .param("until", begin((sought.to() == null ? LocalDate.of(2200, 12, 31) : sought.to()).plusDays(1)))
                .param("most", most)
                .query((row, n) -> new Logged(
                        row.getLong("seq"),
                        row.getObject("at_time", OffsetDateTime.class),
                        row.getString("author"),
                        row.getString("kind"),
                        row.getString("words"),
                        row.getString("state")))
                .stream();
        // It reads from the database as long as it is open.
        try (rows) {
            rows.forEach(taker);
        }
    }

    /** Days are those of this machine, as the times of the log are shown. */
    private static OffsetDateTime begin(LocalDate day) {
        return day.atStartOfDay(ZoneId.systemDefault()).toOffsetDateTime();
    }

    private static String like(String part) {
        return "%" + part.strip().toLowerCase(Locale.ROOT).replaceAll("([!%_])", "!$1") + "%";
    }
}

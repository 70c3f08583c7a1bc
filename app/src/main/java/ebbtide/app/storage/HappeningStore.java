package ebbtide.app.storage;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What was done beside edits, by whom: sign-ins, refused ones too, exports, links, roles. Nothing is ever taken out.
 */
@Repository
public class HappeningStore {
    private final JdbcClient client;
    private final Clock clock;

    HappeningStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** The kinds. */
    public enum Kind {
        SIGN_IN,
        REFUSED,
        PERSON,
        ROLE,
        LINK,
        EXPORT
    }

    /** Something that was done; of a plan or of none. */
    public record Happening(
            OffsetDateTime atTime, String author, @Nullable String planId, Kind kind, String words) {}

    public void add(String author, @Nullable String planId, Kind kind, String words) {
        client.sql("insert into happening (at_time, author, plan_id, kind, words) values (?, ?, ?, ?, ?)")
                .param(1, OffsetDateTime.now(clock))
                .param(2, shortened(author, 200))
                .param(3, planId)
                .param(4, kind.name())
                .param(5, shortened(words, 1000))
                .update();
    }

    private static String shortened(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }

    /** Returns the latest, the newest first; of a plan where one is named. */
    public List<Happening> latest(@Nullable String planId, int most) {
        return client.sql("""
        select at_time, author, plan_id, kind, words from happening
        where cast(:plan as varchar) is null or plan_id = :plan order by at_time desc limit :most""")
                .param("plan", planId)
                .param("most", most)
                .query(Happening.class)
                .list();
    }
}

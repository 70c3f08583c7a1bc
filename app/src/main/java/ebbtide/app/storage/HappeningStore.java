package ebbtide.app.storage;

import java.time.Clock;
import java.time.OffsetDateTime;
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

    /** Adds something that was done; of a plan or of none. */
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
}

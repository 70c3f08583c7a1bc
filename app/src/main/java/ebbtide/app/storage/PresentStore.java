package ebbtide.app.storage;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Who has which plan open, a row for each window. It stands in the database so that several programs on it know of each
 * other's; nothing of it is forced to the disk, and who was not seen for a while is not there.
 */
@Repository
public class PresentStore {
    /** Longer than a window is silent while it is open. */
    private static final Duration GONE_AFTER = Duration.ofSeconds(40);

    private final JdbcClient client;
    private final Clock clock;

    PresentStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** Somebody who has a plan open, in which window, and the place that they look at. */
    public record Present(String tab, String planId, String name, String place) {}

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }

    /** Says that a plan is open in a window; where it was open before, it looks at what it looked at. */
    public void come(String tab, String planId, String name) {
        int there = client.sql("update present set plan_id = ?, name = ?, seen_at = ? where tab = ?")
                .params(planId, name, now(), tab)
                .update();
        if (there == 0) {
            client.sql("insert into present (tab, plan_id, name, place, seen_at) values (?, ?, ?, '', ?)")
                    .params(tab, planId, name, now())
                    .update();
        }
    }

    /** Says what is looked at in a window that is open. */
    public void look(String tab, String planId, String place) {
        client.sql("update present set place = ?, seen_at = ? where tab = ? and plan_id = ?")
                .params(place, now(), tab, planId)
                .update();
    }

    /** Says that windows are still open, and lets go of those that were not seen for long. */
    public void stay(Collection<String> tabs) {
        client.sql("update present set seen_at = :now where tab in (:tabs)")
                .param("now", now())
                .param("tabs", tabs)
                .update();
        client.sql("delete from present where seen_at < ?")
                .param(now().minus(GONE_AFTER))
                .update();
    }

    public void leave(String tab) {
        client.sql("delete from present where tab = ?").param(tab).update();
    }

    /** Returns who has plans open, by name. */
    public List<Present> of(Collection<String> planIds) {
        return client.sql("""
        select tab, plan_id, name, place from present where plan_id in (:plans) and seen_at >= :since order by name, tab""")
                .param("plans", planIds)
                .param("since", now().minus(GONE_AFTER))
                .query(Present.class)
                .list();
    }
}

package ebbtide.app.storage;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How far the bringing in of bank's files is, as the programs on a server say it to each other. */
@Repository
public class BringingInStore {
    /** A program that is gone says nothing any more: what it was at has ended with it. */
    private static final String OF_ONE_THERE = " and (over or program in (select id from process))";

    private final JdbcClient client;
    private final ProcessStore processes;

    BringingInStore(JdbcClient client, ProcessStore processes) {
        this.client = client;
        this.processes = processes;
    }

    /** Says how far this program is with one, in words that only the program reads, and whether it is over. */
    public void say(String id, String planId, String stands, boolean over) {
        int there = client.sql("update bringing_in set stands = ?, over = ? where id = ?")
                .params(stands, over, id)
                .update();
        if (there == 0) {
            client.sql("""
            insert into bringing_in (id, plan_id, program, over, stands, stop_asked) values (?, ?, ?, ?, ?, false)""").params(id, planId, processes.id(), over, stands).update();
        }
    }

    /** Returns what was said last of one. */
    public Optional<String> find(String planId, String id) {
        return client.sql("select stands from bringing_in where plan_id = ? and id = ?" + OF_ONE_THERE)
                .params(planId, id)
                .query(String.class)
                .optional();
    }

    /** Returns whether any is under way for a plan. */
    public boolean isUnderWay(String planId) {
        return client.sql("select count(*) from bringing_in where plan_id = ? and not over" + OF_ONE_THERE)
                        .param(planId)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** Asks whoever is at it to stop. */
    public void askStop(String id) {
        client.sql("update bringing_in set stop_asked = true where id = ?")
                .param(id)
                .update();
    }

    /** Returns those of this program that others have asked to stop. */
    public List<String> askedToStop() {
        return client.sql("select id from bringing_in where program = ? and stop_asked and not over")
                .param(processes.id())
                .query(String.class)
                .list();
    }

    public void forget(String id) {
        client.sql("delete from bringing_in where id = ?").param(id).update();
    }

    /** Forgets what this program was at before it ended. */
    public void forgetOwn() {
        client.sql("delete from bringing_in where program = ?")
                .param(processes.id())
                .update();
    }
}

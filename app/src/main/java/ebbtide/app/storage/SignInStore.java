package ebbtide.app.storage;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The sign-ins that are open: each by what its token hashes to, so that who reads the data can use none. */
@Repository
public class SignInStore {
    private final JdbcClient client;
    private final Clock clock;

    SignInStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** An open sign-in: whose, since when, when it was last seen, from which address and program. */
    public record SignIn(
            String id,
            String personId,
            OffsetDateTime begunAt,
            OffsetDateTime seenAt,
            String address,
            String program) {}

    private static final String COLUMNS = "select id, person_id, begun_at, seen_at, address, program from sign_in ";

    public void add(String hash, String personId, String address, String program) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        client.sql("""
        insert into sign_in (hash, id, person_id, begun_at, seen_at, address, program) values (?, ?, ?, ?, ?, ?, ?)""")
                .params(hash, ShortId.next(), personId, now, now, address, program)
                .update();
    }

    /** Returns the sign-in of a token by what it hashes to. */
    public Optional<SignIn> find(String hash) {
        return client.sql(COLUMNS + "where hash = ?")
                .param(hash)
                .query(SignIn.class)
                .optional();
    }

    /** Returns the sign-ins of a person, the one last seen first. */
    public List<SignIn> of(String personId) {
        return client.sql(COLUMNS + "where person_id = ? order by seen_at desc")
                .param(personId)
                .query(SignIn.class)
                .list();
    }

    public void markSeen(String id) {
        client.sql("update sign_in set seen_at = ? where id = ?")
                .params(OffsetDateTime.now(clock), id)
                .update();
    }

    /** Ends a sign-in of a person; returns whether there was one. */
    public boolean end(String personId, String id) {
        return client.sql("delete from sign_in where person_id = ? and id = ?")
                        .params(personId, id)
                        .update()
                > 0;
    }

    /** Ends all sign-ins of a person but one, which may be none. */
    public void endOthers(String personId, String but) {
        client.sql("delete from sign_in where person_id = ? and id <> ?")
                .params(personId, but)
                .update();
    }

    /** Ends those that were begun, or last seen, before a time. */
    public void endOld(OffsetDateTime begunBefore, OffsetDateTime seenBefore) {
        client.sql("delete from sign_in where begun_at < ? or seen_at < ?")
                .params(begunBefore, seenBefore)
                .update();
    }
}

package ebbtide.app.storage;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The keys by which people sign in in place of a password. */
@Repository
public class PasskeyStore {
    private final JdbcClient client;
    private final Clock clock;

    PasskeyStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /**
     * A key: the id that its device knows it by, whose it is, what they call it, what the device attested (its public
     * half in it), how often the device says that it signed (0 where it does not count), and whether it is, or may be,
     * on several devices.
     */
    public record Passkey(
            String id,
            String personId,
            String label,
            byte[] attestation,
            long signatures,
            boolean backupEligible,
            boolean backedUp,
            String transports,
            @Nullable OffsetDateTime madeAt,
            @Nullable OffsetDateTime usedAt) {}

    private static final String COLUMNS = """
            select id, person_id, label, attestation, signatures, backup_eligible, backed_up, transports, made_at, used_at
            from passkey\s""";

    private List<Passkey> where(String column, String value) {
        return client.sql(COLUMNS + "where " + column + " = ? order by made_at, id")
                .param(value)
                .query((row, n) -> new Passkey(
                        row.getString("id"),
                        row.getString("person_id"),
                        row.getString("label"),
                        row.getBytes("attestation"),
                        row.getLong("signatures"),
                        row.getBoolean("backup_eligible"),
                        row.getBoolean("backed_up"),
                        row.getString("transports"),
                        row.getObject("made_at", OffsetDateTime.class),
                        row.getObject("used_at", OffsetDateTime.class)))
                .list();
    }

    public Optional<Passkey> find(String id) {
        return where("id", id).stream().findFirst();
    }

    /** Returns a person's keys, the one made first first. */
    public List<Passkey> of(String personId) {
        return where("person_id", personId);
    }

    public void add(Passkey key) {
        client.sql("""
        insert into passkey (id, person_id, label, attestation, signatures, backup_eligible, backed_up, transports, made_at)
        values (?, ?, ?, ?, ?, ?, ?, ?, ?)""")
                .params(
                        key.id(),
                        key.personId(),
                        key.label(),
                        key.attestation(),
                        key.signatures(),
                        key.backupEligible(),
                        key.backedUp(),
                        key.transports(),
                        OffsetDateTime.now(clock))
                .update();
    }

    /** Notes that a key was used, and what its device says of it since. */
    public void used(String id, long signatures, boolean backedUp) {
        client.sql("update passkey set signatures = ?, backed_up = ?, used_at = ? where id = ?")
                .params(signatures, backedUp, OffsetDateTime.now(clock), id)
                .update();
    }

    /** Takes a person's key away; returns whether there was one. */
    public boolean remove(String personId, String id) {
        return client.sql("delete from passkey where person_id = ? and id = ?")
                        .params(personId, id)
                        .update()
                > 0;
    }
}

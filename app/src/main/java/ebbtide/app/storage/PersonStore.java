package ebbtide.app.storage;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The people who sign in, with what their passwords hash to, their second factors and recovery codes. */
@Repository
public class PersonStore {
    private final JdbcClient client;
    private final Clock clock;

    PersonStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /**
     * A person: one who is a steward looks after people and data, one who is shut out cannot sign in any more. The
     * second factor's secret is null where none is set up, {@code factorUsed} the latest of its steps that was used.
     */
    public record Person(
            String id,
            String name,
            String login,
            String password,
            boolean steward,
            boolean shutOut,
            @Nullable String secondFactor,
            long factorUsed) {}

    private static final String COLUMNS =
            "select id, name, login, password, steward, shut_out, second_factor, factor_used from person ";

    /** Returns everybody by name. */
    public List<Person> all() {
        return client.sql(COLUMNS + "order by lower(name), id")
                .query(Person.class)
                .list();
    }

    public boolean isAnybodyThere() {
        return client.sql("select count(*) from person").query(Integer.class).single() > 0;
    }

    public Optional<Person> find(String id) {
        return client.sql(COLUMNS + "where id = ?")
                .param(id)
                .query(Person.class)
                .optional();
    }

    /** Returns the person of a login, which is written in lower case. */
    public Optional<Person> findByLogin(String login) {
        return client.sql(COLUMNS + "where login = ?")
                .param(login)
                .query(Person.class)
                .optional();
    }

    public void add(Person person) {
        client.sql("""
        insert into person (id, name, login, password, steward, shut_out, made_at) values (?, ?, ?, ?, ?, ?, ?)""")
                .params(
                        person.id(),
                        person.name(),
                        person.login(),
                        person.password(),
                        person.steward(),
                        person.shutOut(),
                        OffsetDateTime.now(clock))
                .update();
    }

    public void putPassword(String id, String password) {
        client.sql("update person set password = ? where id = ?")
                .params(password, id)
                .update();
    }

    public void putStanding(String id, boolean steward, boolean shutOut) {
        client.sql("update person set steward = ?, shut_out = ? where id = ?")
                .params(steward, shutOut, id)
                .update();
    }

    /** Puts a second factor, or takes it away, with what its recovery codes hash to. */
    public void putSecondFactor(String id, @Nullable String secret, List<String> recoveryHashes) {
        client.sql("update person set second_factor = ?, factor_used = 0 where id = ?")
                .param(1, secret)
                .param(2, id)
                .update();
        client.sql("delete from recovery_code where person_id = ?").param(id).update();
        recoveryHashes.forEach(hash -> client.sql("insert into recovery_code (person_id, hash) values (?, ?)")
                .params(id, hash)
                .update());
    }

    /** Marks a step of the second factor as used; returns whether it was not before. */
    public boolean useStep(String id, long step) {
        return client.sql("update person set factor_used = ? where id = ? and factor_used < ?")
                        .params(step, id, step)
                        .update()
                > 0;
    }

    /** Takes a recovery code out, by what it hashes to; returns whether it was there. */
    public boolean useRecoveryCode(String id, String hash) {
        return client.sql("delete from recovery_code where person_id = ? and hash = ?")
                        .params(id, hash)
                        .update()
                > 0;
    }

    /** Returns the person whom a provider, by its address, knows by an id. */
    public Optional<Person> findByProvider(String issuer, String subject) {
        return client.sql(COLUMNS + "where id = (select person_id from provider_name where issuer = ? and subject = ?)")
                .params(issuer, subject)
                .query(Person.class)
                .optional();
    }

    public void addProviderName(String issuer, String subject, String personId) {
        client.sql("insert into provider_name (issuer, subject, person_id) values (?, ?, ?)")
                .params(issuer, subject, personId)
                .update();
    }

    public void removeProviderNames(String personId) {
        client.sql("delete from provider_name where person_id = ?")
                .param(personId)
                .update();
    }

    public boolean isNamedByProvider(String personId) {
        return client.sql("select count(*) from provider_name where person_id = ?")
                        .param(personId)
                        .query(Integer.class)
                        .single()
                > 0;
    }
}

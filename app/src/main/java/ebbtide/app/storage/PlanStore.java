package ebbtide.app.storage;

import static java.util.Objects.requireNonNull;

import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Settings;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The plans themselves: their settings and their versions. */
@Repository
public class PlanStore implements UndoableStore {
    private final JdbcClient client;
    private final Clock clock;

    PlanStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** A plan in the list of plans. */
    public record PlanListed(String id, String name, long version) {}

    /** Returns all plans, the latest made first. */
    public List<PlanListed> all() {
        return client.sql("select id, name, version from plan order by made_at desc, id")
                .query(PlanListed.class)
                .list();
    }

    /** Adds an empty plan with version 1. */
    void add(String id, Settings settings) {
        client.sql("insert into plan (id, name, version, settings, made_at) values (?, ?, 1, ?, ?)")
                .params(id, settings.name(), PlanWriter.json(settings).toString(), OffsetDateTime.now(clock))
                .update();
    }

    /** Returns the version of a plan; refuses an id that is not there. */
    public long version(String planId) {
        return findVersion(planId, "").orElseThrow(() -> new NotFound("plan", planId));
    }

    /** Returns the version of a plan and keeps others from changing it until the transaction ends. */
    long lock(String planId) {
        return findVersion(planId, " for update").orElseThrow(() -> new NotFound("plan", planId));
    }

    private Optional<Long> findVersion(String planId, String mode) {
        return client.sql("select version from plan where id = ?" + mode)
                .param(planId)
                .query(Long.class)
                .optional();
    }

    void setVersion(String planId, long version) {
        client.sql("update plan set version = ? where id = ?")
                .params(version, planId)
                .update();
    }

    /** Returns the settings of a plan; refuses an id that is not there. */
    public Settings settings(String planId) {
        return PlanReader.settings(
                PlanReader.parse(findSettings(planId).orElseThrow(() -> new NotFound("plan", planId))));
    }

    private Optional<String> findSettings(String planId) {
        return client.sql("select settings from plan where id = ?")
                .param(planId)
                .query(String.class)
                .optional();
    }

    @Override
    public Kind kind() {
        return Kind.SETTINGS;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return findSettings(planId).orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        String settings = requireNonNull(state, "a plan has settings");
        client.sql("update plan set settings = ?, name = ? where id = ?")
                .params(
                        settings,
                        PlanReader.settings(PlanReader.parse(settings)).name(),
                        planId)
                .update();
    }
}

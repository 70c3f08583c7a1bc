package ebbtide.app.storage;

import static java.util.Objects.requireNonNull;

import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Refused;
import ebbtide.plan.Settings;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The plans themselves: their settings and their versions. */
@Repository
public class PlanStore implements UndoableStore {
    private static final List<String> OF_A_PLAN = List.of(
            "movement",
            "line_day",
            "account_day",
            "item_day",
            "statement_cut_off",
            "statement",
            "open_item",
            "item_columns",
            "csv_dialect",
            "bank_number",
            "budget_label",
            "assign_rule",
            "variance_note",
            "roll_forward",
            "scenario",
            "ledger_part",
            "snapshot",
            "buoy",
            "line",
            "account",
            "replay",
            "plan_member",
            "invitation",
            "viewer_link",
            "present",
            "change_log");

    private final JdbcClient client;
    private final Clock clock;

    PlanStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** A plan in the list of plans; one that is archived is read and not changed. */
    public record PlanListed(String id, String name, long version, boolean archived) {}

    /** Returns all plans, the latest made first. */
    public List<PlanListed> all() {
        return client.sql("select id, name, version, archived from plan order by made_at desc, id")
                .query(PlanListed.class)
                .list();
    }

    /** Adds an empty plan with version 1. */
    public void add(String id, Settings settings) {
        client.sql("insert into plan (id, name, version, settings, made_at) values (?, ?, 1, ?, ?)")
                .params(id, settings.name(), PlanWriter.json(settings).toString(), OffsetDateTime.now(clock))
                .update();
    }

    public boolean isThere(String planId) {
        return findVersion(planId, "").isPresent();
    }

    /** Returns the version of a plan; refuses an id that is not there. */
    public long version(String planId) {
        return findVersion(planId, "").orElseThrow(() -> new NotFound("plan", planId));
    }

    /** Returns the versions of those of some plans that are there. */
    public Map<String, Long> versions(Collection<String> planIds) {
        Map<String, Long> versions = new HashMap<>();
        client.sql("select id, version from plan where id in (:plans)")
                .param("plans", planIds)
                .query(row -> {
                    versions.put(row.getString("id"), row.getLong("version"));
                });
        return versions;
    }

    /** Returns the version of a plan and keeps others from changing it until the transaction ends. */
    public long lock(String planId) {
        return findVersion(planId, " for update").orElseThrow(() -> new NotFound("plan", planId));
    }

    /**
     * Returns the version of a plan that is to be changed, as {@link #lock} does.
     *
     * @throws Refused for one that is archived
     */
    public long lockToEdit(String planId) {
        long version = lock(planId);
        if (isArchived(planId)) {
            throw new Refused("This plan is archived and stays as it is: take it out of the archive to change it");
        }
        return version;
    }

    public boolean isArchived(String planId) {
        return client.sql("select archived from plan where id = ?")
                .param(planId)
                .query(Boolean.class)
                .optional()
                .orElseThrow(() -> new NotFound("plan", planId));
    }

    /** Puts a plan into the archive, or takes it out; refuses an id that is not there. */
    public void archive(String planId, boolean archived) {
        int found = client.sql("update plan set archived = ? where id = ?")
                .params(archived, planId)
                .update();
        if (found == 0) {
            throw new NotFound("plan", planId);
        }
    }

    /** Takes out a plan with all that belongs to it. */
    public void remove(String planId) {
        for (String of : List.of("snapshot_line", "snapshot_flow")) {
            client.sql("delete from " + of + " where snapshot_id in (select id from snapshot where plan_id = ?)")
                    .param(planId)
                    .update();
        }
        // Asked one by one: a list of millions of ids is more than the database holds.
        client.sql("""
        delete from movement_part p where exists (select 1 from movement m where m.id = p.movement_id and m.plan_id = ?)""").param(planId).update();
        for (String of : OF_A_PLAN) {
            client.sql("delete from " + of + " where plan_id = ?").param(planId).update();
        }
        client.sql("delete from plan where id = ?").param(planId).update();
    }

    private Optional<Long> findVersion(String planId, String mode) {
        return client.sql("select version from plan where id = ?" + mode)
                .param(planId)
                .query(Long.class)
                .optional();
    }

    public void setVersion(String planId, long version) {
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

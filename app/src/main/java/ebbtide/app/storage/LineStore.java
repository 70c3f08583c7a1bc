package ebbtide.app.storage;

import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Line;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Collection;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The lines of plans: identity, tree and order in columns, the assumption as versioned JSON in one. */
@Repository
public class LineStore implements UndoableStore {
    private static final int ASSUMPTION_VERSION = 1;
    private static final String COLUMNS = """
      select id, position, parent, name, direction, active, account, note, assumption, overrides, nature, carried, netting from line
      where plan_id = ?""";
    private final JdbcClient client;
    private final PlanStore plans;

    protected LineStore(JdbcClient client, PlanStore plans) {
        this.client = client;
        this.plans = plans;
    }

    /** A line with its place in the order of all lines. */
    public record PlacedLine(double position, Line line) {}

    /** Returns the lines of a plan in order. */
    public List<PlacedLine> all(String planId) {
        Currency currency = plans.settings(planId).currency();
        return client.sql(COLUMNS + " order by position, id")
                .param(planId)
                .query((row, n) -> new PlacedLine(row.getDouble("position"), PlanReader.line(json(row), currency)))
                .list();
    }

    /** Returns those lines of a plan that are there, with their places, in no order. */
    public List<PlacedLine> find(String planId, Collection<String> ids) {
        if (ids.isEmpty()) {
            return List.of();
        }
        Currency currency = plans.settings(planId).currency();
        return client.sql(COLUMNS.replace("?", ":plan") + " and id in (:ids)")
                .param("plan", planId)
                .param("ids", ids)
                .query((row, n) -> new PlacedLine(row.getDouble("position"), PlanReader.line(json(row), currency)))
                .list();
    }

    private static JsonNode json(ResultSet row) throws SQLException {
        ObjectNode node = JsonNodeFactory.instance.objectNode().put("id", row.getString("id"));
        putUnlessNull(node, "group", row.getString("parent"));
        node.put("name", row.getString("name"))
                .put("direction", row.getString("direction"))
                .put("active", row.getBoolean("active"));
        putUnlessNull(node, "account", row.getString("account"));
        node.put("note", row.getString("note"));
        putUnlessNull(node, "nature", row.getString("nature"));
        node.set("assumption", PlanReader.parse(row.getString("assumption")));
        node.set("overrides", PlanReader.parse(row.getString("overrides")));
        for (String part : List.of("carried", "netting")) {
            if (row.getString(part) != null) {
                node.set(part, PlanReader.parse(row.getString(part)));
            }
        }
        return node;
    }

    private static void putUnlessNull(ObjectNode node, String field, String value) {
        if (value != null) {
            node.put(field, value);
        }
    }

    /** Returns the state of a line at a position, as the change log keeps it. */
    public static String state(Line line, double position, Currency currency) {
        ObjectNode state = JsonNodeFactory.instance.objectNode().put("position", position);
        state.set("line", PlanWriter.json(line, currency));
        return state.toString();
    }

    @Override
    public Kind kind() {
        return Kind.LINE;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql(COLUMNS + " and id = ?")
                .params(planId, id)
                .query((row, n) -> {
                    ObjectNode state = JsonNodeFactory.instance.objectNode().put("position", row.getDouble("position"));
                    state.set("line", json(row));
                    return state.toString();
                })
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("delete from line where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
        if (state == null) {
            return;
        }
        JsonNode json = PlanReader.parse(state);
        JsonNode line = json.get("line");
        client.sql("""
        insert into line (plan_id, id, position, parent, name, direction, active, account, note, assumption_version,
          assumption, overrides, nature, carried, netting)
        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""")
                .params(Arrays.asList(
                        planId,
                        id,
                        json.get("position").asDouble(),
                        line.path("group").asString(null),
                        line.get("name").asString(),
                        line.get("direction").asString(),
                        line.get("active").asBoolean(),
                        line.path("account").asString(null),
                        line.get("note").asString(),
                        ASSUMPTION_VERSION,
                        line.get("assumption").toString(),
                        line.get("overrides").toString(),
                        line.path("nature").asString(null),
                        line.has("carried") ? line.get("carried").toString() : null,
                        line.has("netting") ? line.get("netting").toString() : null))
                .update();
    }
}

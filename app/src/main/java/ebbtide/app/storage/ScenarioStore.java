package ebbtide.app.storage;

import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.Scenarios;
import java.util.Currency;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The scenarios of plans, in the order in which they are shown. */
@Repository
public class ScenarioStore implements UndoableStore {
    private static final int CONTENT_VERSION = 1;
    private final JdbcClient client;
    private final PlanStore plans;

    ScenarioStore(JdbcClient client, PlanStore plans) {
        this.client = client;
        this.plans = plans;
    }

    /** Returns the scenarios of a plan. */
    public Scenarios all(String planId) {
        Currency currency = plans.settings(planId).currency();
        return new Scenarios(client.sql("select content from scenario where plan_id = ? order by position, id")
                .param(planId)
                .query((row, n) -> PlanReader.scenario(PlanReader.parse(row.getString("content")), currency))
                .list());
    }

    /** Returns the place of a scenario in the order, for one that is not there yet that after the last. */
    public double position(String planId, String id) {
        return client.sql("select position from scenario where plan_id = ? and id = ?")
                .params(planId, id)
                .query(Double.class)
                .optional()
                .orElseGet(() -> client.sql("select coalesce(max(position), 0) + 1 from scenario where plan_id = ?")
                        .param(planId)
                        .query(Double.class)
                        .single());
    }

    /** Returns the state of a scenario at a place in the order, as the change log keeps it. */
    public static String state(Scenario scenario, double position, Currency currency) {
        return state(position, PlanWriter.json(scenario, currency));
    }

    private static String state(double position, JsonNode scenario) {
        ObjectNode state = JsonNodeFactory.instance.objectNode().put("position", position);
        state.set("scenario", scenario);
        return state.toString();
    }

    @Override
    public Kind kind() {
        return Kind.SCENARIO;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql("select position, content from scenario where plan_id = ? and id = ?")
                .params(planId, id)
                .query((row, n) -> state(row.getDouble("position"), PlanReader.parse(row.getString("content"))))
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("delete from scenario where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
        if (state != null) {
            JsonNode json = PlanReader.parse(state);
            client.sql("insert into scenario (plan_id, id, position, content_version, content) values (?, ?, ?, ?, ?)")
                    .params(
                            planId,
                            id,
                            json.get("position").asDouble(),
                            CONTENT_VERSION,
                            json.get("scenario").toString())
                    .update();
        }
    }
}

package ebbtide.app.storage;

import ebbtide.books.AssignRule;
import ebbtide.formats.plan.PlanReader;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The remembered rules for assigning movements. */
@Repository
public class RuleStore implements UndoableStore {
    private final JdbcClient client;
    private final PlanStore plans;

    RuleStore(JdbcClient client, PlanStore plans) {
        this.client = client;
        this.plans = plans;
    }

    /** Returns the rules of a plan by id. */
    public List<AssignRule> all(String planId) {
        Currency currency = plans.settings(planId).currency();
        return client.sql("select rule from assign_rule where plan_id = ? order by id")
                .param(planId)
                .query((row, n) -> PlanReader.rule(PlanReader.parse(row.getString("rule")), currency))
                .list();
    }

    @Override
    public Kind kind() {
        return Kind.RULE;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql("select rule from assign_rule where plan_id = ? and id = ?")
                .params(planId, id)
                .query(String.class)
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("delete from assign_rule where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
        if (state != null) {
            client.sql("insert into assign_rule (plan_id, id, rule) values (?, ?, ?)")
                    .params(planId, id, state)
                    .update();
        }
    }
}

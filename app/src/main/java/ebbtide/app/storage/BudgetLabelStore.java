package ebbtide.app.storage;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Which line each label of a budget was last said to belong to; it is a help for the next budget and no part of the
 * plan.
 */
@Repository
public class BudgetLabelStore {
    private static final String PUT = new Put("budget_label", List.of("plan_id", "label"), List.of("line_id")).sql();

    private final JdbcClient client;

    BudgetLabelStore(JdbcClient client) {
        this.client = client;
    }

    /** Returns the lines of a plan's remembered labels. */
    public Map<String, String> all(String planId) {
        Map<String, String> labels = new HashMap<>();
        client.sql("select label, line_id from budget_label where plan_id = ?")
                .param(planId)
                .query(row -> {
                    labels.put(row.getString("label"), row.getString("line_id"));
                });
        return labels;
    }

    /** Remembers the line of a label; a label too long to be kept is not. */
    public void put(String planId, String label, String lineId) {
        if (label.length() <= 400) {
            client.sql(PUT).params(planId, label, lineId).update();
        }
    }
}

package ebbtide.app.storage;

import ebbtide.books.OpenItem;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The invoices, bills, orders and commitments of plans. */
@Repository
public class OpenItemStore implements UndoableStore {
    private static final String PUT = new Put("open_item", List.of("plan_id", "id"), List.of("line_id", "state")).sql();

    private static final int AT_ONCE = 1_000;
    private final JdbcClient client;
    private final JdbcTemplate template;

    OpenItemStore(JdbcClient client, JdbcTemplate template) {
        this.client = client;
        this.template = template;
    }

    public static String state(OpenItem item, Currency currency) {
        return PlanWriter.json(item, currency).toString();
    }

    public static OpenItem item(String state, Currency currency) {
        return PlanReader.item(PlanReader.parse(state), currency);
    }

    /** Returns the items of a plan, by id. */
    public List<OpenItem> all(String planId, Currency currency) {
        return client
                .sql("select state from open_item where plan_id = ? order by id")
                .param(planId)
                .query(String.class)
                .list()
                .stream()
                .map(state -> item(state, currency))
                .toList();
    }

    /** Returns how many items a line has. */
    public int count(String planId, String lineId) {
        return client.sql("select count(*) from open_item where plan_id = ? and line_id = ?")
                .params(planId, lineId)
                .query(Integer.class)
                .single();
    }

    /** Returns the states of some items by id; those that are not there are left out. */
    public Map<String, String> states(String planId, Collection<String> ids) {
        Map<String, String> states = new HashMap<>();
        List<String> some = new ArrayList<>(ids);
        for (int from = 0; from < some.size(); from += AT_ONCE) {
            client.sql("select id, state from open_item where plan_id = :plan and id in (:ids)")
                    .param("plan", planId)
                    .param("ids", some.subList(from, Math.min(some.size(), from + AT_ONCE)))
                    .query(row -> {
                        states.put(row.getString("id"), row.getString("state"));
                    });
        }
        return states;
    }

    /** Puts many items at once, as {@link #restore} puts one. */
    public void putAll(String planId, Collection<OpenItem> items, Currency currency) {
        template.batchUpdate(
                PUT,
                items.stream()
                        .map(item -> new Object[] {planId, item.id(), item.lineId(), state(item, currency)})
                        .toList());
    }

    @Override
    public Kind kind() {
        return Kind.ITEM;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql("select state from open_item where plan_id = ? and id = ?")
                .params(planId, id)
                .query(String.class)
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        if (state == null) {
            client.sql("delete from open_item where plan_id = ? and id = ?")
                    .params(planId, id)
                    .update();
        } else {
            client.sql(PUT)
                    .params(planId, id, PlanReader.parse(state).get("line").asString(), state)
                    .update();
        }
    }
}

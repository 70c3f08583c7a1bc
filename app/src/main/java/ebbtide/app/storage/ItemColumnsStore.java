package ebbtide.app.storage;

import ebbtide.formats.items.ItemColumns;
import ebbtide.plan.Direction;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/**
 * Which column of a ledger's lists holds what, as last taken over in a direction; it is a help for the next list and no
 * part of the plan.
 */
@Repository
public class ItemColumnsStore {
    private static final String PUT =
            new Put("item_columns", List.of("plan_id", "direction"), List.of("columns")).sql();

    private final JdbcClient client;
    private final JsonMapper mapper = new JsonMapper();

    ItemColumnsStore(JdbcClient client) {
        this.client = client;
    }

    /** Returns the columns last confirmed for a direction. */
    public Optional<ItemColumns> find(String planId, Direction direction) {
        return client.sql("select columns from item_columns where plan_id = ? and direction = ?")
                .params(planId, direction.name())
                .query(String.class)
                .optional()
                .map(json -> mapper.readValue(json, ItemColumns.class));
    }

    /** Remembers the columns of a direction. */
    public void put(String planId, Direction direction, ItemColumns columns) {
        client.sql(PUT)
                .params(planId, direction.name(), mapper.writeValueAsString(columns))
                .update();
    }
}

package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The bank accounts of plans. */
@Repository
public class AccountStore implements UndoableStore {
    private static final String COLUMNS = """
      select id, position, name, country, restricted, balance_date, balance from account where plan_id = ?""";
    private final JdbcClient client;
    private final PlanStore plans;

    AccountStore(JdbcClient client, PlanStore plans) {
        this.client = client;
        this.plans = plans;
    }

    /** Returns the accounts of a plan in order; the first is the plan's main one. */
    public List<Account> all(String planId) {
        return client.sql(COLUMNS + " order by position, id")
                .param(planId)
                .query((row, n) -> account(row))
                .list();
    }

    private static Account account(ResultSet row) throws SQLException {
        return new Account(
                row.getString("id"),
                row.getString("name"),
                row.getString("country"),
                row.getBoolean("restricted"),
                row.getObject("balance_date", LocalDate.class),
                row.getLong("balance"));
    }

    /** Returns the position after all accounts of a plan. */
    public double endPosition(String planId) {
        return client.sql("select coalesce(max(position), 0) + 1 from account where plan_id = ?")
                .param(planId)
                .query(Double.class)
                .single();
    }

    /** Returns the state of an account at a position, as the change log keeps it. */
    public static String state(Account account, double position, Currency currency) {
        ObjectNode state = JsonNodeFactory.instance.objectNode().put("position", position);
        state.set("account", PlanWriter.json(account, currency));
        return state.toString();
    }

    @Override
    public Kind kind() {
        return Kind.ACCOUNT;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        Currency currency = plans.settings(planId).currency();
        return client.sql(COLUMNS + " and id = ?")
                .params(planId, id)
                .query((row, n) -> state(account(row), row.getDouble("position"), currency))
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("delete from account where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
        if (state != null) {
            JsonNode json = PlanReader.parse(state);
            Account account = PlanReader.account(
                    json.get("account"), plans.settings(planId).currency());
            client.sql("""
          insert into account (plan_id, id, position, name, country, restricted, balance_date, balance)
          values (?, ?, ?, ?, ?, ?, ?, ?)""")
                    .params(
                            planId,
                            id,
                            json.get("position").asDouble(),
                            account.name(),
                            account.country(),
                            account.restricted(),
                            account.balanceDate(),
                            account.balance())
                    .update();
        }
    }
}

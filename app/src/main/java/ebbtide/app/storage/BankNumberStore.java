package ebbtide.app.storage;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Which account each number at a bank was last said to be; it is a help for the next statement and no part of the plan.
 */
@Repository
public class BankNumberStore {
    private static final String PUT = new Put("bank_number", List.of("plan_id", "number"), List.of("account")).sql();

    private final JdbcClient client;

    BankNumberStore(JdbcClient client) {
        this.client = client;
    }

    /** Returns the accounts of a plan's remembered numbers. */
    public Map<String, String> all(String planId) {
        Map<String, String> accounts = new HashMap<>();
        client.sql("select number, account from bank_number where plan_id = ?")
                .param(planId)
                .query(row -> {
                    accounts.put(row.getString("number"), row.getString("account"));
                });
        return accounts;
    }

    /** Remembers the account of a number. */
    public void put(String planId, String number, String account) {
        client.sql(PUT).params(planId, number, account).update();
    }
}

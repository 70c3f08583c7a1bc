package ebbtide.app.storage;

import ebbtide.formats.bank.CsvDialect;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** How the bank of each account writes its CSV, as a person last confirmed it. */
@Repository
public class DialectStore {
    private static final String PUT = new Put("csv_dialect", List.of("plan_id", "account"), List.of("dialect")).sql();

    private final JdbcClient client;
    private final JsonMapper mapper = new JsonMapper();

    DialectStore(JdbcClient client) {
        this.client = client;
    }

    /** Returns the dialect last confirmed for an account. */
    public Optional<CsvDialect> find(String planId, String account) {
        return client.sql("select dialect from csv_dialect where plan_id = ? and account = ?")
                .params(planId, account)
                .query(String.class)
                .optional()
                .map(json -> mapper.readValue(json, CsvDialect.class));
    }

    /** Remembers the dialect of an account. */
    public void put(String planId, String account, CsvDialect dialect) {
        client.sql(PUT)
                .params(planId, account, mapper.writeValueAsString(dialect))
                .update();
    }
}

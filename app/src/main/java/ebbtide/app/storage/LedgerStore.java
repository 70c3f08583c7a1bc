package ebbtide.app.storage;

import ebbtide.books.ActualLedger;
import ebbtide.books.TrialBalance;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What the ledger says of a plan's months that are over: a trial balance by its month, and what accounts were said to
 * be.
 */
@Repository
public class LedgerStore implements UndoableStore {
    /** The id under which it is kept what accounts were said to be. */
    public static final String SAID = "said";

    private static final int CONTENT_VERSION = 1;
    private final JdbcClient client;
    private final PlanStore plans;

    LedgerStore(JdbcClient client, PlanStore plans) {
        this.client = client;
        this.plans = plans;
    }

    /** Returns all of a plan's. */
    public ActualLedger all(String planId) {
        Currency currency = plans.settings(planId).currency();
        ActualLedger said = ActualLedger.NONE;
        List<TrialBalance> months = new ArrayList<>();
        for (String content : client.sql("select content from ledger_part where plan_id = ?")
                .param(planId)
                .query(String.class)
                .list()) {
            ActualLedger part = PlanReader.ledger(PlanReader.parse(content), currency);
            months.addAll(part.months());
            said = part.months().isEmpty() ? part : said;
        }
        return new ActualLedger(months, said.accounts(), said.monthAlone());
    }

    /** Returns the id of the trial balance of a month. */
    public static String id(TrialBalance balance) {
        return balance.month().toString();
    }

    /** Returns the state of a trial balance, as the change log keeps it. */
    public static String state(TrialBalance balance, Currency currency) {
        return PlanWriter.json(ActualLedger.NONE.with(balance), currency).toString();
    }

    /** Returns the state of what accounts were said to be. */
    public static String said(ActualLedger ledger, Currency currency) {
        return PlanWriter.json(new ActualLedger(List.of(), ledger.accounts(), ledger.monthAlone()), currency)
                .toString();
    }

    @Override
    public Kind kind() {
        return Kind.LEDGER;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql("select content from ledger_part where plan_id = ? and id = ?")
                .params(planId, id)
                .query(String.class)
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("delete from ledger_part where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
        if (state != null) {
            client.sql("insert into ledger_part (plan_id, id, content_version, content) values (?, ?, ?, ?)")
                    .params(planId, id, CONTENT_VERSION, state)
                    .update();
        }
    }
}

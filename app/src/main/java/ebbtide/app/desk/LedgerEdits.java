package ebbtide.app.desk;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.LedgerStore;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.TrialBalance;
import ebbtide.money.Check;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The edits of what the ledger says of months that are over (rules 9.5). */
public final class LedgerEdits {
    private LedgerEdits() {}

    /** Puts the trial balance of a month, in place of the one that there is. */
    public static Change put(TrialBalance balance) {
        Check.that(
                !balance.balances().isEmpty(),
                "There are no accounts in it: a number, a name and a balance in each row");
        return draft -> {
            draft.reads(Kind.LEDGER, LedgerStore.id(balance));
            boolean there = draft.ledger().find(balance.month()).isPresent();
            draft.putTrialBalance(balance);
            return "Trial balance of " + MONTH.format(balance.month()) + (there ? " brought in anew" : " brought in");
        };
    }

    /** Takes the trial balance of a month out. */
    public static Change remove(YearMonth month) {
        return draft -> {
            if (draft.ledger().find(month).isEmpty()) {
                throw new NotFound("trial balance", month.toString());
            }
            draft.removeTrialBalance(month);
            return "Trial balance of " + MONTH.format(month) + " taken out";
        };
    }

    /** What an account is now said to be: a row or a line; neither where it is nothing any more. */
    public record Saying(String account, @Nullable Said said) {}

    /** Says what accounts are. */
    public static Change say(List<Saying> sayings) {
        return draft -> {
            draft.reads(Kind.LEDGER, LedgerStore.SAID);
            ActualLedger now = draft.ledger();
            Map<String, Said> said = new LinkedHashMap<>(now.byAccount());
            for (Saying one : sayings) {
                Said other = one.said();
                if (other == null) {
                    said.remove(one.account());
                } else {
                    Check.that(
                            other.line() == null
                                    || draft.base()
                                            .plan()
                                            .findLine(other.line())
                                            .isPresent(),
                            "There is no such line to be account " + one.account() + ": choose another");
                    said.put(one.account(), other);
                }
            }
            draft.putSaid(new ActualLedger(now.months(), new ArrayList<>(said.values()), now.monthAlone()));
            return sayings.size() == 1
                    ? "Account " + sayings.get(0).account() + " placed"
                    : sayings.size() + " accounts placed";
        };
    }

    /** Says whether income accounts begin anew each month, in place of each fiscal year. */
    public static Change run(boolean monthAlone) {
        return draft -> {
            draft.reads(Kind.LEDGER, LedgerStore.SAID);
            ActualLedger now = draft.ledger();
            draft.putSaid(new ActualLedger(now.months(), now.accounts(), monthAlone));
            return monthAlone ? "Income accounts begin anew each month" : "Income accounts run on over the fiscal year";
        };
    }
}

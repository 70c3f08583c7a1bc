package ebbtide.books;

import ebbtide.money.Check;
import ebbtide.money.Rounding;
import java.time.YearMonth;
import java.util.List;
import java.util.Objects;

/** The balances of all accounts of the ledger at the end of a month (rules 9.5). */
public record TrialBalance(YearMonth month, List<Balance> balances) {
    private static final int MOST = 20_000;

    /** The balance of an account, by its number or, where it has none, its name: debits less credits, minor units. */
    public record Balance(String account, String name, long minor) {
        public Balance {
            account = Check.text(account, "number of an account", 80);
            name = Check.atMost(name, "name of account " + account, 200);
            Rounding.counted(minor);
        }

        /** Returns its number and its name, where that says more. */
        public String words() {
            return name.isEmpty() || name.equals(account) ? account : account + " " + name;
        }
    }

    public TrialBalance {
        Objects.requireNonNull(month, "month of a trial balance");
        balances = List.copyOf(balances);
        Check.that(
                balances.size() <= MOST,
                "a trial balance has at most " + MOST + " accounts, but had " + balances.size());
        Check.that(
                balances.stream().map(Balance::account).distinct().count() == balances.size(),
                "an account is in the trial balance of " + month + " twice: add its balances up");
    }

    /** Returns what debits exceed credits by: nil where they balance. */
    public long unplaced() {
        return balances.stream().mapToLong(Balance::minor).sum();
    }
}

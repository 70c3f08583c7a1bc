package ebbtide.formats.opening;

import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.formats.budget.Sheet;
import ebbtide.money.Refused;
import java.time.YearMonth;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A trial balance read from rows, pasted or brought in: the number of an account, its name, and its balance, or debit
 * and credit. Rows that cannot be read are named, each with what to mend.
 */
public record TrialBalanceList(TrialBalance balance, List<NamedRows.Unread> problems) {
    private static final List<String> NUMBER = List.of("account", "number", "account number", "code", "no", "no.");

    /**
     * Reads the sheet of a month; its first row may be a heading: without one the columns are number, name, balance, or
     * number, name, debit, credit; two are name and balance.
     */
    public static TrialBalanceList read(Sheet sheet, YearMonth month, Currency currency) {
        Map<String, Balance> balances = new LinkedHashMap<>();
        List<NamedRows.Unread> problems = NamedRows.read(sheet, NUMBER, "credit", cells -> {
            String account = cells.kind().isEmpty() ? cells.name() : cells.kind();
            long minor = cells.debit().isEmpty()
                            && cells.credit().isEmpty()
                            && !cells.after().isEmpty()
                    ? NamedRows.minor(cells.amount(), currency) - NamedRows.minor(cells.after(), currency)
                    : cells.minor(1, currency);
            if (balances.put(account, new Balance(account, cells.name(), minor)) != null) {
                throw new Refused("Account '" + account + "' is there twice: add its balances up");
            }
        });
        return new TrialBalanceList(new TrialBalance(month, List.copyOf(balances.values())), problems);
    }
}

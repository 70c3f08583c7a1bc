package ebbtide.books;

import ebbtide.books.TrialBalance.Balance;
import ebbtide.money.Check;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What the ledger says of months that are over (rules 9.5): a trial balance for each of some months, in their order,
 * what each account was said to be, and whether income accounts begin anew each month in place of each fiscal year.
 */
public record ActualLedger(List<TrialBalance> months, List<Said> accounts, boolean monthAlone) {
    public static final ActualLedger NONE = new ActualLedger(List.of(), List.of(), false);
    private static final int MOST_MONTHS = 120;

    /** What an account was said to be: a row of the statements, or a line of the plan. */
    public record Said(
            String account,
            @Nullable LedgerRow row,
            @Nullable String line) {
        public Said {
            account = Check.text(account, "number of an account", 80);
            Check.that(
                    (row == null) != (line == null),
                    "account " + account + " is either a row of the statements or a line: say one of them");
        }
    }

    public ActualLedger {
        months = months.stream()
                .sorted(Comparator.comparing(TrialBalance::month))
                .toList();
        Check.that(
                months.size() <= MOST_MONTHS,
                "at most " + MOST_MONTHS + " months have a trial balance, but " + months.size() + " had");
        for (int i = 1; i < months.size(); i++) {
            Check.that(
                    !months.get(i).month().equals(months.get(i - 1).month()),
                    "there are two trial balances of " + months.get(i).month() + ": take one of them out");
        }
        accounts = List.copyOf(accounts);
        Check.that(
                accounts.stream().map(Said::account).distinct().count() == accounts.size(),
                "an account is said to be two things: take one of them out");
    }

    /** Returns what accounts were said to be, by their numbers. */
    public Map<String, Said> byAccount() {
        return accounts.stream().collect(Collectors.toMap(Said::account, Function.identity()));
    }

    public Optional<TrialBalance> find(YearMonth month) {
        return months.stream().filter(one -> one.month().equals(month)).findFirst();
    }

    /**
     * What was booked on the accounts from one month to another, the month of a trial balance and those before it that
     * have none: of each account debits less credits.
     */
    public record Booked(YearMonth since, YearMonth month, List<Change> changes) {}

    /** What was booked on an account, as the later trial balance calls it that has it. */
    public record Change(Balance account, long minor) {}

    /**
     * Returns what was booked in each of the months: a balance less that of the trial balance before it in the fiscal
     * year, an account that is gone counting as nil (rules 9.5).
     */
    public List<Booked> booked(Month firstFiscalMonth) {
        List<Booked> all = new ArrayList<>();
        TrialBalance before = null;
        for (TrialBalance now : months) {
            YearMonth month = now.month();
            YearMonth begins =
                    month.minusMonths(Math.floorMod(month.getMonthValue() - firstFiscalMonth.getValue(), 12));
            Map<String, Balance> earlier = new TreeMap<>();
            if (monthAlone) {
                begins = month;
            } else if (before != null && !before.month().isBefore(begins)) {
                before.balances().forEach(one -> earlier.put(one.account(), one));
                begins = before.month().plusMonths(1);
            }
            List<Change> changes = new ArrayList<>();
            for (Balance one : now.balances()) {
                Balance was = earlier.remove(one.account());
                changes.add(new Change(one, one.minor() - (was == null ? 0 : was.minor())));
            }
            // An account that is gone has nothing left of what it had.
            earlier.values().forEach(was -> changes.add(new Change(was, -was.minor())));
            all.add(new Booked(begins, month, List.copyOf(changes)));
            before = now;
        }
        return all;
    }

    /** Returns the ledger without what accounts were said to be of lines that are there no more. */
    public ActualLedger ofLines(Predicate<String> there) {
        return new ActualLedger(
                months,
                accounts.stream()
                        .filter(one -> one.line() == null || there.test(one.line()))
                        .toList(),
                monthAlone);
    }

    /** Returns the ledger with a trial balance, in place of the one of its month. */
    public ActualLedger with(TrialBalance balance) {
        List<TrialBalance> others = new ArrayList<>(without(balance.month()).months());
        others.add(balance);
        return new ActualLedger(others, accounts, monthAlone);
    }

    /** Returns the ledger without the trial balance of a month. */
    public ActualLedger without(YearMonth month) {
        return new ActualLedger(
                months.stream().filter(one -> !one.month().equals(month)).toList(), accounts, monthAlone);
    }
}

package ebbtide.statements;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.forecast.Forecast;
import ebbtide.money.Refused;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The opening balance sheet that the ledger gives (rules 9.5): the accounts of the trial balance of its day's month, by
 * kind. Of each kind what the flows of a line clear stands with the line, the rest under the account; what an entry of
 * the same name was said to be before, it is again.
 */
public final class LedgerOpening {
    private static final int LONGEST_NAME = 120;
    private final Forecast forecast;
    private final List<Entry> before;
    private final List<Entry> entries = new ArrayList<>();

    private LedgerOpening(Forecast forecast) {
        this.forecast = forecast;
        OpeningSheet sheet = forecast.plan().settings().openingSheet();
        this.before = sheet == null ? List.of() : sheet.entries();
    }

    /**
     * Returns the opening balance sheet of the plan's day.
     *
     * @throws Refused where there is no trial balance of its month, or an account of it was not said to be anything
     */
    public static OpeningSheet of(Forecast forecast, ActualLedger ledger) {
        YearMonth month = YearMonth.from(forecast.plan().settings().openingDay());
        TrialBalance balance = ledger.find(month)
                .orElseThrow(() -> new Refused("There is no trial balance of " + MONTH.format(month)
                        + ": bring it in under Actual months, and the opening balance sheet comes from it"));
        LedgerOpening opening = new LedgerOpening(forecast);
        opening.place(balance, ledger.byAccount());
        opening.part();
        return new OpeningSheet(forecast.plan().settings().openingDay(), opening.entries);
    }

    private void place(TrialBalance balance, Map<String, Said> said) {
        List<String> open = new ArrayList<>();
        long soFar = 0;
        for (Balance one : balance.balances()) {
            Said is = said.get(one.account());
            if (is == null) {
                open.add(one.words());
                continue;
            }
            Optional<Kind> kind = Optional.ofNullable(is.row()).flatMap(LedgerRow::kind);
            if (kind.isEmpty()) {
                soFar -= one.minor();
            } else if (one.minor() != 0) {
                add(one.words(), kind.get(), one.minor() * kind.get().sign());
            }
        }
        if (!open.isEmpty()) {
            throw new Refused("Of the trial balance of " + MONTH.format(balance.month()) + " "
                    + String.join(", ", open.stream().limit(3).toList())
                    + (open.size() > 3 ? " and " + (open.size() - 3) + " more are" : open.size() == 1 ? " is" : " are")
                    + " not said to be anything: say which row or line under Actual months, then take it over");
        }
        if (soFar != 0) {
            add("Income less costs of the year so far", Kind.RETAINED, soFar);
        }
    }

    private void add(String name, Kind kind, long amount) {
        String cut = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
        Optional<Entry> was = before.stream()
                .filter(entry -> entry.kind() == kind && entry.name().equals(cut))
                .findFirst();
        String line = was.map(Entry::lineId)
                .filter(id -> forecast.plan().findLine(id).isPresent())
                .orElse(null);
        entries.add(new Entry(cut, kind, amount, line, was.map(Entry::stays).orElse(false)));
    }

    /** Parts from the greatest entry of each kind what the flows of a line clear. */
    private void part() {
        Ledger ledger = new Ledger(forecast);
        Clearing clearing = new Clearing(ledger);
        Set<String> said = entries.stream()
                .filter(entry -> entry.lineId() != null)
                .map(entry -> entry.lineId() + " " + entry.kind())
                .collect(Collectors.toSet());
        for (Account account : ledger.accounts()) {
            OptionalLong left = clearing.left(account);
            String line = account.lineId();
            if (line == null || left.isEmpty() || said.contains(line + " " + account.kind())) {
                continue;
            }
            long cleared =
                    (account.opening() - left.getAsLong()) * account.kind().sign();
            if (cleared != 0 && entries.stream().anyMatch(entry -> isPartOf(entry, account.kind()))) {
                take(account, line, cleared);
            }
        }
        entries.removeIf(entry -> entry.amount() == 0);
    }

    private static boolean isPartOf(Entry entry, Kind kind) {
        return entry.kind() == kind && entry.lineId() == null && !entry.stays();
    }

    private void take(Account account, String line, long cleared) {
        if (account.kind() == Kind.FIXED_ASSETS) {
            net();
        }
        Entry greatest = entries.stream()
                .filter(entry -> isPartOf(entry, account.kind()))
                .max(Comparator.comparingLong(entry -> Math.abs(entry.amount())))
                .orElseThrow();
        int at = entries.indexOf(greatest);
        entries.set(
                at, new Entry(greatest.name(), greatest.kind(), greatest.amount() - cleared, null, greatest.stays()));
        entries.add(at, new Entry(free(account), account.kind(), cleared, line, false));
    }

    /** An account of the ledger may be called as a line is: each entry has a name of its own. */
    private String free(Account account) {
        boolean taken = entries.stream()
                .anyMatch(
                        entry -> entry.kind() == account.kind() && entry.name().equals(account.name()));
        return taken
                ? account.name().substring(0, Math.min(100, account.name().length())) + ", the line"
                : account.name();
    }

    /** Lines hold assets at what they are worth: accounts of what is depreciated join the one of what they cost. */
    private void net() {
        List<Entry> parts = entries.stream()
                .filter(entry -> isPartOf(entry, Kind.FIXED_ASSETS))
                .toList();
        if (parts.size() > 1) {
            int at = entries.indexOf(parts.get(0));
            entries.removeAll(parts);
            long sum = parts.stream().mapToLong(Entry::amount).sum();
            entries.add(at, new Entry(parts.get(0).name(), Kind.FIXED_ASSETS, sum, null, false));
        }
    }
}

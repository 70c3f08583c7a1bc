package ebbtide.books;

import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The facts: accounts, and the movements of the unrestricted ones by day. Movements are by line where assigned;
 * {@code unassignedIn} and {@code unassignedOut} hold what is not, by sign; {@code transfers} what moves between own
 * accounts; {@code byAccount} all of each account, restricted ones too; {@code settling} what of {@code byLine} settles
 * items; {@code items} what is invoiced, ordered or agreed; {@code actual} what the ledger says of months that are
 * over. What came in and what went out on a day are each one amount, in order of day, so that books with the same
 * movements are equal.
 */
public record Books(
        List<Account> accounts,
        Map<String, List<DayAmount>> byLine,
        List<DayAmount> unassignedIn,
        List<DayAmount> unassignedOut,
        List<DayAmount> transfers,
        Map<String, List<DayAmount>> byAccount,
        Map<String, List<DayAmount>> settling,
        OpenItems items,
        ActualLedger actual) {
    /** Makes books without open items, and without months of the ledger. */
    public Books(
            List<Account> accounts,
            Map<String, List<DayAmount>> byLine,
            List<DayAmount> unassignedIn,
            List<DayAmount> unassignedOut,
            List<DayAmount> transfers,
            Map<String, List<DayAmount>> byAccount) {
        this(
                accounts,
                byLine,
                unassignedIn,
                unassignedOut,
                transfers,
                byAccount,
                Map.of(),
                OpenItems.NONE,
                ActualLedger.NONE);
    }

    public Books {
        accounts = List.copyOf(accounts);
        byLine = ordered(byLine);
        unassignedIn = DayAmount.ordered(unassignedIn);
        unassignedOut = DayAmount.ordered(unassignedOut);
        transfers = DayAmount.ordered(transfers);
        byAccount = ordered(byAccount);
        settling = ordered(settling);
    }

    private static Map<String, List<DayAmount>> ordered(Map<String, List<DayAmount>> amounts) {
        Map<String, List<DayAmount>> ordered = new HashMap<>();
        amounts.forEach((id, list) -> {
            List<DayAmount> one = DayAmount.ordered(list);
            if (!one.isEmpty()) {
                ordered.put(id, one);
            }
        });
        return Map.copyOf(ordered);
    }

    /** Returns the business days of the first account, by which the company's own days go. */
    public BusinessDays businessDays() {
        return BusinessDays.ofCountry(
                accounts.isEmpty() ? "--" : accounts.get(0).country());
    }

    /** Returns these books with the movements of others, of the same accounts, added. */
    public Books plus(Books others) {
        return sum(others, 1);
    }

    /** Returns these books without the movements of others, which they hold. */
    public Books minus(Books others) {
        return sum(others, -1);
    }

    private Books sum(Books others, int by) {
        return new Books(
                accounts,
                sum(byLine, others.byLine, by),
                DayAmount.sum(unassignedIn, others.unassignedIn, by),
                DayAmount.sum(unassignedOut, others.unassignedOut, by),
                DayAmount.sum(transfers, others.transfers, by),
                sum(byAccount, others.byAccount, by),
                sum(settling, others.settling, by),
                items,
                actual);
    }

    /** Returns these books with other open items. */
    public Books with(OpenItems others) {
        return new Books(accounts, byLine, unassignedIn, unassignedOut, transfers, byAccount, settling, others, actual);
    }

    /** Returns these books with what the ledger says of months that are over. */
    public Books with(ActualLedger ledger) {
        return new Books(accounts, byLine, unassignedIn, unassignedOut, transfers, byAccount, settling, items, ledger);
    }

    private static Map<String, List<DayAmount>> sum(
            Map<String, List<DayAmount>> amounts, Map<String, List<DayAmount>> others, int by) {
        Map<String, List<DayAmount>> sums = new HashMap<>(amounts);
        others.forEach((id, list) -> sums.put(id, DayAmount.sum(amounts.getOrDefault(id, List.of()), list, by)));
        return sums;
    }

    /** Returns books with accounts and no movement at all. */
    public static Books of(List<Account> accounts) {
        return new Books(accounts, Map.of(), List.of(), List.of(), List.of(), Map.of());
    }

    /** Returns books of accounts and their movements; those of restricted accounts stay out of lines and totals. */
    public static Books of(List<Account> accounts, List<BankMovement> movements) {
        Set<String> restricted =
                accounts.stream().filter(Account::restricted).map(Account::id).collect(Collectors.toSet());
        Map<String, List<DayAmount>> byLine = new HashMap<>();
        Map<String, List<DayAmount>> byAccount = new HashMap<>();
        Map<String, List<DayAmount>> settling = new HashMap<>();
        List<DayAmount> in = new ArrayList<>();
        List<DayAmount> out = new ArrayList<>();
        List<DayAmount> transfers = new ArrayList<>();
        for (BankMovement movement : movements) {
            LocalDate day = movement.bookingDate();
            byAccount
                    .computeIfAbsent(movement.account(), id -> new ArrayList<>())
                    .add(new DayAmount(day, movement.minor()));
            if (restricted.contains(movement.account())) {
                continue;
            }
            for (BankMovement.AssignedPart part : movement.parts()) {
                (part.isTransfer() ? transfers : byLine.computeIfAbsent(part.lineId(), id -> new ArrayList<>()))
                        .add(new DayAmount(day, part.minor()));
                if (part.itemId() != null) {
                    settling.computeIfAbsent(part.lineId(), id -> new ArrayList<>())
                            .add(new DayAmount(day, part.minor()));
                }
            }
            if (movement.unassigned() != 0) {
                (movement.minor() > 0 ? in : out).add(new DayAmount(day, movement.unassigned()));
            }
        }
        return new Books(accounts, byLine, in, out, transfers, byAccount, settling, OpenItems.NONE, ActualLedger.NONE);
    }

    /** Returns the closing booked balance of an account on a day, in minor units. */
    public long balance(Account account, LocalDate day) {
        long balance = account.balance();
        for (DayAmount movement : byAccount.getOrDefault(account.id(), List.of())) {
            if (movement.day().isAfter(account.balanceDate()) && !movement.day().isAfter(day)) {
                balance += movement.minor();
            } else if (movement.day().isAfter(day) && !movement.day().isAfter(account.balanceDate())) {
                balance -= movement.minor();
            }
        }
        return balance;
    }

    /** Returns the closing booked balance on a day of all accounts that are not restricted. */
    public long cash(LocalDate day) {
        return accounts.stream()
                .filter(a -> !a.restricted())
                .mapToLong(a -> balance(a, day))
                .sum();
    }

    /** Returns the day of the earliest movement, none without movements. */
    public Optional<LocalDate> findFirstDay() {
        return Stream.concat(byLine.values().stream(), Stream.of(unassignedIn, unassignedOut, transfers))
                .filter(amounts -> !amounts.isEmpty())
                .map(amounts -> amounts.get(0).day())
                .min(LocalDate::compareTo);
    }

    /** Returns the day of an account's last movement, or of its balance if that is later. */
    public LocalDate lastDay(Account account) {
        return byAccount.getOrDefault(account.id(), List.of()).stream()
                .map(DayAmount::day)
                .reduce(account.balanceDate(), (a, b) -> a.isAfter(b) ? a : b);
    }
}

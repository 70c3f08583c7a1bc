package ebbtide.app.desk;

import ebbtide.app.storage.StatementStore.StatementListed;
import ebbtide.app.storage.Stores;
import ebbtide.books.Account;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** How far each account of a plan is known, which says how far it can be rolled forward (rules 10.5). */
public record RollClose(List<KnownAccount> accounts) {
    /**
     * What the books and the bank say of an account, in minor units: the balance on the as-of date, and that of its
     * latest statement that declares one, null where none does.
     */
    public record KnownAccount(
            String id,
            String name,
            long balance,
            LocalDate knownTo,
            @Nullable LocalDate statementTo,
            @Nullable Long closing,
            long booked) {}

    public RollClose {
        accounts = List.copyOf(accounts);
    }

    /** Returns how far the accounts are known as a plan stands. */
    public static RollClose of(String plan, PlanAtVersion current, Stores stores) {
        Map<String, StatementListed> latest = stores.statements().all(plan).stream()
                .filter(one -> one.closing() != null)
                .collect(Collectors.toMap(
                        StatementListed::account,
                        Function.identity(),
                        (a, b) -> Comparator.comparing(StatementListed::lastDay).compare(a, b) >= 0 ? a : b));
        List<KnownAccount> closes = new ArrayList<>();
        for (Account account : current.books().accounts()) {
            StatementListed statement = latest.get(account.id());
            LocalDate booked = current.books().lastDay(account);
            closes.add(new KnownAccount(
                    account.id(),
                    account.name(),
                    current.books().balance(account, current.plan().settings().asOf()),
                    statement != null && statement.lastDay().isAfter(booked) ? statement.lastDay() : booked,
                    statement == null ? null : statement.lastDay(),
                    statement == null ? null : statement.closing(),
                    statement == null ? 0 : current.books().balance(account, statement.lastDay())));
        }
        return new RollClose(closes);
    }

    /** Returns the day to which the accounts that are known beyond the as-of date are all known, if any is. */
    public Optional<LocalDate> reach(LocalDate asOf) {
        return accounts.stream()
                .map(KnownAccount::knownTo)
                .filter(day -> day.isAfter(asOf))
                .min(Comparator.naturalOrder());
    }
}

package ebbtide.app.jobs;

import static java.util.Objects.requireNonNull;

import ebbtide.app.desk.Plans;
import ebbtide.app.jobs.BankFiles.HeldFile;
import ebbtide.app.storage.StatementStore.StatementListed;
import ebbtide.app.storage.Stores;
import ebbtide.books.StatementBalances;
import ebbtide.books.StatementCheck;
import ebbtide.formats.statement.DeclaredStatement;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The statements of a file in a standard format, held against what is there before they are brought in. */
@Component
public class ArrivingStatements {
    private final BankFiles files;
    private final Plans plans;
    private final Stores stores;

    ArrivingStatements(BankFiles files, Plans plans, Stores stores) {
        this.files = files;
        this.plans = plans;
        this.stores = stores;
    }

    /**
     * A statement of a file as it says it is, the account that its number is said to be of (null: not known), whether
     * it is there already, and what is amiss, null where nothing is.
     */
    public record Arriving(
            DeclaredStatement declared,
            @Nullable String account,
            boolean isThere,
            @Nullable String amiss) {}

    /**
     * Returns the account of each number as remembered; a file of one number that is not known is for the account it
     * was handed in for.
     */
    public Map<String, String> proposed(HeldFile held) {
        Map<String, String> remembered = stores.bankNumbers().all(held.planId());
        List<String> numbers = declared(held).stream()
                .map(DeclaredStatement::accountNumber)
                .distinct()
                .toList();
        Map<String, String> accounts = new HashMap<>();
        List<String> known = plans.current(held.planId()).books().accounts().stream()
                .map(account -> account.id())
                .toList();
        for (String number : numbers) {
            Optional.ofNullable(remembered.get(number))
                    .or(() -> Optional.ofNullable(numbers.size() == 1 ? held.account() : null))
                    .filter(known::contains)
                    .ifPresent(account -> accounts.put(number, account));
        }
        return accounts;
    }

    private List<DeclaredStatement> declared(HeldFile held) {
        return files.statements(held, currency(held));
    }

    private Currency currency(HeldFile held) {
        return plans.current(held.planId()).plan().settings().currency();
    }

    private static Optional<StatementBalances> balances(DeclaredStatement one, Map<String, String> accounts) {
        return Optional.ofNullable(accounts.get(one.accountNumber()))
                .map(account -> new StatementBalances(
                        account,
                        one.number(),
                        one.from().isAfter(one.to()) ? one.to() : one.from(),
                        one.to(),
                        one.opening(),
                        one.closing()));
    }

    /** Returns the statements of a file, held against what is there and each other, for accounts by number. */
    public List<Arriving> view(HeldFile held, Map<String, String> accounts) {
        List<DeclaredStatement> all = declared(held);
        List<StatementBalances> there = stores.statements().all(held.planId()).stream()
                .map(StatementListed::balances)
                .flatMap(Optional::stream)
                .toList();
        List<StatementBalances> coming = all.stream()
                .map(one -> balances(one, accounts))
                .flatMap(Optional::stream)
                .filter(one -> !there.contains(one))
                .toList();
        Map<StatementBalances, String> amiss = new HashMap<>();
        for (StatementCheck check : StatementCheck.of(
                plans.current(held.planId()).books(),
                Stream.concat(there.stream(), coming.stream()).toList())) {
            check.gapSentence(currency(held)).ifPresent(sentence -> amiss.put(check.statement(), sentence));
        }
        List<Arriving> views = new ArrayList<>();
        for (DeclaredStatement one : all) {
            Optional<StatementBalances> balances = balances(one, accounts);
            views.add(new Arriving(
                    one,
                    accounts.get(one.accountNumber()),
                    balances.filter(there::contains).isPresent(),
                    balances.map(amiss::get).orElse(null)));
        }
        return views;
    }

    /**
     * Returns the reading of a file into its accounts, which are remembered; refuses a number that has none in a
     * sentence.
     */
    public StatementJob.Content content(HeldFile held, Map<String, String> accounts) {
        for (DeclaredStatement one : declared(held)) {
            if (!accounts.containsKey(one.accountNumber())) {
                throw new Refused("Say which account the number '" + one.accountNumber() + "' is");
            }
            stores.bankNumbers().put(held.planId(), one.accountNumber(), accounts.get(one.accountNumber()));
        }
        Currency currency = currency(held);
        return (in, arrivals) -> {
            for (DeclaredStatement one : BankFiles.statements(held.name(), in, currency)) {
                arrivals.begin(
                        requireNonNull(accounts.get(one.accountNumber())),
                        balances(one, accounts).orElseThrow());
                one.rows().forEach(arrivals::row);
            }
        };
    }
}

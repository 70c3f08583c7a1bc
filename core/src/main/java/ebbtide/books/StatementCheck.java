package ebbtide.books;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Money;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A statement held against the one before it and against the books: what its opening balance should be (the closing
 * balance of the one before, else what the books hold on the day before its first), and what the books hold on its last
 * day. Null where that is not known. A difference is shown and never papered over.
 */
public record StatementCheck(
        StatementBalances statement,
        @Nullable StatementBalances before,
        @Nullable Long expectedOpening,
        @Nullable Long booked) {

    /**
     * Returns the check of each statement in the order given. Of several that end on one day only the last is held
     * against the books, which know that day's end alone.
     */
    public static List<StatementCheck> of(Books books, List<StatementBalances> statements) {
        Map<StatementBalances, StatementBalances> before = new HashMap<>();
        Map<StatementBalances, Boolean> lastOfDay = new HashMap<>();
        Map<String, StatementBalances> latest = new HashMap<>();
        for (StatementBalances one : statements.stream().sorted(inTime()).toList()) {
            StatementBalances last = latest.put(one.account(), one);
            before.put(one, last);
            lastOfDay.put(one, true);
            if (last != null && last.to().equals(one.to())) {
                lastOfDay.put(last, false);
            }
        }
        List<StatementCheck> checks = new ArrayList<>();
        for (StatementBalances one : statements) {
            Optional<Account> account = books.accounts().stream()
                    .filter(each -> each.id().equals(one.account()))
                    .findFirst();
            StatementBalances last = before.get(one);
            Long expected = last != null && last.closing() != null
                    ? last.closing()
                    : last == null
                            ? account.map(each -> books.balance(each, one.from().minusDays(1)))
                                    .orElse(null)
                            : null;
            checks.add(new StatementCheck(
                    one,
                    last,
                    expected,
                    requireNonNull(lastOfDay.get(one))
                            ? account.map(each -> books.balance(each, one.to())).orElse(null)
                            : null));
        }
        return checks;
    }

    private static Comparator<StatementBalances> inTime() {
        return Comparator.comparing(StatementBalances::to)
                .thenComparing(StatementBalances::from)
                .thenComparing(StatementBalances::number);
    }

    /** Returns by how much the statement opens above what it should open with; zero where that is not known. */
    public long gap() {
        return statement.opening() == null || expectedOpening == null ? 0 : statement.opening() - expectedOpening;
    }

    /** Returns by how much the bank's closing balance lies above the books; zero where that is not known. */
    public long difference() {
        return statement.closing() == null || booked == null ? 0 : statement.closing() - booked;
    }

    /** Returns what is amiss before the statement's first entry, in a sentence; none if it follows on. */
    public Optional<String> gapSentence(Currency currency) {
        if (gap() == 0 || statement.opening() == null || expectedOpening == null) {
            return Optional.empty();
        }
        String known = before == null
                ? "the books hold " + Money.words(expectedOpening, currency) + " on the day before its first"
                : "the one before it (" + before.number() + ") closed with " + Money.words(expectedOpening, currency)
                        + " on " + before.to();
        return Optional.of("It opens with " + Money.words(statement.opening(), currency) + ", but " + known + ": "
                + Money.words(gap(), currency) + (before == null ? " differs" : " is missing between them")
                + ". Bring in the statement between, or correct the account's balance");
    }

    /** Returns how the books differ from the bank on the statement's last day, in a sentence; none if they agree. */
    public Optional<String> differenceSentence(Currency currency) {
        LocalDate day = statement.to();
        return difference() == 0 || statement.closing() == null || booked == null
                ? Optional.empty()
                : Optional.of("The bank closes " + day + " with " + Money.words(statement.closing(), currency)
                        + ", but the books hold "
                        + Money.words(booked, currency) + ": " + Money.words(difference(), currency)
                        + " differs. A movement is missing, was brought in twice, or its history was changed");
    }
}

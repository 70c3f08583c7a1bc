package ebbtide.formats.bank;

import ebbtide.money.Money;
import java.util.Currency;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The check of a running-balance column: each balance is the one before plus the movement. Files run forwards or
 * backwards in time; the first two rows that fit one way alone decide which.
 */
final class BalanceCheck {
    private final Currency currency;
    private @Nullable BankRow before;
    private boolean forwards = true;
    private boolean backwards = true;

    BalanceCheck(Currency currency) {
        this.currency = currency;
    }

    /** Returns what is wrong with the balance of the next row, none if it fits or there is none to compare. */
    Optional<String> check(BankRow row) {
        BankRow last = before;
        before = row;
        if (last == null || last.balance() == null || row.balance() == null) {
            return Optional.empty();
        }
        boolean fitsForwards = forwards && last.balance() + row.minor() == row.balance();
        boolean fitsBackwards = backwards && last.balance() - last.minor() == row.balance();
        if (fitsForwards || fitsBackwards) {
            forwards = fitsForwards;
            backwards = fitsBackwards;
            return Optional.empty();
        }
        long expected = forwards ? last.balance() + row.minor() : last.balance() - last.minor();
        return Optional.of("the running balance is " + Money.plain(row.balance(), currency)
                + ", but the row before makes it " + Money.plain(expected, currency) + ": a row is missing or changed");
    }

    /** Begins anew after a row that could not be read. */
    void forget() {
        before = null;
    }
}

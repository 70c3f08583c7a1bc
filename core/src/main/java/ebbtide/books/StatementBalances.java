package ebbtide.books;

import ebbtide.money.Check;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * The balances that a statement of an account declares, in signed minor units: before its first entry and after its
 * last one, on the day {@code to}; null where the bank says none.
 */
public record StatementBalances(
        String account,
        String number,
        LocalDate from,
        LocalDate to,
        @Nullable Long opening,
        Long closing) {
    public StatementBalances {
        account = Check.text(account, "account of a statement");
        Check.that(!to.isBefore(from), "A statement ends on or after its first day");
    }
}

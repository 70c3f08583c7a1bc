package ebbtide.formats.statement;

import ebbtide.formats.bank.BankRow;
import ebbtide.money.Check;
import ebbtide.money.Money;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A bank's statement as its file declares it: the account's number at the bank, the statement's own number, its days,
 * its balances in signed minor units (null where the file has none), its booked entries, and how many entries were not
 * booked yet and are left out. Opening and entries add up to closing.
 */
public record DeclaredStatement(
        String accountNumber,
        String number,
        Currency currency,
        LocalDate from,
        LocalDate to,
        @Nullable Long opening,
        Long closing,
        List<BankRow> rows,
        int notBooked) {
    public DeclaredStatement {
        accountNumber = Check.text(accountNumber, "number of the account in the statement", 80);
        number = Check.atMost(number, "number of the statement", 200);
        Objects.requireNonNull(currency, "currency");
        Objects.requireNonNull(to, "last day");
        rows = List.copyOf(rows);
        if (opening != null && closing != null) {
            long sum = rows.stream().mapToLong(BankRow::minor).reduce(0, Math::addExact);
            Check.that(
                    opening + sum == closing,
                    "Statement " + number + " opens with " + Money.words(opening, currency)
                            + " and its entries come to " + Money.words(sum, currency) + ", which makes "
                            + Money.words(opening + sum, currency)
                            + ", but it closes with " + Money.words(closing, currency)
                            + ": an entry is missing or changed");
        }
    }
}

package ebbtide.books;

import ebbtide.books.BankMovement.AssignedPart;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Cash of a day on a line, signed, and the open item it settles (null where it settles none) by the cash and by what
 * closes it beyond the cash; the counterparty is the bank's word for it.
 */
public record Payment(
        @Nullable String lineId, @Nullable String itemId, String counterparty, LocalDate day, long minor, long less) {

    /** Returns what movements of accounts that are not restricted pay on lines. */
    public static List<Payment> of(List<Account> accounts, List<BankMovement> movements) {
        Set<String> restricted =
                accounts.stream().filter(Account::restricted).map(Account::id).collect(Collectors.toSet());
        return movements.stream()
                .filter(movement -> !restricted.contains(movement.account()))
                .flatMap(movement -> movement.parts().stream()
                        .filter(part -> !part.isTransfer())
                        .map(part -> of(movement, part)))
                .toList();
    }

    private static Payment of(BankMovement movement, AssignedPart part) {
        return new Payment(
                part.lineId(),
                part.itemId(),
                movement.counterparty(),
                movement.bookingDate(),
                part.minor(),
                part.less());
    }
}

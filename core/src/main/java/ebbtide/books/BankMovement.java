package ebbtide.books;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * An entry of a bank statement, in signed minor units, with the bank's own words kept as they came, and what it was
 * said to be: parts that together are never more than the movement.
 */
public record BankMovement(
        String account,
        LocalDate bookingDate,
        LocalDate valueDate,
        long minor,
        String text,
        String counterparty,
        String reference,
        List<AssignedPart> parts) {

    /**
     * A signed part of a movement that belongs to a line, or, without one, to a transfer between own accounts. With an
     * item it settles that: by the cash and by what closes it beyond the cash, a discount or a charge, unsigned.
     */
    public record AssignedPart(
            @Nullable String lineId, long minor, @Nullable String itemId, long less) {
        public AssignedPart {
            Check.notNegative(less, "what closes an item beyond the cash");
            Check.that(itemId == null ? less == 0 : lineId != null, "what closes an item names the item and its line");
        }

        /** Makes a part that settles no item. */
        public AssignedPart(@Nullable String lineId, long minor) {
            this(lineId, minor, null, 0);
        }

        public boolean isTransfer() {
            return lineId == null;
        }
    }

    public BankMovement {
        account = Check.text(account, "account of a movement");
        Objects.requireNonNull(bookingDate, "booking date");
        Check.inRange(bookingDate.getYear(), 1990, 2100, "year of the booking date");
        valueDate = valueDate == null ? bookingDate : valueDate;
        text = text == null ? "" : Check.atMost(text, "text of a movement", 10_000);
        counterparty = counterparty == null ? "" : Check.atMost(counterparty, "counterparty of a movement", 2_000);
        reference = reference == null ? "" : Check.atMost(reference, "reference of a movement", 2_000);
        parts = List.copyOf(parts);
        requireParts(minor, parts);
    }

    /** Refuses parts of which one is zero or runs against the movement, and parts that add up to more than it. */
    public static void requireParts(long minor, List<AssignedPart> parts) {
        long sum = 0;
        for (AssignedPart part : parts) {
            Check.that(
                    Long.signum(part.minor()) == Long.signum(minor),
                    "a part of a movement must have its direction and not be zero");
            sum += part.minor();
        }
        Check.that(Math.abs(sum) <= Math.abs(minor), "the parts add up to more than the movement: lower one of them");
    }

    /** Returns the movement with other parts. */
    public BankMovement withParts(List<AssignedPart> others) {
        return new BankMovement(account, bookingDate, valueDate, minor, text, counterparty, reference, others);
    }

    /**
     * Returns what movements settle of items, by their id: cash and what closed them beyond it, in minor units,
     * unsigned.
     */
    public static Map<String, Long> settled(Collection<BankMovement> movements) {
        Map<String, Long> settled = new HashMap<>();
        movements.forEach(movement -> movement.parts.stream()
                .filter(part -> part.itemId() != null)
                .forEach(part -> settled.merge(part.itemId(), Math.abs(part.minor()) + part.less(), Long::sum)));
        return settled;
    }

    /** Returns what is not assigned yet, signed like the movement. */
    public long unassigned() {
        return minor - parts.stream().mapToLong(AssignedPart::minor).sum();
    }
}

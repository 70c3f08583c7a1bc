package ebbtide.items;

import ebbtide.books.Habits;
import ebbtide.books.OpenItem;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The open items of a counterparty on a line that are not left out, as they might be paid on other days than is
 * expected (rules 11.8); what credit notes take off those that come first, in minor units; and the day on which what
 * would be paid on another is: by the convention, never on or before the as-of date.
 */
public record PartyItems(String counterparty, long credit, UnaryOperator<LocalDate> paidOn, List<Likely> items) {
    public PartyItems {
        items = List.copyOf(items);
    }

    /**
     * An item as it is expected before any credit note; the habit that its day may be drawn of, of days late greater
     * than {@code late} (nothing: it stays as expected); whether its day is promised or typed.
     */
    public record Likely(ExpectedItem expected, Optional<Habits.Mixture> habit, long late, boolean said) {
        /** Returns what it pays once no discount holds any more, in minor units. */
        public long full() {
            return expected.item().amount().open();
        }

        /** Returns what it pays while a discount that it offers holds, in minor units. */
        public long early() {
            OpenItem.EarlyDiscount offered = expected.item().discount();
            return full() - (offered == null ? 0 : offered.share().of(full()));
        }
    }
}

package ebbtide.items;

import ebbtide.books.OpenItem;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * An open item with the day it is expected to be paid, what it then pays in minor units (open, less a credit note used
 * against it, less a discount for paying early), that discount, and why; the day is null where it is left out of the
 * forecast, and why says so.
 */
public record ExpectedItem(
        OpenItem item, @Nullable LocalDate day, long minor, long discount, String because, Source source) {

    /** By day, those left out last; on a day by due date and id. */
    public static final Comparator<ExpectedItem> BY_DAY = Comparator.comparing(
                    ExpectedItem::day, Comparator.nullsLast(Comparator.<LocalDate>naturalOrder()))
            .thenComparing(one -> one.item().due())
            .thenComparing(one -> one.item().id());

    /** Where the expected day comes from (rules 4.1), or why there is none. */
    public enum Source {
        ANALYST,
        PROMISE,
        HABIT,
        RUN,
        TERMS,
        /** Paid, says the ledger, but no movement has settled it yet (rules 1.1). */
        UNDER_WAY,
        /** Held or disputed: left out, and listed. */
        HELD,
        /** More than ninety days late without a word: left out, and listed with its amount. */
        DOUBTFUL,
        /** A credit note waits to be used against the counterparty's next item. */
        CREDIT
    }

    public boolean isLeftOut() {
        return day == null;
    }

    /** Returns the day on which an item that is not left out is expected to be paid. */
    public LocalDate paidOn() {
        return Objects.requireNonNull(day, because);
    }

    ExpectedItem paying(long other, String more) {
        return new ExpectedItem(item, day, other, discount, because + more, source);
    }
}

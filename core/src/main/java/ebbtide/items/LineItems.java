package ebbtide.items;

import ebbtide.books.OpenItem;
import ebbtide.plan.Line;
import java.util.List;

/**
 * The items of a line: those that count, open ones and paid ones; when the open ones are expected, by day, those left
 * out last; and what was booked on the line after the as-of date and settles items, in signed minor units.
 */
public record LineItems(List<OpenItem> known, List<ExpectedItem> expected, long settledAfter) {
    /** No items. */
    public static final LineItems NONE = new LineItems(List.of(), List.of(), 0);
    /** An item later than this without a date or a promise is doubtful. */
    public static final int DOUBTFUL_AFTER = 90;
    /** What the ledger has as paid longer ago than these days is not under way any more. */
    public static final int UNDER_WAY_FOR = 10;

    /** Returns whether open items count on a line: one planned by date, or a stream on books. */
    public static boolean counts(Line line) {
        return line.assumption().keepsItems();
    }
}

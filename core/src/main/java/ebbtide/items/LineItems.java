package ebbtide.items;

import ebbtide.books.OpenItem;
import java.util.List;

/**
 * The items of a line: those that count, open ones and paid ones; when the open ones are expected, by day, those left out last; and what was
 * booked on the line after the as-of date and settles items, in signed minor units.
 */
public record LineItems(List<OpenItem> known, List<ExpectedItem> expected, long settledAfter) {}

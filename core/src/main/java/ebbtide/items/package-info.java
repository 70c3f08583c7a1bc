/** Open items and the days on which they are expected to be paid (rules 4): {@link ebbtide.items.ItemTiming}. */
@NullMarked
package ebbtide.items;

import org.jspecify.annotations.NullMarked;

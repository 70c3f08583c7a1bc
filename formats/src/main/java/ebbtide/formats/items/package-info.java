/**
 * Lists of invoices, bills and orders from a ledger: {@link ebbtide.formats.items.ItemColumns} says which column holds
 * what, proposed from the headings; {@link ebbtide.formats.items.ItemList} reads the rows by it, and
 * {@link ebbtide.formats.items.ItemChanges} holds them against the items that are there: new, changed, the same,
 * vanished.
 */
@NullMarked
package ebbtide.formats.items;

import org.jspecify.annotations.NullMarked;

/**
 * Income statement, balance sheet and cash flow from a forecast and an opening balance sheet, and what can be read off
 * them (rules 9).
 */
@NullMarked
package ebbtide.statements;

import org.jspecify.annotations.NullMarked;

/**
 * Any figure opened into its parts and causes (rules 12): {@link ebbtide.workings.RowWorkings} of the forecast, and
 * those of funding and roll-forwards.
 */
@NullMarked
package ebbtide.workings;

import org.jspecify.annotations.NullMarked;

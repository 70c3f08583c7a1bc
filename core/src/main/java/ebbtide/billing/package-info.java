/**
 * What a stream bills and when that is paid by its terms: {@link ebbtide.billing.PatternBilling} parts months by a
 * pattern, {@link ebbtide.billing.DayBilling} by days, {@link ebbtide.billing.TargetBilling} at a target of days (rules
 * 3).
 */
@NullMarked
package ebbtide.billing;

import org.jspecify.annotations.NullMarked;

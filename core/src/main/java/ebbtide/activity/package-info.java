/**
 * From assumptions to what is earned or incurred by month: {@link ebbtide.activity.ActivityCalculator} turns each
 * stream's method, history and overrides into a {@link ebbtide.activity.MonthlyActivity}. No timing here.
 */
@NullMarked
package ebbtide.activity;

import org.jspecify.annotations.NullMarked;

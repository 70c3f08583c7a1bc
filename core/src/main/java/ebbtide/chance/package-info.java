/**
 * How likely a plan runs short (rules 11.8): from a {@link ebbtide.chance.Picture} of what may come otherwise, drawn
 * from past errors, doubts and habits, a {@link ebbtide.chance.Simulation} of many runs, {@link ebbtide.chance.Trial}ed
 * on the past.
 */
@NullMarked
package ebbtide.chance;

import org.jspecify.annotations.NullMarked;

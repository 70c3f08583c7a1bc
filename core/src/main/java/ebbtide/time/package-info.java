/**
 * Days and what is built on them: {@link ebbtide.time.BusinessDays} says which days banks work,
 * {@link ebbtide.time.Timeline} numbers the days of a computation, {@link ebbtide.time.Spread} lays a month's amount
 * over its days, and {@link ebbtide.time.Periods} only adds days up again (rules 1).
 */
@NullMarked
package ebbtide.time;

import org.jspecify.annotations.NullMarked;

/**
 * Exact money: {@link ebbtide.money.Money} at the edges, whole minor units inside, and the only three places that
 * round: {@link ebbtide.money.Percent#of(long)}, {@link ebbtide.money.Rounding} and {@link ebbtide.money.Split} (rules
 * 1.3).
 */
@NullMarked
package ebbtide.money;

import org.jspecify.annotations.NullMarked;

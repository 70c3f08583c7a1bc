/**
 * The made-up world the demonstration lives in: {@link ebbtide.sim.DemoCompany} is the company's plan and books on its
 * as-of date, {@link ebbtide.sim.DemoBank} what its bank booked before and after, {@link ebbtide.sim.DemoFiles} the
 * statements as the bank would hand them out. Everything follows from one seed.
 */
@NullMarked
package ebbtide.sim;

import org.jspecify.annotations.NullMarked;

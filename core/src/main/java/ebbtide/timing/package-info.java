/**
 * From activity and expectations to dated flows: {@link ebbtide.timing.MonthBilling} parts one month by a pattern,
 * {@link ebbtide.timing.Expectations} nets cash planned by date with the movements that used it up, and
 * {@link ebbtide.timing.LineTiming} emits both into a {@link ebbtide.timing.FlowSink}: one that adds up, or one that
 * explains. The figure and its workings share this path.
 */
package ebbtide.timing;

/**
 * From accounts to dated flows: {@link ebbtide.flows.LineTiming} emits what a line is estimated to pay into a
 * {@link ebbtide.flows.FlowSink}: one that adds up, or one that explains. The figure and its workings share this path.
 */
@NullMarked
package ebbtide.flows;

import org.jspecify.annotations.NullMarked;

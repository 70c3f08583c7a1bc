/**
 * The kinds of line as a plan file has them, one file a kind, found in the one list of
 * {@link ebbtide.formats.plan.kinds.LineKinds}.
 */
@NullMarked
package ebbtide.formats.plan.kinds;

import org.jspecify.annotations.NullMarked;

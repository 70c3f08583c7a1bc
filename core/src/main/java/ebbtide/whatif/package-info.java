/**
 * Other futures of a plan (rules 11): scenarios as changes over it, and what each of them does.
 * {@link ebbtide.whatif.ScenarioPlan} makes of a base and its scenarios the plan that one of them is.
 */
@NullMarked
package ebbtide.whatif;

import org.jspecify.annotations.NullMarked;

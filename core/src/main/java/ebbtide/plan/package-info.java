/**
 * What is assumed: a {@link ebbtide.plan.Plan} holds settings and a tree of {@link ebbtide.plan.Line}s, each with one
 * {@link ebbtide.plan.Assumption} out of a closed family. Every record checks itself when made, so nothing later meets
 * a bad one; what only shows between lines is found by {@link ebbtide.plan.PlanCheck}.
 */
@NullMarked
package ebbtide.plan;

import org.jspecify.annotations.NullMarked;

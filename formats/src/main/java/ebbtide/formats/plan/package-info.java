/**
 * The plan file, an open JSON format (docs/formats.md): {@link ebbtide.formats.plan.PlanReader} reads it and collects
 * everything wrong with its place, {@link ebbtide.formats.plan.PlanWriter} writes it without loss. The same two read
 * and write the assumption of a single line for storage and for the api.
 */
@NullMarked
package ebbtide.formats.plan;

import org.jspecify.annotations.NullMarked;

/**
 * JSON documents described once: a {@link ebbtide.formats.document.Form} reads what it describes with the place of
 * everything wrong, writes it, and is shown in the schema, all from the same description. What the forms of a plan are
 * is said in {@code formats.plan}.
 */
@NullMarked
package ebbtide.formats.document;

import org.jspecify.annotations.NullMarked;

/**
 * Values that are worked out once, when they are first asked for: {@link ebbtide.derive.Lazy} one of them,
 * {@link ebbtide.derive.Derived} many by name, each from what it reads, so that a plan that changes in one line works
 * out again what reads that line and nothing else.
 */
@NullMarked
package ebbtide.derive;

import org.jspecify.annotations.NullMarked;

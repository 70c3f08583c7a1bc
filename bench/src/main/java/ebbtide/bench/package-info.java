/** What measures the computation, and what tells whether two builds compute the same. */
@NullMarked
package ebbtide.bench;

import org.jspecify.annotations.NullMarked;

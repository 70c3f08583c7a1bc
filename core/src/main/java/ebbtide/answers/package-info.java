/**
 * Questions put to a forecast: what is missing, whom to chase, what a discount is worth, what money costs, what could
 * be moved.
 */
@NullMarked
package ebbtide.answers;

import org.jspecify.annotations.NullMarked;

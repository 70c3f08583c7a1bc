/**
 * Questions put to a forecast: what is missing, whom to chase, what a discount is worth, what money costs, what could
 * be moved.
 */
package ebbtide.answers;

/**
 * Years of twelve months each, carried on from a last year that was typed or planned by month (rules 9.4): each is
 * worked out of the one before by the drivers of its rows.
 */
@NullMarked
package ebbtide.years;

import org.jspecify.annotations.NullMarked;

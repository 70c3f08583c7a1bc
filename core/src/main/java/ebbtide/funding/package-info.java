/**
 * How cash is funded: the sweep of facilities, interest on what is drawn and on cash, and what cash is measured against
 * by day, minimum cash, limits and the headroom that is left (rules 8).
 */
@NullMarked
package ebbtide.funding;

import org.jspecify.annotations.NullMarked;

/**
 * The api: it shapes what the core computes and the storage keeps for the views, and computes nothing itself. Amounts
 * are whole minor units of the plan's currency, signed + in and - out; days are written 2026-03-01.
 */
@NullMarked
package ebbtide.app.api;

import org.jspecify.annotations.NullMarked;

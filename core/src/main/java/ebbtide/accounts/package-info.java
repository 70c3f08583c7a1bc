/**
 * What a line bills, earns, owes and is owed by rule: a {@link ebbtide.accounts.LineAccount} for each kind of line,
 * which never changes once it is made, and {@link ebbtide.accounts.Accounts}, those of a plan and its books. An account
 * is made from what it reads and from nothing else, so that a plan that changes in one line takes over all that does
 * not read it.
 */
@NullMarked
package ebbtide.accounts;

import org.jspecify.annotations.NullMarked;

/**
 * Plans, books, snapshots and the change log in H2, one class per aggregate with its SQL in sight; no rule is known.
 */
@NullMarked
package ebbtide.app.storage;

import org.jspecify.annotations.NullMarked;

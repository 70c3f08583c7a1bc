/**
 * Plans, books, snapshots and the change log in H2, one class per aggregate with its SQL in sight.
 * {@link ebbtide.app.storage.Edits} is the only way to change them: one transaction with its log entry, to be undone
 * and redone.
 */
@NullMarked
package ebbtide.app.storage;

import org.jspecify.annotations.NullMarked;

/**
 * What is done with plans, whoever asks and by whatever way: read whole, looked at, edited, taken back, rolled forward,
 * held against what happened. {@link ebbtide.app.desk.Edits} is the only way to change one: one transaction with its
 * log entry, to be undone and redone. It knows no HTTP and no SQL.
 */
@NullMarked
package ebbtide.app.desk;

import org.jspecify.annotations.NullMarked;

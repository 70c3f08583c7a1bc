/**
 * A forecast held against what happened: a {@link ebbtide.track.Snapshot} keeps a forecast as it stood, a
 * {@link ebbtide.track.Variance} compares it with the facts of a window (rules 10).
 */
@NullMarked
package ebbtide.track;

import org.jspecify.annotations.NullMarked;

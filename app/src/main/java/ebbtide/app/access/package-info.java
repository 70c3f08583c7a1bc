/** Who and what gets in: the start on a port and a folder with its refusals, and the guard against other origins. */
@NullMarked
package ebbtide.app.access;

import org.jspecify.annotations.NullMarked;

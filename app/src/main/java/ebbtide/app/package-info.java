/** The program: the command line, and the server that it starts. */
@NullMarked
package ebbtide.app;

import org.jspecify.annotations.NullMarked;

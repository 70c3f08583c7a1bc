/** Opening balance sheets as they are pasted or brought in: rows of what is owned and owed. */
@NullMarked
package ebbtide.formats.opening;

import org.jspecify.annotations.NullMarked;

/**
 * What is known: accounts with a balance on a day, and the bank movements, added up by day and by the line they were
 * assigned to.
 */
@NullMarked
package ebbtide.books;

import org.jspecify.annotations.NullMarked;

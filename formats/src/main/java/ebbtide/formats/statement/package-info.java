/**
 * Bank statements in the standard formats: {@link ebbtide.formats.statement.StatementFormat} tells by content which one
 * a file is in and reads it whole into {@link ebbtide.formats.statement.DeclaredStatement}s, whose opening balance and
 * entries add up to the closing one, or refuses it with a sentence that names the line. Nothing of a damaged file is
 * used.
 */
@NullMarked
package ebbtide.formats.statement;

import org.jspecify.annotations.NullMarked;

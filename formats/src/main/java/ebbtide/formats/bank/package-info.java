/**
 * Bank statements in: {@link ebbtide.formats.bank.CsvProposal} looks at the first lines of any bank's CSV and proposes
 * a {@link ebbtide.formats.bank.CsvDialect}; {@link ebbtide.formats.bank.BankCsvReader} then streams the file by it,
 * giving good rows and bad ones with their line number and reason.
 */
@NullMarked
package ebbtide.formats.bank;

import org.jspecify.annotations.NullMarked;

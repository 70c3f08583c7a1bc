package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.forecast.FundingTable;
import ebbtide.money.Money;
import ebbtide.time.Period;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Currency;
import java.util.List;
import java.util.Locale;

/** Funding by period as long CSV: a row for each figure, with what it is, its name and the days of its period. */
public final class FundingCsv {
    private FundingCsv() {}

    /**
     * Writes the rows of a funding table, then what is owed on each facility and loan at the end of each period.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(FundingTable table, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("row", "name", "period_start", "period_end", "amount");
            table.rows()
                    .forEach(row -> write(
                            csv,
                            row.kind().name().toLowerCase(Locale.ROOT),
                            row.name(),
                            row.amounts(),
                            table.periods(),
                            currency));
            table.debts().forEach(debt -> write(csv, "owed", debt.name(), debt.owed(), table.periods(), currency));
            table.deposits()
                    .forEach(deposit ->
                            write(csv, "placed", deposit.name(), deposit.placed(), table.periods(), currency));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void write(
            CsvWriter csv, String row, String name, List<Long> amounts, List<Period> periods, Currency currency) {
        for (int i = 0; i < periods.size(); i++) {
            csv.writeRecord(
                    row,
                    ForecastCsv.safe(name),
                    periods.get(i).startInclusive().toString(),
                    periods.get(i).lastDay().toString(),
                    Money.plain(amounts.get(i), currency));
        }
    }
}

package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.money.Money;
import ebbtide.statements.StatementTable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Currency;

/**
 * A statement by period as long CSV: a row for each figure, with its name and the days of its period; of an opening
 * only the day.
 */
public final class StatementCsv {
    private StatementCsv() {}

    /**
     * Writes the rows of a statement from top to bottom, each period by period.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(StatementTable table, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("row", "name", "period_start", "period_end", "amount");
            for (StatementTable.Row row : table.rows()) {
                for (int i = 0; i < row.amounts().size(); i++) {
                    int period = table.opening() ? i - 1 : i;
                    String start = period < 0
                            ? ""
                            : table.periods().get(period).startInclusive().toString();
                    String end = period < 0
                            ? table.periods()
                                    .get(0)
                                    .startInclusive()
                                    .minusDays(1)
                                    .toString()
                            : table.periods().get(period).lastDay().toString();
                    csv.writeRecord(
                            row.id(),
                            ForecastCsv.safe(row.name()),
                            start,
                            end,
                            Money.plain(row.amounts().get(i), currency));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

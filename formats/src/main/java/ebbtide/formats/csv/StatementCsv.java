package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.money.Money;
import ebbtide.plan.Settings;
import ebbtide.statements.StatementTable;
import ebbtide.time.Period;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.List;

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
    public static void write(StatementTable table, Settings settings, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("row", "name", "period_start", "period_end", "amount");
            List<StatementTable.Column> columns = table.columns();
            String opening = settings.openingDay().toString();
            for (StatementTable.Row row : table.rows()) {
                for (int i = 0; i < columns.size(); i++) {
                    Period period = columns.get(i).period();
                    csv.writeRecord(
                            row.id(),
                            ForecastCsv.safe(row.name()),
                            period == null ? "" : period.startInclusive().toString(),
                            period == null ? opening : period.lastDay().toString(),
                            Money.plain(row.amounts().get(i), settings.currency()));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

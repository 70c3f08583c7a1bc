package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.money.Money;
import ebbtide.statements.StatementVariance;
import ebbtide.time.Period;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.math.BigDecimal;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A statement held against a snapshot as long CSV: a row for each figure, period by period. */
public final class StatementVarianceCsv {
    private StatementVarianceCsv() {}

    /**
     * Writes the rows from top to bottom; what is not known is empty.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(StatementVariance variance, List<Period> periods, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("row", "name", "period_start", "period_end", "actual", "planned", "difference", "percent");
            for (StatementVariance.Row row : variance.rows()) {
                for (int i = 0; i < periods.size(); i++) {
                    StatementVariance.Held held = row.held().get(i);
                    csv.writeRecord(
                            row.id(),
                            ForecastCsv.safe(row.name()),
                            periods.get(i).startInclusive().toString(),
                            periods.get(i).lastDay().toString(),
                            Money.plain(held.now(), currency),
                            plain(held.planned(), currency),
                            plain(held.difference(), currency),
                            held.percentHundredths() == null
                                    ? ""
                                    : BigDecimal.valueOf(held.percentHundredths(), 2)
                                            .toPlainString());
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String plain(@Nullable Long minor, Currency currency) {
        return minor == null ? "" : Money.plain(minor, currency);
    }
}

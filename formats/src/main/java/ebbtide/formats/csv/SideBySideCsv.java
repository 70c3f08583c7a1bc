package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.money.Money;
import ebbtide.whatif.SideBySide;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Futures side by side as long CSV: a row for each figure of each future, with how much more it is than the reference.
 */
public final class SideBySideCsv {
    private SideBySideCsv() {}

    /**
     * Writes every figure; what a future says nothing of is left empty.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(SideBySide beside, List<String> futures, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("row", "future", "period_start", "period_end", "amount", "more_than_reference");
            for (SideBySide.Row row : beside.rows()) {
                for (int future = 0; future < futures.size(); future++) {
                    for (int i = 0; i < beside.periods().size(); i++) {
                        csv.writeRecord(
                                ForecastCsv.safe(row.name()),
                                ForecastCsv.safe(futures.get(future)),
                                beside.periods().get(i).startInclusive().toString(),
                                beside.periods().get(i).lastDay().toString(),
                                plain(row.amounts().get(future).get(i), currency),
                                plain(row.differences().get(future).get(i), currency));
                    }
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

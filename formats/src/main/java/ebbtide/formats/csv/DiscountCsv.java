package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Map;

/** What discounts for paying early are worth as CSV: a row for each line that has one. */
public final class DiscountCsv {
    private DiscountCsv() {}

    /**
     * Writes the verdict of each line, in words.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(Map<String, String> verdicts, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("line", "verdict");
            verdicts.forEach((line, verdict) -> csv.writeRecord(ForecastCsv.safe(line), verdict));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

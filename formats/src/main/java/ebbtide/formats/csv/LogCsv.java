package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.Closeable;
import java.io.IOException;
import java.io.Writer;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;

/** What was done as CSV: a row for each edit, and each thing that happened beside edits. */
public final class LogCsv implements Closeable {
    private final CsvWriter csv;

    /** Begins it with its head. */
    public LogCsv(Writer out) {
        csv = CsvWriter.builder().build(out);
        csv.writeRecord("at", "author", "kind", "words", "state");
    }

    /** Writes something that was done; an edit that was undone says so in its state. */
    public void write(OffsetDateTime at, String author, String kind, String words, String state) {
        csv.writeRecord(
                DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(at),
                ForecastCsv.safe(author),
                kind,
                ForecastCsv.safe(words),
                state);
    }

    @Override
    public void close() throws IOException {
        csv.close();
    }
}

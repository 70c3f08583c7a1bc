package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.flows.Cell;
import ebbtide.flows.Part;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.ForecastTable;
import ebbtide.forecast.ForecastTable.Row;
import ebbtide.forecast.ForecastTable.RowKind;
import ebbtide.money.Money;
import ebbtide.plan.Direction;
import ebbtide.time.Period;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;

/** The forecast written as CSV (docs/formats.md): comma-separated, decimal points, full amounts whatever is shown. */
public final class ForecastCsv {
    private static final List<RowKind> LEVELS = List.of(RowKind.OPENING, RowKind.CLOSING, RowKind.HEADROOM);

    private final Currency currency;
    private final ForecastTable table;

    private ForecastCsv(Forecast forecast, List<Period> periods) {
        this.currency = forecast.plan().settings().currency();
        this.table = ForecastTable.of(forecast, periods);
    }

    /**
     * Writes a row for each line, period and part that is not zero, and opening, closing and headroom for each period,
     * whose part is settled up to the as-of date and estimated after it.
     */
    public static void writeLong(Forecast forecast, List<Period> periods, Writer out) {
        new ForecastCsv(forecast, periods).writeLong(out);
    }

    /** Writes the table as it is read: a row for each line and total, a column for each period. */
    public static void writeWide(Forecast forecast, List<Period> periods, Writer out) {
        new ForecastCsv(forecast, periods).writeWide(out);
    }

    private void writeLong(Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("section", "line", "part", "period_start", "period_end", "amount");
            for (Row row : table.rows()) {
                if (row.kind() == RowKind.LINE || row.kind() == RowKind.UNASSIGNED || row.kind() == RowKind.TRANSFERS) {
                    writeParts(csv, row);
                } else if (LEVELS.contains(row.kind())) {
                    writeLevel(csv, row);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void writeParts(CsvWriter csv, Row row) {
        for (int i = 0; i < table.periods().size(); i++) {
            Cell cell = row.cells().get(i);
            writeAmount(csv, row, i, Part.SETTLED, cell.settled());
            writeAmount(csv, row, i, Part.COMMITTED, cell.committed());
            writeAmount(csv, row, i, Part.ESTIMATED, cell.estimated());
        }
    }

    private void writeAmount(CsvWriter csv, Row row, int period, Part part, long minor) {
        if (minor != 0) {
            write(csv, row, period, word(part.name()), minor);
        }
    }

    private void writeLevel(CsvWriter csv, Row row) {
        for (int i = 0; i < table.periods().size(); i++) {
            Cell cell = row.cells().get(i);
            write(csv, row, i, word(cell.largestPart().name()), cell.amount());
        }
    }

    private void write(CsvWriter csv, Row row, int at, String part, long minor) {
        Period period = table.periods().get(at);
        csv.writeRecord(
                section(row),
                safe(row.name()),
                part,
                period.startInclusive().toString(),
                period.lastDay().toString(),
                Money.plain(minor, currency));
    }

    private static String section(Row row) {
        return row.direction() == null
                ? word(row.kind().name())
                : row.direction() == Direction.RECEIPT ? "receipts" : "payments";
    }

    private static String word(String constant) {
        return constant.toLowerCase(java.util.Locale.ROOT);
    }

    private void writeWide(Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            List<String> head = new ArrayList<>(List.of("line"));
            table.periods().forEach(p -> head.add(p.startInclusive().toString()));
            csv.writeRecord(head);
            for (Row row : table.rows()) {
                List<String> fields = new ArrayList<>(List.of("  ".repeat(row.depth()) + safe(row.name())));
                row.cells().forEach(cell -> fields.add(Money.plain(cell.amount(), currency)));
                csv.writeRecord(fields);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A spreadsheet would run a name that begins like a formula; an apostrophe keeps it text. */
    static String safe(String name) {
        return !name.isEmpty() && "=+-@\t\r".indexOf(name.charAt(0)) >= 0 ? "'" + name : name;
    }
}

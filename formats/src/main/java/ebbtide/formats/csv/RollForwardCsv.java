package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.forecast.RollForward;
import ebbtide.money.Money;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Currency;
import java.util.List;
import java.util.Locale;

/** Roll-forwards as long CSV: a row for each figure, with its kind, line, month and what it is. */
public final class RollForwardCsv {
    private RollForwardCsv() {}

    /**
     * Writes roll-forwards in order, each month by month from opening over its changes to closing.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(List<RollForward> rolls, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("kind", "line", "month", "row", "amount");
            for (RollForward roll : rolls) {
                for (int i = 0; i < roll.months().size(); i++) {
                    write(csv, roll, i, "opening", roll.opening().get(i), currency);
                    for (RollForward.Change change : roll.changes()) {
                        write(csv, roll, i, change.name(), change.amounts().get(i), currency);
                    }
                    write(csv, roll, i, "closing", roll.closing().get(i), currency);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void write(CsvWriter csv, RollForward roll, int at, String row, long minor, Currency currency) {
        csv.writeRecord(
                roll.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                ForecastCsv.safe(roll.name()),
                roll.months().get(at).toString(),
                row,
                Money.plain(minor, currency));
    }
}

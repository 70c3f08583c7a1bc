package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.money.HowFar;
import ebbtide.money.Money;
import ebbtide.whatif.BreakEven;
import ebbtide.whatif.Measure;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Currency;

/**
 * How far something can go as CSV (rules 11.6): where it stands, the last that holds and the first that does not, down
 * and up, and where it does not hold as it stands the nearest that does. What there is none of within the range has no
 * row.
 */
public final class BreakEvenCsv {
    private BreakEvenCsv() {}

    /**
     * Writes the answer, what is turned in its own unit, what it comes to in the currency.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(BreakEven.Answer answer, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("point", "value", "measure", "day");
            write(answer.holds() ? "now" : "now_fails", answer, answer.now(), currency, csv);
            answer.down().ifPresent(edge -> write("down", answer, edge, currency, csv));
            answer.up().ifPresent(edge -> write("up", answer, edge, currency, csv));
            answer.nearest().ifPresent(point -> write("nearest", answer, point, currency, csv));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void write(
            String way, BreakEven.Answer answer, HowFar.Edge<Measure.Level> edge, Currency currency, CsvWriter csv) {
        write(way + "_holds", answer, edge.holds(), currency, csv);
        write(way + "_fails", answer, edge.fails(), currency, csv);
    }

    private static void write(
            String name, BreakEven.Answer answer, HowFar.Point<Measure.Level> point, Currency currency, CsvWriter csv) {
        csv.writeRecord(
                name,
                answer.dial().value(point.multiple()).toPlainString(),
                Money.plain(point.level().minor(), currency),
                point.level().day().toString());
    }
}

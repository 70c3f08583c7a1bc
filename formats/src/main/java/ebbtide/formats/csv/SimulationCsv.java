package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.chance.Simulation;
import ebbtide.money.Money;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;

/**
 * The runs of a simulation by week as CSV: what is forecast, the percentiles, and in what share headroom fell short.
 */
public final class SimulationCsv {
    private static final int PLACES = 4;

    private SimulationCsv() {}

    /**
     * Writes a row for each week.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(Simulation found, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            List<String> heads = new ArrayList<>(List.of("week_end", "forecast"));
            Simulation.PERCENTILES.forEach(one -> heads.add("percentile_" + one));
            heads.add("share_falls_short");
            csv.writeRecord(heads);
            for (Simulation.Week week : found.weeks()) {
                List<String> row =
                        new ArrayList<>(List.of(week.end().toString(), Money.plain(week.forecast(), currency)));
                week.percentiles().forEach(minor -> row.add(Money.plain(minor, currency)));
                row.add(BigDecimal.valueOf(week.fallsShort())
                        .divide(BigDecimal.valueOf(found.runs()), PLACES, RoundingMode.HALF_UP)
                        .toPlainString());
                csv.writeRecord(row);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

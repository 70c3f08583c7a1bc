package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.money.Money;
import ebbtide.statements.Ratios;
import ebbtide.time.Period;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.math.BigDecimal;
import java.util.Currency;
import java.util.List;
import java.util.Locale;

/**
 * Ratios by period as long CSV: a row for each, with its unit and the days of its period; empty where it is not known.
 */
public final class RatioCsv {
    private RatioCsv() {}

    /**
     * Writes the ratios from top to bottom, each period by period.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(List<Ratios.Ratio> ratios, List<Period> periods, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("ratio", "name", "unit", "period_start", "period_end", "value");
            for (Ratios.Ratio ratio : ratios) {
                for (int i = 0; i < periods.size(); i++) {
                    csv.writeRecord(
                            ratio.id(),
                            ratio.name(),
                            ratio.unit().name().toLowerCase(Locale.ROOT),
                            periods.get(i).startInclusive().toString(),
                            periods.get(i).lastDay().toString(),
                            value(ratio, ratio.values().get(i), currency));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String value(Ratios.Ratio ratio, BigDecimal value, Currency currency) {
        return value == null
                ? ""
                : ratio.unit() == Ratios.Unit.MONEY
                        ? Money.plain(value.longValueExact(), currency)
                        : value.toPlainString();
    }
}

package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.accounts.AssetHolding.Month;
import ebbtide.answers.AssetSchedule;
import ebbtide.answers.AssetSchedule.Held;
import ebbtide.answers.AssetSchedule.Row;
import ebbtide.answers.AssetSchedule.Standing;
import ebbtide.answers.AssetSchedule.Year;
import ebbtide.money.Money;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Currency;

/** The schedule of fixed assets as CSV: a row for each asset and fiscal year. */
public final class AssetCsv {
    private AssetCsv() {}

    /**
     * Writes what each asset cost, what is used up of it and what is left, by the months of each year.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(AssetSchedule schedule, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord(
                    "line",
                    "asset",
                    "first_month",
                    "last_month",
                    "opening_net",
                    "bought",
                    "depreciation",
                    "sold_at_book",
                    "cost",
                    "accumulated",
                    "closing_net");
            for (Row row : schedule.rows()) {
                Standing before = row.opening();
                for (int i = 0; i < schedule.years().size(); i++) {
                    Year year = schedule.years().get(i);
                    Held held = row.years().get(i);
                    Month of = held.of();
                    csv.writeRecord(
                            ForecastCsv.safe(row.line()),
                            ForecastCsv.safe(row.asset()),
                            year.first().toString(),
                            year.last().toString(),
                            Money.plain(before.net(), currency),
                            Money.plain(of.bought(), currency),
                            Money.plain(of.depreciation(), currency),
                            Money.plain(of.sold(), currency),
                            Money.plain(held.end().cost(), currency),
                            Money.plain(held.end().accumulated(), currency),
                            Money.plain(held.end().net(), currency));
                    before = held.end();
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

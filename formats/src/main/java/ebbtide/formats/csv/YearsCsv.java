package ebbtide.formats.csv;

import de.siegmar.fastcsv.writer.CsvWriter;
import ebbtide.money.Money;
import ebbtide.years.Year;
import ebbtide.years.YearNeed;
import ebbtide.years.Years;
import ebbtide.years.YearsTable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Currency;
import java.util.List;
import java.util.Locale;

/**
 * Years as long CSV: a row for each figure of their statements, with its name and the year's last day, then what each
 * year needs from outside with its uses and sources, and the growth that needs nothing.
 */
public final class YearsCsv {
    private YearsCsv() {}

    /**
     * Writes years from top to bottom, each row year by year.
     *
     * @throws UncheckedIOException where the writer fails
     */
    public static void write(Years years, Currency currency, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("sheet", "row", "name", "year_end", "amount");
            List<Year> all = years.all();
            for (YearsTable.Row row : YearsTable.of(years).rows()) {
                int skipped = all.size() - row.amounts().size();
                for (int i = 0; i < row.amounts().size(); i++) {
                    csv.writeRecord(
                            row.sheet().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                            row.id(),
                            ForecastCsv.safe(row.name()),
                            all.get(i + skipped).end().toString(),
                            Money.plain(row.amounts().get(i), currency));
                }
            }
            for (int i = 1; i < all.size(); i++) {
                YearNeed need = years.need(i);
                String end = all.get(i).end().toString();
                csv.writeRecord("need", "needed", "Needed from outside", end, Money.plain(need.minor(), currency));
                for (YearNeed.Part part : need.uses()) {
                    csv.writeRecord("need", "use", part.name(), end, Money.plain(part.minor(), currency));
                }
                for (YearNeed.Part part : need.sources()) {
                    csv.writeRecord("need", "source", part.name(), end, Money.plain(part.minor(), currency));
                }
                csv.writeRecord(
                        "need",
                        "free-growth",
                        "Growth that needs nothing from outside, %",
                        end,
                        years.growthWithoutFunding(i)
                                .map(Years.FreeGrowth::percent)
                                .map(percent -> percent == null ? "" : percent.number())
                                .orElse(""));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

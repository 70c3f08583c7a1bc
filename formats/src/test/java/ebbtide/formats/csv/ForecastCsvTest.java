package ebbtide.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Money;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.io.StringWriter;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The forecast as CSV: every figure of it, in other programs' hands. */
class ForecastCsvTest {
    static LongStream seeds() {
        return LongStream.range(0, 40);
    }

    private static List<CsvRecord> rows(StringWriter text) {
        return CsvReader.builder().ofCsvRecord(text.toString()).stream().toList();
    }

    private static BigDecimal sum(List<CsvRecord> rows, String period, String... sections) {
        return rows.stream()
                .filter(row -> List.of(sections).contains(row.getField(0))
                        && row.getField(3).equals(period))
                .map(row -> new BigDecimal(row.getField(5)))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void longRows_ofEveryPeriod_chainFromOpeningToClosing(long seed) {
        RandomPlans.Case some = RandomPlans.of(seed);
        Forecast forecast = Forecaster.forecast(some.plan(), some.books());
        List<Period> months = forecast.periods(Periods.MONTH, forecast.firstDay(), forecast.lastDay());
        StringWriter text = new StringWriter();
        ForecastCsv.writeLong(forecast, months, text);
        List<CsvRecord> rows = rows(text);
        for (Period month : months) {
            String start = month.startInclusive().toString();
            assertThat(sum(rows, start, "opening").add(sum(rows, start, "receipts", "payments", "transfers")))
                    .as(start)
                    .isEqualByComparingTo(sum(rows, start, "closing"));
            assertThat(rows.stream()
                            .filter(row -> row.getField(3).equals(start)
                                    && row.getField(0).equals("headroom")))
                    .hasSize(1);
        }
        assertThat(rows).allMatch(row -> row.getFieldCount() == 6);
        assertThat(rows.stream().skip(1).map(row -> row.getField(2)).distinct())
                .isSubsetOf("settled", "committed", "estimated");
    }

    @Test
    void wideRows_standAsTheTableDoes_andNamesRunNoFormula() {
        Line line = new Line(
                "x",
                null,
                "=SUM(A1)",
                Direction.RECEIPT,
                true,
                null,
                "",
                DatedItems.untaxed(
                        List.of(new DatedItem(LocalDate.of(2026, 3, 10), 123_456, Certainty.CERTAIN, "")),
                        Convention.NONE),
                List.of());
        Forecast forecast = Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), LocalDate.of(2026, 2, 28)), List.of(line), List.of()),
                Books.of(List.of()));
        StringWriter text = new StringWriter();
        ForecastCsv.writeWide(
                forecast, forecast.periods(Periods.MONTH, LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 30)), text);
        List<CsvRecord> rows = rows(text);
        assertThat(rows.get(0).getFields()).containsExactly("line", "2026-03-01", "2026-04-01");
        assertThat(rows.get(3).getFields()).containsExactly("  '=SUM(A1)", "1234.56", "0.00");
        assertThat(rows)
                .extracting(row -> row.getField(0))
                .contains("Opening cash", "Receipts", "Payments", "Net cash flow", "Closing cash", "Headroom");
    }
}

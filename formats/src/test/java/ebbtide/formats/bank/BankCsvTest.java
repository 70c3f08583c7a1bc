package ebbtide.formats.bank;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Money;
import java.io.ByteArrayInputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Any bank's CSV: what is proposed from the file, what is read by it, and what is said of bad rows. */
class BankCsvTest {
    private static final String UK = """
      Date,Type,Description,Amount,Balance
      02/03/2026,FPI,"GULLROCK HOTELS, INV 4127","31,200.00","131,200.00"
      02/03/2026,DD,HARBOUR RENT,-4250.10,"126,949.90"
      27/02/2026,CHG,CHARGES,(12.00),"126,937.90"
      """;
    private static final String GERMAN = """
      Konto;1234
      Zeitraum;März 2026

      Buchungstag;Valuta;Empfänger;Verwendungszweck;Betrag;Saldo
      02.03.2026;03.03.2026;Möwe GmbH;Rechnung 17;1.250,50;2.250,50
      03.03.2026;03.03.2026;Stadtwerke;Strom;-250,50;2.000,00
      """;
    private static final String AMERICAN = """
      Posted Date|Payee|Money Out|Money In
      03/13/2026|Salt Marsh Foods||1,200.50
      03/02/2026|Tidewater Fuel|88.20|
      """;
    private static final String MARKED = """
      "Datum";"Naam";"Rekening";"Code";"Af Bij";"Bedrag";"Mededelingen"
      "20260302";"Zilt Keukens";"XX00EBBT0000000001";"OV";"Bij";"1.200,50";"Factuur 17"
      "20260303";"IJs en Kisten";"XX00EBBT0000000001";"IC";"Af";"88,20";"Dozen"
      """;
    private static final String ISO = "2026-03-02\tIce and boxes\t-88.20\n2026-03-04\tShop takings\t410.00\n";

    /** The rows and problems of a file read by the dialect proposed from it. */
    private static final class Read implements BankCsvReader.Sink {
        private final List<BankRow> rows = new ArrayList<>();
        private final List<RowProblem> problems = new ArrayList<>();

        static Read of(String text, Charset charset) {
            byte[] bytes = text.getBytes(charset);
            CsvDialect dialect = CsvProposal.of(bytes).dialect().orElseThrow();
            Read read = new Read();
            new BankCsvReader(dialect, Money.currency("EUR")).read(new ByteArrayInputStream(bytes), read);
            return read;
        }

        @Override
        public void row(BankRow row) {
            rows.add(row);
        }

        @Override
        public void problem(RowProblem problem) {
            problems.add(problem);
        }
    }

    static List<Object[]> dialects() {
        return List.of(
                new Object[] {
                    UK, StandardCharsets.UTF_8, LocalDate.of(2026, 3, 2), 3_120_000L, "GULLROCK HOTELS, INV 4127", 3
                },
                new Object[] {
                    "\uFEFF" + UK,
                    StandardCharsets.UTF_8,
                    LocalDate.of(2026, 3, 2),
                    3_120_000L,
                    "GULLROCK HOTELS, INV 4127",
                    3
                },
                new Object[] {
                    GERMAN, Charset.forName("windows-1252"), LocalDate.of(2026, 3, 2), 125_050L, "Rechnung 17", 2
                },
                new Object[] {GERMAN, StandardCharsets.UTF_8, LocalDate.of(2026, 3, 2), 125_050L, "Rechnung 17", 2},
                new Object[] {AMERICAN, StandardCharsets.UTF_8, LocalDate.of(2026, 3, 13), 120_050L, "", 2},
                new Object[] {
                    MARKED,
                    StandardCharsets.UTF_8,
                    LocalDate.of(2026, 3, 2),
                    120_050L,
                    "Zilt Keukens XX00EBBT0000000001 Factuur 17",
                    2
                },
                new Object[] {ISO, StandardCharsets.UTF_8, LocalDate.of(2026, 3, 2), -8_820L, "Ice and boxes", 2});
    }

    @ParameterizedTest
    @MethodSource("dialects")
    void proposal_ofABanksFile_readsItWhole(
            String file, Charset charset, LocalDate day, long minor, String text, int rows) {
        Read read = Read.of(file, charset);
        assertThat(read.problems).isEmpty();
        assertThat(read.rows).hasSize(rows);
        assertThat(read.rows.get(0).bookingDate()).isEqualTo(day);
        assertThat(read.rows.get(0).minor()).isEqualTo(minor);
        assertThat(read.rows.get(0).text()).isEqualTo(text);
    }

    @Test
    void proposal_germanFile_findsPartyValueDateAndBalance() {
        Read read = Read.of(GERMAN, Charset.forName("windows-1252"));
        assertThat(read.rows.get(0))
                .isEqualTo(new BankRow(
                        5,
                        LocalDate.of(2026, 3, 2),
                        LocalDate.of(2026, 3, 3),
                        125_050,
                        "Rechnung 17",
                        "Möwe GmbH",
                        "",
                        225_050L));
    }

    @Test
    void fileThatSaysTheWayInAWord_isReadByIt_andAnotherWordIsABadRow() {
        assertThat(Read.of(MARKED, StandardCharsets.UTF_8).rows.get(1).minor()).isEqualTo(-8_820);
        Read read = Read.of(
                UK.replace("Type", "Way")
                        .replace("FPI", "Credit")
                        .replace(",DD,", ",Debit,")
                        .replace(",CHG,", ",dr,")
                        .replace("-4250.10", "4250.10")
                        .replace("(12.00)", "12.00"),
                StandardCharsets.UTF_8);
        assertThat(read.problems).isEmpty();
        assertThat(read.rows).extracting(BankRow::minor).containsExactly(3_120_000L, -425_010L, -1_200L);
        byte[] odd = MARKED.replace("\"Af\"", "\"Weg\"").getBytes(StandardCharsets.UTF_8);
        CsvDialect dialect = CsvProposal.of(MARKED.getBytes(StandardCharsets.UTF_8))
                .dialect()
                .orElseThrow();
        Read bad = new Read();
        new BankCsvReader(dialect, Money.currency("EUR")).read(new ByteArrayInputStream(odd), bad);
        assertThat(bad.problems).singleElement().satisfies(one -> assertThat(one.reason())
                .startsWith("'Weg' says neither money out"));
    }

    @Test
    void americanFile_moneyOut_isNegative() {
        assertThat(Read.of(AMERICAN, StandardCharsets.UTF_8).rows.get(1).minor())
                .isEqualTo(-8_820);
    }

    @Test
    void badRows_areNamedWithLineAndReason_goodOnesStillRead() {
        Read read = Read.of(
                UK + "31/02/2026,DD,NO SUCH DAY,-1.00,\n03/03/2026,DD,NO AMOUNT,,\n03/03/2026,DD,WORDS,about ten,\n"
                        + "04/03/2026,DD,FINE,-7.00,\n",
                StandardCharsets.UTF_8);
        assertThat(read.rows).hasSize(4);
        assertThat(read.problems).extracting(RowProblem::line).containsExactly(5, 6, 7);
        assertThat(read.problems.get(0).reason())
                .isEqualTo("'31/02/2026' is no booking date in the order day month year");
        assertThat(read.problems.get(1).reason()).isEqualTo("the amount is empty");
        assertThat(read.problems.get(2).reason()).contains("'about ten' is no amount");
    }

    @Test
    void runningBalance_aRowTakenOut_isNoticedForwardsAndBackwards() {
        String broken = UK.replace("02/03/2026,DD,HARBOUR RENT,-4250.10,\"126,949.90\"\n", "");
        assertThat(Read.of(broken, StandardCharsets.UTF_8).problems)
                .singleElement()
                .satisfies(p -> assertThat(p.reason())
                        .startsWith("the running balance is 126937.90, but the row before makes it 131188.00"));
        String latestFirst = "Date,Description,Amount,Balance\n03/03/2026,B,-5.00,95.00\n02/03/2026,A,100.00,100.00\n";
        assertThat(Read.of(latestFirst, StandardCharsets.UTF_8).problems).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1.234,56|,|123456",
                "-1,234.56|.|-123456",
                "1 234,5-|,|-123450",
                "£12|.|1200",
                "12.00DR|.|-1200",
                "(3.10)|.|-310",
                "1'000.00|.|100000",
                "−5,00|,|-500"
            })
    void amount_asBanksWriteIt_isRead(String text, char mark, long minor) {
        assertThat(AmountText.minor(text, mark, Money.currency("GBP"))).isEqualTo(minor);
    }

    @Test
    void file_withoutDatesOrAmounts_hasNoProposalButShowsItsRows() {
        CsvProposal proposal = CsvProposal.of("just,some\nwords,here\n".getBytes(StandardCharsets.UTF_8));
        assertThat(proposal.dialect()).isEmpty();
        assertThat(proposal.rows()).hasSize(2);
    }

    /** The last row of a file that was cut off may have lost digits of its amount: it is no movement. */
    @Test
    void lastRow_withoutTheBalanceThatAllOthersHave_wasCutOff() {
        String cut = UK.strip().replace(",\"126,937.90\"", "").replace("(12.00)", "(12.0");
        Read read = Read.of(cut, StandardCharsets.UTF_8);
        assertThat(read.rows).hasSize(2);
        assertThat(read.problems)
                .extracting(RowProblem::line, RowProblem::reason)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(
                        4, "the file breaks off in it: every row before it has a balance, and it has none"));
        String someWithout = UK.replace(",\"126,949.90\"", ",").replace(",\"126,937.90\"", ",");
        assertThat(Read.of(someWithout, StandardCharsets.UTF_8).rows).hasSize(3);
        assertThat(Read.of(someWithout, StandardCharsets.UTF_8).problems).isEmpty();
    }
}

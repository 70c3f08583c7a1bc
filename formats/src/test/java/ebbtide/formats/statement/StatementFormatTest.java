package ebbtide.formats.statement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.formats.bank.BankRow;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Statements written by hand after the public standards come in whole; each damaged one is refused in a sentence. */
class StatementFormatTest {
    private static byte[] file(String name) throws IOException {
        try (InputStream in = StatementFormatTest.class.getResourceAsStream("/statements/" + name)) {
            return in.readAllBytes();
        }
    }

    private static List<DeclaredStatement> read(byte[] file) {
        return StatementFormat.find(file).orElseThrow().read(file);
    }

    private static List<String> words(DeclaredStatement statement) {
        return statement.rows().stream().map(StatementFormatTest::words).toList();
    }

    private static String words(BankRow row) {
        return String.join(
                "|",
                row.bookingDate().toString(),
                row.valueDate().toString(),
                Long.toString(row.minor()),
                row.text(),
                row.counterparty(),
                row.reference());
    }

    @Test
    void camtVersion2_comesInWhole_aBatchAsItsParts() throws IOException {
        DeclaredStatement statement = read(file("camt-02.xml")).get(0);
        assertThat(words(statement))
                .containsExactly(
                        "2026-03-02|2026-03-03|250000|Invoice 4711 and 4712 CREDIT TRANSFER|Gullrock Hotels & Söhne|E2E-77",
                        "2026-03-03|2026-03-03|-12000|part 1 of 2 of batch RUN-9|Quayside Fuels|RF18539007547034",
                        "2026-03-03|2026-03-03|-18000|part 2 of 2 of batch RUN-9|Penhallow Hatchery|",
                        "2026-03-03|2026-03-03|550|CHARGES reversal||BANK-5");
        assertThat(statement)
                .extracting(
                        DeclaredStatement::accountNumber,
                        DeclaredStatement::number,
                        DeclaredStatement::opening,
                        DeclaredStatement::closing,
                        DeclaredStatement::to,
                        DeclaredStatement::notBooked)
                .containsExactly("XX00EBBT0000000001", "61", 100_000L, 320_550L, LocalDate.of(2026, 3, 3), 1);
    }

    @Test
    void camtVersion8_comesInWhole_aReturnNamesWhomWePaid() throws IOException {
        List<DeclaredStatement> statements = read(file("camt-08.xml"));
        assertThat(statements).hasSize(2);
        assertThat(words(statements.get(0)))
                .containsExactly(
                        "2026-03-06|2026-03-06|30000|BILL 88 returned AC04 account closed|Tidewell Engineering|I-3");
        assertThat(statements.get(0))
                .extracting(DeclaredStatement::opening, DeclaredStatement::number)
                .containsExactly(-5_000L, "14");
        assertThat(statements.get(1).rows()).isEmpty();
    }

    @Test
    void mt940_comesInWhole_withEachWayOfWritingInformation() throws IOException {
        List<DeclaredStatement> statements = read(file("mt940.sta"));
        assertThat(words(statements.get(0)))
                .containsExactly(
                        "2026-03-03|2026-03-02|250000|CREDIT TRANSFER EREF+E2E-77SVWZ+Invoice 4711 and 4712|Gullrock Hotels Inc|E2E-77",
                        "2026-03-03|2026-03-03|-30000|/EREF/RUN-9-1/CNTP/XX00EBBT0000000009/MADEUPXX/Quayside Fuels/Pellmoor// /REMI/USTD//March diesel, tank 2/ "
                                + "/OCMT/EUR300,00/|Quayside Fuels|RUN-9-1",
                        "2026-03-03|2026-03-03|550|CHARGES GIVEN BACK FOR FEBRUARY reversal||BANK-5");
        assertThat(words(statements.get(1))).containsExactly("2026-01-02|2025-12-31|-50|reversal||");
        assertThat(statements).extracting(DeclaredStatement::number).containsExactly("00061/001", "00061/002");
    }

    @Test
    void ofx_comesInWhole_inBothVersions() throws IOException {
        DeclaredStatement bank = read(file("version-1.ofx")).get(0);
        assertThat(words(bank))
                .containsExactly(
                        "2026-03-02|2026-03-02|250000|Invoice 4711|Gullrock & Vine|F1",
                        "2026-03-04|2026-03-05|-12050|CHECK|Quayside Fuels|000123");
        assertThat(bank)
                .extracting(DeclaredStatement::accountNumber, DeclaredStatement::opening, DeclaredStatement::closing)
                .containsExactly("00000001", null, 337_950L);
        assertThat(words(read(file("version-2.ofx")).get(0)))
                .containsExactly("2026-03-03|2026-03-03|-4210|Ice <crushed>|Icehouse Supplies|R-9");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "camt-02.xml|2500.00</Amt>|2400.00</Amt>|an entry is missing or changed",
                "camt-02.xml|<Amt Ccy=\"EUR\">5.50|<Amt Ccy=\"USD\">5.50|Line 33: the amount is in 'USD', but the account is in EUR",
                "camt-02.xml|>5.50<|>5,50<|'5,50' is no amount such as 1250.50",
                "camt-02.xml|>5.50<|>-5.50<|'-5.50' is no amount",
                "camt-02.xml|>5.50<|>5.505<|has at most 2 decimals",
                "camt-02.xml|<Dt>2026-03-02</Dt></BookgDt>|<Dt>2026-02-31</Dt></BookgDt>|'2026-02-31' is no day: February 2026 has 28 days",
                "camt-02.xml|<BookgDt><Dt>2026-03-02</Dt></BookgDt>||Ntry has no BookgDt",
                "camt-02.xml|<CdtDbtInd>DBIT</CdtDbtInd>|<CdtDbtInd>DEBIT</CdtDbtInd>|CdtDbtInd is CRDT or DBIT, but was 'DEBIT'",
                "camt-02.xml|<Cd>CLBD</Cd>|<Cd>XPCD</Cd>|the statement has no closing balance (CLBD)",
                "camt-02.xml|<Cd>OPBD</Cd>|<Cd>XPCD</Cd>|the statement has no opening balance (OPBD)",
                "camt-02.xml|<IBAN>XX00EBBT0000000001</IBAN>|<IBAN/>|names no account",
                "camt-02.xml|<Ccy>EUR</Ccy>|<Ccy>Euro</Ccy>|A currency is a three-letter code",
                "camt-02.xml|<Stmt>|<Stmts>|breaks off or is damaged",
                "camt-02.xml|BkToCstmrStmt>|BkToCstmrRpt>|'BkToCstmrStmt' is missing here",
                "camt-02.xml|<Document|<!DOCTYPE d SYSTEM \"file:///etc/hostname\"><Document|declares a document type or entities",
                "camt-02.xml|<Document|<!DOCTYPE d [<!ENTITY a \"aaaa\"><!ENTITY b \"&a;&a;&a;\">]><Document|declares a document type or entities",
                "camt-02.xml|CREDIT TRANSFER|&pounds;|declares a document type or entities",
                "mt940.sta|C2500,NTRF|C2400,NTRF|an entry is missing or changed",
                "mt940.sta|C2500,NTRF|C2500.00NTRF|is no entry such as",
                "mt940.sta|:61:2603020303|:61:2613020303|'261302' is no day",
                "mt940.sta|:61:2603020303|:61:2603020332|'0332' is no day",
                "mt940.sta|:60F:C260301EUR1000,00|:60F:C260301EUR1000.00|is no balance such as",
                "mt940.sta|:62M:C260303EUR|:62M:C260303GBP|it closes in GBP, but opened in EUR",
                "mt940.sta|:62M:C260303EUR3205,50||the statement has no closing balance",
                "mt940.sta|:25:00000000/0000000001|:26:00000000/0000000001|':26:' is no field of an MT940 statement",
                "mt940.sta|:28C:00061/001|stray words|'stray words' belongs to no field",
                "version-1.ofx|<TRNAMT>2500.00|<TRNAMT>much|'much' is no amount",
                "version-1.ofx|<FITID>F2|<FITID>F1|'F1' stands in the statement twice",
                "version-1.ofx|<DTPOSTED>20260304|<DTPOSTED>4 March|'4 March' is no date",
                "version-1.ofx|</BANKTRANLIST>||BANKTRANLIST has no DTSTART",
                "version-1.ofx|<CURDEF>GBP|<CURDEF>|A currency is a three-letter code",
                "version-1.ofx|TRNUID>1<STATUS><CODE>0|TRNUID>1<STATUS><CODE>2000|the bank answered with error 2000",
                "version-2.ofx|</STMTTRN>||STMTTRN has no FITID",
                "version-2.ofx|<OFX>|<!DOCTYPE OFX><OFX>|declares no document type",
                "version-2.ofx|</CCSTMTRS>|</STMTRS>|</STMTRS> closes what never began"
            })
    void damagedFile_isRefusedInASentence(String name, String right, String wrong, String sentence) throws IOException {
        String text = new String(file(name), StandardCharsets.UTF_8);
        assertThat(text).contains(right);
        byte[] damaged = text.replace(right, wrong == null ? "" : wrong).getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> read(damaged))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(sentence);
    }

    /** Wherever a file is cut, it is refused or, if only blanks are gone, read as it was: half of it is never used. */
    @ParameterizedTest
    @CsvSource({"camt-02.xml", "camt-08.xml", "mt940.sta", "version-1.ofx", "version-2.ofx"})
    void cutFile_isNeverReadInHalf(String name) throws IOException {
        byte[] whole = file(name);
        List<DeclaredStatement> all = read(whole);
        Random random = new Random(53);
        for (int i = 0; i < 300; i++) {
            byte[] cut = java.util.Arrays.copyOf(whole, 1 + random.nextInt(whole.length - 1));
            try {
                assertThat(StatementFormat.find(cut)
                                .map(format -> format.read(cut))
                                .orElse(all))
                        .as("cut at " + cut.length)
                        .isSubsetOf(all);
            } catch (IllegalArgumentException refused) {
                assertThat(refused).hasMessageMatching("(?s).{20,}");
            }
        }
    }

    @Test
    void hostileXml_isRefusedBeforeItGrows() {
        String deep = "<Document xmlns='urn:camt.053'><BkToCstmrStmt><Stmt>" + "<A>".repeat(100_000);
        assertThatThrownBy(() -> read(deep.getBytes(StandardCharsets.UTF_8))).hasMessageContaining("40 deep");
        String wide = "<Document xmlns='urn:camt.053'><BkToCstmrStmt><Stmt><Id>" + "x".repeat(1_000_000) + "</Id>";
        assertThatThrownBy(() -> read(wide.getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("longer than 20000 letters");
        assertThatThrownBy(() -> StatementFormat.MT940.read(new byte[StatementFormat.MOST_BYTES + 1]))
                .hasMessageContaining("at most 50 MB");
    }

    @Test
    void csvAndWords_areNoStandardFormat() {
        assertThat(StatementFormat.find("Date,Text,Amount\n02/03/2026,A,-5.00\n".getBytes(StandardCharsets.UTF_8)))
                .isEmpty();
        assertThat(StatementFormat.find(new byte[0])).isEmpty();
        for (String other : List.of("<?xml version='1.0'?><foo/>", "\ufeff <html>", "%PDF-1.4", "PK\u0003\u0004")) {
            assertThat(StatementFormat.isOtherDocument(other.getBytes(StandardCharsets.UTF_8)))
                    .as(other)
                    .isTrue();
        }
        assertThat(StatementFormat.isOtherDocument("Date,Text\n".getBytes(StandardCharsets.UTF_8)))
                .isFalse();
    }
}

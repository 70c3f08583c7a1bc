package ebbtide.formats.budget;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sheets of workbooks and CSV files: what no memory holds is refused in a sentence before it is held. */
class SheetReaderTest {
    private static final String MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";

    private static byte[] workbook(String rows) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(
                    zip,
                    "[Content_Types].xml",
                    "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Override PartName=\"/xl/workbook.xml\""
                            + " ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/></Types>");
            put(
                    zip,
                    "_rels/.rels",
                    "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r1\""
                            + " Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>");
            put(
                    zip,
                    "xl/workbook.xml",
                    "<workbook xmlns=\"" + MAIN
                            + "\" xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\"><sheets>"
                            + "<sheet name=\"List\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>");
            put(
                    zip,
                    "xl/_rels/workbook.xml.rels",
                    "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r1\""
                            + " Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>");
            put(
                    zip,
                    "xl/worksheets/sheet1.xml",
                    "<worksheet xmlns=\"" + MAIN + "\"><sheetData>" + rows + "</sheetData></worksheet>");
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    private static String cell(String at, String text) {
        return "<row r=\"1\"><c r=\"" + at + "1\" t=\"inlineStr\"><is><t>" + text + "</t></is></c></row>";
    }

    @Test
    void workbook_withoutStyles_isRead() throws IOException {
        assertThat(SheetReader.read(workbook(cell("A", "Sales") + "<row r=\"3\"><c r=\"B3\"><v>12.5</v></c></row>")))
                .containsExactly(new Sheet("List", List.of(List.of("Sales"), List.of(), List.of("", "12.5"))));
    }

    /** As often as commas that group amounts or stand before their decimals. */
    @ParameterizedTest
    @ValueSource(chars = {'\t', ';', '|'})
    void textWithACommaInEveryAmount_isTakenApartByWhatStandsInEveryRow(char mark) {
        assertThat(SheetReader.read(("Sales" + mark + "840,000\nCash" + mark + "40,50\n").getBytes(UTF_8)))
                .extracting(Sheet::rows)
                .containsExactly(List.of(List.of("Sales", "840,000"), List.of("Cash", "40,50")));
    }

    @Test
    void workbook_thatNoMemoryHolds_isRefused() throws IOException {
        assertThatThrownBy(() -> SheetReader.read(workbook(cell("ZZZZZZ", "x"))))
                .hasMessageContaining("in a column after XFD");
        assertThatThrownBy(() -> SheetReader.read(workbook(cell("A", "x".repeat(95_000_000)))))
                .hasMessageContaining("has a text of more than 32,767 letters");
        assertThatThrownBy(() -> SheetReader.read(workbook(cell("A", "x") + " ".repeat(49_000_000))))
                .hasMessageContaining("has a text of more than 32,767 letters");
        assertThatThrownBy(() -> SheetReader.read(workbook(("<c r=\"A1\"" + " ".repeat(1000) + "/>").repeat(110_000))))
                .hasMessageContaining("unpacks to more than 100 MB");
        assertThatThrownBy(() -> SheetReader.read(workbook("<row r=\"2000000000\"><c r=\"A2000000000\"/></row>")))
                .hasMessageContaining("more than 5,000 rows");
    }

    @ParameterizedTest
    @CsvSource({"' ',49000000", "'\"',49000000", "',',49000000", "'a,',20000000", "'\n',20000000"})
    void csv_thatNoMemoryHolds_isRefusedOrEmpty(String what, int times) {
        try {
            assertThat(SheetReader.read(what.repeat(times).getBytes(StandardCharsets.UTF_8), 250_000))
                    .allSatisfy(sheet -> assertThat(sheet.rows())
                            .allSatisfy(row -> assertThat(row).isEmpty()));
        } catch (IllegalArgumentException e) {
            assertThat(e.getMessage()).matches("(The sheet has more than|This is no readable CSV file).*");
        }
    }
}

package ebbtide.formats.budget;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.formats.budget.LabelMatch.Candidate;
import ebbtide.formats.budget.LabelMatch.How;
import ebbtide.money.Money;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Budgets as people keep them in spreadsheets: headings, sections, subtotals, signs and texts read without an edit of
 * the file.
 */
class BudgetTest {
    private static final Currency POUND = Money.currency("GBP");
    private static final YearMonth NOVEMBER = YearMonth.of(2026, 11);

    /**
     * A workbook with a title, a year merged over its months, sections, blank rows, costs below zero, text numbers and
     * subtotals.
     */
    static byte[] workbook() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook workbook = new Workbook(out, "test", "1.0")) {
            Worksheet sheet = workbook.newWorksheet("Budget");
            sheet.value(0, 0, "Budget of the year, prepared in autumn");
            sheet.value(2, 2, 2026);
            sheet.range(2, 2, 2, 3).merge();
            sheet.value(2, 4, 2027);
            for (int i = 0; i < 4; i++) {
                sheet.value(3, 2 + i, List.of("Nov", "Dec", "Jan", "Feb").get(i));
            }
            sheet.value(3, 6, "Total");
            sheet.value(4, 1, "Income");
            row(sheet, 5, "4000", "Trade sales", 1000.5, 1100, 1200, 1300);
            row(sheet, 6, "4010", "Licence fees", "1,250", "£ 1,250", "1.250,00", "-");
            row(sheet, 7, "", "Income in all", 2250.5, 2350, 2450, 1300);
            sheet.value(9, 1, "Costs");
            row(sheet, 10, "5000", "Packaging", -300, -310, -320, "(330)");
            row(sheet, 11, "5010", "Rent", "-500", "500-", -500, -500);
            row(sheet, 12, "", "Total costs", -800, -810, -820, -830);
            row(sheet, 13, "", "Surplus", 1450.5, 1540, 1630, 470);
            row(sheet, 15, "5020", "Notes", "ask Ida", 10, 10, 10);
        }
        return out.toByteArray();
    }

    private static void row(Worksheet sheet, int row, String code, String label, Object... cells) {
        sheet.value(row, 0, code);
        sheet.value(row, 1, label);
        for (int i = 0; i < cells.length; i++) {
            if (cells[i] instanceof Number number) {
                sheet.value(row, 2 + i, number);
            } else {
                sheet.value(row, 2 + i, (String) cells[i]);
            }
        }
    }

    @Test
    void workbook_withMergedHeadingsSubtotalsBlankRowsAndSigns_isReadAsItStands() throws IOException {
        Budget budget = Budget.of(SheetReader.read(workbook()).get(0), NOVEMBER, POUND);
        assertThat(budget.months())
                .containsExactly(NOVEMBER, YearMonth.of(2026, 12), YearMonth.of(2027, 1), YearMonth.of(2027, 2));
        assertThat(budget.rows())
                .extracting(Budget.Row::label)
                .containsExactly(
                        "Trade sales",
                        "Licence fees",
                        "Income in all",
                        "Packaging",
                        "Rent",
                        "Total costs",
                        "Surplus",
                        "Notes");
        assertThat(budget.rows())
                .extracting(Budget.Row::total)
                .containsExactly(false, false, true, false, false, true, true, false);
        assertThat(budget.rows())
                .extracting(Budget.Row::section)
                .containsExactly("Income", "Income", "Income", "Costs", "Costs", "Costs", "Costs", "Costs");
        assertThat(budget.rows().get(0).amounts().values()).containsExactly(100_050L, 110_000L, 120_000L, 130_000L);
        assertThat(budget.rows().get(1).amounts().values()).containsExactly(125_000L, 125_000L, 125_000L, 0L);
        assertThat(budget.rows().get(3).amounts().values())
                .as("costs lose their sign")
                .containsExactly(30_000L, 31_000L, 32_000L, 33_000L);
        assertThat(budget.rows().get(3).negative()).isTrue();
        assertThat(budget.rows().get(4).amounts().values()).containsExactly(50_000L, 50_000L, 50_000L, 50_000L);
        assertThat(budget.rows().get(7).problems()).containsExactly("'ask Ida' in 2026-11 is no amount");
        assertThat(budget.rows().get(7).number()).isEqualTo(16);
    }

    @Test
    void csv_withDatesAndSemicolons_isReadTheSame() {
        Budget budget = Budget.of(
                SheetReader.read("\ufeffAccount;01.11.2026;01.12.2026\n;;\nRent;500,00;1.500,50\n"
                                .getBytes(StandardCharsets.UTF_8))
                        .get(0),
                NOVEMBER,
                POUND);
        assertThat(budget.rows()).singleElement().satisfies(row -> {
            assertThat(row.label()).isEqualTo("Rent");
            assertThat(row.amounts())
                    .containsExactly(Map.entry(NOVEMBER, 50_000L), Map.entry(YearMonth.of(2026, 12), 150_050L));
        });
    }

    @Test
    void datesInCells_areMonths() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook workbook = new Workbook(out, "test", "1.0")) {
            Worksheet sheet = workbook.newWorksheet("A");
            for (int i = 0; i < 3; i++) {
                sheet.value(0, 1 + i, LocalDate.of(2026, 11, 1).plusMonths(i));
                sheet.style(0, 1 + i).format("mmm yyyy").set();
                sheet.value(1, 1 + i, 10 * i);
            }
            sheet.value(1, 0, "Rent");
        }
        assertThat(Budget.of(SheetReader.read(out.toByteArray()).get(0), NOVEMBER, POUND)
                        .months())
                .containsExactly(NOVEMBER, NOVEMBER.plusMonths(1), NOVEMBER.plusMonths(2));
    }

    @ParameterizedTest
    @CsvSource({
        "Nov 2026,2026-11",
        "November 2026,2026-11",
        "nov-26,2026-11",
        "Nov'26,2026-11",
        "1 Nov 2026,2026-11",
        "2026-11,2026-11",
        "2026/11,2026-11",
        "11/2026,2026-11",
        "01/11/2026,2026-11",
        "2026-11-01,2026-11",
        "Sept 2026,2026-09",
        "Nov,",
        "November,",
        "Novel 2026,-",
        "Total,-",
        "13/2026,-",
        "2026,-",
        "Mar-gin,-"
    })
    void headings_ofEveryUsualKind_nameTheirMonth(String heading, String month) {
        MonthHeading found = MonthHeading.of(heading);
        if ("-".equals(month)) {
            assertThat(found).isNull();
        } else if (month == null) {
            assertThat(found).isEqualTo(new MonthHeading(11, null));
        } else {
            assertThat(found)
                    .isEqualTo(new MonthHeading(
                            YearMonth.parse(month).getMonthValue(),
                            YearMonth.parse(month).getYear()));
        }
    }

    @Test
    void monthsWithoutAYear_followOnFromTheFirstThatIsForecast() {
        Budget budget = Budget.of(
                new Sheet("S", List.of(List.of("", "Nov", "Dec", "Jan"), List.of("Rent", "1", "2", "3"))),
                NOVEMBER,
                POUND);
        assertThat(budget.months()).containsExactly(NOVEMBER, YearMonth.of(2026, 12), YearMonth.of(2027, 1));
    }

    @Test
    void labels_matchByNameThenByMemoryThenByLikeness() {
        List<Candidate> lines = List.of(
                new Candidate("a", "Rent of sheds & foreshore"),
                new Candidate("b", "Packaging & ice"),
                new Candidate("c", "Pay"));
        assertThat(LabelMatch.of(" packaging AND-ice".replace("AND-", "& "), lines, Map.of()))
                .isEqualTo(new LabelMatch("b", How.EXACT));
        assertThat(LabelMatch.of("5020 wages", lines, Map.of("5020 wages", "c")))
                .isEqualTo(new LabelMatch("c", How.REMEMBERED));
        assertThat(LabelMatch.of("Rent sheds, foreshore", lines, Map.of())).isEqualTo(new LabelMatch("a", How.CLOSE));
        assertThat(LabelMatch.of("Insurance", lines, Map.of("insurance", "gone")))
                .isEqualTo(new LabelMatch(null, How.NONE));
    }

    @Test
    void filesThatAreNoBudget_areRefusedInASentence() throws IOException {
        assertThatThrownBy(() -> SheetReader.read(new byte[0])).hasMessage("The file is empty");
        assertThatThrownBy(() -> SheetReader.read("PK\3\4 not a workbook".getBytes(StandardCharsets.ISO_8859_1)))
                .hasMessageStartingWith("This is no readable XLSX workbook");
        assertThatThrownBy(() -> Budget.of(new Sheet("Sheet1", List.of(List.of("a", "b"))), NOVEMBER, POUND))
                .hasMessage(
                        "No row of the sheet 'Sheet1' has months as headings: name at least two columns such as Jan 2026 or 2026-01");
        ByteArrayOutputStream bomb = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bomb)) {
            zip.putNextEntry(new ZipEntry("xl/worksheets/sheet1.xml"));
            byte[] zeros = new byte[1_000_000];
            for (int i = 0; i < 120; i++) {
                zip.write(zeros);
            }
        }
        assertThatThrownBy(() -> SheetReader.read(bomb.toByteArray()))
                .hasMessageStartingWith("The workbook has a text of more than 32,767 letters");
    }

    /** Whatever bytes a damaged workbook has: a sentence, or a sheet; never another failure. */
    @Test
    void damagedWorkbooks_neverFailOtherwiseThanInWords() throws IOException {
        byte[] whole = workbook();
        Random random = new Random(3);
        for (int run = 0; run < 150; run++) {
            byte[] damaged =
                    run % 3 == 0 ? java.util.Arrays.copyOf(whole, 4 + random.nextInt(whole.length - 4)) : whole.clone();
            for (int i = random.nextInt(30); i >= 0; i--) {
                damaged[4 + random.nextInt(damaged.length - 4)] = (byte) random.nextInt();
            }
            try {
                SheetReader.read(damaged).forEach(sheet -> sheet.rows().size());
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }
}

package ebbtide.formats.budget;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import ebbtide.money.Refused;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;

/**
 * Reading of a spreadsheet, CSV or XLSX told apart by content, into sheets of text; sizes are bounded, formulas give
 * their result.
 */
public final class SheetReader {
    private static final int MOST_ROWS = 5_000;
    private static final int MOST_COLUMNS = 300;
    /** A quarter of a million rows of a ledger's list, twelve columns each. */
    private static final int MOST_CELLS = 3_000_000;
    /** Excel keeps dates as days since the last of 1899; budgets lie between 1990 and 2120. */
    private static final double FIRST_DATE = 32_874;

    private static final double LAST_DATE = 80_719;

    private SheetReader() {}

    /** Returns the sheets of a file; refuses what is neither kind, or too large, with a sentence. */
    public static List<Sheet> read(byte[] file) {
        return read(file, MOST_ROWS);
    }

    /**
     * Returns the first sheet of a file that has rows; a row holds what is said: "a name and an amount".
     *
     * @throws Refused for a file that is neither kind, too large or without rows
     */
    public static Sheet first(byte[] file, String inEach) {
        return read(file).stream()
                .filter(sheet -> !sheet.rows().isEmpty())
                .findFirst()
                .orElseThrow(() -> new Refused("There are no rows in it: " + inEach + " in each"));
    }

    /**
     * Returns the sheets of a file with at most so many rows each.
     *
     * @throws Refused for a file that is neither kind, or too large
     */
    public static List<Sheet> read(byte[] file, int mostRows) {
        if (file.length == 0) {
            throw new Refused("The file is empty");
        }
        boolean zip = file.length > 3 && file[0] == 'P' && file[1] == 'K';
        return zip ? workbook(file, mostRows) : List.of(csv(file, mostRows));
    }

    private static List<Sheet> workbook(byte[] file, int mostRows) {
        try {
            return sheets(file, mostRows, WorkbookBounds.require(file));
        } catch (TooLarge e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            throw new Refused(
                    "This is no readable XLSX workbook: save it anew as XLSX or CSV, and bring it in again", e);
        }
    }

    private static List<Sheet> sheets(byte[] file, int mostRows, boolean styled) throws IOException {
        try (ReadableWorkbook workbook =
                new ReadableWorkbook(new ByteArrayInputStream(file), new ReadingOptions(styled, false))) {
            List<Sheet> sheets = new ArrayList<>();
            for (org.dhatim.fastexcel.reader.Sheet sheet : workbook.getSheets().toList()) {
                try (Stream<Row> rows = sheet.openStream()) {
                    sheets.add(new Sheet(sheet.getName(), texts(rows, mostRows)));
                }
            }
            return sheets;
        }
    }

    private static List<List<String>> texts(Stream<Row> rows, int mostRows) {
        Texts texts = new Texts(mostRows);
        rows.forEach(row -> {
            if (row.getRowNum() > mostRows || row.getCellCount() > MOST_COLUMNS) {
                throw new TooLarge(mostRows);
            }
            while (texts.rows.size() < row.getRowNum() - 1) {
                texts.add(List.of());
            }
            List<String> cells = new ArrayList<>();
            for (int i = 0; i < row.getCellCount(); i++) {
                cells.add(row.getOptionalCell(i).map(SheetReader::text).orElse(""));
            }
            texts.add(cells);
        });
        return texts.rows;
    }

    /** The rows read so far, without the empty cells at their ends; they are not let grow past what is read. */
    private static final class Texts {
        private final List<List<String>> rows = new ArrayList<>();
        private final int mostRows;
        private int cells;

        Texts(int mostRows) {
            this.mostRows = mostRows;
        }

        void add(List<String> row) {
            int end = row.size();
            while (end > 0 && row.get(end - 1).isEmpty()) {
                end--;
            }
            cells += end;
            if (rows.size() >= mostRows) {
                throw new TooLarge(mostRows);
            }
            if (cells > MOST_CELLS) {
                throw new TooLarge("The sheet has more than 3,000,000 cells: bring in the part that is needed alone");
            }
            rows.add(List.copyOf(row.subList(0, end)));
        }
    }

    /** A sheet with more rows or columns than a budget has. */
    static final class TooLarge extends Refused {
        private static final long serialVersionUID = 1;

        TooLarge(String sentence) {
            super(sentence);
        }

        TooLarge(int mostRows) {
            this(String.format(
                    java.util.Locale.ROOT,
                    "The sheet has more than %,d rows or 300 columns: bring in the part that is needed alone",
                    mostRows));
        }
    }

    private static String text(Cell cell) {
        if (cell.getType() == CellType.NUMBER || cell.getType() == CellType.FORMULA) {
            String format = cell.getDataFormatString();
            Integer id = cell.getDataFormatId();
            boolean dated = id != null && id >= 14 && id <= 17
                    || format != null
                            && format.toLowerCase(java.util.Locale.ROOT).matches(".*[ymd].*")
                            && !format.contains("0");
            if (dated
                    && cell.getValue() instanceof java.math.BigDecimal number
                    && number.doubleValue() >= FIRST_DATE
                    && number.doubleValue() <= LAST_DATE) {
                return cell.asDate().toLocalDate().format(DateTimeFormatter.ISO_LOCAL_DATE);
            }
        }
        String raw = cell.getType() == CellType.STRING ? cell.asString() : cell.getRawValue();
        return raw == null ? "" : raw.strip();
    }

    private static Sheet csv(byte[] file, int mostRows) {
        String text = decoded(file);
        Texts texts = new Texts(mostRows);
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(separator(text))
                .skipEmptyLines(false)
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .ofCsvRecord(text)) {
            for (CsvRecord record : reader) {
                if (record.getFieldCount() > MOST_COLUMNS) {
                    throw new TooLarge(mostRows);
                }
                texts.add(record.getFields().stream().map(String::strip).toList());
            }
        } catch (IOException | de.siegmar.fastcsv.reader.CsvParseException e) {
            throw new Refused("This is no readable CSV file: " + e.getMessage(), e);
        }
        return new Sheet("CSV", texts.rows);
    }

    private static String decoded(byte[] file) {
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString();
        } catch (CharacterCodingException e) {
            text = new String(file, java.nio.charset.Charset.forName("windows-1252"));
        }
        return text.startsWith("\ufeff") ? text.substring(1) : text;
    }

    /**
     * What stands as often in every row, a tab before all; else what there is most of. A comma alone tells little: it
     * groups amounts, and stands before their decimals.
     */
    private static char separator(String text) {
        String head = text.substring(0, Math.min(text.length(), 5_000));
        List<String> rows = head.lines().filter(row -> !row.isBlank()).toList();
        if (rows.size() > 1 && head.length() < text.length()) {
            rows = rows.subList(0, rows.size() - 1);
        }
        char best = ',';
        for (char one : new char[] {'\t', ';', '|'}) {
            long often = rows.isEmpty() ? 0 : count(rows.get(0), one);
            if (often > 0 && rows.stream().allMatch(row -> count(row, one) == often)) {
                return one;
            }
            best = count(head, one) > count(head, best) ? one : best;
        }
        return best;
    }

    private static long count(String text, char one) {
        return text.chars().filter(c -> c == one).count();
    }
}

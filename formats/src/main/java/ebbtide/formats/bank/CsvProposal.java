package ebbtide.formats.bank;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import ebbtide.formats.bank.CsvDialect.Columns;
import ebbtide.formats.bank.CsvDialect.Encoding;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What the first lines of a file suggest about it: a dialect where dates and amounts were found, and the raw fields of
 * those lines for the person who confirms it.
 */
public record CsvProposal(Optional<CsvDialect> dialect, List<List<String>> rows) {
    private static final int SHOWN = 30;
    private static final Pattern AMOUNT = Pattern.compile(
            "[-+\u2212(]?\\s*[^\\d\\s]?\\s*\\d[\\d.,' \u00a0]*[)-]?(?:\\s*(?:CR|DR))?", Pattern.CASE_INSENSITIVE);

    /** Returns the proposal for the first bytes of a file; the last line may be cut off. */
    public static CsvProposal of(byte[] head) {
        Encoding encoding = isUtf8(head) ? Encoding.UTF_8 : Encoding.WINDOWS_1252;
        char separator = separator(new String(head, encoding.charset()));
        return of(head, encoding, separator);
    }

    /** Returns the proposal for a file of which encoding and separator are known. */
    public static CsvProposal of(byte[] head, Encoding encoding, char separator) {
        List<List<String>> rows = rows(head, encoding, separator);
        return new CsvProposal(
                new Guess(rows).dialect(encoding, separator), rows.subList(0, Math.min(SHOWN, rows.size())));
    }

    private static boolean isUtf8(byte[] head) {
        // A letter of several bytes may be cut at the end: its rest is not held against the file.
        for (int cut = 0; cut < 4 && cut <= head.length; cut++) {
            try {
                StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(head, 0, head.length - cut));
                return true;
            } catch (CharacterCodingException e) {
                continue;
            }
        }
        return false;
    }

    /** The separator that parts the most lines into the same number of fields, two or more. */
    private static char separator(String text) {
        char best = ',';
        long most = -1;
        for (char candidate : new char[] {';', '\t', '|', ','}) {
            int[] counts = text.lines()
                    .limit(60)
                    .mapToInt(line -> outsideQuotes(line, candidate))
                    .filter(n -> n > 0)
                    .toArray();
            long alike = Arrays.stream(counts)
                    .map(n -> (int) Arrays.stream(counts).filter(m -> m == n).count())
                    .max()
                    .orElse(0);
            long fields = Arrays.stream(counts).max().orElse(0);
            // A decimal comma parts lines too, but into fewer fields than the true separator.
            if (alike * 100 + Math.min(99, fields * 5) > most && alike > 0) {
                most = alike * 100 + Math.min(99, fields * 5);
                best = candidate;
            }
        }
        return best;
    }

    private static int outsideQuotes(String line, char separator) {
        int count = 0;
        boolean quoted = false;
        for (char c : line.toCharArray()) {
            quoted ^= c == '"';
            count += c == separator && !quoted ? 1 : 0;
        }
        return count;
    }

    private static List<List<String>> rows(byte[] head, Encoding encoding, char separator) {
        CsvDialect reading = new CsvDialect(
                encoding,
                separator,
                0,
                DateOrder.YEAR_MONTH_DAY,
                '.',
                new Columns(0, -1, 1, -1, -1, List.of(), -1, -1, -1, -1));
        List<List<String>> rows = new ArrayList<>();
        try (CsvReader<CsvRecord> csv = BankCsvReader.open(new ByteArrayInputStream(head), reading)) {
            for (CsvRecord record : csv) {
                while (rows.size() < record.getStartingLineNumber() - 1) {
                    rows.add(List.of());
                }
                rows.add(record.getFields());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (de.siegmar.fastcsv.reader.CsvParseException e) {
            return rows;
        }
        return rows;
    }

    /** The guess over the fields of the first lines. */
    private static final class Guess {
        private final List<List<String>> rows;
        private final int width;
        private DateOrder order = DateOrder.DAY_MONTH_YEAR;
        private int first;

        Guess(List<List<String>> rows) {
            this.rows = rows;
            this.width = rows.stream().mapToInt(List::size).max().orElse(0);
        }

        Optional<CsvDialect> dialect(Encoding encoding, char separator) {
            int date = dateColumn();
            if (date < 0) {
                return Optional.empty();
            }
            List<String> header = first == 0 ? List.of() : rows.get(first - 1);
            int value = named(header, "value date", "value", "valuta", "wertstellung");
            if (value == date || value >= 0 && !isDate(value)) {
                value = -1;
            }
            int balance = numeric(named(header, "balance", "saldo", "solde"));
            int out = numeric(named(header, "debit", "paid out", "money out", "withdrawal", "soll", "payments"));
            int in = numeric(named(header, "credit", "paid in", "money in", "deposit", "haben", "receipts"));
            boolean two = out >= 0 && in >= 0 && out != in;
            int amount = two ? -1 : amountColumn(header, date, value, balance);
            if (!two && amount < 0) {
                return Optional.empty();
            }
            int party = named(header, "counterparty", "payee", "name", "beneficiary", "empf");
            int reference = named(header, "reference", "ref", "our ref");
            int way = two ? -1 : wayColumn();
            Columns columns = new Columns(
                    date,
                    value,
                    amount,
                    two ? out : -1,
                    two ? in : -1,
                    textColumns(header, Arrays.asList(date, value, amount, out, in, balance, party, reference, way)),
                    party,
                    reference,
                    balance,
                    way);
            return Optional.of(new CsvDialect(encoding, separator, first, order, decimalMark(columns), columns));
        }

        /** The column in which the most rows hold a date, in the order that reads the most of them. */
        private int dateColumn() {
            int best = -1;
            long most = 0;
            for (DateOrder candidate :
                    List.of(DateOrder.YEAR_MONTH_DAY, DateOrder.DAY_MONTH_YEAR, DateOrder.MONTH_DAY_YEAR)) {
                for (int column = 0; column < width; column++) {
                    int at = column;
                    long found = rows.stream()
                            .filter(row -> candidate.find(field(row, at)).isPresent())
                            .count();
                    if (found > most) {
                        most = found;
                        best = column;
                        order = candidate;
                    }
                }
            }
            for (first = 0;
                    best >= 0 && order.find(field(rows.get(first), best)).isEmpty(); ) {
                first++;
            }
            return best;
        }

        private boolean isDate(int column) {
            return order.find(field(rows.get(first), column)).isPresent();
        }

        private int named(List<String> header, String... names) {
            for (String name : names) {
                for (int column = 0; column < header.size(); column++) {
                    if (header.get(column).toLowerCase(Locale.ROOT).contains(name)) {
                        return column;
                    }
                }
            }
            return -1;
        }

        /** Returns the column if what stands in it is mostly amounts: a few bad rows do not hide what it holds. */
        private int numeric(int column) {
            List<String> filled = column < 0
                    ? List.of()
                    : rows.stream()
                            .skip(first)
                            .map(row -> field(row, column))
                            .filter(f -> !f.isEmpty())
                            .toList();
            long amounts =
                    filled.stream().filter(f -> AMOUNT.matcher(f).matches()).count();
            return amounts * 5 > filled.size() * 3L ? column : -1;
        }

        private int amountColumn(List<String> header, int date, int value, int balance) {
            int named = numeric(named(header, "amount", "betrag", "montant", "importe", "value"));
            if (named >= 0 && named != balance && named != date) {
                return named;
            }
            for (int column = 0; column < width; column++) {
                int at = column;
                boolean decimals =
                        rows.stream().skip(first).anyMatch(row -> field(row, at).matches(".*\\d[.,]\\d\\d\\D*"));
                if (column != date && column != value && column != balance && decimals && numeric(column) == column) {
                    return column;
                }
            }
            return -1;
        }

        /** The column in which every row says a way. */
        private int wayColumn() {
            for (int column = 0; column < width; column++) {
                int at = column;
                if (rows.stream().skip(first).filter(row -> row.size() > 1).allMatch(row -> Way.find(field(row, at))
                        .isPresent())) {
                    return column;
                }
            }
            return -1;
        }

        private List<Integer> textColumns(List<String> header, List<Integer> taken) {
            int named = named(
                    header,
                    "description",
                    "details",
                    "narrative",
                    "text",
                    "purpose",
                    "verwendung",
                    "particulars",
                    "memo");
            if (named >= 0 && !taken.contains(named)) {
                return List.of(named);
            }
            List<Integer> columns = new ArrayList<>();
            for (int column = 0; column < width; column++) {
                int at = column;
                boolean words =
                        rows.stream().skip(first).anyMatch(row -> field(row, at).matches(".*\\p{L}{3}.*"));
                if (!taken.contains(column) && words && !isDate(column)) {
                    columns.add(column);
                }
            }
            return columns;
        }

        /** The mark that stands before the last one or two digits in most amounts. */
        private char decimalMark(Columns columns) {
            long commas = 0;
            long points = 0;
            for (List<String> row : rows.subList(first, rows.size())) {
                for (int column :
                        new int[] {columns.amount(), columns.moneyOut(), columns.moneyIn(), columns.balance()}) {
                    String text = field(row, column);
                    commas += text.matches(".*\\d,\\d{1,2}\\D*") ? 1 : 0;
                    points += text.matches(".*\\d\\.\\d{1,2}\\D*") ? 1 : 0;
                }
            }
            return commas > points ? ',' : '.';
        }

        private static String field(List<String> row, int column) {
            return column < 0 || column >= row.size() ? "" : row.get(column).strip();
        }
    }
}

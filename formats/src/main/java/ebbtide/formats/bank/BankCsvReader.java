package ebbtide.formats.bank;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PushbackInputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.Currency;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Streams a bank's CSV file by its dialect: each good row once, each bad one with its line and reason. */
public final class BankCsvReader {
    /** Receives what is read, in the order of the file. */
    public interface Sink {
        void row(BankRow row);

        void problem(RowProblem problem);
    }

    /** Of a row that is said to be wrong. */
    private static final int MOST_SHOWN = 500;

    private final CsvDialect dialect;
    private final Currency currency;

    public BankCsvReader(CsvDialect dialect, Currency currency) {
        this.dialect = dialect;
        this.currency = currency;
    }

    /**
     * Reads a whole file into a sink. Rows without any field are passed over; a file that is no CSV from some line on
     * is a problem of that line, and nothing after it is read.
     *
     * @throws UncheckedIOException where the stream fails
     */
    public void read(InputStream in, Sink sink) {
        Rows rows = new Rows(sink);
        try (CsvReader<CsvRecord> csv = open(in, dialect)) {
            for (CsvRecord record : csv) {
                if (record.getStartingLineNumber() > dialect.headerLines() && !isEmpty(record)) {
                    rows.read(record);
                }
            }
            rows.end();
        } catch (CsvParseException e) {
            sink.problem(new RowProblem(
                    0, "The file breaks off in the middle of a quoted field or field too long: " + e.getMessage(), ""));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static CsvReader<CsvRecord> open(InputStream in, CsvDialect dialect) throws IOException {
        InputStreamReader text =
                new InputStreamReader(withoutMark(in), dialect.encoding().charset());
        return CsvReader.builder()
                .fieldSeparator(dialect.separator())
                .skipEmptyLines(true)
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .ofCsvRecord(text);
    }

    private static InputStream withoutMark(InputStream in) throws IOException {
        PushbackInputStream pushback = new PushbackInputStream(in, 3);
        byte[] mark = pushback.readNBytes(3);
        boolean isMark = mark.length == 3 && mark[0] == (byte) 0xEF && mark[1] == (byte) 0xBB && mark[2] == (byte) 0xBF;
        if (!isMark) {
            pushback.unread(mark);
        }
        return pushback;
    }

    /**
     * The rows one after the other. One without a balance waits for the next: as the last of a file whose other rows
     * all have one it was cut off, and its amount may be too.
     */
    private final class Rows {
        private final Sink sink;
        private final BalanceCheck balances = new BalanceCheck(currency);
        private @Nullable BankRow waiting;
        private String waitingWhole = "";
        private boolean allHaveBalances = true;
        private boolean any;

        Rows(Sink sink) {
            this.sink = sink;
        }

        void read(CsvRecord record) {
            pass();
            int line = (int) record.getStartingLineNumber();
            try {
                BankRow row = row(record, line);
                if (row.balance() == null && allHaveBalances && any) {
                    waiting = row;
                    waitingWhole = whole(record);
                } else {
                    allHaveBalances &= row.balance() != null;
                    take(row, whole(record));
                }
            } catch (Refused e) {
                balances.forget();
                allHaveBalances &= !field(record, dialect.columns().balance()).isEmpty();
                sink.problem(new RowProblem(line, String.valueOf(e.getMessage()), whole(record)));
            }
        }

        private void take(BankRow row, String whole) {
            any = true;
            balances.check(row).ifPresent(reason -> sink.problem(new RowProblem(row.line(), reason, whole)));
            sink.row(row);
        }

        /** Lets a row through that another follows. */
        private void pass() {
            BankRow row = waiting;
            if (row != null) {
                waiting = null;
                allHaveBalances = false;
                take(row, waitingWhole);
            }
        }

        void end() {
            if (waiting != null) {
                sink.problem(new RowProblem(
                        waiting.line(),
                        "the file breaks off in it: every row before it has a balance, and it has none",
                        waitingWhole));
            }
        }
    }

    private String whole(CsvRecord record) {
        String whole = String.join(String.valueOf(dialect.separator()), record.getFields());
        return whole.length() <= MOST_SHOWN ? whole : whole.substring(0, MOST_SHOWN) + "\u2026";
    }

    private BankRow row(CsvRecord record, int line) {
        CsvDialect.Columns columns = dialect.columns();
        LocalDate booked = date(field(record, columns.bookingDate()), "booking date");
        String value = field(record, columns.valueDate());
        String text = columns.text().stream()
                .map(column -> field(record, column))
                .filter(t -> !t.isEmpty())
                .collect(Collectors.joining(" "));
        String balance = field(record, columns.balance());
        return new BankRow(
                line,
                booked,
                value.isEmpty() ? booked : date(value, "value date"),
                amount(record),
                text,
                field(record, columns.counterparty()),
                field(record, columns.reference()),
                balance.isEmpty() ? null : AmountText.minor(balance, dialect.decimalMark(), currency));
    }

    private long amount(CsvRecord record) {
        CsvDialect.Columns columns = dialect.columns();
        if (columns.amount() >= 0) {
            String text = field(record, columns.amount());
            if (text.isEmpty()) {
                throw new Refused("the amount is empty");
            }
            long minor = AmountText.minor(text, dialect.decimalMark(), currency);
            return columns.way() < 0 ? minor : directed(minor, field(record, columns.way()));
        }
        String out = field(record, columns.moneyOut());
        String in = field(record, columns.moneyIn());
        if (out.isEmpty() && in.isEmpty()) {
            throw new Refused("neither money out nor money in has an amount");
        }
        long paid = out.isEmpty() ? 0 : Math.abs(AmountText.minor(out, dialect.decimalMark(), currency));
        long received = in.isEmpty() ? 0 : AmountText.minor(in, dialect.decimalMark(), currency);
        if (paid != 0 && received != 0) {
            throw new Refused("money out " + Money.plain(paid, currency) + " and money in "
                    + Money.plain(received, currency) + " stand in one row");
        }
        return received - paid;
    }

    /**
     * What goes out is negative; an amount that bears a sign all the same goes the other way, as a booking taken back
     * does.
     */
    private static long directed(long minor, String word) {
        Way way = Way.find(word)
                .orElseThrow(
                        () -> new Refused(
                                word.isEmpty()
                                        ? "nothing says whether it is money out or in"
                                        : "'" + word
                                                + "' says neither money out, such as D or debit, nor money in, such as C or credit"));
        return way == Way.OUT ? -minor : minor;
    }

    private LocalDate date(String text, String what) {
        LocalDate day = dialect.dateOrder()
                .find(text)
                .orElseThrow(() -> new Refused(
                        text.isEmpty()
                                ? "the " + what + " is empty"
                                : "'" + text + "' is no " + what + " in the order "
                                        + dialect.dateOrder()
                                                .name()
                                                .toLowerCase(java.util.Locale.ROOT)
                                                .replace('_', ' ')));
        if (day.getYear() < 1990 || day.getYear() > 2100) {
            throw new Refused("the year of the " + what + " is " + day.getYear());
        }
        return day;
    }

    private static String field(CsvRecord record, int column) {
        return column < 0 || column >= record.getFieldCount()
                ? ""
                : record.getField(column).strip();
    }

    private static boolean isEmpty(CsvRecord record) {
        return record.getFields().stream().allMatch(String::isBlank);
    }
}

package ebbtide.formats.bank;

import ebbtide.money.Check;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * How one bank writes its CSV: encoding, separator, how many lines come before the first movement, the order of a date,
 * the decimal mark, and which column holds what (numbered from 0; -1 for none). Amounts stand in one signed column, in
 * one beside another that says which way they go, or in two: money out and money in.
 */
public record CsvDialect(
        Encoding encoding, char separator, int headerLines, DateOrder dateOrder, char decimalMark, Columns columns) {

    /** How the bytes of the file stand for letters. */
    public enum Encoding {
        UTF_8(StandardCharsets.UTF_8),
        WINDOWS_1252(Charset.forName("windows-1252"));

        private final Charset charset;

        Encoding(Charset charset) {
            this.charset = charset;
        }

        public Charset charset() {
            return charset;
        }
    }

    /** Which columns hold what; those of the text are joined with a space between. */
    public record Columns(
            int bookingDate,
            int valueDate,
            int amount,
            int moneyOut,
            int moneyIn,
            List<Integer> text,
            int counterparty,
            int reference,
            int balance,
            Integer way) {
        public Columns {
            text = List.copyOf(text);
            // Dialects that were remembered before there was such a column have none.
            way = way == null ? -1 : way;
            Check.that(bookingDate >= 0, "Say which column holds the booking date");
            Check.that(
                    amount >= 0 || moneyOut >= 0 || moneyIn >= 0,
                    "Say which column holds the amount, or which two hold money out and money in");
            Check.that(
                    amount < 0 || moneyOut < 0 && moneyIn < 0,
                    "An amount stands in one signed column or in two for money out and in, not in both");
            Check.that(
                    way < 0 || amount >= 0,
                    "A column that says which way an amount goes stands beside one amount: say which column holds it");
        }
    }

    public CsvDialect {
        Check.that(",;\t|".indexOf(separator) >= 0, "A separator is a comma, a semicolon, a tab or a bar");
        Check.inRange(headerLines, 0, 100, "lines before the first movement");
        Check.that(decimalMark == '.' || decimalMark == ',', "A decimal mark is a point or a comma");
        Check.that(
                columns != null && dateOrder != null && encoding != null,
                "A dialect names encoding, date order and columns");
    }
}

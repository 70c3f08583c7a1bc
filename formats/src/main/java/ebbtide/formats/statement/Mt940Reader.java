package ebbtide.formats.statement;

import ebbtide.formats.bank.BankRow;
import ebbtide.money.Money;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * The reading of MT940 messages, with or without the blocks of the network around them. Each message is a statement, or
 * a page of one with balances of its own. A line that belongs to no field is a fault, not passed over.
 */
final class Mt940Reader {
    private static final Pattern FIELD = Pattern.compile(":(\\d\\d[A-Z]?):(.*)");
    private static final Pattern BALANCE = Pattern.compile("([CD])(\\d{6})([A-Z]{3})(\\d{1,15},\\d{0,3})");
    private static final Pattern ENTRY = Pattern.compile(
            "(\\d{6})(\\d{4})?(R?[CD]|E[CD])([A-Z])?(\\d{1,15},\\d{0,3})([A-Z][A-Z0-9]{3})(.*?)(?://(.*))?");
    private static final Set<String> KNOWN = Set.of(
            "13D", "20", "21", "25", "25P", "28", "28C", "34F", "60F", "60M", "61", "62F", "62M", "64", "65", "86",
            "90C", "90D");

    /** A field with the line it begins on; the lines it goes on over are joined by line ends. */
    private record Field(int line, String tag, String text) {}

    private final List<DeclaredStatement> statements = new ArrayList<>();
    private @Nullable List<Field> message;

    private Mt940Reader() {}

    static List<DeclaredStatement> read(String text) {
        Mt940Reader reader = new Mt940Reader();
        String[] lines = text.split("\\R", -1);
        for (int i = 0; i < lines.length; i++) {
            reader.take(i + 1, withoutBlocks(lines[i]));
        }
        reader.close();
        return reader.statements;
    }

    /** The blocks of the network stand on the lines where a message begins and ends. */
    private static String withoutBlocks(String line) {
        String rest = line.replaceFirst("^(\\{[1235]:.*\\})?\\s*\\{4:\\s*", "").replaceFirst("^\\{[1235]:.*$", "");
        return rest.replaceFirst("^-(\\}.*)?$", "").stripTrailing();
    }

    private void take(int line, String text) {
        Matcher field = FIELD.matcher(text);
        if (field.matches()) {
            if (!KNOWN.contains(field.group(1))) {
                throw Lines.fault(line, "':" + field.group(1) + ":' is no field of an MT940 statement");
            }
            if (field.group(1).equals("20")) {
                close();
                message = new ArrayList<>();
            }
            open(line).add(new Field(line, field.group(1), field.group(2)));
        } else if (!text.isEmpty()) {
            List<Field> fields = open(line);
            Field last = fields.isEmpty() ? null : fields.get(fields.size() - 1);
            if (last == null || !Set.of("61", "86").contains(last.tag())) {
                throw Lines.fault(line, "'" + text + "' belongs to no field: a field begins with a tag such as :61:");
            }
            fields.set(fields.size() - 1, new Field(last.line(), last.tag(), last.text() + "\n" + text));
        }
    }

    private List<Field> open(int line) {
        if (message == null) {
            throw Lines.fault(line, "a statement begins with its reference (:20:)");
        }
        return message;
    }

    private void close() {
        if (message != null) {
            statements.add(statement(message));
        }
        message = null;
    }

    private static Field get(List<Field> message, String what, String... tags) {
        return message.stream()
                .filter(field -> Set.of(tags).contains(field.tag()))
                .findFirst()
                .orElseThrow(() -> Lines.fault(
                        message.get(message.size() - 1).line(),
                        "the statement has no " + what + " (:" + tags[0] + ":): the file breaks off or is damaged"));
    }

    private DeclaredStatement statement(List<Field> message) {
        Matcher opening = balance(get(message, "opening balance", "60F", "60M"));
        Field close = get(message, "closing balance", "62F", "62M");
        Matcher closing = balance(close);
        Currency currency = Lines.at(close.line(), () -> Money.currency(closing.group(3)));
        if (!opening.group(3).equals(closing.group(3))) {
            throw Lines.fault(close.line(), "it closes in " + closing.group(3) + ", but opened in " + opening.group(3));
        }
        LocalDate to = day(close.line(), closing.group(2));
        List<BankRow> rows = new ArrayList<>();
        int notBooked = 0;
        for (int i = 0; i < message.size(); i++) {
            Field field = message.get(i);
            if (field.tag().equals("61")) {
                boolean hasInfo =
                        i + 1 < message.size() && message.get(i + 1).tag().equals("86");
                BankRow row = row(field, hasInfo ? message.get(i + 1).text() : "", currency);
                notBooked += row == null ? 1 : 0;
                if (row != null) {
                    rows.add(row);
                }
            }
        }
        LocalDate from = rows.stream()
                .map(BankRow::bookingDate)
                .min(LocalDate::compareTo)
                .orElse(to);
        int pending = notBooked;
        return Lines.at(
                close.line(),
                () -> new DeclaredStatement(
                        get(message, "account", "25", "25P").text(),
                        get(message, "number", "28C", "28").text(),
                        currency,
                        from,
                        to,
                        signed(opening.group(1), opening.group(4), currency),
                        signed(closing.group(1), closing.group(4), currency),
                        rows,
                        pending));
    }

    private static Matcher balance(Field field) {
        Matcher balance = BALANCE.matcher(field.text());
        if (!balance.matches()) {
            throw Lines.fault(field.line(), "'" + field.text() + "' is no balance such as C260331GBP1250,50");
        }
        return balance;
    }

    private static long signed(String mark, String amount, Currency currency) {
        long minor = Money.minor(amount.replace(',', '.'), currency);
        return mark.equals("C") || mark.equals("RD") ? minor : -minor;
    }

    /** Returns the movement of an entry, null if it is only expected. */
    private static @Nullable BankRow row(Field field, String info, Currency currency) {
        String[] lines = field.text().split("\n", 2);
        Matcher entry = ENTRY.matcher(lines[0]);
        if (!entry.matches()) {
            throw Lines.fault(field.line(), "'" + lines[0] + "' is no entry such as 2603310331D1250,50NTRFNONREF");
        }
        if (entry.group(3).startsWith("E")) {
            return null;
        }
        LocalDate value = day(field.line(), entry.group(1));
        LocalDate booked = entry.group(2) == null ? value : booked(field.line(), value, entry.group(2));
        long minor = Lines.at(field.line(), () -> signed(entry.group(3), entry.group(5), currency));
        Mt940Info said = Mt940Info.of(info);
        String own = entry.group(7).strip();
        String reference = !said.reference().isEmpty()
                ? said.reference()
                : !own.isEmpty() && !own.equals("NONREF")
                        ? own
                        : entry.group(8) == null ? "" : entry.group(8).strip();
        String supplement = lines.length < 2 ? "" : lines[1].replace('\n', ' ').strip();
        String text = Mt940Info.joined(said.text(), supplement, entry.group(3).startsWith("R") ? "reversal" : "");
        return new BankRow(field.line(), booked, value, minor, text, said.counterparty(), reference, null);
    }

    /** The booking date has no year: it is the one nearest to the value date. */
    private static LocalDate booked(int line, LocalDate value, String monthAndDay) {
        int month = Integer.parseInt(monthAndDay.substring(0, 2));
        int turn = month - value.getMonthValue() > 6 ? -1 : value.getMonthValue() - month > 6 ? 1 : 0;
        return Lines.day(line, monthAndDay, value.getYear() + turn, month, Integer.parseInt(monthAndDay.substring(2)));
    }

    private static LocalDate day(int line, String text) {
        int year = Integer.parseInt(text.substring(0, 2));
        return Lines.day(
                line,
                text,
                year < 80 ? 2000 + year : 1900 + year,
                Integer.parseInt(text.substring(2, 4)),
                Integer.parseInt(text.substring(4)));
    }
}

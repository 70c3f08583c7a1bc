package ebbtide.formats.opening;

import ebbtide.formats.bank.AmountText;
import ebbtide.formats.budget.Sheet;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Rows of names and amounts, pasted or brought in: a name and an amount, or debit and credit; what it is, in a column
 * of its own; and one more word after them. The first row may be a heading. Rows that cannot be read are named, each
 * with what to mend.
 */
public final class NamedRows {
    private NamedRows() {}

    /** What is wrong with a row, counted from 1. */
    public record Unread(int row, String sentence) {}

    /** What stands in the cells of a row; empty where there is none. */
    record Cells(String name, String kind, String amount, String debit, String credit, String after) {
        /** Returns the amount, debit less credit with a sign where they stand apart. */
        long minor(int sign, Currency currency) {
            if (!debit.isEmpty() || !credit.isEmpty()) {
                return (NamedRows.minor(debit, currency) - NamedRows.minor(credit, currency)) * sign;
            }
            if (amount.isEmpty()) {
                throw new Refused("'" + name + "' has no amount: type it, or leave the row out");
            }
            return NamedRows.minor(amount, currency);
        }
    }

    /** Takes a row, or refuses it in a sentence. */
    interface Taker {
        void take(Cells cells);
    }

    /** Which columns hold what, -1 where there is none. */
    private record Columns(int name, int kind, int amount, int debit, int credit, int after) {}

    /** Hands each row to a taker, and returns what it refuses. */
    static List<Unread> read(Sheet sheet, String after, Taker taker) {
        return read(sheet, List.of("kind", "type", "group"), after, taker);
    }

    /** Hands each row to a taker, the column before the name being headed by one of some words. */
    static List<Unread> read(Sheet sheet, List<String> before, String after, Taker taker) {
        List<Unread> problems = new ArrayList<>();
        Optional<Columns> headed =
                sheet.rows().isEmpty() ? Optional.empty() : heading(sheet.rows().get(0), before, after);
        Columns columns = headed.orElseGet(
                () -> byWidth(sheet.rows().stream().mapToInt(List::size).max().orElse(0)));
        for (int i = headed.isPresent() ? 1 : 0; i < sheet.rows().size(); i++) {
            List<String> row = sheet.rows().get(i);
            if (row.stream().allMatch(String::isBlank)) {
                continue;
            }
            try {
                Cells cells = new Cells(
                        cell(row, columns.name()),
                        cell(row, columns.kind()),
                        cell(row, columns.amount()),
                        cell(row, columns.debit()),
                        cell(row, columns.credit()),
                        cell(row, columns.after()));
                if (cells.name().isEmpty()) {
                    throw new Refused("This row has no name: every amount needs one");
                }
                taker.take(cells);
            } catch (Refused e) {
                problems.add(new Unread(i + 1, String.valueOf(e.getMessage())));
            }
        }
        return List.copyOf(problems);
    }

    private static Optional<Columns> heading(List<String> row, List<String> before, String after) {
        int kind = find(row, before.toArray(String[]::new));
        int name = find(row, "name", "account name", "entry");
        name = name >= 0 ? name : find(row, "account");
        int amount = find(row, "amount", "balance");
        int debit = find(row, "debit");
        int credit = find(row, "credit");
        return name < 0 || amount < 0 && (debit < 0 || credit < 0)
                ? Optional.empty()
                : Optional.of(new Columns(name, kind, amount, debit, credit, find(row, after, "cleared by")));
    }

    private static int find(List<String> row, String... names) {
        for (int i = 0; i < row.size(); i++) {
            if (Arrays.asList(names).contains(row.get(i).strip().toLowerCase(Locale.ROOT))) {
                return i;
            }
        }
        return -1;
    }

    /**
     * Without a heading: name and amount; what it is before them from three columns on, another word after them in a
     * fourth.
     */
    private static Columns byWidth(int width) {
        return width >= 3 ? new Columns(1, 0, 2, -1, -1, width >= 4 ? 3 : -1) : new Columns(0, -1, 1, -1, -1, -1);
    }

    private static String cell(List<String> row, int column) {
        return column < 0 || column >= row.size() ? "" : row.get(column).strip();
    }

    static long minor(String text, Currency currency) {
        return text.isEmpty() ? 0 : AmountText.minor(text, mark(text), currency);
    }

    /** The mark before the decimals is the last of the two, if no more than two digits follow it or both are there. */
    private static char mark(String text) {
        int comma = text.lastIndexOf(',');
        int point = text.lastIndexOf('.');
        long after = text.substring(Math.max(comma, point) + 1)
                .chars()
                .filter(Character::isDigit)
                .count();
        return comma > point && (point >= 0 || after <= 2) ? ',' : '.';
    }
}

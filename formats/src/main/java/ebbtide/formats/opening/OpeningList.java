package ebbtide.formats.opening;

import ebbtide.formats.bank.AmountText;
import ebbtide.formats.budget.Sheet;
import ebbtide.money.Refused;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.OpeningSheet.Side;
import ebbtide.plan.Plan;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * An opening balance sheet read from rows, pasted or brought in: a name and an amount, or debit and credit; what it is,
 * in a column of its own or from its name; and the line that clears it. Rows that cannot be read are named, each with
 * what to mend.
 */
public record OpeningList(List<Entry> entries, List<Unread> problems) {
    /** What is wrong with a row, counted from 1. */
    public record Unread(int row, String sentence) {}

    /** Words in the names of accounts that tell what they are, the first that fits. */
    private static final List<Telling> TELLING = List.of(
            new Telling(Kind.PROFIT_TAX, "corporation tax", "profit tax", "income tax"),
            new Telling(Kind.SALES_TAX, "sales tax", "vat", "gst"),
            new Telling(Kind.INTEREST_OWED, "interest"),
            new Telling(Kind.DIVIDENDS, "dividend"),
            new Telling(Kind.RETAINED, "retained", "reserve", "profit and loss"),
            new Telling(Kind.PAID_IN, "capital", "share", "owner"),
            new Telling(Kind.ACCRUED, "accru"),
            new Telling(Kind.PREPAID, "prepa"),
            new Telling(Kind.PROVISIONS, "provision"),
            new Telling(Kind.RECEIVABLES, "receivable", "debtor", "customer"),
            new Telling(Kind.PAYABLES, "payable", "creditor", "supplier"),
            new Telling(Kind.PAY_OWED, "pay", "wage", "salar", "payroll"),
            new Telling(Kind.STOCK, "stock", "inventor"),
            new Telling(Kind.DEPOSITS, "term deposit", "fixed deposit", "time deposit"),
            new Telling(Kind.DEBT, "loan", "facility", "borrowing"),
            new Telling(Kind.CASH, "cash", "bank"),
            new Telling(
                    Kind.FIXED_ASSETS,
                    "fixed asset",
                    "equipment",
                    "machine",
                    "vehicle",
                    "plant",
                    "building",
                    "furniture",
                    "property"));

    private record Telling(Kind kind, String... words) {
        boolean fits(String name) {
            return Arrays.stream(words).anyMatch(name::contains);
        }
    }

    /** Which columns hold what, -1 where there is none. */
    private record Columns(int name, int kind, int amount, int debit, int credit, int line) {}

    /**
     * Reads a sheet for a plan; its first row may be a heading.
     *
     * @throws Refused for a name that is there twice, and rows that are no entries
     */
    public static OpeningList read(Sheet sheet, Plan plan) {
        List<Entry> entries = new ArrayList<>();
        List<Unread> problems = new ArrayList<>();
        Optional<Columns> headed =
                sheet.rows().isEmpty() ? Optional.empty() : heading(sheet.rows().get(0));
        Columns columns = headed.orElseGet(
                () -> byWidth(sheet.rows().stream().mapToInt(List::size).max().orElse(0)));
        for (int i = headed.isPresent() ? 1 : 0; i < sheet.rows().size(); i++) {
            List<String> row = sheet.rows().get(i);
            if (row.stream().allMatch(String::isBlank)) {
                continue;
            }
            try {
                Entry entry = entry(row, columns, plan);
                if (entries.stream()
                        .anyMatch(
                                one -> one.kind() == entry.kind() && one.name().equals(entry.name()))) {
                    throw new Refused("'" + entry.name() + "' is there twice: give each its own name, or add them up");
                }
                entries.add(entry);
            } catch (Refused e) {
                problems.add(new Unread(i + 1, String.valueOf(e.getMessage())));
            }
        }
        return new OpeningList(List.copyOf(entries), List.copyOf(problems));
    }

    private static Optional<Columns> heading(List<String> row) {
        int name = find(row, "name", "account", "entry");
        int amount = find(row, "amount", "balance");
        int debit = find(row, "debit");
        int credit = find(row, "credit");
        return name < 0 || amount < 0 && (debit < 0 || credit < 0)
                ? Optional.empty()
                : Optional.of(new Columns(
                        name,
                        find(row, "kind", "type", "group"),
                        amount,
                        debit,
                        credit,
                        find(row, "line", "cleared by")));
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
     * Without a heading: name and amount; what it is before them from three columns on, the line that clears it after
     * them in a fourth.
     */
    private static Columns byWidth(int width) {
        return width >= 3 ? new Columns(1, 0, 2, -1, -1, width >= 4 ? 3 : -1) : new Columns(0, -1, 1, -1, -1, -1);
    }

    private static String cell(List<String> row, int column) {
        return column < 0 || column >= row.size() ? "" : row.get(column).strip();
    }

    private static Entry entry(List<String> row, Columns columns, Plan plan) {
        String name = cell(row, columns.name());
        if (name.isEmpty()) {
            throw new Refused("This row has no name: every amount needs one");
        }
        Kind kind = kind(cell(row, columns.kind()), name);
        Currency currency = plan.settings().currency();
        boolean sided = columns.debit() >= 0 && columns.credit() >= 0;
        long amount = sided
                ? (amount(cell(row, columns.debit()), currency) - amount(cell(row, columns.credit()), currency))
                        * (kind.side() == Side.ASSETS ? 1 : -1)
                : amount(required(cell(row, columns.amount()), name), currency);
        String line = cell(row, columns.line());
        boolean stays = line.equalsIgnoreCase("stays");
        return new Entry(name, kind, amount, line.isEmpty() || stays ? null : line(line, plan), stays);
    }

    private static String required(String amount, String name) {
        if (amount.isEmpty()) {
            throw new Refused("'" + name + "' has no amount: type it, or leave the row out");
        }
        return amount;
    }

    private static long amount(String text, Currency currency) {
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

    private static Kind kind(String word, String name) {
        String said = word.toLowerCase(Locale.ROOT).replace('-', ' ');
        for (Kind kind : Kind.values()) {
            if (said.equals(kind.words().toLowerCase(Locale.ROOT))
                    || said.equals(kind.name().toLowerCase(Locale.ROOT).replace('_', ' '))) {
                return kind;
            }
        }
        String low = (word.isEmpty() ? name : word).toLowerCase(Locale.ROOT);
        return TELLING.stream()
                .filter(one -> one.fits(low))
                .map(Telling::kind)
                .findFirst()
                .orElseThrow(() -> new Refused("'" + (word.isEmpty() ? name : word)
                        + "' does not say what it is: put one of "
                        + String.join(
                                ", ",
                                Arrays.stream(Kind.values()).map(Kind::words).toList()) + " in a column before it"));
    }

    private static String line(String name, Plan plan) {
        return plan.lines().stream()
                .filter(line -> !line.isGroup()
                        && (line.name().equalsIgnoreCase(name) || line.id().equals(name)))
                .map(Line::id)
                .findFirst()
                .orElseThrow(() -> new Refused("There is no line called '" + name + "' to clear it: "
                        + (plan.lines().stream().anyMatch(line -> line.direction() == Direction.PAYMENT)
                                ? "write its name as under Receipts or Payments, or 'stays'"
                                : "write 'stays', or leave it empty")));
    }
}

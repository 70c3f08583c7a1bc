package ebbtide.formats.opening;

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
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * An opening balance sheet read from rows, pasted or brought in: a name and an amount, or debit and credit; what it is,
 * in a column of its own or from its name; and the line that clears it. Rows that cannot be read are named, each with
 * what to mend.
 */
public record OpeningList(List<Entry> entries, List<NamedRows.Unread> problems) {
    /** Words in the names of accounts that tell what they are, the first that fits. */
    private static final List<Telling> TELLING = List.of(
            new Telling(Kind.RESTRICTED_CASH, "restricted"),
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

    /**
     * Reads a sheet for a plan; its first row may be a heading.
     *
     * @throws Refused for a name that is there twice, and rows that are no entries
     */
    public static OpeningList read(Sheet sheet, Plan plan) {
        List<Entry> entries = new ArrayList<>();
        List<NamedRows.Unread> problems = NamedRows.read(sheet, "line", cells -> {
            Kind kind = kind(cells.kind(), cells.name());
            long amount = cells.minor(
                    kind.side() == Side.ASSETS ? 1 : -1, plan.settings().currency());
            boolean stays = cells.after().equalsIgnoreCase("stays");
            Entry entry = new Entry(
                    cells.name(),
                    kind,
                    amount,
                    cells.after().isEmpty() || stays ? null : line(cells.after(), plan),
                    stays);
            if (entries.stream()
                    .anyMatch(one -> one.kind() == entry.kind() && one.name().equals(entry.name()))) {
                throw new Refused("'" + entry.name() + "' is there twice: give each its own name, or add them up");
            }
            entries.add(entry);
        });
        return new OpeningList(List.copyOf(entries), problems);
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
        return kindByName(low)
                .orElseThrow(() -> new Refused("'" + (word.isEmpty() ? name : word)
                        + "' does not say what it is: put one of "
                        + String.join(
                                ", ",
                                Arrays.stream(Kind.values()).map(Kind::words).toList()) + " in a column before it"));
    }

    /** Returns what the name of an account, in small letters, tells that it is. */
    static Optional<Kind> kindByName(String low) {
        return TELLING.stream().filter(one -> one.fits(low)).map(Telling::kind).findFirst();
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

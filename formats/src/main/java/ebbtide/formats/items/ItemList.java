package ebbtide.formats.items;

import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.EarlyDiscount;
import ebbtide.books.OpenItem.Kind;
import ebbtide.formats.bank.AmountText;
import ebbtide.formats.bank.DateOrder;
import ebbtide.formats.bank.RowProblem;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.items.ItemColumns.Field;
import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A ledger's list read by its columns: good rows as items, bad ones with their line and reason. */
public final class ItemList {
    private final List<OpenItem> items = new ArrayList<>();
    private final List<RowProblem> problems = new ArrayList<>();
    private final Map<Field, Integer> columns = new HashMap<>();
    private final Reading reading;
    private final char decimalMark;
    private final DateOrder dates;

    /**
     * What a list is read with: the line its items belong to, which knows the tax of a gross amount alone and when what
     * has no due day is due; its currency.
     */
    public record Reading(Line line, Currency currency) {}

    private ItemList(Sheet sheet, int heading, ItemColumns chosen, Reading reading) {
        this.reading = reading;
        List<String> headings = sheet.rows().get(heading);
        chosen.headings().forEach((field, name) -> {
            Check.that(headings.contains(name), "The list has no column '" + name + "': choose another");
            columns.put(field, headings.indexOf(name));
        });
        List<List<String>> rows = sheet.rows().subList(heading + 1, sheet.rows().size());
        this.decimalMark = decimalMark(rows);
        this.dates = dateOrder(rows);
    }

    /**
     * Returns the row that holds the headings: the first with at least four that are known, the first row if there is
     * none.
     */
    public static int heading(Sheet sheet) {
        for (int i = 0; i < Math.min(20, sheet.rows().size()); i++) {
            if (ItemColumns.proposed(sheet.rows().get(i)).headings().size() >= 4) {
                return i;
            }
        }
        return 0;
    }

    /**
     * Reads a list.
     *
     * @throws Refused for a sheet without the columns that an item needs
     */
    public static ItemList read(Sheet sheet, int heading, ItemColumns columns, Reading reading) {
        List<String> missing = new ArrayList<>();
        Map<Field, String> has = columns.headings();
        for (Field field : List.of(Field.NUMBER, Field.COUNTERPARTY, Field.ISSUED)) {
            if (!has.containsKey(field)) {
                missing.add(
                        field == Field.ISSUED ? "date of issue" : field.name().toLowerCase(Locale.ROOT));
            }
        }
        if (!has.containsKey(Field.AMOUNT) && !has.containsKey(Field.NET) && !has.containsKey(Field.OPEN)) {
            missing.add("amount");
        }
        if (!missing.isEmpty()) {
            throw new Refused("Say which column holds the " + String.join(", the ", missing));
        }
        ItemList list = new ItemList(sheet, heading, columns, reading);
        Set<String> seen = new HashSet<>();
        for (int i = heading + 1; i < sheet.rows().size(); i++) {
            list.row(i + 1, sheet.rows().get(i), seen);
        }
        return list;
    }

    public List<OpenItem> items() {
        return List.copyOf(items);
    }

    public List<RowProblem> problems() {
        return List.copyOf(problems);
    }

    private void row(int line, List<String> row, Set<String> seen) {
        if (row.stream().allMatch(String::isBlank)
                || text(row, Field.NUMBER).isEmpty()
                        && text(row, Field.COUNTERPARTY).isEmpty()) {
            return;
        }
        try {
            OpenItem item = item(row);
            if (!seen.add(item.id())) {
                throw new Refused(
                        "number " + item.number() + " of " + item.counterparty() + " stands in the list twice");
            }
            items.add(item);
        } catch (Refused e) {
            problems.add(new RowProblem(line, String.valueOf(e.getMessage()), String.join(" | ", row)));
        }
    }

    private OpenItem item(List<String> row) {
        String number = text(row, Field.NUMBER);
        String counterparty = text(row, Field.COUNTERPARTY);
        Long given = given(row);
        Kind kind = kind(text(row, Field.KIND), given);
        LocalDate issued = date(row, Field.ISSUED);
        LocalDate paid = text(row, Field.PAID).isEmpty() ? null : date(row, Field.PAID);
        LocalDate supplied = text(row, Field.SUPPLIED).isEmpty() ? issued : date(row, Field.SUPPLIED);
        LocalDate due = text(row, Field.DUE).isEmpty()
                ? OpenItem.dueByTerms(kind, reading.line(), issued, supplied)
                : date(row, Field.DUE);
        Amount amount = amount(row, paid != null);
        return new OpenItem(
                id(kind, number, counterparty),
                kind,
                number,
                counterparty,
                reading.line().id(),
                issued,
                supplied,
                due,
                amount,
                amount.open() == 0 ? paid : null,
                Handling.NONE,
                discount(row));
    }

    /**
     * Returns what an item is known again by, typed or listed: its kind, number and counterparty, whatever the letters'
     * case.
     */
    public static String key(OpenItem item) {
        return id(item.kind(), item.number(), item.counterparty());
    }

    /** Returns the id that an item of a list is given: it is the same in every list. */
    public static String id(Kind kind, String number, String counterparty) {
        String whole = kind + "\u0000" + number.strip().toLowerCase(Locale.ROOT) + "\u0000"
                + counterparty.strip().toLowerCase(Locale.ROOT);
        return java.util
                .UUID
                .nameUUIDFromBytes(whole.getBytes(java.nio.charset.StandardCharsets.UTF_8))
                .toString();
    }

    private @Nullable Long given(List<String> row) {
        for (Field field : List.of(Field.AMOUNT, Field.NET, Field.OPEN)) {
            if (!text(row, field).isEmpty()) {
                return minor(row, field);
            }
        }
        return null;
    }

    private static Kind kind(String word, @Nullable Long amount) {
        String plain = word.toLowerCase(Locale.ROOT);
        if (plain.contains("credit") || plain.isEmpty() && amount != null && amount < 0) {
            return Kind.CREDIT_NOTE;
        }
        return plain.contains("order")
                ? Kind.ORDER
                : plain.contains("commit") || plain.contains("deposit") ? Kind.COMMITMENT : Kind.INVOICE;
    }

    /**
     * Two of net, tax and gross give the third; gross alone is parted by the line's rate, and marked so (rules 4.0).
     */
    private Amount amount(List<String> row, boolean paid) {
        Long gross = size(row, Field.AMOUNT);
        Long net = size(row, Field.NET);
        Long tax = size(row, Field.TAX);
        Long open = size(row, Field.OPEN);
        if (gross == null && net != null) {
            tax = tax == null
                    ? Long.valueOf(reading.line().assumption().tax().rate().of(net))
                    : tax;
            gross = net + tax;
        } else if (gross == null) {
            gross = open;
        }
        if (gross == null) {
            throw new Refused("no amount stands in the row");
        }
        boolean parted = tax == null && net == null;
        long taxed = tax != null
                ? tax
                : net != null
                        ? gross - net
                        : reading.line().assumption().tax().rate().withinGross(gross);
        if (net != null && tax != null && net + tax != gross) {
            throw new Refused("net and tax do not come to the amount");
        }
        long left = paid ? 0 : open == null ? gross : open;
        return new Amount(gross, taxed, parted && taxed != 0, left, left);
    }

    private @Nullable EarlyDiscount discount(List<String> row) {
        String share = text(row, Field.DISCOUNT).replace("%", "").strip();
        return share.isEmpty() || text(row, Field.DISCOUNT_UNTIL).isEmpty()
                ? null
                : new EarlyDiscount(date(row, Field.DISCOUNT_UNTIL), Percent.parse(share));
    }

    private @Nullable Long size(List<String> row, Field field) {
        return text(row, field).isEmpty() ? null : Long.valueOf(Math.abs(minor(row, field)));
    }

    private long minor(List<String> row, Field field) {
        return AmountText.minor(text(row, field), decimalMark, reading.currency());
    }

    private LocalDate date(List<String> row, Field field) {
        String text = text(row, field);
        return dates.find(text)
                .orElseThrow(() -> new Refused(
                        text.isEmpty()
                                ? "the date is missing on which it is "
                                        + field.name().toLowerCase(Locale.ROOT)
                                : "'" + text + "' is no date"));
    }

    private String text(List<String> row, Field field) {
        Integer at = columns.get(field);
        return at == null || at >= row.size() ? "" : row.get(at).strip();
    }

    /** A comma before the last two digits of every amount that has one says that decimals follow it. */
    private char decimalMark(List<List<String>> rows) {
        List<String> amounts = rows.stream()
                .limit(500)
                .flatMap(row -> List.of(Field.AMOUNT, Field.NET, Field.OPEN, Field.TAX).stream()
                        .map(field -> text(row, field)))
                .filter(text -> !text.isEmpty())
                .toList();
        boolean comma = amounts.stream().anyMatch(text -> text.matches(".*,\\d{1,2}\\D*"));
        boolean point = amounts.stream().anyMatch(text -> text.matches(".*\\.\\d{1,2}\\D*"));
        return comma && !point ? ',' : '.';
    }

    /** The order in which every date of the list can be read; day before month where both can. */
    private DateOrder dateOrder(List<List<String>> rows) {
        List<String> texts = rows.stream()
                .limit(2_000)
                .flatMap(row ->
                        List.of(Field.ISSUED, Field.DUE, Field.PAID).stream().map(field -> text(row, field)))
                .filter(text -> !text.isEmpty())
                .toList();
        return DateOrder.ofMost(texts);
    }
}

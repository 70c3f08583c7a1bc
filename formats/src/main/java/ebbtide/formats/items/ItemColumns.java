package ebbtide.formats.items;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Which column of a ledger's list holds what, by the heading of the column; what no column holds is left out. */
public record ItemColumns(Map<Field, String> headings) {

    /** What a column may hold, and the headings it is known by; the first that fits is proposed. */
    public enum Field {
        NUMBER(
                "number",
                "no",
                "no.",
                "invoice",
                "invoice no",
                "invoice number",
                "bill",
                "bill number",
                "document",
                "document number",
                "order number",
                "ref",
                "reference"),
        COUNTERPARTY(
                "counterparty",
                "customer",
                "supplier",
                "vendor",
                "client",
                "name",
                "party",
                "customer name",
                "supplier name",
                "account name"),
        ISSUED("issued", "date", "invoice date", "bill date", "issue date", "document date", "order date"),
        DUE("due", "due date", "due on", "payable by", "payment due"),
        AMOUNT("amount", "gross", "total", "gross amount", "invoice total", "amount with tax", "total amount"),
        NET("net", "net amount", "amount without tax"),
        TAX("tax", "vat", "sales tax", "gst", "tax amount"),
        OPEN("open", "outstanding", "balance", "open amount", "amount due", "remaining", "unpaid", "not invoiced"),
        KIND("kind", "type", "document type"),
        SUPPLIED("supplied", "supply date", "delivery", "delivery date", "tax point"),
        PAID("paid", "paid on", "payment date", "settled on", "date paid"),
        DISCOUNT_UNTIL("discount until", "discount date", "early payment date"),
        DISCOUNT("discount", "discount %", "early payment discount");

        private final List<String> names;

        Field(String... names) {
            this.names = List.of(names);
        }
    }

    public ItemColumns {
        headings = Map.copyOf(headings);
    }

    /** Returns what the headings of a list suggest. */
    public static ItemColumns proposed(List<String> headings) {
        Map<Field, String> found = new EnumMap<>(Field.class);
        for (Field field : Field.values()) {
            field.names.stream()
                    .flatMap(name -> headings.stream()
                            .filter(heading -> plain(heading).equals(name) && !found.containsValue(heading)))
                    .findFirst()
                    .ifPresent(heading -> found.put(field, heading));
        }
        return new ItemColumns(found);
    }

    /** Returns whether every heading named here is among those of a list: a remembered answer fits only then. */
    public boolean fits(List<String> headings) {
        return !this.headings.isEmpty() && headings.containsAll(this.headings.values());
    }

    static String plain(String heading) {
        return heading.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ").replaceAll("[:*]$", "");
    }
}

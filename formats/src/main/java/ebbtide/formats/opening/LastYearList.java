package ebbtide.formats.opening;

import ebbtide.formats.budget.Sheet;
import ebbtide.money.Refused;
import ebbtide.plan.LastYear.Entry;
import ebbtide.plan.YearRow;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A last year's income statement and balance sheet read from rows, pasted or brought in ({@link NamedRows}): what each
 * is, in a column of its own or from its name. Costs, what is owed and equity may have a minus or none; sums are left
 * out.
 */
public record LastYearList(List<Entry> entries, List<NamedRows.Unread> problems) {
    /** Words in names that tell what a row is, the first that fits. */
    private static final List<Map.Entry<YearRow, List<String>>> TELLING = List.of(
            // What is owed of something is not that: interest payable is no cost of the year.
            Map.entry(
                    YearRow.CURRENT_LIABILITY,
                    List.of(
                            "interest payable",
                            "interest owed",
                            "accrued",
                            "dividends payable",
                            "dividends declared",
                            "sales tax",
                            "vat",
                            "payroll payable",
                            "wages payable")),
            // What is spent on sales is no sales, nor what the bank charges cash.
            Map.entry(
                    YearRow.OVERHEAD,
                    List.of("sales and marketing", "sales commission", "selling", "bank charge", "bank fee")),
            Map.entry(YearRow.ACCUMULATED, List.of("accumulated", "depreciation to date")),
            Map.entry(YearRow.DEPRECIATION, List.of("depreciation", "amortisation", "amortization")),
            Map.entry(
                    YearRow.TAX_OWED,
                    List.of("tax owed", "tax payable", "taxes payable", "tax liability", "tax liabilities")),
            Map.entry(YearRow.PROFIT_TAX, List.of("corporation tax", "profit tax", "income tax", "tax on profit")),
            Map.entry(YearRow.COST_OF_SALES, List.of("cost of sales", "cost of goods", "purchases", "materials")),
            Map.entry(
                    YearRow.INTEREST_ON_CASH,
                    List.of("interest on cash", "interest received", "interest earned", "interest income")),
            Map.entry(YearRow.OTHER_INCOME, List.of("other income", "rent received", "rental income", "grant")),
            Map.entry(YearRow.INTEREST, List.of("interest")),
            Map.entry(YearRow.GAIN, List.of("gain on")),
            Map.entry(YearRow.DIVIDENDS, List.of("dividend")),
            Map.entry(YearRow.SPENDING, List.of("capital spending", "capital expenditure")),
            Map.entry(YearRow.RETAINED, List.of("retained", "reserve")),
            Map.entry(YearRow.CAPITAL, List.of("capital", "share", "owner")),
            Map.entry(YearRow.SHORT_TERM, List.of("short-term borrowing", "overdraft", "notes payable")),
            Map.entry(YearRow.CURRENT_LIABILITY, List.of("accru", "owed")),
            Map.entry(YearRow.RECEIVABLES, List.of("receivable", "debtor")),
            Map.entry(YearRow.PAYABLES, List.of("payable", "creditor", "supplier")),
            Map.entry(YearRow.STOCK, List.of("stock", "inventor")),
            Map.entry(YearRow.CURRENT_ASSET, List.of("prepa", "other current asset")),
            Map.entry(YearRow.LONG_LIABILITY, List.of("provision", "pension")),
            Map.entry(YearRow.DEBT, List.of("loan", "facility", "debt", "borrowing")),
            Map.entry(
                    YearRow.GROSS_ASSETS,
                    List.of("fixed asset", "equipment", "machine", "vehicle", "plant", "building", "property")),
            Map.entry(YearRow.CASH, List.of("cash", "bank")),
            Map.entry(YearRow.SALES, List.of("sales", "revenue", "turnover")),
            Map.entry(
                    YearRow.OVERHEAD,
                    List.of("overhead", "expense", "pay", "wage", "salar", "rent", "admin", "marketing", "insurance")));

    /** Sums that follow from other rows. */
    private static final List<String> SUMS = List.of(
            "gross profit",
            "ebitda",
            "operating profit",
            "profit before tax",
            "profit after tax",
            "net profit",
            "net income",
            "net fixed assets");

    /**
     * Reads a sheet in a currency.
     *
     * @throws Refused for what is there twice, and rows that are none
     */
    public static LastYearList read(Sheet sheet, Currency currency) {
        List<Entry> entries = new ArrayList<>();
        List<NamedRows.Unread> problems = NamedRows.read(sheet, "ends", cells -> {
            String low = cells.name().toLowerCase(Locale.ROOT);
            if (cells.kind().isEmpty() && (SUMS.contains(low) || low.startsWith("total"))) {
                return;
            }
            YearRow row = row(cells.kind(), cells.name());
            long amount = cells.minor(row.sign(), currency);
            boolean signed = row == YearRow.GAIN
                    || row == YearRow.RETAINED
                    || row == YearRow.PROFIT_TAX
                    || row == YearRow.TAX_OWED
                    || row == YearRow.CASH;
            String id = row.isMany() ? id(cells.name(), entries) : row.id();
            if (entries.stream().anyMatch(one -> one.id().equals(id))) {
                throw new Refused("There are two rows of " + row.words() + ": add '" + cells.name()
                        + "' to the other, or say in a column before it what else it is");
            }
            entries.add(new Entry(id, cells.name(), row, signed ? amount : Math.abs(amount)));
        });
        return new LastYearList(List.copyOf(entries), problems);
    }

    /** A name as an id: its letters and digits; numbered where another has the same. */
    private static String id(String name, List<Entry> entries) {
        String plain = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
        String base = plain.length() > 60 ? plain.substring(0, 60) : plain;
        String id = base;
        for (int i = 2; isTaken(id, entries); i++) {
            id = base + "-" + i;
        }
        return id;
    }

    private static boolean isTaken(String id, List<Entry> entries) {
        return YearRow.single(id).isPresent()
                || YearRow.TAKEN.contains(id)
                || entries.stream().anyMatch(one -> one.id().equals(id));
    }

    private static YearRow row(String word, String name) {
        String said = word.toLowerCase(Locale.ROOT).replace('-', ' ');
        for (YearRow row : YearRow.values()) {
            if (said.equals(row.words().toLowerCase(Locale.ROOT))
                    || said.equals(row.id().replace('-', ' '))) {
                return row;
            }
        }
        String low = (word.isEmpty() ? name : word).toLowerCase(Locale.ROOT);
        return TELLING.stream()
                .filter(one -> one.getValue().stream().anyMatch(low::contains))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow(() -> new Refused("'" + (word.isEmpty() ? name : word)
                        + "' does not say what it is: put one of "
                        + String.join(
                                ", ",
                                Arrays.stream(YearRow.values())
                                        .map(YearRow::words)
                                        .toList())
                        + " in a column before it"));
    }
}

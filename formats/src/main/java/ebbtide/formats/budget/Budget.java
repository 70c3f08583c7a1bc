package ebbtide.formats.budget;

import ebbtide.money.Money;
import ebbtide.money.Refused;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** A budget found in a sheet: the months of its columns, and its rows with amounts in the order they stand. */
public record Budget(List<YearMonth> months, List<Row> rows) {
    private static final Pattern TOTAL = Pattern.compile(
            "(?i).*\\b(total|subtotal|sub-total|sum|gross profit|gross margin|net profit|net income|"
                    + "operating profit|ebitda|ebit|profit before tax|profit after tax|surplus|deficit|balance|opening|closing|net cash)\\b.*");
    private static final Pattern NIL = Pattern.compile("[-\u2013\u2014\u2212.\u00b7]|(?i:nil|n/a|na)");

    /**
     * A row: its number in the sheet counted from 1, its label, the heading it stands under (empty: none), its amounts
     * without sign in minor units, whether it was negative throughout (a cost), whether it only adds others up, and
     * what could not be read.
     */
    public record Row(
            int number,
            String label,
            String section,
            SortedMap<YearMonth, Long> amounts,
            boolean negative,
            boolean total,
            List<String> problems) {}

    /**
     * Returns the budget of a sheet; months without a year in their heading follow on from the year above them, or from
     * a month.
     *
     * @throws Refused for a sheet in which no row of months can be found
     */
    public static Budget of(Sheet sheet, YearMonth firstExpected, Currency currency) {
        int head = -1;
        int most = 1;
        for (int row = 0; row < Math.min(40, sheet.rows().size()); row++) {
            int found = monthsIn(sheet, row);
            if (found > most) {
                most = found;
                head = row;
            }
        }
        if (head < 0) {
            throw new Refused("No row of the sheet '" + sheet.name()
                    + "' has months as headings: name at least two columns such as " + "Jan 2026 or 2026-01");
        }
        return new Finding(sheet, head, columns(sheet, head, firstExpected), currency).budget();
    }

    private static int monthsIn(Sheet sheet, int row) {
        int found = 0;
        for (String cell : sheet.rows().get(row)) {
            found += MonthHeading.of(cell) == null ? 0 : 1;
        }
        return found;
    }

    /**
     * The month of each column. A year stands in the heading, in a merged cell above it, or follows from the month
     * before.
     */
    private static SortedMap<Integer, YearMonth> columns(Sheet sheet, int head, YearMonth firstExpected) {
        SortedMap<Integer, YearMonth> columns = new TreeMap<>();
        YearMonth before = null;
        Integer above = null;
        for (int column = 0; column < sheet.width(); column++) {
            above = yearAbove(sheet, head, column, above);
            MonthHeading heading = MonthHeading.of(sheet.cell(head, column));
            if (heading == null) {
                continue;
            }
            Integer year = heading.year() != null ? heading.year() : above;
            YearMonth month = year != null
                    ? YearMonth.of(year, heading.month())
                    : following(before == null ? firstExpected.minusMonths(1) : before, heading.month());
            if (!columns.containsValue(month)) {
                columns.put(column, month);
                before = month;
            }
        }
        return columns;
    }

    private static @Nullable Integer yearAbove(Sheet sheet, int head, int column, @Nullable Integer before) {
        for (int row = head - 1; row >= Math.max(0, head - 3); row--) {
            var found = Pattern.compile("(?:.*\\D)?((?:19|20)\\d{2})(?:\\D.*)?").matcher(sheet.cell(row, column));
            if (found.matches() && MonthHeading.of(sheet.cell(row, column)) == null) {
                return Integer.valueOf(found.group(1));
            }
        }
        return before;
    }

    private static YearMonth following(YearMonth before, int month) {
        YearMonth same = YearMonth.of(before.getYear(), month);
        return same.isAfter(before) ? same : same.plusYears(1);
    }

    /** The reading of the rows below the headings. */
    private static final class Finding {
        private final Sheet sheet;
        private final int head;
        private final SortedMap<Integer, YearMonth> columns;
        private final Currency currency;
        private final List<Row> rows = new ArrayList<>();
        private String section = "";

        Finding(Sheet sheet, int head, SortedMap<Integer, YearMonth> columns, Currency currency) {
            this.sheet = sheet;
            this.head = head;
            this.columns = columns;
            this.currency = currency;
        }

        Budget budget() {
            for (int row = head + 1; row < sheet.rows().size(); row++) {
                String label = label(row);
                boolean figures = columns.keySet().stream().anyMatch(hasFigure(row));
                if (!label.isEmpty() && !figures) {
                    section = label;
                } else if (!label.isEmpty()) {
                    rows.add(read(row, label));
                }
            }
            return new Budget(List.copyOf(columns.values()), markSums());
        }

        private java.util.function.Predicate<Integer> hasFigure(int row) {
            return column -> !sheet.cell(row, column).isEmpty();
        }

        /** The last text before the months that is no number: account codes stand before names. */
        private String label(int row) {
            String label = "";
            for (int column = 0; column < columns.firstKey(); column++) {
                String cell = sheet.cell(row, column);
                label = !cell.isEmpty() && cell.chars().anyMatch(Character::isLetter) ? cell : label;
            }
            return label;
        }

        private Row read(int row, String label) {
            SortedMap<YearMonth, Long> amounts = new TreeMap<>();
            List<String> problems = new ArrayList<>();
            long signs = 0;
            for (var column : columns.entrySet()) {
                String cell = sheet.cell(row, column.getKey());
                if (cell.isEmpty()) {
                    continue;
                }
                Long minor = amount(cell);
                if (minor == null) {
                    problems.add("'" + cell + "' in " + column.getValue() + " is no amount");
                } else {
                    amounts.put(column.getValue(), minor);
                    signs += Long.signum(minor);
                }
            }
            boolean negative = signs < 0;
            amounts.replaceAll((month, minor) -> negative ? -minor : minor);
            amounts.forEach((month, minor) -> {
                if (minor < 0) {
                    problems.add(
                            "The amount of " + month + " has another sign than the others of the row: it was left out");
                }
            });
            amounts.values().removeIf(minor -> minor < 0);
            return new Row(
                    row + 1,
                    label,
                    section,
                    amounts,
                    negative,
                    TOTAL.matcher(label).matches(),
                    problems);
        }

        /** Numbers as people keep them in cells: grouped, in brackets, with a currency, as text, a dash for nothing. */
        private @Nullable Long amount(String cell) {
            if (NIL.matcher(cell).matches()) {
                return 0L;
            }
            String text = cell.replaceAll("[\\s\u00a0\u202f'\u2019]", "").replace('\u2212', '-');
            boolean minus = text.startsWith("(") && text.endsWith(")") || text.startsWith("-") || text.endsWith("-");
            String digits = text.replaceAll("[()\\-\\p{Sc}]", "").replaceAll("(?i)^[a-z]{3}|[a-z]{3}$", "");
            digits = plain(digits);
            if (digits == null) {
                return null;
            }
            java.math.BigDecimal value =
                    new java.math.BigDecimal(digits).setScale(Money.decimals(currency), java.math.RoundingMode.HALF_UP);
            if (value.precision() - value.scale() > 13) {
                return null;
            }
            long minor = Money.minor(value.toPlainString(), currency);
            return minus ? -minor : minor;
        }

        /** 1,250.50 and 1.250,50 and 1E3 are all numbers; the last mark is the decimal one when it is not a group. */
        private static @Nullable String plain(String text) {
            if (text.matches("\\d+(\\.\\d+)?([eE][+-]?\\d{1,2})?")) {
                return text;
            }
            if (text.matches("\\d{1,3}(,\\d{3})+(\\.\\d+)?")) {
                return text.replace(",", "");
            }
            if (text.matches("\\d{1,3}(\\.\\d{3})+(,\\d+)?") || text.matches("\\d+,\\d{1,2}")) {
                return text.replace(".", "").replace(',', '.');
            }
            return null;
        }

        /** A row that adds up the rows since the last such one is a total, whatever it is called. */
        private List<Row> markSums() {
            List<Row> marked = new ArrayList<>();
            SortedMap<YearMonth, Long> sum = new TreeMap<>();
            int count = 0;
            for (Row row : rows) {
                boolean total = row.total()
                        || count > 1
                                && !row.amounts().isEmpty()
                                && row.amounts().equals(sum);
                marked.add(new Row(
                        row.number(),
                        row.label(),
                        row.section(),
                        row.amounts(),
                        row.negative(),
                        total,
                        row.problems()));
                if (total) {
                    sum.clear();
                    count = 0;
                } else {
                    row.amounts().forEach((month, minor) -> sum.merge(month, minor, Long::sum));
                    count++;
                }
            }
            return marked;
        }
    }

    /** Returns a label as it is compared: small letters, words alone, plain spaces. */
    static String normal(String label) {
        return label.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\d]+", " ").strip();
    }
}

package ebbtide.formats.opening;

import ebbtide.formats.bank.DateOrder;
import ebbtide.formats.budget.Sheet;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.CapitalSpending.Owned;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Wear;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A register of fixed assets read from rows, pasted or brought in: what is owned on a day, and, of what comes into use
 * after it, what is bought then. Without a heading the columns are name, cost, depreciation so far, used from, life.
 */
public record AssetList(List<Asset> assets, List<NamedRows.Unread> problems) {
    private static final int USUAL_LIFE = 60;
    private static final int MONTHS = 12;
    private static final Pattern LIFE = Pattern.compile("(\\d{1,4}) ?(m|months?|y|years?)?", Pattern.CASE_INSENSITIVE);

    /** What a column may hold, and the headings it is known by. */
    private enum Column {
        NAME("name", "asset", "description"),
        COST("cost", "gross", "purchase price"),
        DEPRECIATED("depreciated", "depreciation so far", "accumulated", "accumulated depreciation", "used up"),
        SERVICE("used from", "in service", "in use from", "bought", "acquired", "date", "purchase date"),
        LIFE("life", "life in months", "months"),
        YEARS("life in years", "years", "useful life"),
        RESIDUAL("residual", "residual value", "then worth", "worth at the end"),
        SHARE("% a year", "rate", "depreciation %", "yearly"),
        METHOD("method", "used up by");

        private static final List<Column> USUAL = List.of(NAME, COST, DEPRECIATED, SERVICE, LIFE);
        private final List<String> headings;

        Column(String... headings) {
            this.headings = List.of(headings);
        }
    }

    /**
     * Reads a sheet in a currency, as of a day.
     *
     * @throws Refused for a heading that names no cost or no day of first use
     */
    public static AssetList read(Sheet sheet, LocalDate asOf, Currency currency) {
        Map<Column, Integer> columns = heading(sheet.rows().get(0));
        boolean headed = columns.containsKey(Column.NAME);
        if (!headed) {
            Column.USUAL.forEach(column -> columns.put(column, Column.USUAL.indexOf(column)));
        }
        for (Column needed : List.of(Column.COST, Column.SERVICE)) {
            if (!columns.containsKey(needed)) {
                throw new Refused("No column is headed '" + needed.headings.get(0) + "': name one so in the first row");
            }
        }
        List<List<String>> rows = sheet.rows();
        Rows reading = new Rows(
                columns,
                DateOrder.ofMost(rows.stream()
                        .map(row -> cell(row, columns.get(Column.SERVICE)))
                        .filter(text -> !text.isEmpty())
                        .toList()),
                asOf,
                currency);
        List<Asset> assets = new ArrayList<>();
        List<NamedRows.Unread> problems = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (int i = headed ? 1 : 0; i < rows.size(); i++) {
            List<String> row = rows.get(i);
            if (row.stream().allMatch(String::isBlank)) {
                continue;
            }
            try {
                Asset asset = reading.asset(row);
                if (!names.add(asset.name())) {
                    throw new Refused("Two assets are called '" + asset.name() + "': give each a name of its own");
                }
                assets.add(asset);
            } catch (Refused e) {
                problems.add(new NamedRows.Unread(i + 1, String.valueOf(e.getMessage())));
            }
        }
        return new AssetList(List.copyOf(assets), List.copyOf(problems));
    }

    private static Map<Column, Integer> heading(List<String> row) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (int i = 0; i < row.size(); i++) {
            String said = row.get(i).strip().toLowerCase(Locale.ROOT);
            for (Column column : Column.values()) {
                if (column.headings.contains(said)) {
                    columns.putIfAbsent(column, i);
                }
            }
        }
        return columns;
    }

    private static String cell(List<String> row, @Nullable Integer column) {
        return column == null || column >= row.size() ? "" : row.get(column).strip();
    }

    /** How the rows of a register are read. */
    private record Rows(Map<Column, Integer> columns, DateOrder dates, LocalDate asOf, Currency currency) {
        private String text(List<String> row, Column column) {
            return cell(row, columns.get(column));
        }

        Asset asset(List<String> row) {
            String name = text(row, Column.NAME);
            if (name.isEmpty()) {
                throw new Refused("This row has no name: every asset needs one");
            }
            long cost = NamedRows.minor(text(row, Column.COST), currency);
            if (cost <= 0) {
                throw new Refused("'" + name + "' has no cost: type what was paid for it, above 0");
            }
            LocalDate service = dates.find(text(row, Column.SERVICE))
                    .orElseThrow(() -> new Refused("'" + text(row, Column.SERVICE) + "' is no date on which '" + name
                            + "' came into use: type one such as 2024-03-01"));
            long depreciated = Math.abs(NamedRows.minor(text(row, Column.DEPRECIATED), currency));
            boolean bought = service.isAfter(asOf);
            if (bought && depreciated != 0) {
                throw new Refused("'" + name + "' comes into use after the as-of date, so nothing of it is depreciated"
                        + " yet: leave that at 0, or mend the date");
            }
            long residual = NamedRows.minor(text(row, Column.RESIDUAL), currency);
            Wear wear = wear(row);
            int life = life(row, name, wear);
            if (life == 0) {
                return notUsedUp(name, cost, depreciated, service, bought);
            }
            if (wear.by() == Wear.By.LIFE
                    && !bought
                    && cost - depreciated > residual
                    && !service.plusMonths(life).isAfter(asOf)) {
                throw new Refused("'" + name + "' is past its life, and not all of it is used up: give it a longer"
                        + " life, or say what it is worth at the end");
            }
            return asset(
                    name,
                    cost,
                    service,
                    life,
                    residual,
                    bought && wear.by() == Wear.By.LIFE ? null : wear,
                    bought ? null : new Owned(cost, depreciated, 0, Percent.ZERO));
        }

        private static Asset asset(
                String name,
                long cost,
                LocalDate service,
                int life,
                long residual,
                @Nullable Wear wear,
                @Nullable Owned owned) {
            return new Asset(
                    name,
                    SalesTax.NONE,
                    owned == null ? List.of(new DatedAmount(service, cost, "")) : List.of(),
                    0,
                    service,
                    life,
                    residual,
                    wear,
                    false,
                    owned,
                    null);
        }

        /** Land, say: it keeps its worth. */
        private static Asset notUsedUp(String name, long cost, long depreciated, LocalDate service, boolean bought) {
            return bought
                    ? asset(name, cost, service, USUAL_LIFE, cost, null, null)
                    : asset(name, cost, service, USUAL_LIFE, 0, null, new Owned(cost, depreciated, 0, Percent.ZERO));
        }

        private Wear wear(List<String> row) {
            String share = text(row, Column.SHARE);
            String method = text(row, Column.METHOD).toLowerCase(Locale.ROOT);
            boolean book = method.contains("book") || method.contains("declining") || method.contains("reducing");
            Percent yearly = share.isEmpty() ? Percent.ZERO : Percent.parse(share);
            if (yearly.millionths() == 0 && book) {
                throw new Refused("What is used up of the book value needs its share: type it under '% a year'");
            }
            return new Wear(yearly.millionths() == 0 ? Wear.By.LIFE : book ? Wear.By.BOOK : Wear.By.COST, yearly);
        }

        /** How many months it is used, 0 for always; without a life a share of the cost goes on until all is gone. */
        private int life(List<String> row, String name, Wear wear) {
            String years = text(row, Column.YEARS);
            String text = years.isEmpty() ? text(row, Column.LIFE) : years;
            if (text.isEmpty() && wear.by() == Wear.By.COST) {
                return USUAL_LIFE;
            }
            if (text.isEmpty()) {
                throw new Refused("'" + name + "' has no life: type months such as 60, '5 years', or 0 if it is not"
                        + " used up");
            }
            Matcher matcher = LIFE.matcher(text);
            if (!matcher.matches()) {
                throw new Refused("'" + text + "' is no life: type months such as 60, or '5 years'");
            }
            String unit = matcher.group(2);
            boolean inYears = unit == null
                    ? !years.isEmpty()
                    : unit.toLowerCase(Locale.ROOT).startsWith("y");
            return Integer.parseInt(matcher.group(1)) * (inYears ? MONTHS : 1);
        }
    }
}

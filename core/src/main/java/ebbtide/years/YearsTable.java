package ebbtide.years;

import ebbtide.plan.YearRow;
import ebbtide.statements.StatementTable.Style;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;

/**
 * Years side by side (rules 9.4): income statement, balance sheet and cash flow, each row with the parts that every sum
 * is made of. Minor units; in the income statement and the cash flow what costs or goes out is below zero.
 */
public final class YearsTable {
    private final Years years;
    private final List<Row> rows = new ArrayList<>();

    /** The sheets there are. */
    public enum Sheet {
        INCOME("Income statement"),
        BALANCE("Balance sheet"),
        CASH_FLOW("Cash flow");

        private final String words;

        Sheet(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A row, by an id of its own: what it comes to in each year that it is of (a cash flow is not of the last year),
     * the rows that it is the sum of, and the row of the plan that it shows, if it is one.
     */
    public record Row(
            String id,
            Sheet sheet,
            Style style,
            String name,
            List<Long> amounts,
            List<Row> parts,
            Optional<String> of) {}

    private YearsTable(Years years) {
        this.years = years;
        income();
        balance();
        cashFlow();
    }

    /** Returns the table of years. */
    public static YearsTable of(Years years) {
        return new YearsTable(years);
    }

    public List<Row> rows() {
        return rows;
    }

    /** Returns the row of an id. */
    public Optional<Row> find(String id) {
        return rows.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    private Row add(Sheet sheet, Style style, String id, String name, ToLongFunction<Year> of, List<Row> parts) {
        return add(new Row(
                id,
                sheet,
                style,
                name,
                years.all().stream().map(of::applyAsLong).toList(),
                parts,
                YearRow.single(id).map(YearRow::id)));
    }

    private Row add(Row row) {
        rows.add(row);
        return row;
    }

    private Row line(Sheet sheet, YearRow row, ToLongFunction<Year> of) {
        return add(sheet, Style.LINE, row.id(), row.words(), of, List.of());
    }

    private Row sum(Sheet sheet, String id, String name, ToLongFunction<Year> of, Row... parts) {
        return add(sheet, Style.SUM, id, name, of, Arrays.asList(parts));
    }

    /** The rows of a kind one by one; and their sum where there are several. */
    private Row group(Sheet sheet, YearRow kind, int sign, ToLongFunction<Year> sum) {
        List<Row> each = each(sheet, sign, one -> one.row() == kind);
        return each.size() == 1
                ? each.get(0)
                : add(sheet, each.isEmpty() ? Style.LINE : Style.SUM, "sum " + kind.id(), kind.words(), sum, each);
    }

    private List<Row> each(Sheet sheet, int sign, Predicate<Year.Row> which) {
        List<Row> each = new ArrayList<>();
        Year last = years.all().get(0);
        for (Map.Entry<String, Year.Row> one : last.rows().entrySet()) {
            String id = one.getKey();
            if (which.test(one.getValue())) {
                each.add(add(new Row(
                        id,
                        sheet,
                        Style.LINE,
                        one.getValue().name(),
                        years.all().stream()
                                .map(year -> sign * amount(year, id))
                                .toList(),
                        List.of(),
                        Optional.of(id))));
            }
        }
        return each;
    }

    private static long amount(Year year, String id) {
        Long flow = year.flows().get(id);
        return flow != null ? flow : year.items().getOrDefault(id, year.debts().getOrDefault(id, 0L));
    }

    private void income() {
        Sheet sheet = Sheet.INCOME;
        Row sales = group(sheet, YearRow.SALES, 1, Year::sales);
        Row cost = group(sheet, YearRow.COST_OF_SALES, -1, year -> -year.cost());
        Row gross = sum(sheet, "gross", "Gross profit", Year::grossProfit, sales, cost);
        Row other = group(sheet, YearRow.OTHER_INCOME, 1, year -> year.flow(YearRow.OTHER_INCOME));
        Row overheads = group(sheet, YearRow.OVERHEAD, -1, year -> -year.flow(YearRow.OVERHEAD));
        Row ebitda = sum(sheet, "ebitda", "EBITDA", Year::ebitda, gross, other, overheads);
        Row depreciation = line(sheet, YearRow.DEPRECIATION, year -> -year.depreciation());
        Row gain = line(sheet, YearRow.GAIN, Year::gain);
        Row operating = sum(sheet, "operating", "Operating profit", Year::operatingProfit, ebitda, depreciation, gain);
        Row interest = line(sheet, YearRow.INTEREST, year -> -year.interest());
        Row onCash = line(sheet, YearRow.INTEREST_ON_CASH, Year::interestOnCash);
        Row before = sum(sheet, "before-tax", "Profit before tax", Year::beforeTax, operating, interest, onCash);
        Row tax = line(sheet, YearRow.PROFIT_TAX, year -> -year.tax());
        Row profit = sum(sheet, "profit", "Profit after tax", Year::profit, before, tax);
        Row dividends = line(sheet, YearRow.DIVIDENDS, year -> -year.dividends());
        sum(sheet, "kept-profit", "Left in the company", year -> year.profit() - year.dividends(), profit, dividends);
    }

    private void balance() {
        Sheet sheet = Sheet.BALANCE;
        List<Row> assets = new ArrayList<>();
        assets.add(line(sheet, YearRow.CASH, Year::cash));
        assets.addAll(each(sheet, 1, one -> one.row() == YearRow.RECEIVABLES || one.row() == YearRow.STOCK));
        assets.addAll(each(sheet, 1, one -> one.row() == YearRow.CURRENT_ASSET));
        Row gross = line(sheet, YearRow.GROSS_ASSETS, year -> year.assets().gross());
        Row accumulated =
                line(sheet, YearRow.ACCUMULATED, year -> -year.assets().accumulated());
        assets.add(sum(
                sheet, "net-assets", "Fixed assets, net", year -> year.assets().net(), gross, accumulated));
        assets.addAll(each(sheet, 1, one -> one.row() == YearRow.LONG_ASSET));
        Row owned = sum(sheet, "assets", "Assets", Year::totalAssets, assets.toArray(Row[]::new));
        List<Row> owed = new ArrayList<>(each(sheet, 1, one -> one.row() == YearRow.PAYABLES));
        owed.addAll(each(sheet, 1, one -> one.row() == YearRow.CURRENT_LIABILITY));
        owed.add(line(sheet, YearRow.TAX_OWED, Year::taxOwed));
        owed.addAll(each(
                sheet,
                1,
                one -> one.row() == YearRow.DEBT
                        && !one.equals(first().rows().get(years.plan().rules().facility()))));
        if (years.plan().rules().facility() != null) {
            owed.add(add(
                    sheet,
                    Style.LINE,
                    "drawn-first",
                    Optional.ofNullable(first().rows().get(years.plan().rules().facility()))
                                    .map(Year.Row::name)
                                    .orElse("Facility")
                            + ", drawn first",
                    Year::facility,
                    List.of()));
        }
        owed.add(line(sheet, YearRow.SHORT_TERM, Year::shortTerm));
        owed.addAll(each(sheet, 1, one -> one.row() == YearRow.LONG_LIABILITY));
        Row liabilities = sum(sheet, "liabilities", "Liabilities", Year::liabilities, owed.toArray(Row[]::new));
        Row capital = line(sheet, YearRow.CAPITAL, Year::capital);
        Row retained = line(sheet, YearRow.RETAINED, Year::retained);
        Row other = add(sheet, Style.LINE, "other-equity", otherEquity(), Year::otherEquity, List.of());
        Row equity = sum(sheet, "equity", "Equity", Year::equity, capital, retained, other);
        sum(
                sheet,
                "liabilities-and-equity",
                "Liabilities and equity",
                year -> year.liabilities() + year.equity(),
                liabilities,
                equity);
        add(
                sheet,
                Style.LINE,
                "difference",
                "Assets less liabilities and equity",
                year -> year.totalAssets() - year.liabilities() - year.equity(),
                List.of(owned));
    }

    private Year first() {
        return years.all().get(0);
    }

    private String otherEquity() {
        return years.start().last().unplaced() == 0 ? "Other equity" : "Other equity, and what is not placed yet";
    }

    private Row flow(String id, String name, ToLongFunction<YearCash> of) {
        return flow(Style.LINE, id, name, of, List.of());
    }

    private Row flow(Style style, String id, String name, ToLongFunction<YearCash> of, List<Row> parts) {
        List<Long> amounts = new ArrayList<>();
        for (int i = 1; i < years.all().size(); i++) {
            amounts.add(of.applyAsLong(
                    YearCash.of(years.all().get(i - 1), years.all().get(i))));
        }
        return add(new Row("cash " + id, Sheet.CASH_FLOW, style, name, amounts, parts, Optional.empty()));
    }

    private void cashFlow() {
        Row operating = flow(
                Style.SUM,
                "operating",
                "From operations",
                YearCash::operating,
                List.of(
                        flow("profit", "Profit after tax", YearCash::profit),
                        flow("depreciation", "Depreciation", YearCash::depreciation),
                        flow("gain", "Gain on assets sold, which is in their proceeds", YearCash::gain),
                        flow("receivables", "Change in receivables", YearCash::receivables),
                        flow("stock", "Change in stock", YearCash::stock),
                        flow("other-assets", "Change in other assets", YearCash::otherAssets),
                        flow("payables", "Change in payables", YearCash::payables),
                        flow("other-owed", "Change in what else is owed", YearCash::otherOwed)));
        Row investing = flow(
                Style.SUM,
                "investing",
                "From investing",
                YearCash::investing,
                List.of(
                        flow("spending", "Capital spending", YearCash::spending),
                        flow("proceeds", "Proceeds of assets sold", YearCash::proceeds)));
        Row financing = flow(
                Style.SUM,
                "financing",
                "From financing",
                YearCash::financing,
                List.of(
                        flow("new-debt", "New debt", YearCash::newDebt),
                        flow("repaid", "Repaid", YearCash::repaid),
                        flow("borrowing", "Borrowed to keep cash, less repaid", YearCash::borrowing),
                        flow("equity-in", "Equity in", YearCash::equityIn),
                        flow("equity-out", "Equity out", YearCash::equityOut),
                        flow("dividends", "Dividends", YearCash::dividends)));
        Row opening = flow("opening", "Opening cash", YearCash::opening);
        flow(
                Style.SUM,
                "closing",
                "Closing cash",
                one -> one.opening() + one.operating() + one.investing() + one.financing(),
                List.of(opening, operating, investing, financing));
    }
}

package ebbtide.years;

import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearRow;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/**
 * A year of twelve months as it was worked out (rules 9.4): its flows, and its levels at its end; minor units, each
 * above zero on the side of its row.
 *
 * @param flows what rows of income earn or cost that follow from a driver, by id
 * @param items working capital and what else is owned or owed, by id
 * @param debts what is left of each agreed debt, by id, but that of the facility that is drawn first
 * @param facility what is drawn on that
 * @param kept the cash that is kept; what there is of it beyond is cash above it
 * @param losses what of earlier losses may lower later years' tax
 * @param purchases cost of sales and what stock grew by, at least nil
 * @param left what of fixed assets is still to be depreciated straight-line, each with the years left of it
 */
public record Year(
        LocalDate end,
        int days,
        Map<String, Row> rows,
        Map<String, Long> flows,
        long depreciation,
        long gain,
        long interest,
        long interestOnCash,
        long tax,
        long dividends,
        Assets assets,
        Map<String, Long> items,
        Map<String, Long> debts,
        Outside outside,
        long facility,
        long shortTerm,
        long cash,
        long kept,
        long taxOwed,
        long capital,
        long otherEquity,
        long retained,
        long losses,
        long purchases,
        List<String> remarks) {
    /** What a row is, and its name. */
    public record Row(YearRow row, String name) {}

    /** What is still to be depreciated of something, and over how many years. */
    public record Left(long book, int years) {}

    /** Fixed assets: bought and disposed of in the year, gross and depreciated at its end. */
    public record Assets(
            long spending,
            long disposedGross,
            long disposedAccumulated,
            long proceeds,
            long gross,
            long accumulated,
            List<Left> left) {
        /** Returns the book value of what was disposed of. */
        public long bookSold() {
            return disposedGross - disposedAccumulated;
        }

        public long net() {
            return gross - accumulated;
        }
    }

    /** What comes from lenders and owners as agreed or typed, and goes to them. */
    public record Outside(long newDebt, long repaid, long equityIn, long equityOut) {
        static final Outside NOTHING = new Outside(0, 0, 0, 0);
    }

    /** Returns the calendar year in which it begins, by which it is named. */
    public int name() {
        return nameOf(end);
    }

    /** Returns the name of the year that ends on a day. */
    static int nameOf(LocalDate end) {
        return end.plusDays(1).minusYears(1).getYear();
    }

    /** Returns what rows of income of a kind come to. */
    public long flow(YearRow of) {
        return sum(flows, of);
    }

    /** Returns what rows of a kind that are owned or owed come to. */
    public long item(YearRow of) {
        return sum(items, of);
    }

    private long sum(Map<String, Long> amounts, YearRow of) {
        long sum = 0;
        for (Map.Entry<String, Long> one : amounts.entrySet()) {
            Row row = rows.get(one.getKey());
            if (row != null && row.row() == of) {
                sum += one.getValue();
            }
        }
        return sum;
    }

    public long sales() {
        return flow(YearRow.SALES);
    }

    public long cost() {
        return flow(YearRow.COST_OF_SALES);
    }

    /** Returns what days are counted of. */
    long counted(DaysOf of) {
        return switch (of) {
            case SALES -> sales();
            case COST_OF_SALES -> cost();
            case PURCHASES -> purchases;
            case CASH_COSTS -> cost() + flow(YearRow.OVERHEAD);
        };
    }

    public long grossProfit() {
        return sales() - cost();
    }

    public long ebitda() {
        return grossProfit() + flow(YearRow.OTHER_INCOME) - flow(YearRow.OVERHEAD);
    }

    public long operatingProfit() {
        return ebitda() - depreciation + gain;
    }

    public long beforeTax() {
        return operatingProfit() - interest + interestOnCash;
    }

    public long profit() {
        return beforeTax() - tax;
    }

    /** Returns the agreed debts, without what is borrowed to keep cash. */
    public long agreedDebt() {
        return debts.values().stream().mapToLong(Long::longValue).sum();
    }

    /** Returns what is borrowed to keep cash: on the facility that is drawn first, and short-term. */
    public long borrowed() {
        return facility + shortTerm;
    }

    public long debt() {
        return agreedDebt() + borrowed();
    }

    /**
     * Returns what else is owned of working capital and long-term, without cash, receivables, stock and fixed assets.
     */
    public long otherAssets() {
        return item(YearRow.CURRENT_ASSET) + item(YearRow.LONG_ASSET);
    }

    public long totalAssets() {
        return cash + item(YearRow.RECEIVABLES) + item(YearRow.STOCK) + otherAssets() + assets.net();
    }

    /** Returns what is owed to others than lenders and owners, profit tax with it. */
    public long otherOwed() {
        return item(YearRow.CURRENT_LIABILITY) + item(YearRow.LONG_LIABILITY) + taxOwed;
    }

    public long liabilities() {
        return item(YearRow.PAYABLES) + otherOwed() + debt();
    }

    public long equity() {
        return capital + retained + otherEquity;
    }
}

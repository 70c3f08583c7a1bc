package ebbtide.years;

import ebbtide.plan.YearRow;

/**
 * A year's cash flow, from profit to cash (rules 9.4): what comes of operations, of buying and selling fixed assets,
 * and from lenders and owners. Minor units, what goes out below zero.
 */
public record YearCash(
        long opening,
        long profit,
        long depreciation,
        long gain,
        long receivables,
        long stock,
        long otherAssets,
        long payables,
        long otherOwed,
        long spending,
        long proceeds,
        long newDebt,
        long repaid,
        long borrowing,
        long equityIn,
        long equityOut,
        long dividends) {
    static YearCash of(Year before, Year year) {
        return new YearCash(
                before.cash(),
                year.profit(),
                year.depreciation(),
                -year.gain(),
                before.item(YearRow.RECEIVABLES) - year.item(YearRow.RECEIVABLES),
                before.item(YearRow.STOCK) - year.item(YearRow.STOCK),
                before.otherAssets() - year.otherAssets(),
                year.item(YearRow.PAYABLES) - before.item(YearRow.PAYABLES),
                year.otherOwed() - before.otherOwed(),
                -year.assets().spending(),
                year.assets().proceeds(),
                year.outside().newDebt(),
                -year.outside().repaid(),
                year.borrowed() - before.borrowed(),
                year.outside().equityIn(),
                -year.outside().equityOut(),
                -year.dividends());
    }

    public long operating() {
        return profit + depreciation + gain + receivables + stock + otherAssets + payables + otherOwed;
    }

    public long investing() {
        return spending + proceeds;
    }

    public long financing() {
        return newDebt + repaid + borrowing + equityIn + equityOut + dividends;
    }
}

package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.util.List;

/**
 * How the years after the months that are planned go on, in percent of sales and in days (rules 9.4): each year's
 * growth of sales, as many as are planned; costs that vary with sales as a share of them, and costs that do not as an
 * amount of the first of these years with its growth; working capital in days, of sales and of costs that vary; each
 * year's capital spending; depreciation as a share of fixed assets; a yearly rate on debt; tax on profit, and what of
 * the profit is paid out. Minor units.
 */
public record LongRange(
        List<Percent> growth,
        Percent variable,
        long fixed,
        Percent fixedGrowth,
        int daysOfSales,
        int daysOfStock,
        int daysOfPayables,
        List<Long> capitalSpending,
        Percent depreciation,
        Percent interest,
        Percent tax,
        Percent payout) {
    /** So many years may follow the months. */
    public static final int MOST_YEARS = 5;

    public LongRange {
        growth = List.copyOf(growth);
        capitalSpending = List.copyOf(capitalSpending);
        Check.inRange(growth.size(), 1, MOST_YEARS, "number of years after the months that are planned");
        growth.forEach(one ->
                Check.inRange(one, new Percent(-Percent.WHOLE), new Percent(10 * Percent.WHOLE), "growth of sales"));
        Check.that(
                capitalSpending.size() == growth.size(),
                "each year after the months has its growth and its capital spending: " + growth.size() + " and "
                        + capitalSpending.size() + " were given");
        capitalSpending.forEach(one -> Check.notNegative(one, "capital spending of a year"));
        Check.inRange(variable, Percent.ZERO, new Percent(10 * Percent.WHOLE), "costs that vary with sales");
        Check.notNegative(fixed, "costs that do not vary");
        Check.inRange(
                fixedGrowth,
                new Percent(-Percent.WHOLE),
                new Percent(10 * Percent.WHOLE),
                "growth of costs that do not vary");
        Check.inRange(daysOfSales, 0, 365, "days of sales");
        Check.inRange(daysOfStock, 0, 365, "days of stock");
        Check.inRange(daysOfPayables, 0, 365, "days of payables");
        for (Percent share : List.of(depreciation, interest, tax, payout)) {
            Check.inRange(share, Percent.ZERO, Percent.HUNDRED, "depreciation, interest, tax and payout");
        }
    }
}

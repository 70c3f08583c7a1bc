package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.plan.LineSettings;
import ebbtide.plan.StockPolicy;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.Map;

/**
 * The monthly amounts that are bought for stock (rules 6); months before the first that is forecast are not computed.
 */
record StockAmounts(StockPolicy policy, Map<YearMonth, Long> purchasesTyped, OtherLine sales, LineSettings settings)
        implements MonthlyAmounts {

    StockRoll roll(int last) {
        return new StockRoll(policy, settings, sales.net(), purchasesTyped, last);
    }

    @Override
    public MonthSeries months(int first, int last) {
        return months(roll(last), first, last);
    }

    /** Returns what a stock buys by month. */
    static MonthSeries months(StockRoll roll, int first, int last) {
        MonthSeries.Sum bought = new MonthSeries.Sum(first, last - first + 1);
        for (StockRoll.Month month : roll.months()) {
            bought.add(Timeline.monthNumber(month.month()), month.computed());
        }
        return bought.series();
    }

    @Override
    public String words(YearMonth month) {
        StockRoll.Month[] months = roll(Timeline.monthNumber(month)).months();
        if (months.length == 0) {
            return "bought for stock";
        }
        StockRoll.Month one = months[months.length - 1];
        return switch (policy.given()) {
            case CLOSING ->
                "closing stock " + amount(one.target()) + " + cost of sales " + amount(one.cost()) + " \u2212 opening "
                        + amount(one.opening())
                        + (one.surplus() > 0 ? "; there is " + amount(one.surplus()) + " more than asked for" : "");
            case PURCHASES, BOTH ->
                policy.bought().by() == StockPolicy.BoughtBy.AMOUNTS
                        ? "typed for " + Words.month(month)
                        : policy.bought().share() + " of " + sales.name() + " "
                                + amount(sales.net().in(Timeline.monthNumber(month)));
        };
    }

    private String amount(long minor) {
        return Money.words(minor, settings.currency());
    }
}

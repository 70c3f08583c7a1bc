package ebbtide.activity;

import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.DatedAmounts;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.Product;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.StockPurchases;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.ActivityMethod.YearTotal;
import ebbtide.plan.Assumption;
import ebbtide.plan.LineSettings;
import ebbtide.time.MonthSeries;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The computation of one method's monthly amounts (rules 2.1), in minor units, and of why each is what it is. */
sealed interface MonthlyAmounts
        permits SteppedAmounts,
                TypedAmounts,
                ShareAmounts,
                ProductAmounts,
                CustomerAmounts,
                YearAmounts,
                DatedSums,
                StockAmounts {

    /**
     * Returns the amounts from a month to a later one, both numbered as {@link ebbtide.time.Timeline#monthNumber} does.
     */
    MonthSeries months(int first, int last);

    /** Returns where the amount of a month comes from, in words: "55% of Grocery chains 412,000". */
    String words(YearMonth month);

    /** Returns the computation of a stream's method, which reads the other lines given, if any. */
    static MonthlyAmounts of(Assumption.Stream stream, LineSettings settings, List<OtherLine> read) {
        ActivityMethod method = stream.method();
        if (method instanceof FixedAmount fixed) {
            return SteppedAmounts.of(fixed, settings);
        }
        if (method instanceof BaseWithGrowth growing) {
            return SteppedAmounts.of(growing, settings);
        }
        if (method instanceof TypedMonths typed) {
            return new TypedAmounts(typed.amounts(), stream.history(), settings.firstForecastMonth());
        }
        if (method instanceof Product product) {
            return new ProductAmounts(product, settings);
        }
        if (method instanceof RecurringCustomers customers) {
            return new CustomerAmounts(customers, settings);
        }
        if (method instanceof YearTotal total) {
            return new YearAmounts(total, settings);
        }
        if (method instanceof DatedAmounts dated) {
            return new DatedSums(dated, settings.currency());
        }
        if (method instanceof StockPurchases stock) {
            return new StockAmounts(stock.policy(), overrides(stream, settings), read.get(0), settings);
        }
        return new ShareAmounts((ShareOfLine) method, read.get(0), settings.currency());
    }

    private static Map<YearMonth, Long> overrides(Assumption.Stream stream, LineSettings settings) {
        Map<YearMonth, Long> amounts = new TreeMap<>();
        stream.overrides()
                .tailMap(settings.firstForecastMonth())
                .forEach((month, override) -> amounts.put(month, override.amount()));
        return amounts;
    }
}

package ebbtide.activity;

import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.DatedAmounts;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.Product;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.ActivityMethod.YearTotal;
import ebbtide.plan.Settings;
import java.time.YearMonth;
import java.util.SortedMap;

/** The computation of one method's monthly amounts (rules 2.1), in minor units, and of why each is what it is. */
sealed interface MonthlyAmounts permits SteppedAmounts, TypedAmounts, ShareAmounts, ProductAmounts, CustomerAmounts, YearAmounts,
    DatedSums {

  /** Returns the amounts from a month to a later one, both counted as {@link ebbtide.time.Timeline#monthNumber} does. */
  long[] months(int first, int last);

  /** Returns where the amount of a month comes from, in words: "55% of Grocery chains 412,000". */
  String words(YearMonth month);

  /** Returns the computation of a method of a plan; lines that it reads are asked of the calculator. */
  static MonthlyAmounts of(ActivityMethod method, SortedMap<YearMonth, Long> history, Settings settings,
      ActivityCalculator calculator) {
    if (method instanceof FixedAmount fixed) {
      return SteppedAmounts.of(fixed, settings);
    }
    if (method instanceof BaseWithGrowth growing) {
      return SteppedAmounts.of(growing, settings);
    }
    if (method instanceof TypedMonths typed) {
      return new TypedAmounts(typed.amounts(), history, settings.firstForecastMonth());
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
    return new ShareAmounts((ShareOfLine) method, calculator, settings.currency());
  }
}

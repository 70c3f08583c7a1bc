package ebbtide.accounts;

import ebbtide.derive.Lazy;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.time.MonthSeries;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * What a plan earns by month (rules 7, 9.1): the sum of its lines, from the first month that is forecast, before tax on profit and after. It
 * bears the interest of the sweep as far as that is known.
 */
public final class Profit {
  private final Accounts accounts;
  private final Plan plan;
  private final Lazy<MonthSeries> toLast = Lazy.of(this::sum);

  Profit(Accounts accounts) {
    this.accounts = accounts;
    this.plan = accounts.plan();
  }

  private MonthSeries sum() {
    return accounts.earnedApart().plus(sumOf(line -> line.assumption() instanceof Interest));
  }

  private MonthSeries sumOf(Predicate<Line> which) {
    MonthSeries.Sum sum = accounts.frame().earning();
    plan.lines().stream().filter(line -> plan.isActive(line) && which.test(line)).forEach(line -> sum.add(accounts.of(line).earned().earned(), 1));
    return sum.series();
  }

  private MonthSeries toHorizon(MonthSeries series) {
    return series.first(accounts.frame().toHorizon());
  }

  /** Returns the profit before profit tax to the last month that is earned (rules 7.4), which may lie beyond the horizon; nothing is swept there. */
  MonthSeries toLast() {
    return toLast.get();
  }

  /** Returns the profit before profit tax to the horizon. */
  public MonthSeries beforeTax() {
    return toHorizon(toLast());
  }

  /** Returns what the sweep's interest takes from profit (rules 8.9): facilities and overdraft below zero, cash above. */
  MonthSeries swept() {
    return sumOf(line -> accounts.interest().containsKey(line.id()));
  }

  /** Returns the profit before interest and profit tax, to the horizon. */
  MonthSeries operating() {
    return toHorizon(toLast().minus(sumOf(line -> line.assumption() instanceof Interest)));
  }

  /** Returns the profit after profit tax, to the horizon. */
  MonthSeries afterTax() {
    return lessTax(beforeTax(), ProfitTaxAccount::expense);
  }

  /** Returns the same as it would be without interest of the sweep: what is paid out month by month reads it (rules 8.9). */
  MonthSeries afterTaxBeforeSwept() {
    return lessTax(beforeTax().minus(toHorizon(swept())), ProfitTaxAccount::expenseBeforeSwept);
  }

  private MonthSeries lessTax(MonthSeries profit, Function<ProfitTaxAccount, MonthSeries> expense) {
    MonthSeries left = profit;
    for (Line line : plan.lines()) {
      if (plan.isActive(line) && line.assumption() instanceof ProfitTax) {
        left = left.minus(expense.apply(accounts.profitTax(line)));
      }
    }
    return left;
  }
}

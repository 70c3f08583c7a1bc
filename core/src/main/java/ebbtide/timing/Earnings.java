package ebbtide.timing;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.activity.StockRoll;
import ebbtide.books.OpenItem;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;

/**
 * What each line earns or costs by month, whatever its cash does (rules 7, 9.1): income above zero, costs below, net of sales
 * tax that is claimed back. Whole months from the first that is forecast to the horizon; profit is before tax on it.
 */
public final class Earnings {
  private final Plan plan;
  private final ActivityCalculator activity;
  private final Settlements settlements;
  private final int open;
  private final int months;
  private final boolean relief;

  Earnings(Plan plan, ActivityCalculator activity, Settlements settlements) {
    this.plan = plan;
    this.activity = activity;
    this.settlements = settlements;
    this.open = Timeline.monthNumber(plan.settings().firstForecastMonth());
    this.months = Timeline.monthNumber(YearMonth.from(plan.settings().horizonEnd())) - open + 1;
    this.relief = plan.lines().stream().anyMatch(line -> line.assumption() instanceof SalesTaxSettlement tax && tax.relief());
  }

  /** Returns the profit before profit tax by month. */
  public long[] profit() {
    long[] profit = new long[months];
    for (Line line : plan.lines()) {
      long[] one = of(line);
      for (int i = 0; i < months; i++) {
        profit[i] += one[i];
      }
    }
    return profit;
  }

  /** Returns what a line earns (above zero) or costs by month; nothing for one that stands outside the income statement. */
  public long[] of(Line line) {
    long[] earned = new long[months];
    if (!plan.isActive(line) || line.nature() == Nature.OUTSIDE) {
      return earned;
    }
    if (line.assumption() instanceof Assumption.Stream stream) {
      ofStream(line, stream, earned);
    } else if (line.assumption() instanceof Assumption.Recurring recurring) {
      if (plan.settings().counts(line.direction(), recurring.certainty())) {
        ofBills(line, recurring, earned);
      }
    } else if (line.assumption() instanceof Assumption.DatedItems items) {
      items.items().stream().filter(item -> plan.settings().counts(line.direction(), item.certainty()))
          .forEach(item -> add(earned, month(item.date()), net(line, items.tax(), item.amount())));
    } else if (line.assumption() instanceof Pay) {
      settlements.pay(line).expenses().forEach((month, minor) -> add(earned, Timeline.monthNumber(month), -minor));
    } else if (line.assumption() instanceof CapitalSpending) {
      List<AssetAccount.Month> assets = settlements.assets(line).months();
      for (int i = 0; i < months; i++) {
        earned[i] += assets.get(i).gain() - assets.get(i).depreciation();
      }
    }
    return earned;
  }

  private static int month(LocalDate day) {
    return Timeline.monthNumber(YearMonth.from(day));
  }

  private void add(long[] to, int month, long minor) {
    if (month >= open && month < open + months) {
      to[month - open] += minor;
    }
  }

  /** The signed net of an amount, with the tax on payments that is not claimed back. */
  private static long net(Line line, SalesTax tax, long amount) {
    long taxed = tax.taxOf(amount);
    long back = line.direction() == Direction.RECEIPT ? taxed : tax.recoverable().of(taxed);
    return (tax.grossOf(amount) - back) * line.direction().sign();
  }

  private void ofStream(Line line, Assumption.Stream stream, long[] earned) {
    MonthlyActivity amounts = activity.of(line);
    if (stream.method() instanceof ActivityMethod.StockPurchases) {
      for (StockRoll.Month stock : activity.stock(line).months()) {
        add(earned, Timeline.monthNumber(stock.month()), -stock.cost());
      }
    } else {
      for (int i = 0; i < months; i++) {
        earned[i] += net(line, stream.tax(), amounts.in(open + i));
      }
      settlements.billings().known(line).forEach(item -> ofItem(line, stream.tax(), item, earned));
    }
    if (stream.terms().by() == Terms.By.MONTHS) {
      discountsAndWriteOffs(line, stream, earned);
    } else if (stream.terms().by() == Terms.By.DAYS && stream.terms().days().isEarly()) {
      for (int i = 0; i < months; i++) {
        DayBilling billing = DayBilling.of(open + i, amounts.in(open + i), stream.tax(), stream.terms().days());
        earned[i] -= (billing.discountOf(billing.gross()) - billing.discountOf(billing.tax())) * line.direction().sign();
      }
    }
  }

  /** What is known to be billed earns in the month it is supplied; an order, what is not invoiced of it. */
  private void ofItem(Line line, SalesTax tax, OpenItem item, long[] earned) {
    boolean order = item.kind() == OpenItem.Kind.ORDER;
    long gross = order ? item.amount().open() : item.amount().gross();
    long taxed = order ? LeftOfPlan.taxOfOpen(item) : item.amount().tax();
    long back = line.direction() == Direction.RECEIPT ? taxed : tax.recoverable().of(taxed);
    int sign = line.direction().sign() * (item.kind() == OpenItem.Kind.CREDIT_NOTE ? -1 : 1);
    LocalDate day = order ? LeftOfPlan.delivered(item, plan.settings().asOf()) : item.supplied();
    add(earned, month(day), (gross - back) * sign);
  }

  private void discountsAndWriteOffs(Line line, Assumption.Stream stream, long[] earned) {
    boolean receipt = line.direction() == Direction.RECEIPT;
    int last = open + months + stream.terms().monthsAhead();
    for (int month = open - stream.terms().monthsBack(); month < last; month++) {
      MonthBilling billing = settlements.billings().in(line, month);
      if (billing == null) {
        continue;
      }
      long[] tax = billing.taxParts();
      for (int step = 0; step < tax.length - 1; step++) {
        add(earned, billing.cashMonth(step), -(billing.discount(step) - billing.taxOfDiscount(step)) * line.direction().sign());
      }
      long off = billing.writtenOff() - (receipt && !relief ? 0 : tax[tax.length - 1]);
      add(earned, billing.writeOffMonth(), -off * line.direction().sign());
    }
  }

  private void ofBills(Line line, Assumption.Recurring recurring, long[] earned) {
    int reach = recurring.expensing().months() + Math.abs(recurring.expensing().offset()) + 1;
    LocalDate from = Timeline.month(open - reach).atDay(1);
    LocalDate to = Timeline.month(open + months + reach).atEndOfMonth();
    for (LocalDate bill : recurring.when().between(from, to)) {
      long net = net(line, recurring.tax(), recurring.amountOn(bill));
      int first = Timeline.monthNumber(recurring.expensing().firstOf(YearMonth.from(bill)));
      long[] parts = Settlements.overDays(net, first, recurring.expensing().months());
      for (int i = 0; i < parts.length; i++) {
        add(earned, first + i, parts[i]);
      }
    }
  }
}

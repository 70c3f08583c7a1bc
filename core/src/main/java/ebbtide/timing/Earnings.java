package ebbtide.timing;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.activity.StockRoll;
import ebbtide.books.OpenItem;
import ebbtide.money.Split;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Direction;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermLoan;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/**
 * What each line earns or costs by month, whatever its cash does (rules 7, 9.1): income above zero, costs below, net of sales
 * tax that is claimed back. Whole months from the first that is forecast to the horizon, or further where a tax asks for its whole year; profit
 * is before tax on it.
 */
public final class Earnings {
  private final Plan plan;
  private final ActivityCalculator activity;
  private final Settlements settlements;
  private final Function<Line, PaidDays> paidDays;
  private final int open;
  private final int toHorizon;
  private final int months;
  private final boolean relief;
  private final Map<String, Months> byLine = new ConcurrentHashMap<>();

  /**
   * A line by month, signed: what it earns; the sales tax that goes with what it bills, owed above zero, claimed back below; and what it bills
   * or is billed besides that tax, in the month of the bill. Bills that cover other months, purchases for stock, assets and fees earn
   * otherwise than they bill.
   */
  public record Months(long[] earned, long[] tax, long[] billed) {
    private Months upTo(int months) {
      return earned.length == months ? this : new Months(Arrays.copyOf(earned, months), Arrays.copyOf(tax, months), Arrays.copyOf(billed, months));
    }
  }

  Earnings(Plan plan, ActivityCalculator activity, Settlements settlements, Function<Line, PaidDays> paidDays) {
    this.plan = plan;
    this.activity = activity;
    this.settlements = settlements;
    this.paidDays = paidDays;
    this.open = Timeline.monthNumber(plan.settings().firstForecastMonth());
    this.toHorizon = Timeline.monthNumber(YearMonth.from(plan.settings().horizonEnd())) - open + 1;
    this.months = Timeline.monthNumber(plan.lastEarnedMonth()) - open + 1;
    this.relief = plan.lines().stream().anyMatch(line -> line.assumption() instanceof SalesTaxSettlement tax && tax.relief());
  }

  /** Returns the profit before profit tax by month. */
  public long[] profit() {
    return Arrays.copyOf(profitToLast(), toHorizon);
  }

  /** Returns the same up to the last month that is earned (rules 7.4), which may lie beyond the horizon; nothing is swept there. */
  long[] profitToLast() {
    long[] profit = new long[months];
    for (Line line : plan.lines()) {
      if (!(line.assumption() instanceof ProfitTax)) {
        add(profit, all(line).earned());
      }
    }
    return profit;
  }

  /** Returns what the sweep's interest takes from the profit of each month (rules 8.9): facilities and overdraft below zero, cash above. */
  long[] swept() {
    long[] sum = new long[toHorizon];
    for (Line line : plan.lines()) {
      if (settlements.swept().containsKey(line.id())) {
        add(sum, of(line));
      }
    }
    return sum;
  }

  /** Returns the profit before interest and profit tax by month. */
  long[] operating() {
    long[] profit = profit();
    for (Line line : plan.lines()) {
      if (line.assumption() instanceof Interest) {
        long[] interest = of(line);
        for (int i = 0; i < toHorizon; i++) {
          profit[i] -= interest[i];
        }
      }
    }
    return profit;
  }

  private static void add(long[] to, long[] more) {
    for (int i = 0; i < to.length; i++) {
      to[i] += more[i];
    }
  }

  /** Returns what a line earns (above zero) or costs by month; nothing for one that stands outside the income statement. */
  public long[] of(Line line) {
    return months(line).earned();
  }

  /** Returns what a line earns, bills and owes of sales tax by month; of one outside the income statement only the tax. */
  public Months months(Line line) {
    return all(line).upTo(toHorizon);
  }

  private Months all(Line line) {
    Months known = byLine.get(line.id());
    if (known == null) {
      known = plan.isActive(line) ? new Working(line).months() : new Months(new long[months], new long[months], new long[months]);
      byLine.put(line.id(), known);
    }
    return known;
  }

  private static int month(LocalDate day) {
    return Timeline.monthNumber(YearMonth.from(day));
  }

  /** One line on its way to its months. */
  private final class Working {
    private final Line line;
    private final int sign;
    private final long[] earned = new long[months];
    private final long[] tax = new long[months];
    private final long[] billed = new long[months];

    Working(Line line) {
      this.line = line;
      this.sign = line.direction().sign();
    }

    Months months() {
      if (line.assumption() instanceof Assumption.Stream stream) {
        ofStream(stream);
      } else if (line.assumption() instanceof Assumption.Recurring recurring) {
        if (plan.settings().counts(line.direction(), recurring.certainty())) {
          ofBills(recurring);
        }
      } else if (line.assumption() instanceof Assumption.DatedItems items) {
        items.items().stream().filter(item -> plan.settings().counts(line.direction(), item.certainty()))
            .forEach(item -> net(items.tax(), month(item.date()), item.amount()));
      } else if (line.assumption() instanceof Pay) {
        settlements.pay(line).costs().forEach((month, minor) -> both(Timeline.monthNumber(month), -minor));
      } else if (line.assumption() instanceof CapitalSpending spending) {
        ofAssets(spending);
      } else if (line.assumption() instanceof Interest interest) {
        ofInterest(interest);
      } else if (line.assumption() instanceof ProfitTax) {
        long[] expense = settlements.profitTax(line).expense();
        for (int i = 0; i < toHorizon; i++) {
          both(open + i, -expense[i]);
        }
      }
      boolean outside = line.nature() == Nature.OUTSIDE && !(line.assumption() instanceof Interest || line.assumption() instanceof ProfitTax
          || line.assumption() instanceof CapitalSpending);
      return outside ? new Months(new long[months], tax, new long[months]) : new Months(earned, tax, billed);
    }

    private void put(long[] to, int month, long minor) {
      if (month >= open && month < open + months) {
        to[month - open] += minor;
      }
    }

    private void both(int month, long minor) {
      put(earned, month, minor);
      put(billed, month, minor);
    }

    /** The sales tax of an amount that is owed, or claimed back. */
    private long back(SalesTax of, long taxed) {
      return line.direction() == Direction.RECEIPT ? taxed : of.recoverable().of(taxed);
    }

    /** An amount as the line types it, earned and billed in one month: its tax apart, the part that is not claimed back a cost. */
    private void net(SalesTax of, int month, long amount) {
      long taxed = back(of, of.taxOf(amount));
      both(month, (of.grossOf(amount) - taxed) * sign);
      put(tax, month, taxed * sign);
    }

    private void ofStream(Assumption.Stream stream) {
      MonthlyActivity amounts = activity.of(line);
      for (int i = 0; i < months; i++) {
        net(stream.tax(), open + i, amounts.in(open + i));
      }
      settlements.billings().known(line).forEach(item -> ofItem(stream.tax(), item));
      if (stream.method() instanceof ActivityMethod.StockPurchases) {
        ofStock();
      }
      settlements.billings().expected(line).stream().filter(one -> !one.isLeftOut()).forEach(one -> both(month(one.day()), -one.discount() * sign));
      if (stream.terms().by() == Terms.By.MONTHS) {
        discountsAndWriteOffs(stream);
      } else if (stream.terms().by() == Terms.By.DAYS && stream.terms().days().isEarly()) {
        earlyPayment(stream);
      }
      if (stream.ledger() != null && stream.ledger().trueUp() && stream.terms().by() != Terms.By.TARGET) {
        settlements.implied(line).corrections().forEach(one -> both(one.month(), -(one.discount() + one.writtenOff()) * sign));
      }
    }

    /** Stock is no cost until it is sold; tax on it that is not claimed back is. */
    private void ofStock() {
      for (StockRoll.Month stock : activity.stock(line).months()) {
        int month = Timeline.monthNumber(stock.month());
        put(earned, month, stock.purchases() - stock.cost());
        if (((Assumption.Stream) line.assumption()).basis() == ebbtide.plan.Basis.BOOKS && month < open + months) {
          put(earned, month, -billed[month - open] - stock.purchases());
        }
      }
    }

    /** What is known to be billed earns in the month it is supplied; an order, what is not invoiced of it. */
    private void ofItem(SalesTax of, OpenItem item) {
      boolean order = item.kind() == OpenItem.Kind.ORDER;
      long gross = order ? item.amount().open() : item.amount().gross();
      long taxed = back(of, order ? LeftOfPlan.taxOfOpen(item) : item.amount().tax());
      int way = sign * (item.kind() == OpenItem.Kind.CREDIT_NOTE ? -1 : 1);
      int month = month(order ? LeftOfPlan.delivered(item, plan.settings().asOf()) : item.supplied());
      both(month, (gross - taxed) * way);
      put(tax, month, taxed * way);
    }

    private void discountsAndWriteOffs(Assumption.Stream stream) {
      int last = open + months + stream.terms().monthsAhead();
      for (int month = open - stream.terms().monthsBack(); month < last; month++) {
        MonthBilling billing = settlements.billings().in(line, month);
        if (billing == null) {
          continue;
        }
        long[] parts = billing.taxParts();
        for (int step = 0; step < parts.length - 1; step++) {
          lower(billing.cashMonth(step), billing.discount(step), back(stream.tax(), billing.taxOfDiscount(step)));
        }
        boolean relieved = relief && line.direction() == Direction.RECEIPT;
        lower(billing.writeOffMonth(), billing.writtenOff(), relieved ? parts[parts.length - 1] : 0);
      }
    }

    /** What is not paid after all lowers what was earned, its tax the tax. */
    private void lower(int month, long gross, long taxed) {
      both(month, -(gross - taxed) * sign);
      put(tax, month, -taxed * sign);
    }

    private void earlyPayment(Assumption.Stream stream) {
      PaidDays days = paidDays.apply(line);
      MonthlyActivity amounts = activity.of(line);
      for (int month = open - stream.terms().days().monthsBack(); month < open + months; month++) {
        if (amounts.in(month) == 0) {
          continue;
        }
        DayBilling billing = DayBilling.of(month, amounts.in(month), stream.tax(), stream.terms().days());
        List<long[]> parts = new ArrayList<>();
        billing.lay(stream.spread(), days, (day, gross, discount) -> parts.add(new long[] {month(days.issues().date(day)), gross, discount}));
        long[] taxed = Split.byWeights(back(stream.tax(), billing.discountOf(billing.tax())), parts.stream().mapToLong(part -> Math.abs(part[1])).toArray());
        for (int i = 0; i < taxed.length; i++) {
          lower((int) parts.get(i)[0], parts.get(i)[2], taxed[i]);
        }
      }
    }

    private void ofBills(Assumption.Recurring recurring) {
      int reach = recurring.expensing().months() + Math.abs(recurring.expensing().offset()) + 1;
      LocalDate from = Timeline.month(open - reach).atDay(1);
      LocalDate to = Timeline.month(open + months + reach).atEndOfMonth();
      SalesTax of = recurring.tax();
      for (LocalDate bill : recurring.when().between(from, to)) {
        long taxed = back(of, of.taxOf(recurring.amountOn(bill)));
        long net = (of.grossOf(recurring.amountOn(bill)) - taxed) * sign;
        int first = Timeline.monthNumber(recurring.expensing().firstOf(YearMonth.from(bill)));
        long[] parts = Settlements.overDays(net, first, recurring.expensing().months());
        for (int i = 0; i < parts.length; i++) {
          put(earned, first + i, parts[i]);
        }
        if (!recurring.expensing().nonCash()) {
          put(billed, month(bill), net);
          put(tax, month(bill), taxed * sign);
        }
      }
    }

    private void ofAssets(CapitalSpending spending) {
      List<AssetAccount.Month> assets = settlements.assets(line).months();
      for (int i = 0; i < months; i++) {
        earned[i] += assets.get(i).gain() - assets.get(i).depreciation();
      }
      for (CapitalSpending.Asset asset : spending.assets()) {
        for (var one : asset.milestones()) {
          put(billed, month(one.date()), -asset.costOf(one.amount()));
          put(tax, month(one.date()), -asset.tax().recoverable().of(asset.tax().taxOf(one.amount())));
        }
        if (asset.disposal() != null) {
          long taxed = asset.tax().taxOf(asset.disposal().proceeds());
          put(billed, month(asset.disposal().date()), asset.tax().grossOf(asset.disposal().proceeds()) - taxed);
          put(tax, month(asset.disposal().date()), taxed);
        }
      }
    }

    /** A loan costs interest night by night and its fee over its term; what the sweep bears is known once it is swept. */
    private void ofInterest(Interest interest) {
      long[] swept = settlements.swept().get(line.id());
      for (int i = 0; swept != null && i < toHorizon; i++) {
        both(open + i, swept[i]);
      }
      if (swept != null || interest.lineId() == null) {
        return;
      }
      plan.findLine(interest.lineId()).filter(of -> of.assumption() instanceof TermLoan && plan.isActive(of)).ifPresent(of -> {
        LoanAccount loan = settlements.loan(of);
        long before = loan.interestUpTo(Timeline.month(open - 1).atEndOfMonth());
        for (int i = 0; i < months; i++) {
          YearMonth month = Timeline.month(open + i);
          long upTo = loan.interestUpTo(month.atEndOfMonth());
          both(open + i, before - upTo);
          put(earned, open + i, -loan.feeOf(month));
          put(billed, open + i, -loan.feeBilled(month));
          before = upTo;
        }
      });
    }
  }
}

package ebbtide.plan;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.DatedAmounts;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.Product;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.ActivityMethod.YearTotal;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SortedMap;
import java.util.function.Function;

/** The assumptions of a plan one by one, to be looked through: each named, with its value, its unit and its date. */
public final class AssumptionList {
  private static final String SETTINGS = "Settings";
  private final Plan plan;
  private final String unit;
  private final List<Entry> entries = new ArrayList<>();
  private String lineId;
  private String lineName = SETTINGS;

  /**
   * One assumption: the id of its line (null for the plan's settings) and the line's name, what it is, its value in words,
   * the unit ("GBP", "%", "days"; empty for words), the day from which it holds or on which it lies (null for always), and
   * its note.
   */
  public record Entry(String lineId, String line, String name, String value, String unit, LocalDate from, String note) {}

  private AssumptionList(Plan plan) {
    this.plan = plan;
    this.unit = plan.settings().currency().getCurrencyCode();
  }

  /** Returns every assumption in force: the settings first, then line by line in the order of the plan. */
  public static List<Entry> of(Plan plan) {
    AssumptionList list = new AssumptionList(plan);
    list.addSettings(plan.settings());
    plan.lines().stream().filter(line -> !line.isGroup()).forEach(list::addLine);
    return List.copyOf(list.entries);
  }

  private void addSettings(Settings settings) {
    add("as-of date", settings.asOf().toString(), "", null, "");
    add("months ahead", Integer.toString(settings.horizonMonths()), "months", null, "");
    addAmounts("minimum cash", settings.minimumCash());
    if (settings.funding().minimumDays() != null) {
      add("minimum cash", number(settings.funding().minimumDays()), "days of payments", null, "");
    }
    if (settings.funding().buffer() > 0) {
      add("left above minimum cash before a facility is repaid", amount(settings.funding().buffer()), unit, null, "");
    }
    addSteps("rate on cash", settings.cashRate(), Percent::number, "% a year");
    if (settings.facility() != null) {
      addSteps("rate of " + settings.facility().name(), settings.facility().rate(), Percent::number, "% a year");
      addAmounts("limit of " + settings.facility().name(), settings.facility().limit());
    }
  }

  private void addLine(Line line) {
    lineId = line.id();
    lineName = line.name();
    if (line.assumption() instanceof Assumption.Stream stream) {
      addMethod(stream.method());
      stream.overrides().forEach((month, override) ->
          add("override of a month", amount(override.amount()), unit, month.atDay(1), override.reason()));
      addTax(stream.tax());
      addTerms(stream.terms());
      if (stream.ledger() != null) {
        add(stream.ledger().trueUp() ? "ledger total, trued up" : "ledger total", amount(stream.ledger().amount()), unit,
            plan.settings().asOf(), "");
      }
      add("spread in the month", stream.spread().words(), "", null, "");
    } else if (line.assumption() instanceof Assumption.Recurring recurring) {
      add("dates", recurring.when().words(), "", recurring.when().first(), "");
      addAmounts("amount each time", recurring.amount());
      addUnlessZero("more each year", recurring.yearlyUplift());
      addTax(recurring.tax());
      if (recurring.expensing().isSpread()) {
        add("months that a bill covers", Integer.toString(recurring.expensing().months()), "months", null, "");
      }
      add("paid after", Integer.toString(recurring.termsDays()), "days", null, "");
      add("certainty", word(recurring.certainty()), "", null, "");
    } else if (line.assumption() instanceof ProfitTax tax) {
      add("rate of profit tax", tax.rate().number(), "%", null, "");
      add("profit of the year so far", amount(tax.soFar().profit()), unit, plan.settings().firstForecastMonth().atDay(1), "");
      add("losses brought forward", amount(tax.soFar().losses()), unit, null, "");
      add("last year's profit tax", amount(tax.lastYearTax()), unit, null, "");
      add("profit tax of earlier years owed", amount(tax.owed()), unit, null, "");
      tax.instalments().forEach(one -> add("instalment in month " + one.month() + " of the year, on day " + one.day(), one.share().number(), "%",
          null, ""));
      add("the rest on day " + tax.day(), Integer.toString(tax.monthsAfter()), "months after", null, "");
    } else if (line.assumption() instanceof CapitalSpending spending) {
      spending.assets().forEach(this::addAsset);
    } else if (line.assumption() instanceof Dividends dividends) {
      addAmounts("dividend", dividends.amount());
      addUnlessZero("payout of profit", dividends.payout());
      add("declared in", word(dividends.declared()), "", null, "");
    } else if (line.assumption() instanceof Pay pay) {
      pay.roles().forEach(this::addRole);
      add("paid over on day " + pay.paidOver().day(), Integer.toString(pay.paidOver().monthsAfter()), "months after", null, "");
      pay.paidOver().owed().forEach((month, minor) -> add("withheld and on-costs owed on the as-of date", amount(minor), unit,
          pay.paidOver().dueOf(month), ""));
    } else if (line.assumption() instanceof SalesTaxSettlement tax) {
      add("tax period", Integer.toString(tax.periodMonths()), "months", null, "");
      add("settled on day " + tax.day(), Integer.toString(tax.monthsAfter()), "months after the period", null, "");
      add("refunded after", Integer.toString(tax.refundDays()), "days", null, "");
      tax.owed().forEach((last, minor) -> add("tax owed on the as-of date, period to " + last, amount(minor), unit,
          tax.settledOn(last), ""));
    } else if (line.assumption() instanceof Revolving revolving) {
      addFacility(revolving);
    } else if (line.assumption() instanceof Interest interest) {
      add("interest charged each", word(interest.charging().often()), "", null, "");
    } else if (line.assumption() instanceof TermLoan loan) {
      addLoan(loan);
    } else if (line.assumption() instanceof TermDeposit deposit) {
      addDeposit(deposit);
    } else if (line.assumption() instanceof Assumption.DatedItems items) {
      addTax(items.tax());
      items.items().forEach(item -> add("item, " + word(item.certainty()), amount(item.amount()), unit, item.date(), item.note()));
    }
    line.overrides().forEach(override -> add("override of cash up to " + override.period().lastDay(),
        amount(override.amount()), unit, override.period().startInclusive(), override.reason()));
  }

  private void addFacility(Revolving revolving) {
    addAmounts("limit", revolving.limit());
    addAmounts("used up by guarantees", revolving.guarantees());
    addSteps("base rate", revolving.base(), Percent::number, "% a year");
    addSteps("margin", revolving.margin(), Percent::number, "% a year");
    addSteps("fee on what is undrawn", revolving.undrawnFee(), Percent::number, "% a year");
    add("drawn", amount(revolving.drawn().amount()), unit, revolving.drawn().on(), "");
    if (revolving.end() != null) {
      add("ends", revolving.end().toString(), "", revolving.end(), "");
    }
    add("drawn in multiples of", amount(revolving.multiple()), unit, null, "");
    add("notice", Integer.toString(revolving.noticeDays()), "business days", null, "");
    add("committed", revolving.committed() ? "yes" : "no", "", null, "");
  }

  private void addLoan(TermLoan loan) {
    add(loan.running() ? "left of the loan" : "amount of the loan", amount(loan.from().amount()), unit, loan.from().on(), "");
    addSteps("rate", loan.rate(), Percent::number, "% a year");
    add("payments", Integer.toString(loan.payments()), "", loan.firstPayDay(), word(loan.by()).replace('_', ' '));
    add("months from payment to payment", Integer.toString(loan.everyMonths()), "months", null, "");
    if (loan.interestOnly() > 0) {
      add("payments of interest alone", Integer.toString(loan.interestOnly()), "", null, "");
    }
    loan.typed().forEach(one -> add("repayment", amount(one.amount()), unit, one.date(), one.note()));
    loan.early().forEach(one -> add("early repayment", amount(one.amount()), unit, one.date(), one.note()));
    if (loan.fee() > 0) {
      add("fee", amount(loan.fee()), unit, loan.from().on(), "");
    }
  }

  private void addDeposit(TermDeposit deposit) {
    add("amount of the deposit", amount(deposit.amount()), unit, deposit.on(), "");
    addSteps("rate", deposit.rate(), Percent::number, "% a year");
    if (deposit.last() != null) {
      add("ends", deposit.last().toString(), "", deposit.last(), "");
    } else {
      add("notice", Integer.toString(deposit.notice().days()), "days", deposit.notice().given(), "");
    }
    if (deposit.running() != null) {
      add("interest accrued", amount(deposit.running().accrued()), unit, deposit.running().at(), "");
    }
    if (deposit.interestEveryMonths() > 0) {
      add("months from one payment of interest to the next", Integer.toString(deposit.interestEveryMonths()), "months", null, "");
    }
    if (deposit.rollover() != null) {
      add(deposit.rollover().withInterest() ? "rolled over with its interest" : "rolled over", Integer.toString(deposit.rollover().times()), "times", null, "");
    }
    if (deposit.broken() != null) {
      add("broken early, forfeit", deposit.broken().forfeitDays() > 0 ? Integer.toString(deposit.broken().forfeitDays()) : amount(deposit.broken().forfeit()),
          deposit.broken().forfeitDays() > 0 ? "days of interest" : unit, deposit.broken().on(), "");
    }
  }

  private void addAsset(CapitalSpending.Asset asset) {
    asset.milestones().forEach(one -> add(asset.name() + ": cost", amount(one.amount()), unit, one.date(), one.note()));
    add(asset.name() + ": life", Integer.toString(asset.lifeMonths()), "months", asset.service(), "");
    if (asset.owned() != null) {
      add(asset.name() + ": cost, owned", amount(asset.owned().cost()), unit, null, "");
      add(asset.name() + ": depreciation so far", amount(asset.owned().depreciated()), unit, null, "");
    }
    if (asset.disposal() != null) {
      add(asset.name() + ": sold for", amount(asset.disposal().proceeds()), unit, asset.disposal().date(), "");
    }
    addTax(asset.tax());
  }

  private void addRole(Pay.Role role) {
    addSteps(role.name() + ": posts", role.posts(), AssumptionList::number, "");
    addSteps(role.name() + (role.paidBy() == Pay.PaidBy.HOUR ? ": pay an hour" : ": pay a year"), role.pay(), this::amount, unit);
    addUnlessZero(role.name() + ": on-costs", role.onCost());
    addUnlessZero(role.name() + ": withheld", role.withheld());
    if (role.commission() != null) {
      add(role.name() + ": commission on " + plan.findLine(role.commission().lineId()).map(Line::name).orElse(""),
          role.commission().share().number(), "%", null, "");
    }
    role.extras().forEach(extra -> add(role.name() + ": extra pay", amount(extra.amount()), unit, extra.date(), extra.note()));
  }

  private void addMethod(ActivityMethod method) {
    if (method instanceof FixedAmount fixed) {
      addAmounts("amount a month", fixed.amount());
    } else if (method instanceof BaseWithGrowth growing) {
      addAmounts("base a month", growing.base());
      addGrowth("growth a month", growing.growth(), growing.growthOf());
    } else if (method instanceof TypedMonths typed) {
      typed.amounts().forEach((month, minor) -> add("typed amount", amount(minor), unit, month.atDay(1), ""));
    } else if (method instanceof Product product) {
      for (int i = 0; i < product.factors().size(); i++) {
        addDriver(product.of().factors().get(i), product.factors().get(i), "");
      }
    } else if (method instanceof RecurringCustomers customers) {
      add("customers at the start", number(customers.opening()), "", customers.from().atDay(1), "");
      addDriver("customers gained", customers.gained(), "");
      addDriver("customers lost", customers.lost(), customers.lostAs() == ActivityMethod.LostAs.PERCENT ? "%" : "");
      addDriver("fee", customers.fee(), unit);
    } else if (method instanceof YearTotal year) {
      year.totals().forEach((began, total) -> add("total of the year", amount(total), unit,
          LocalDate.of(began, plan.settings().firstFiscalMonth(), 1), ""));
      addUnlessZero("more each later year", year.yearlyGrowth());
    } else if (method instanceof DatedAmounts dated) {
      dated.amounts().forEach(one -> add("amount", amount(one.amount()), unit, one.date(), one.note()));
    } else if (method instanceof ActivityMethod.StockPurchases stock) {
      addStock(stock.policy());
    } else if (method instanceof ShareOfLine share) {
      add("share of " + plan.findLine(share.lineId()).map(Line::name).orElse(share.lineId()), share.share().number(), "%", null, "");
    }
  }

  private void addStock(StockPolicy stock) {
    add("stock at the start", amount(stock.opening().value()), unit, plan.settings().firstForecastMonth().atDay(1), "");
    if (stock.isInUnits()) {
      add("units at the start", number(stock.opening().units()), "", plan.settings().firstForecastMonth().atDay(1), "");
      addDriver("units sold", stock.cost().units(), "");
      addDriver("cost of a unit", stock.cost().unitCost(), unit);
    } else if (stock.given() != StockPolicy.Given.BOTH) {
      add("cost of sales", stock.cost().share().number(), "% of sales", null, "");
    }
    if (stock.given() == StockPolicy.Given.PURCHASES || stock.given() == StockPolicy.Given.BOTH) {
      addUnlessZero("purchases, % of sales", stock.bought().share());
      stock.bought().amounts().forEach((month, minor) -> add("purchases", amount(minor), unit, month.atDay(1), ""));
    }
    if (stock.target().by() == StockPolicy.TargetBy.DAYS_OF_COVER) {
      add("stock to last", Integer.toString(stock.target().days()), "days", null, "");
    } else {
      add("closing stock, base", stock.isInUnits() ? number(stock.target().baseUnits()) : amount(stock.target().base()),
          stock.isInUnits() ? "" : unit, null, "");
      addUnlessZero("closing stock, share of the month after", stock.target().share());
    }
  }

  private void addDriver(String name, Driver driver, String of) {
    addSteps(name, driver.value(), AssumptionList::number, of);
    addGrowth("growth a month of " + name, driver.growth(), driver.growthOf());
  }

  private void addTax(SalesTax tax) {
    addUnlessZero("sales tax", tax.rate());
    if (!tax.isNone() && !tax.recoverable().equals(Percent.HUNDRED)) {
      add("sales tax claimed back", tax.recoverable().number(), "%", null, "");
    }
  }

  private void addGrowth(String name, Percent growth, SortedMap<YearMonth, Percent> growthOf) {
    addUnlessZero(name, growth);
    growthOf.forEach((month, own) -> add(name, own.number(), "%", month.atDay(1), "that month alone"));
  }

  private void addTerms(Terms terms) {
    if (terms.shared() != null) {
      plan.settings().findTerms(terms.shared()).ifPresent(named -> add("shared terms", named.name(), "", null, ""));
    }
    if (terms.by() == Terms.By.TARGET) {
      addSteps("target of days", terms.target().days(), days -> Integer.toString(days), "days");
      return;
    }
    if (terms.by() == Terms.By.DAYS) {
      add("terms", terms.days().words(), "", null, "");
      return;
    }
    terms.pattern().steps().forEach(step -> {
      add("share paid " + step.delayWords(), step.share().number(), "%", null, "");
      addUnlessZero("discount on what is paid " + step.delayWords(), step.discount());
    });
    addUnlessZero("share never paid", terms.pattern().never());
  }

  private void addAmounts(String name, Steps<Long> steps) {
    addSteps(name, steps, this::amount, unit);
  }

  private <T> void addSteps(String name, Steps<T> steps, Function<T, String> value, String of) {
    steps.steps().forEach(step -> add(name, value.apply(step.value()), of, step.from(), ""));
  }

  private void addUnlessZero(String name, Percent percent) {
    if (percent.millionths() != 0) {
      add(name, percent.number(), "%", null, "");
    }
  }

  private void add(String name, String value, String of, LocalDate from, String note) {
    entries.add(new Entry(lineId, lineName, name, value, of, from, note));
  }

  private String amount(long minor) {
    return Money.words(minor, plan.settings().currency());
  }

  private static String number(BigDecimal value) {
    return String.format(Locale.ROOT, "%,." + value.scale() + "f", value);
  }

  private static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT);
  }
}

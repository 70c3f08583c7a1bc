package ebbtide.timing;

import ebbtide.activity.ActivityCalculator;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermLoan;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;

/** The sums that fall due on the lines of a plan, whether planned by date or worked out from other lines; each account made once. */
public final class Settlements {
  private final Plan plan;
  private final ActivityCalculator activity;
  private final Function<Line, TaxPoints> taxPoints;
  private final Function<Line, BusinessDays> calendars;
  private final Billings billings;
  private final Function<Line, PaidDays> paidDays;
  private final Function<Line, Implied> implied;
  // Asked from several sides at once, when a forecast is kept.
  private final Map<String, Object> accounts = new ConcurrentHashMap<>();
  private final Map<String, List<Due>> dues = new ConcurrentHashMap<>();
  private Map<String, long[]> swept = Map.of();

  /** Makes the settlements of a plan; the others of a line are asked for when a settlement needs them. */
  public Settlements(Plan plan, ActivityCalculator activity, Billings billings, Function<Line, TaxPoints> taxPoints, Function<Line, BusinessDays> calendars,
      Function<Line, PaidDays> paidDays, Function<Line, Implied> implied) {
    this.paidDays = paidDays;
    this.implied = implied;
    this.plan = plan;
    this.activity = activity;
    this.billings = billings;
    this.taxPoints = taxPoints;
    this.calendars = calendars;
  }

  Billings billings() {
    return billings;
  }

  Implied implied(Line line) {
    return implied.apply(line);
  }

  /**
   * Takes what the sweep's interest earns (below zero: costs) by line and month from the first that is forecast, so that profit bears it, and
   * what follows from profit. Returns whether any of it is new.
   */
  public boolean bear(Map<String, long[]> interest) {
    boolean same = interest.keySet().equals(swept.keySet()) && interest.entrySet().stream().allMatch(one -> Arrays.equals(one.getValue(), swept.get(one.getKey())));
    if (!same) {
      swept = Map.copyOf(interest);
      accounts.values().removeIf(account -> account instanceof Earnings || account instanceof ProfitTaxAccount || account instanceof DividendAccount);
    }
    return !same;
  }

  /** Returns what the sweep's interest earns by line and month, as far as it is known. */
  public Map<String, long[]> swept() {
    return swept;
  }

  private <T> T known(String key, Class<T> type, Supplier<T> maker) {
    Object account = accounts.get(key);
    if (account == null) {
      account = maker.get();
      accounts.put(key, account);
    }
    return type.cast(account);
  }

  /** Returns the tax account of a line that settles sales tax. */
  public SalesTaxAccount salesTax(Line line) {
    return known(line.id(), SalesTaxAccount.class,
        () -> new SalesTaxAccount(plan, (SalesTaxSettlement) line.assumption(), calendars.apply(line), taxPoints));
  }

  /** Returns the account of a line that is pay by role. */
  public PayAccount pay(Line line) {
    return known(line.id(), PayAccount.class, () -> new PayAccount(plan, line, calendars.apply(line), activity));
  }

  /** Returns the account of a line that is capital spending. */
  public AssetAccount assets(Line line) {
    return known(line.id(), AssetAccount.class, () -> new AssetAccount(plan, line, calendars.apply(line)));
  }

  /** Returns the schedule of a line that is a loan. */
  public LoanAccount loan(Line line) {
    return known(line.id(), LoanAccount.class, () -> new LoanAccount((TermLoan) line.assumption(), calendars.apply(line)));
  }

  /** Returns what the plan earns by month. */
  public Earnings earnings() {
    return known("earnings", Earnings.class, () -> new Earnings(plan, activity, this, paidDays));
  }

  /** Returns the account of a line that is tax on profit. */
  public ProfitTaxAccount profitTax(Line line) {
    return known(line.id(), ProfitTaxAccount.class, () -> new ProfitTaxAccount(plan, line, calendars.apply(line), earnings()));
  }

  /** Returns the account of a line that pays owners out of profit. */
  public DividendAccount dividends(Line line) {
    return known(line.id(), DividendAccount.class, () -> new DividendAccount(plan, line, calendars.apply(line), afterTax(ProfitTaxAccount::expense, earnings().profit()),
        afterTax(ProfitTaxAccount::expenseBeforeSwept, minus(earnings().profit(), earnings().swept()))));
  }

  private static long[] minus(long[] one, long[] other) {
    long[] left = one.clone();
    for (int i = 0; i < left.length; i++) {
      left[i] -= other[i];
    }
    return left;
  }

  private long[] afterTax(Function<ProfitTaxAccount, long[]> expense, long[] profit) {
    long[] left = profit;
    for (Line line : plan.lines()) {
      if (plan.isActive(line) && line.assumption() instanceof ProfitTax) {
        left = minus(left, expense.apply(profitTax(line)));
      }
    }
    return left;
  }

  /** Returns an amount over some months by their days, by largest remainder: what a bill costs each month it covers. */
  public static long[] overDays(long minor, int firstMonth, int count) {
    long[] days = new long[count];
    for (int i = 0; i < count; i++) {
      days[i] = Timeline.month(firstMonth + i).lengthOfMonth();
    }
    return Split.byWeights(minor, days);
  }

  /** Returns what falls due on a line; what does not follow from profit is worked out once, whatever the sweep finds. */
  List<Due> dues(Line line) {
    if (line.assumption() instanceof ProfitTax) {
      return profitTax(line).dues();
    }
    if (line.assumption() instanceof Dividends) {
      return dividends(line).dues();
    }
    List<Due> known = dues.get(line.id());
    if (known == null) {
      known = worked(line);
      dues.put(line.id(), known);
    }
    return known;
  }

  private List<Due> worked(Line line) {
    Assumption assumption = line.assumption();
    if (assumption instanceof SalesTaxSettlement) {
      return salesTax(line).dues();
    }
    if (assumption instanceof Pay) {
      return pay(line).dues();
    }
    if (assumption instanceof CapitalSpending) {
      return assets(line).dues();
    }
    if (assumption instanceof TermLoan) {
      return loan(line).dues();
    }
    if (assumption instanceof Revolving) {
      return List.of();
    }
    if (assumption instanceof Interest interest) {
      return interest.lineId() == null ? List.of() : plan.findLine(interest.lineId()).filter(of -> of.assumption() instanceof TermLoan && plan.isActive(of))
          .map(of -> loan(of).interestDues()).orElse(List.of());
    }
    return PlannedDues.of(assumption, plan.settings().asOf(), plan.settings().horizonEnd(), calendars.apply(line));
  }
}

package ebbtide.accounts;

import ebbtide.activity.ActivityCalculator;
import ebbtide.billing.Calendars;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.derive.Derived;
import ebbtide.derive.Lazy;
import ebbtide.items.ItemTiming;
import ebbtide.items.LineItems;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.BusinessDays;
import ebbtide.time.MonthSeries;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The accounts of a plan and its books: what every line is planned to come to, bills, earns, owes and is owed. They never change: with what the
 * sweep's interest is found to cost there are new ones, which share all that does not follow from profit ({@link #withInterest}).
 */
public final class Accounts {
  private final Plan plan;
  private final Books books;
  private final Frame frame;
  private final Derived<Calendars.Span, Calendars> calendars;
  private final ActivityCalculator activity;
  private final Lazy<ActivityCalculator> beforeLate;
  private final ItemTiming items;
  private final Derived<Object, LineAccount> apart;
  private final Derived<Object, LineAccount> uponProfit;
  private final Lazy<MonthSeries> earnedApart;
  private final Map<String, MonthSeries> interest;
  private final Lazy<Profit> profit;

  private Accounts(Plan plan, Books books, Optional<Accounts> before) {
    this.plan = plan;
    this.books = books;
    this.calendars = before.map(one -> one.calendars.next()).orElseGet(Derived::none);
    Calendars days = calendars.of("", () -> Calendars.Span.of(plan, books.accounts(), books.findFirstDay().orElse(plan.settings().asOf())), Calendars::new);
    this.frame = Frame.of(plan, days);
    this.activity = before.map(one -> one.activity.next(plan)).orElseGet(() -> new ActivityCalculator(plan));
    this.beforeLate = Lazy.of(() -> calculatorBeforeLate(before));
    this.items = before.map(one -> one.items.next(plan, books, days)).orElseGet(() -> ItemTiming.of(plan, books, days));
    this.apart = before.map(one -> one.apart.next()).orElseGet(Derived::none);
    this.uponProfit = before.map(one -> one.uponProfit.next()).orElseGet(Derived::none);
    this.earnedApart = Lazy.of(this::sumApart);
    this.interest = Map.of();
    this.profit = Lazy.of(() -> new Profit(this));
  }

  private Accounts(Accounts of, Map<String, MonthSeries> interest) {
    this.plan = of.plan;
    this.books = of.books;
    this.calendars = of.calendars;
    this.frame = of.frame;
    this.activity = of.activity;
    this.beforeLate = of.beforeLate;
    this.items = of.items;
    this.apart = of.apart;
    this.uponProfit = of.uponProfit.next();
    this.earnedApart = of.earnedApart;
    this.interest = interest;
    this.profit = Lazy.of(() -> new Profit(this));
  }

  /** Returns the accounts of a plan without problems ({@link ebbtide.plan.PlanCheck}) and its books, the sweep's interest not known yet. */
  public static Accounts of(Plan plan, Books books) {
    return new Accounts(plan, books, Optional.empty());
  }

  /** Returns the accounts of another plan and books, which take over all that reads the same as these do. */
  public Accounts next(Plan other, Books others) {
    return new Accounts(other, others, Optional.of(this));
  }

  /** Returns the accounts with what the sweep's interest earns (below zero: costs) by line and month from the first that is forecast; these if it is no news. */
  public Accounts withInterest(Map<String, MonthSeries> swept) {
    return swept.equals(interest) ? this : new Accounts(this, Map.copyOf(swept));
  }

  /** Returns what was planned of months that are over but not closed: read from the plan as it stands before the first of them. */
  ActivityCalculator beforeLate() {
    return hasLateMonths() ? beforeLate.get() : activity;
  }

  private ActivityCalculator calculatorBeforeLate(Optional<Accounts> before) {
    Plan then = plan.asOf(plan.settings().firstOpenMonth().atDay(1).minusDays(1));
    return before.filter(one -> one.hasLateMonths()).map(one -> one.beforeLate.get().next(then)).orElseGet(() -> new ActivityCalculator(then));
  }

  private boolean hasLateMonths() {
    return !plan.settings().firstOpenMonth().equals(plan.settings().firstForecastMonth());
  }

  public Plan plan() {
    return plan;
  }

  public Books books() {
    return books;
  }

  Frame frame() {
    return frame;
  }

  /** Returns the days on which lines are paid. */
  public Calendars calendars() {
    return frame.calendars();
  }

  /** Returns the business days on which a line is paid. */
  public BusinessDays calendar(Line line) {
    return frame.calendar(line);
  }

  /** Returns what every stream is planned to earn or incur by month. */
  public ActivityCalculator activity() {
    return activity;
  }

  /** Returns when open items are expected to be paid, and why (rules 4). */
  public ItemTiming items() {
    return items;
  }

  /** Returns the items of a line, where they count. */
  public LineItems items(Line line) {
    return items.line(line);
  }

  /** Returns what the sweep's interest earns by line and month, as far as it is known. */
  public Map<String, MonthSeries> interest() {
    return interest;
  }

  /** Returns what the plan earns. */
  public Profit profit() {
    return profit.get();
  }

  /** Returns the account of a line of the plan, found by its id. */
  public LineAccount of(Line line) {
    Line own = plan.findLine(line.id()).orElseThrow();
    AccountOfKind<?> kind = AccountOfKind.of(own.assumption());
    return (kind.uponProfit() ? uponProfit : apart).of(own.id(), () -> kind.reads().apply(this, own), kind::make);
  }

  /** Returns the account of a line that is a stream. */
  public StreamAccount stream(Line line) {
    return (StreamAccount) of(line);
  }

  /** Returns the account of a line that settles sales tax (rules 7.3). */
  public SalesTaxAccount salesTax(Line line) {
    return (SalesTaxAccount) of(line);
  }

  /** Returns the account of a line that is pay by role (rules 7.1). */
  public PayAccount pay(Line line) {
    return (PayAccount) of(line);
  }

  /** Returns the account of a line that is capital spending (rules 7.5). */
  public AssetAccount assets(Line line) {
    return (AssetAccount) of(line);
  }

  /** Returns the schedule of a line that is a loan (rules 8.6). */
  public LoanSchedule loan(Line line) {
    return ((LoanAccount) of(line)).schedule();
  }

  /** Returns the account of a line that is tax on profit (rules 7.4). */
  public ProfitTaxAccount profitTax(Line line) {
    return (ProfitTaxAccount) of(line);
  }

  /** Returns the account of a line that pays owners out of profit (rules 7.6). */
  public DividendAccount dividends(Line line) {
    return (DividendAccount) of(line);
  }

  /** Returns the expectations of a line planned in cash, with their windows and what movements and items have used of each (rules 5.2). */
  public List<Expectation> expectations(Line line) {
    return expectations(line, books.byLine().getOrDefault(line.id(), List.of()));
  }

  /** Returns the expectations of a line, left-out certainties included, used up by the movements given. */
  public List<Expectation> expectations(Line line, List<DayAmount> movements) {
    return Expectations.of(of(line), movements, items(line).known(), plan.settings());
  }

  /** Returns whether what an account is made from follows from profit, or from what the sweep's interest costs it. */
  public static boolean followsFromProfit(Line line) {
    return AccountOfKind.of(line.assumption()).uponProfit();
  }

  /** Returns what a line earns by month from the first that is forecast to the horizon; nothing if it is switched off. */
  public Earned earned(Line line) {
    return (plan.isActive(line) ? of(line).earned() : Earned.nil(frame)).first(frame.toHorizon());
  }

  /** Returns what all lines earn to the last month that is earned that do not follow from profit. */
  MonthSeries earnedApart() {
    return earnedApart.get();
  }

  private MonthSeries sumApart() {
    MonthSeries.Sum sum = frame.earning();
    plan.lines().stream().filter(line -> plan.isActive(line) && !followsFromProfit(line)).forEach(line -> sum.add(of(line).earned().earned(), 1));
    return sum.series();
  }
}

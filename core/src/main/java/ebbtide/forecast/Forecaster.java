package ebbtide.forecast;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.funding.Liquidity;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Dividends;
import ebbtide.plan.Line;
import ebbtide.plan.Line.CashOverride;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Revolving;
import ebbtide.time.BusinessDays;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import ebbtide.timing.Billings;
import ebbtide.timing.DayBilling;
import ebbtide.timing.Expectation;
import ebbtide.timing.ExpectedItem;
import ebbtide.timing.FlowSink;
import ebbtide.timing.Implied;
import ebbtide.timing.ItemTiming;
import ebbtide.timing.LeftOfPlan;
import ebbtide.timing.LineTiming;
import ebbtide.timing.MonthBilling;
import ebbtide.timing.PaidDays;
import ebbtide.timing.PayAccount;
import ebbtide.timing.SalesTaxAccount;
import ebbtide.timing.Settlements;
import ebbtide.timing.TargetBilling;
import ebbtide.timing.TaxPoints;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;

/** The pipeline from plan and books to the forecast: a pure function of the two, to the cent. */
public final class Forecaster {
  /** More than the years of the longest horizon: what is paid out of a year's profit follows from its interest, so each takes a round. */
  private static final int MOST_ROUNDS = 10;
  private final Plan plan;
  private final Books books;
  private final ActivityCalculator activity;
  // A kept forecast is asked by several threads at once: what is worked out for the first is there for all.
  private final Map<String, Timeline> timelines = new ConcurrentHashMap<>();
  private final Map<String, PaidDays> paidDays = new ConcurrentHashMap<>();
  private final Billings billings;
  private final Settlements settlements;
  private final Timeline timeline;
  private final int asOf;
  private final Plan assumed;
  private final ItemTiming items;
  private volatile ActivityCalculator beforeLate;

  private Forecaster(Plan assumed, Books books) {
    this.assumed = assumed;
    this.books = books;
    this.activity = new ActivityCalculator(assumed);
    this.plan = toBill(assumed);
    this.items = new ItemTiming(plan, books, line -> timelineOf(country(line)).calendar());
    plan.lines().stream().filter(Forecaster::isOnBooks).forEach(line -> activity.bills(line, left(line).billed()));
    this.billings = new Billings(activity, items);
    this.settlements = new Settlements(plan, activity, billings, this::taxPoints, line -> timelineOf(country(line)).calendar(), line -> paidDaysOf(country(line)),
        this::implied);
    this.timeline = timelineOf(mainCountry(books));
    this.asOf = timeline.index(plan.settings().asOf());
  }

  private static boolean isOnBooks(Line line) {
    return line.assumption() instanceof Assumption.Stream stream && stream.basis() == Basis.BOOKS;
  }

  /** Returns the plan with every stream on books as what is still to be billed of it after the as-of date. */
  private static Plan toBill(Plan plan) {
    return plan.lines().stream().noneMatch(Forecaster::isOnBooks) ? plan
        : new Plan(plan.settings(), plan.lines().stream().map(line -> isOnBooks(line)
            ? line.with(((Assumption.Stream) line.assumption()).after(plan.settings().asOf())) : line).toList(), plan.buoys());
  }

  /** Returns what invoices and orders leave of the months planned for a stream on books (rules 5.1). */
  public LeftOfPlan left(Line line) {
    return new LeftOfPlan(line, plan.isActive(line) ? books.items().of(line.id()) : List.of(), activity.planned(line), late(line), plan.settings(),
        timelineOf(country(line)));
  }

  /** What is planned of months that are over but not closed is read from the plan as it stands before the first of them. */
  private MonthlyActivity late(Line line) {
    if (plan.settings().firstOpenMonth().equals(plan.settings().firstForecastMonth())) {
      return null;
    }
    if (beforeLate == null) {
      beforeLate = new ActivityCalculator(assumed.asOf(plan.settings().firstOpenMonth().atDay(1).minusDays(1)));
    }
    return beforeLate.planned(line);
  }

  ItemTiming items() {
    return items;
  }

  /** Returns a line as it is billed: a stream on books as what is left of it. */
  Line billed(Line line) {
    return plan.findLine(line.id()).orElse(line);
  }

  /** Returns the forecast of a plan without problems ({@link ebbtide.plan.PlanCheck}) and its books. */
  public static Forecast forecast(Plan plan, Books books) {
    return new Forecaster(plan, books).run();
  }

  /** Returns what works plan and books out, to be asked for its accounts one by one: all is worked out once for one asker. */
  public static Forecaster of(Plan plan, Books books) {
    return new Forecaster(plan, books);
  }

  /** Returns what every stream earns or incurs by month. */
  public ActivityCalculator activity() {
    return activity;
  }

  /** Returns the accounts of everything that is settled by rules, and what the plan earns. */
  public Settlements settlements() {
    return settlements;
  }

  /** Returns the days on which a line is paid, by the country of its account. */
  Timeline timelineOf(Line line) {
    return timelineOf(country(line));
  }

  /** Returns the business days on which a line is paid. */
  public BusinessDays calendar(Line line) {
    return timelineOf(line).calendar();
  }

  /** Returns the billing of a stream's line that stands at a target of days (rules 3.4). */
  public TargetBilling target(Line line) {
    return new TargetBilling(activity.of(line), (Assumption.Stream) line.assumption(), plan.settings(), timelineOf(country(line)));
  }

  /** Returns what a stream's line that is paid by months or by days implies is owed on the as-of date (rules 3.5). */
  public Implied implied(Line line) {
    return timing(line).implied(line);
  }

  /** Returns the expectations of a line planned in cash, with their windows and what movements and items have used of each (rules 5.2). */
  public List<Expectation> expectations(Line line) {
    return expectations(line, books.byLine().getOrDefault(line.id(), List.of()));
  }

  /** Returns the expectations of a line, used up by the movements given. */
  List<Expectation> expectations(Line line, List<DayAmount> movements) {
    return timing(line).expectations(line, movements);
  }

  private Forecast run() {
    Map<String, LineFlows> flows = new LinkedHashMap<>();
    for (Line line : plan.lines()) {
      if (!line.isGroup()) {
        flows.put(line.id(), flowsOf(line));
      }
    }
    LineFlows unassignedIn = bookedOnly(books.unassignedIn());
    LineFlows unassignedOut = bookedOnly(books.unassignedOut());
    LineFlows transfers = bookedOnly(books.transfers());
    SweepInput input = new SweepInput(plan, books, timeline, flows, () -> new Eligible(this, plan, Timeline.monthNumber(YearMonth.from(plan.settings().horizonEnd()))
        - Timeline.monthNumber(plan.settings().firstForecastMonth()) + 1));
    List<LineFlows> others = List.of(unassignedIn, unassignedOut, transfers);
    Funding funding = fund(input, flows, others);
    for (int round = 0; round < MOST_ROUNDS && settlements.bear(funding.interestByMonth()) && paysOutOfProfit(flows); round++) {
      funding = fund(input, flows, others);
    }
    long[] closing = closing(flows, others);
    funding.lay(flows, closing);
    settlements.bear(funding.interestByMonth());
    Liquidity liquidity = liquidity(funding, closing);
    return new Forecast(assumed, books, timeline, flows, unassignedIn, unassignedOut, transfers, closing, liquidity, funding, this);
  }

  private Funding fund(SweepInput input, Map<String, LineFlows> flows, List<LineFlows> others) {
    return new Funding(plan, input, timeline, closing(flows, others), settlements::loan);
  }

  private long[] closing(Map<String, LineFlows> flows, List<LineFlows> others) {
    long[] closing = new long[timeline.days()];
    flows.values().forEach(line -> line.addTo(closing));
    others.forEach(one -> one.addTo(closing));
    accumulate(closing);
    return closing;
  }

  /**
   * Works out anew what is paid out of profit, which now bears the interest of the sweep, and says whether any of it has changed. Each year's
   * tax and dividend follow from years that are over (rules 8.9), so this ends after as many rounds as there are years.
   */
  private boolean paysOutOfProfit(Map<String, LineFlows> flows) {
    boolean changed = false;
    for (Line line : plan.lines()) {
      if (plan.isActive(line) && (line.assumption() instanceof ProfitTax || line.assumption() instanceof Dividends)) {
        LineFlows now = flowsOf(line);
        changed |= !now.estimatesAs(flows.put(line.id(), now));
      }
    }
    return changed;
  }

  private Liquidity liquidity(Funding funding, long[] closing) {
    long[] minimum = new long[closing.length];
    long[] limit = new long[closing.length];
    long[] undrawn = new long[closing.length];
    long[] drawn = new long[closing.length];
    for (int day = 0; day < closing.length; day++) {
      minimum[day] = funding.minimum(day);
      limit[day] = funding.overdraft(day);
      undrawn[day] = funding.overdraft(day);
      for (int i = 0; i < funding.facilities().size(); i++) {
        long most = funding.most(i, day);
        limit[day] += most;
        drawn[day] += funding.drawn(i, day);
        undrawn[day] += ((Revolving) funding.facilities().get(i).assumption()).committed() ? Math.max(0, most - funding.drawn(i, day)) : 0;
      }
    }
    return new Liquidity(closing, minimum, limit, undrawn, drawn);
  }

  /** Turns net flows by day into closing balances that meet the bank's balance on the as-of date. */
  private void accumulate(long[] net) {
    long flowed = 0;
    for (int day = 0; day <= asOf; day++) {
      flowed += net[day];
    }
    long level = books.cash(plan.settings().asOf()) - flowed;
    for (int day = 0; day < net.length; day++) {
      level += net[day];
      net[day] = level;
    }
  }

  private LineFlows bookedOnly(List<DayAmount> movements) {
    LineFlows flows = new LineFlows(timeline, asOf);
    flows.addMovements(movements);
    return flows;
  }

  private LineFlows flowsOf(Line line) {
    List<DayAmount> movements = books.byLine().getOrDefault(line.id(), List.of());
    LineFlows flows = bookedOnly(movements);
    if (plan.isActive(line)) {
      int sign = line.direction().sign();
      timing(line).emit(line, movements, new Adding(line, flows, timelineOf(country(line))));
      if (line.assumption() instanceof Assumption.Stream) {
        flows.netWithBooked(sign, timing(line).onAccount(line, movements));
      }
      for (CashOverride override : line.overrides()) {
        flows.override(override, sign);
      }
    }
    return flows;
  }

  private LineTiming timing(Line line) {
    String country = country(line);
    return new LineTiming(plan, timelineOf(country), () -> paidDaysOf(country), activity, billings, settlements, items);
  }

  private TaxPoints taxPoints(Line line) {
    String country = country(line);
    return new TaxPoints(plan, timelineOf(country), () -> paidDaysOf(country), activity, billings);
  }

  /** Returns the account of a line that settles sales tax (rules 7.3). */
  public static SalesTaxAccount salesTax(Plan plan, Books books, Line line) {
    return settlements(plan, books).salesTax(line);
  }

  /** Emits a line's estimates into a sink of the caller's: the path on which figures are explained. */
  static void emit(Forecast forecast, Line line, BiFunction<Line, Timeline, FlowSink> sinkFor) {
    Forecaster forecaster = forecast.forecaster();
    Books books = forecast.books();
    Timeline days = forecaster.timelineOf(forecaster.country(line));
    Line billed = forecaster.billed(line);
    forecaster.timing(billed).emit(billed, books.byLine().getOrDefault(line.id(), List.of()), sinkFor.apply(billed, days));
  }

  /** Returns the account of a line that is pay by role (rules 7.1). */
  public static PayAccount pay(Plan plan, Books books, Line line) {
    return settlements(plan, books).pay(line);
  }

  /** Returns the accounts of everything that is settled by rules, and what the plan earns, its profit without interest of a sweep. */
  public static Settlements settlements(Plan plan, Books books) {
    return new Forecaster(plan, books).settlements;
  }

  private static String mainCountry(Books books) {
    return books.accounts().isEmpty() ? "--" : books.accounts().get(0).country();
  }

  private String country(Line line) {
    return country(books, line);
  }

  private static String country(Books books, Line line) {
    return books.accounts().stream().filter(account -> account.id().equals(line.account())).map(Account::country)
        .findFirst().orElse(mainCountry(books));
  }

  private Timeline timelineOf(String country) {
    return timelines.computeIfAbsent(country, code -> {
      LocalDate asOfDay = plan.settings().asOf();
      LocalDate first = books.findFirstDay().filter(day -> day.isBefore(asOfDay)).orElse(asOfDay);
      return new Timeline(YearMonth.from(first), YearMonth.from(plan.settings().horizonEnd()),
          BusinessDays.ofCountry(code));
    });
  }

  /** Returns the days of bills from the earliest one that may still be paid after the as-of date. */
  private PaidDays paidDaysOf(String country) {
    return paidDays.computeIfAbsent(country, code -> new PaidDays(new Timeline(
        plan.settings().firstForecastMonth().minusMonths(DayTerms.MOST_MONTHS), plan.lastEarnedMonth(), BusinessDays.ofCountry(code))));
  }

  /** Returns the days of a line's bills of some months, by the country of its account. */
  PaidDays paidDays(Line line, YearMonth from, YearMonth to) {
    return new PaidDays(new Timeline(from, to, BusinessDays.ofCountry(country(line))));
  }

  /** Adds estimates up by day. */
  private static final class Adding implements FlowSink {
    private final Spread spread;
    private final int sign;
    private final LineFlows flows;
    private final Timeline timeline;

    Adding(Line line, LineFlows flows, Timeline timeline) {
      this.spread = line.assumption() instanceof Assumption.Stream stream ? stream.spread() : null;
      this.sign = line.direction().sign();
      this.flows = flows;
      this.timeline = timeline;
    }

    @Override
    public void fromPattern(MonthBilling billing, int step) {
      spread.lay(billing.cash(step) * sign, billing.cashMonth(step), timeline, flows);
    }

    @Override
    public void fromDays(DayBilling billing, int day, long minor) {
      if (day >= 0 && day < timeline.days()) {
        flows.add(day, minor * sign);
      }
    }

    @Override
    public void fromTarget(TargetBilling billing, TargetBilling.Month month) {
      billing.lay(month, (day, minor) -> flows.add(day, minor * sign));
    }

    @Override
    public void fromTrueUp(Implied implied, Implied.Correction correction) {
      implied.lay(correction, (day, minor) -> flows.add(day, minor * sign));
    }

    @Override
    public void fromItem(ExpectedItem item, int day, long minor) {
      flows.addItem(item, day, minor * sign);
    }

    @Override
    public void fromCarried(CarriedAmount carried, int day) {
      flows.add(day, carried.amount() * sign);
    }

    @Override
    public void fromExpectation(Expectation expectation, int day, boolean overdue) {
      flows.add(day, expectation.left() * sign);
      if (overdue) {
        flows.markOverdue(day);
      }
    }
  }
}

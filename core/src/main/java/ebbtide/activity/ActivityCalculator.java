package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.StockPurchases;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The computation of every stream's monthly amounts (rules 2). One for a plan; it remembers what it has worked out. */
public final class ActivityCalculator {
  private final Plan plan;
  private final Map<String, Line> byId = new HashMap<>();
  private final Map<String, MonthlyActivity> done = new ConcurrentHashMap<>();
  private final Map<String, MonthlyActivity> billed = new ConcurrentHashMap<>();
  private final Map<String, MonthlyActivity> net = new ConcurrentHashMap<>();
  private final int firstMonth;
  private final int lastMonth;
  private final int firstForecastMonth;

  /** Makes the calculator for a plan without problems ({@link ebbtide.plan.PlanCheck}). */
  public ActivityCalculator(Plan plan) {
    this.plan = plan;
    this.firstForecastMonth = Timeline.monthNumber(plan.settings().firstForecastMonth());
    int first = firstForecastMonth;
    int last = Timeline.monthNumber(plan.lastEarnedMonth());
    int lag = 0;
    int lead = 0;
    int stockAhead = 0;
    for (Line line : plan.lines()) {
      byId.put(line.id(), line);
      if (line.assumption() instanceof Assumption.Stream stream) {
        lag = Math.max(lag, stream.terms().monthsBack());
        lead = Math.max(lead, stream.terms().monthsAhead());
        if (stream.method() instanceof StockPurchases stock) {
          stockAhead = Math.max(stockAhead, stock.policy().monthsAhead());
        }
        if (!stream.history().isEmpty()) {
          first = Math.min(first, Timeline.monthNumber(stream.history().firstKey()));
        }
      }
    }
    this.firstMonth = Math.min(first, firstForecastMonth - lag);
    this.lastMonth = last + lead + stockAhead;
  }

  /** Says what a line on books still bills by month; what reads the line goes on reading what is planned of it. */
  public void bills(Line line, MonthlyActivity left) {
    billed.put(line.id(), left);
  }

  /** Returns the monthly amounts that a line that is a stream bills: what is planned, of a line on books what is left of it. */
  public MonthlyActivity of(Line line) {
    return billed.containsKey(line.id()) ? billed.get(line.id()) : planned(line);
  }

  /** Returns the monthly amounts planned for a line that is a stream, from the first month known to the last one needed. */
  public MonthlyActivity planned(Line line) {
    MonthlyActivity known = done.get(line.id());
    if (known == null) {
      known = compute((Assumption.Stream) byId.get(line.id()).assumption());
      done.put(line.id(), known);
    }
    return known;
  }

  /** Returns the months of stock of a line that buys for it, from the first that is forecast; how long it lasts is asked there. */
  public StockRoll stock(Line line) {
    return ((StockAmounts) amounts((Assumption.Stream) line.assumption())).roll(lastMonth);
  }

  /** Returns what is planned for a line that is a stream, net of sales tax however the line types it: what other lines read of it (rules 3.1). */
  public MonthlyActivity net(String lineId) {
    MonthlyActivity known = net.get(lineId);
    if (known == null) {
      Line line = byId.get(lineId);
      known = planned(line).without(line.assumption().tax());
      net.put(lineId, known);
    }
    return known;
  }

  String nameOf(String lineId) {
    return byId.get(lineId).name();
  }

  private MonthlyAmounts amounts(Assumption.Stream stream) {
    return MonthlyAmounts.of(stream, plan.settings(), this);
  }

  private MonthlyActivity compute(Assumption.Stream stream) {
    long[] computed = amounts(stream).months(firstMonth, lastMonth);
    for (int m = firstMonth; m < firstForecastMonth; m++) {
      if (!(stream.method() instanceof ShareOfLine)) {
        computed[m - firstMonth] = 0;
      }
    }
    stream.history().headMap(plan.settings().firstForecastMonth())
        .forEach((month, amount) -> computed[Timeline.monthNumber(month) - firstMonth] = amount);
    long[] effective = computed.clone();
    stream.overrides().forEach((month, override) -> {
      int at = Timeline.monthNumber(month) - firstMonth;
      if (month.compareTo(plan.settings().firstForecastMonth()) >= 0 && at < effective.length) {
        effective[at] = override.amount();
      }
    });
    return new MonthlyActivity(firstMonth, computed, effective);
  }

  /** Returns where a stream's figure of a month comes from, in words: "history", "55% of Grocery chains 412,000". */
  public String words(Line line, int monthNumber) {
    Assumption.Stream stream = (Assumption.Stream) line.assumption();
    YearMonth month = Timeline.month(monthNumber);
    if (monthNumber < firstForecastMonth && stream.history().containsKey(month)) {
      return "actual of " + Words.month(month) + ", from history";
    }
    Assumption.MonthOverride override = stream.overrides().get(month);
    if (override != null && monthNumber >= firstForecastMonth) {
      return "overridden: " + override.reason() + " (computed "
          + Money.words(planned(line).computedIn(monthNumber), plan.settings().currency()) + ", " + amounts(stream).words(month) + ")";
    }
    if (monthNumber < firstForecastMonth && !(stream.method() instanceof ShareOfLine)) {
      return "no history of " + Words.month(month) + ": taken as nil";
    }
    return amounts(stream).words(month);
  }
}

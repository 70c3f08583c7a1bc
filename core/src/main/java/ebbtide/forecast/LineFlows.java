package ebbtide.forecast;

import ebbtide.books.DayAmount;
import ebbtide.plan.Line.CashOverride;
import ebbtide.money.Split;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import ebbtide.timing.ExpectedItem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The flows of one line by day of the timeline, signed minor units: settled and committed from the bank, estimated in
 * three stages (laid by the plan, netted with what is already booked, replaced by an override).
 */
final class LineFlows implements Spread.DaySink {
  private static final long[] NONE = new long[0];

  private final Timeline timeline;
  private final int asOf;
  private long[] settled = NONE;
  private long[] committed = NONE;
  private long[] items = NONE;
  private final long[] laid;
  private long[] netted;
  private long[] estimated;
  private boolean[] overdue;
  private final List<Forecast.ItemFlow> itemFlows = new ArrayList<>();

  LineFlows(Timeline timeline, int asOf) {
    this.timeline = timeline;
    this.asOf = asOf;
    this.laid = new long[timeline.days()];
    this.netted = laid;
    this.estimated = laid;
  }

  void addMovements(List<DayAmount> movements) {
    for (DayAmount movement : movements) {
      int day = timeline.index(movement.day());
      if (day <= asOf) {
        settled = settled.length == 0 ? new long[timeline.days()] : settled;
        settled[day] += movement.minor();
      } else if (day < timeline.days()) {
        committed = committed.length == 0 ? new long[timeline.days()] : committed;
        committed[day] += movement.minor();
      }
    }
  }

  /** Adds to the estimate laid by the plan; days up to the as-of date are facts and take none. */
  @Override
  public void add(int day, long minor) {
    if (day > asOf) {
      laid[day] += minor;
    }
  }

  /** Returns whether another line's estimates are the same, day by day. */
  boolean estimatesAs(LineFlows other) {
    return Arrays.equals(estimated, other.estimated);
  }

  /** Adds what an open item is expected to pay; it is committed, and nothing is netted with it. */
  void addItem(ExpectedItem item, int day, long minor) {
    itemFlows.add(new Forecast.ItemFlow(item, minor));
    if (day > asOf && day < timeline.days()) {
      items = items.length == 0 ? new long[timeline.days()] : items;
      items[day] += minor;
    }
  }

  void markOverdue(int day) {
    overdue = overdue == null ? new boolean[timeline.days()] : overdue;
    overdue[day] = true;
  }

  /**
   * Takes what is booked after the as-of date off the estimate of its month's days after it, the earliest days first,
   * never past zero: the bank's word replaces the plan's. The first of it is spent where open items took it on account.
   */
  void netWithBooked(int sign, long onAccount) {
    if (committed.length == 0) {
      return;
    }
    netted = laid.clone();
    long spent = onAccount;
    for (int month = timeline.firstMonth(); month <= timeline.lastMonth(); month++) {
      int start = Math.max(asOf + 1, timeline.startOfMonth(month));
      int end = timeline.startOfMonth(month) + timeline.lengthOfMonth(month);
      long booked = 0;
      for (int day = start; day < end; day++) {
        booked += committed[day] * sign;
      }
      long taken = Math.min(spent, Math.max(0, booked));
      spent -= taken;
      booked -= taken;
      for (int day = start; day < end && booked > 0; day++) {
        long used = Math.min(booked, Math.max(0, netted[day] * sign));
        netted[day] -= used * sign;
        booked -= used;
      }
    }
    estimated = netted;
  }

  /** Replaces the estimate in an override's period by override - settled - committed (rules 5.3); lapsed ones don't. */
  void override(CashOverride override, int sign) {
    int start = Math.max(0, timeline.index(override.period().startInclusive()));
    int end = Math.min(timeline.days(), timeline.index(override.period().endExclusive()));
    int open = Math.max(start, asOf + 1);
    if (open >= end) {
      return;
    }
    if (estimated == netted) {
      estimated = netted.clone();
    }
    long left = override.amount() * sign - sum(settled, start, end) - sum(committed, start, end) - sum(items, start, end);
    long[] parts = Split.byWeights(left, weights(open, end));
    System.arraycopy(parts, 0, estimated, open, parts.length);
  }

  /** The override lies over the days as the estimate did; without one, even over the business days. */
  private long[] weights(int from, int to) {
    long[] weights = new long[to - from];
    for (int day = from; day < to; day++) {
      weights[day - from] = Math.abs(netted[day]);
    }
    if (Arrays.stream(weights).allMatch(w -> w == 0)) {
      for (int day = from; day < to; day++) {
        weights[day - from] = timeline.calendar().isBusinessDay(timeline.date(day)) ? 1 : 0;
      }
    }
    if (Arrays.stream(weights).allMatch(w -> w == 0)) {
      weights[weights.length - 1] = 1;
    }
    return weights;
  }

  Cell cell(int from, int to) {
    return Cell.flow(sum(settled, from, to), sum(committed, from, to) + sum(items, from, to), sum(estimated, from, to));
  }

  long netted(int from, int to) {
    return sum(netted, from, to);
  }

  long laid(int from, int to) {
    return sum(laid, from, to);
  }

  boolean isOverdue(int from, int to) {
    if (overdue != null) {
      for (int day = from; day < to; day++) {
        if (overdue[day]) {
          return true;
        }
      }
    }
    return false;
  }

  boolean isOverridden() {
    return estimated != netted;
  }

  long on(Part part, int day) {
    long[] days = part == Part.SETTLED ? settled : part == Part.COMMITTED ? committed : estimated;
    return (days.length == 0 ? 0 : days[day]) + (part == Part.COMMITTED && items.length > 0 ? items[day] : 0);
  }

  List<Forecast.ItemFlow> itemFlows() {
    return itemFlows;
  }

  /** Returns a part's days from one index to another, an empty array where all are nil. */
  long[] days(Part part, int from, int to) {
    long[] days = new long[to - from];
    boolean any = false;
    for (int day = from; day < to; day++) {
      days[day - from] = on(part, day);
      any |= days[day - from] != 0;
    }
    return any ? days : NONE;
  }

  void addTo(long[] net) {
    addTo(net, settled);
    addTo(net, committed);
    addTo(net, items);
    addTo(net, estimated);
  }

  private static void addTo(long[] net, long[] days) {
    for (int day = 0; day < days.length; day++) {
      net[day] += days[day];
    }
  }

  private static long sum(long[] days, int from, int to) {
    long sum = 0;
    for (int day = from; day < Math.min(to, days.length); day++) {
      sum += days[day];
    }
    return sum;
  }

  LocalDate date(int day) {
    return timeline.date(day);
  }
}

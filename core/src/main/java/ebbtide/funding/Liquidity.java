package ebbtide.funding;

import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.Arrays;

/**
 * Cash against minimum cash and the facility's limit by day (rules 8.7): liquidity = cash + undrawn limit, headroom =
 * liquidity - minimum cash. Nothing is drawn by the plan here, so the whole limit is undrawn.
 */
public final class Liquidity {
  private final long[] cash;
  private final long[] minimum;
  private final long[] limit;

  private Liquidity(long[] cash, long[] minimum, long[] limit) {
    this.cash = cash;
    this.minimum = minimum;
    this.limit = limit;
  }

  /** Returns the liquidity of closing cash by day of the timeline, in minor units. */
  public static Liquidity of(Settings settings, Timeline timeline, long[] closingCash) {
    Steps<Long> limits = settings.facility() == null ? Steps.none() : settings.facility().limit();
    return new Liquidity(closingCash, byDay(settings.minimumCash(), timeline), byDay(limits, timeline));
  }

  private static long[] byDay(Steps<Long> steps, Timeline timeline) {
    long[] values = new long[timeline.days()];
    for (Steps.Step<Long> step : steps.steps()) {
      int from = Math.max(0, timeline.index(step.from()));
      if (from < values.length) {
        Arrays.fill(values, from, values.length, step.value());
      }
    }
    return values;
  }

  public long minimum(int day) {
    return minimum[day];
  }

  public long limit(int day) {
    return limit[day];
  }

  public long liquidity(int day) {
    return cash[day] + limit[day];
  }

  public long headroom(int day) {
    return liquidity(day) - minimum[day];
  }

  /** Returns the day of the least headroom from one day to another, both included; the earliest on ties. */
  public int worstDay(int from, int to) {
    int worst = from;
    for (int day = from + 1; day <= to; day++) {
      if (headroom(day) < headroom(worst)) {
        worst = day;
      }
    }
    return worst;
  }

  /**
   * Returns how deep the water is on a day: 0 below zero, 1 under a quarter of the limit, 2 to 5 by further quarters;
   * without a limit, minimum cash takes its place.
   */
  public int depth(int day) {
    long measure = limit[day] > 0 ? limit[day] : minimum[day];
    long headroom = headroom(day);
    if (headroom < 0) {
      return 0;
    }
    return measure == 0 ? 5 : (int) Math.min(5, 1 + headroom * 4 / measure);
  }

  /** Returns the peak need after a day: the most by which minimum cash exceeds cash, not below zero (rules 8.7). */
  public long peakNeed(int afterDay, int lastDay) {
    long most = 0;
    for (int day = afterDay + 1; day <= lastDay; day++) {
      most = Math.max(most, minimum[day] - cash[day]);
    }
    return most;
  }

  /** The day of the least headroom over the horizon, and the cash on it. */
  public record LowWater(LocalDate day, long headroom, long cash) {}

  /** Returns the low water after a day (rules 8.7). */
  public LowWater lowWater(int afterDay, int lastDay, Timeline timeline) {
    int worst = worstDay(afterDay + 1, lastDay);
    return new LowWater(timeline.date(worst), headroom(worst), cash[worst]);
  }
}

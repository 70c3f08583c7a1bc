package ebbtide.timing;

import ebbtide.activity.MonthlyActivity;
import ebbtide.books.OpenItem;
import ebbtide.money.Rounding;
import ebbtide.plan.Assumption;
import ebbtide.plan.Settings;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What invoices and orders leave of each month planned for a stream on books (rules 5.1): left = planned - invoiced - on order, never
 * below zero; below zero it is over by that, and takes nothing from other months. In minor units as the line types them, net or gross.
 */
public final class LeftOfPlan {
  private final List<Month> months = new ArrayList<>();
  private final MonthlyActivity billed;

  /** A month: what is planned, invoiced less credit notes, and on order without an invoice. */
  public record Month(YearMonth month, long planned, long invoiced, long onOrder) {
    public long left() {
      return Math.max(0, planned - invoiced - onOrder);
    }

    /** Returns by how much invoices and orders exceed the plan, zero if they don't. */
    public long overBy() {
      return Math.max(0, invoiced + onOrder - planned);
    }
  }

  /** Works out what is left of the months planned from the first that is forecast. */
  public LeftOfPlan(Assumption.Stream stream, List<OpenItem> items, MonthlyActivity planned, Settings settings, Timeline timeline) {
    boolean gross = stream.tax().amountsAreGross();
    int open = Timeline.monthNumber(settings.firstForecastMonth());
    Map<Integer, Long> invoiced = new HashMap<>();
    Map<Integer, Long> onOrder = new HashMap<>();
    for (OpenItem item : items) {
      if (item.kind() == OpenItem.Kind.ORDER) {
        onOrder.merge(month(delivered(item, settings.asOf())), gross ? item.amount().open() : item.amount().open() - taxOfOpen(item), Long::sum);
      } else {
        long amount = gross ? item.amount().gross() : item.amount().net();
        invoiced.merge(month(item.supplied()), item.kind() == OpenItem.Kind.CREDIT_NOTE ? -amount : amount, Long::sum);
      }
    }
    long[] left = new long[planned.effective().length];
    for (int month = open; month <= planned.lastMonth(); month++) {
      Month one = new Month(Timeline.month(month), planned.in(month), invoiced.getOrDefault(month, 0L), onOrder.getOrDefault(month, 0L));
      months.add(one);
      left[month - planned.firstMonth()] = one.left();
    }
    passOn(left, open - planned.firstMonth(), open, settings.asOf(), timeline);
    billed = new MonthlyActivity(planned.firstMonth(), planned.computed(), left);
  }

  /** Without a business day left in its month, what is left is timed as activity of the next one, where the first business day is. */
  private static void passOn(long[] left, int at, int open, LocalDate asOf, Timeline timeline) {
    int asOfIndex = timeline.index(asOf);
    boolean within = timeline.startOfMonth(open) <= asOfIndex;
    if (within && at + 1 < left.length && new RestOfMonth(timeline, open, asOfIndex).businessDays().length == 0) {
      left[at + 1] += left[at];
      left[at] = 0;
    }
  }

  private static int month(LocalDate day) {
    return Timeline.monthNumber(YearMonth.from(day));
  }

  /** Returns the day on which an order is delivered: one that should have been by the as-of date is looked for after it. */
  static LocalDate delivered(OpenItem order, LocalDate asOf) {
    return order.supplied().isAfter(asOf) ? order.supplied() : asOf.plusDays(1);
  }

  /** Returns the sales tax within what is open of an item. */
  static long taxOfOpen(OpenItem item) {
    OpenItem.Amount amount = item.amount();
    return amount.gross() == 0 ? 0
        : Rounding.divide(BigDecimal.valueOf(amount.tax()).multiply(BigDecimal.valueOf(amount.open())), amount.gross());
  }

  /** Returns the months from the first that is forecast. */
  public List<Month> months() {
    return List.copyOf(months);
  }

  /** Returns what is still to be billed, by month. */
  public MonthlyActivity billed() {
    return billed;
  }
}

package ebbtide.timing;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.books.OpenItem;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The months billed by streams that are paid by a pattern, each parted once: what pays them, what their tax is and what they earn
 * all read the same. Months that bill nothing are null.
 */
public final class Billings {
  private final ActivityCalculator activity;
  private final ItemTiming items;
  private final Map<String, MonthBilling[]> byLine = new ConcurrentHashMap<>();

  public Billings(ActivityCalculator activity, ItemTiming items) {
    this.activity = activity;
    this.items = items;
  }

  /** Returns what is known to be billed of a stream on books besides what the plan leaves; nothing for any other line. */
  List<OpenItem> known(Line line) {
    return line.assumption() instanceof Assumption.Stream ? items.known(line) : List.of();
  }

  /** Returns when a line's open items are paid. */
  List<ExpectedItem> expected(Line line) {
    return line.assumption() instanceof Assumption.Stream ? items.of(line) : List.of();
  }

  /** Returns the billing of a month of a stream's line, null when it bills nothing then. */
  MonthBilling in(Line line, int month) {
    MonthlyActivity amounts = activity.of(line);
    int at = month - amounts.firstMonth();
    if (at < 0 || month > amounts.lastMonth()) {
      return null;
    }
    return byLine.computeIfAbsent(line.id(), id -> all((Assumption.Stream) line.assumption(), amounts))[at];
  }

  private static MonthBilling[] all(Assumption.Stream stream, MonthlyActivity amounts) {
    MonthBilling.Series series = new MonthBilling.Series(stream.tax(), stream.terms().pattern());
    MonthBilling[] billings = new MonthBilling[amounts.lastMonth() - amounts.firstMonth() + 1];
    for (int i = 0; i < billings.length; i++) {
      long amount = amounts.in(amounts.firstMonth() + i);
      billings[i] = amount == 0 ? null : series.bill(amounts.firstMonth() + i, amount);
    }
    return billings;
  }
}

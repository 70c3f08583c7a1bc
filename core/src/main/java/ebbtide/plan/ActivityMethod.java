package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** How a stream's monthly amount is found (rules 2.1). Amounts are in minor units, zero or more. */
public sealed interface ActivityMethod {

  /** The same amount every month, with steps. */
  record FixedAmount(Steps<Long> amount) implements ActivityMethod {
    public FixedAmount {
      requireAmounts(amount);
    }
  }

  /**
   * A base that grows by a percentage each month, compounding unrounded, counted since the base's last step. A month
   * of its own in {@code growthOf} takes that growth over the month before in place of the usual one.
   */
  record BaseWithGrowth(Steps<Long> base, Percent growth, SortedMap<YearMonth, Percent> growthOf)
      implements ActivityMethod {
    private static final Percent LEAST = Percent.HUNDRED.minus(Percent.HUNDRED).minus(Percent.HUNDRED);
    private static final Percent MOST = new Percent(10 * Percent.WHOLE);

    public BaseWithGrowth {
      requireAmounts(base);
      Check.inRange(growth, LEAST, MOST, "growth a month");
      growthOf = java.util.Collections.unmodifiableSortedMap(new TreeMap<>(growthOf));
      growthOf.forEach((month, rate) -> Check.inRange(rate, LEAST, MOST, "growth of " + month));
    }

    /** Returns the growth of a month over the one before. */
    public Percent growthIn(YearMonth month) {
      return growthOf.getOrDefault(month, growth);
    }
  }

  /** A figure for each month; a month without one is the same month of the year before, else the last (rules 2.6). */
  record TypedMonths(SortedMap<YearMonth, Long> amounts) implements ActivityMethod {
    public TypedMonths {
      amounts = amountsByMonth(amounts, "amount of ");
    }
  }

  /** A percentage of another stream's month. */
  record ShareOfLine(String lineId, Percent share) implements ActivityMethod {
    public ShareOfLine {
      Check.text(lineId, "the line a share is taken of");
      Check.inRange(share, Percent.ZERO, new Percent(100 * Percent.WHOLE), "share of the other line");
    }
  }

  private static void requireAmounts(Steps<Long> steps) {
    steps.steps().forEach(step -> {
      requireDate(step.from());
      Check.notNegative(step.value(), "amount from " + step.from());
    });
  }

  private static void requireDate(LocalDate day) {
    Check.inRange(day.getYear(), 1990, 2120, "year of " + day);
  }

  /** Returns a read-only copy of amounts by month, refusing negative ones by the name of their month. */
  static SortedMap<YearMonth, Long> amountsByMonth(Map<YearMonth, Long> amounts, String name) {
    TreeMap<YearMonth, Long> copy = new TreeMap<>(amounts);
    copy.forEach((month, minor) -> {
      requireDate(month.atDay(1));
      Check.notNegative(minor, name + month);
    });
    return java.util.Collections.unmodifiableSortedMap(copy);
  }
}

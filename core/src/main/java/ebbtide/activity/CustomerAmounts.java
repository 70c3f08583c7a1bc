package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.money.Rounding;
import ebbtide.plan.ActivityMethod.FeeOn;
import ebbtide.plan.ActivityMethod.LostAs;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.Settings;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.YearMonth;

/**
 * The monthly fees of customers: opening + gained - lost = closing, unrounded, and no more are lost than there are. The
 * fee is the closing ones', or the mean's of opening and closing, rounded once (rules 2.1).
 */
record CustomerAmounts(RecurringCustomers customers, Settings settings) implements MonthlyAmounts {
  private static final BigDecimal HALF = new BigDecimal("0.5");

  /** The customers of a month. */
  record Count(BigDecimal opening, BigDecimal gained, BigDecimal lost, BigDecimal fee) {
    BigDecimal closing() {
      return opening.add(gained).subtract(lost);
    }
  }

  @Override
  public long[] months(int first, int last) {
    long[] amounts = new long[last - first + 1];
    Count[] counts = counts(last);
    for (int i = 0; i < counts.length; i++) {
      int month = Timeline.monthNumber(customers.from()) + i;
      if (month >= first) {
        amounts[month - first] = amount(counts[i]);
      }
    }
    return amounts;
  }

  /** Returns the customers of each month from the first counted one to a last one. */
  private Count[] counts(int last) {
    int start = Timeline.monthNumber(customers.from());
    if (start > last) {
      return new Count[0];
    }
    DriverPath gained = new DriverPath(customers.gained(), start, last);
    DriverPath lost = new DriverPath(customers.lost(), start, last);
    DriverPath fee = new DriverPath(customers.fee(), start, last);
    Count[] counts = new Count[last - start + 1];
    BigDecimal opening = customers.opening();
    for (int i = 0; i < counts.length; i++) {
      YearMonth month = Timeline.month(start + i);
      BigDecimal more = gained.in(month, settings.amountSteps());
      BigDecimal less = lost.in(month, settings.amountSteps());
      if (customers.lostAs() == LostAs.PERCENT) {
        less = opening.multiply(less, DriverPath.DIGITS).movePointLeft(2);
      }
      counts[i] = new Count(opening, more, less.min(opening.add(more)), fee.in(month, settings.amountSteps()));
      opening = counts[i].closing().round(DriverPath.DIGITS);
    }
    return counts;
  }

  private BigDecimal paying(Count count) {
    return customers.feeOn() == FeeOn.CLOSING ? count.closing()
        : count.opening().add(count.closing()).multiply(HALF);
  }

  private long amount(Count count) {
    return Rounding.toAmount(paying(count).multiply(count.fee(), DriverPath.DIGITS)
        .movePointRight(Money.decimals(settings.currency())));
  }

  @Override
  public String words(YearMonth month) {
    Count[] counts = counts(Timeline.monthNumber(month));
    if (counts.length == 0) {
      return "customers are counted from " + Words.month(customers.from()) + " on";
    }
    Count count = counts[counts.length - 1];
    return Words.number(count.opening()) + " customers + " + Words.number(count.gained()) + " gained \u2212 "
        + Words.number(count.lost()) + " lost = " + Words.number(count.closing()) + "; fee " + Words.number(count.fee())
        + (customers.feeOn() == FeeOn.CLOSING ? " from each" : " from the mean of opening and closing, "
            + Words.number(paying(count)));
  }
}

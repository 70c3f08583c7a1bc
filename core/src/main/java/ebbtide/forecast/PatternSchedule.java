package ebbtide.forecast;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import ebbtide.timing.MonthBilling;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A stream laid out month by cash month (rules 3.2): what each month bills and when it is paid, with discounts, what is
 * written off and what is still owed at each month's end. Minor units, unsigned, gross of sales tax; whole months as the
 * pattern has them, before any netting with the bank.
 */
public record PatternSchedule(List<YearMonth> cashMonths, List<Billed> billed, List<Long> cash, List<Long> discounts,
    List<Long> writtenOff, List<Long> owed) {

  /** One month's billing: its amount as typed, gross, and the cash of each step. */
  public record Billed(YearMonth month, long amount, long gross, List<Payment> payments) {}

  /** What a step of a month's billing pays, in a cash month. */
  public record Payment(int step, YearMonth month, long gross, long discount, long cash) {}

  /** Returns the schedule of a stream's line for cash months from one on. */
  public static PatternSchedule of(Plan plan, Line line, YearMonth firstCashMonth, int months) {
    Assumption.Stream stream = (Assumption.Stream) line.assumption();
    MonthlyActivity activity = new ActivityCalculator(plan).of(line);
    MonthPattern pattern = stream.pattern();
    MonthBilling.Series series = new MonthBilling.Series(stream.tax(), pattern);
    int first = Timeline.monthNumber(firstCashMonth);
    int reach = Math.max(pattern.longestLag(), pattern.monthsToWriteOff());
    List<Billed> billed = new ArrayList<>();
    long[] cash = new long[months];
    long[] discounts = new long[months];
    long[] writtenOff = new long[months];
    long[] owed = new long[months];
    for (int m = first - reach; m < first + months + pattern.longestLead(); m++) {
      MonthBilling billing = series.bill(m, activity.in(m));
      List<Payment> payments = new ArrayList<>();
      addTo(owed, m - first, billing.gross());
      for (int step = 0; step < pattern.steps().size(); step++) {
        int at = billing.cashMonth(step) - first;
        addTo(owed, at, -billing.grossOf(step));
        if (at >= 0 && at < months) {
          cash[at] += billing.cash(step);
          discounts[at] += billing.discount(step);
          payments.add(new Payment(step, Timeline.month(billing.cashMonth(step)), billing.grossOf(step),
              billing.discount(step), billing.cash(step)));
        }
      }
      int off = billing.writeOffMonth() - first;
      addTo(owed, off, -billing.writtenOff());
      if (off >= 0 && off < months) {
        writtenOff[off] += billing.writtenOff();
      }
      boolean inWindow = m >= first && m < first + months;
      if (!payments.isEmpty() || inWindow) {
        billed.add(new Billed(Timeline.month(m), activity.in(m), billing.gross(), payments));
      }
    }
    List<YearMonth> cashMonths = new ArrayList<>();
    for (int i = 0; i < months; i++) {
      cashMonths.add(firstCashMonth.plusMonths(i));
    }
    return new PatternSchedule(cashMonths, billed, list(cash), list(discounts), list(writtenOff), list(owed));
  }

  /** Adds a change of what is owed to every month end from one on. */
  private static void addTo(long[] owed, int from, long minor) {
    for (int i = Math.max(0, from); i < owed.length; i++) {
      owed[i] += minor;
    }
  }

  private static List<Long> list(long[] values) {
    return Arrays.stream(values).boxed().toList();
  }
}

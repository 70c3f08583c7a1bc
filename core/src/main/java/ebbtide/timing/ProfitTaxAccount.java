package ebbtide.timing;

import ebbtide.plan.Certainty;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** The tax on profit that a plan owes: its expense by month, and when it is paid (rules 7.4). */
public final class ProfitTaxAccount {
  private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
  private final Plan plan;
  private final ProfitTax tax;
  private final BusinessDays calendar;
  private final long[] profit;
  private final long[] expense;
  private final int open;
  private final List<Due> dues = new ArrayList<>();

  ProfitTaxAccount(Plan plan, Line line, BusinessDays calendar, long[] profit) {
    this.plan = plan;
    this.tax = (ProfitTax) line.assumption();
    this.calendar = calendar;
    this.profit = profit;
    this.expense = new long[profit.length];
    this.open = Timeline.monthNumber(plan.settings().firstForecastMonth());
    if (tax.mode() == ProfitTax.Mode.MONTH) {
      byMonth();
    } else {
      byYear();
    }
    dues.sort(Comparator.comparing(Due::day));
  }

  /** Returns the expense by month from the first that is forecast; below zero where a loss takes back what was expensed. */
  public long[] expense() {
    return expense.clone();
  }

  /** Returns what is owed at the end of the month before the first that is forecast: earlier years' and this one's, less paid. */
  public long opening() {
    return tax.owed() + tax.soFar().tax() - tax.soFar().paid();
  }

  List<Due> dues() {
    return dues;
  }

  private void byMonth() {
    for (int i = 0; i < profit.length; i++) {
      expense[i] = Math.max(0, tax.rate().of(profit[i]));
      YearMonth paid = Timeline.month(open + i).plusMonths(tax.monthsAfter());
      pay(dayOf(paid, tax.day()), expense[i], "profit tax of " + MONTH.format(Timeline.month(open + i)));
    }
    pay(dayOf(Timeline.month(open - 1).plusMonths(tax.monthsAfter()), tax.day()), opening(), "profit tax of earlier months");
  }

  private void byYear() {
    int firstMonth = plan.settings().firstFiscalMonth().getValue();
    int intoYear = Math.floorMod(Timeline.month(open).getMonthValue() - firstMonth, 12);
    int start = open - intoYear;
    long losses = tax.soFar().losses();
    long lastTax = tax.lastYearTax();
    pay(settled(start - 12), tax.owed(), "profit tax of earlier years");
    for (; start < open + profit.length; start += 12) {
      boolean first = start < open;
      long earned = first ? tax.soFar().profit() : 0;
      long expensed = first ? tax.soFar().tax() : 0;
      for (int month = Math.max(start, open); month < start + 12 && month < open + profit.length; month++) {
        earned += profit[month - open];
        long due = tax.rate().of(Math.max(0, earned - losses));
        expense[month - open] = due - expensed;
        expensed = due;
      }
      long base = tax.instalmentsOf() == ProfitTax.InstalmentsOf.LAST_YEAR ? lastTax : expensed;
      long paid = (first ? tax.soFar().paid() : 0) + payInstalments(start, base);
      if (start + 12 <= open + profit.length) {
        pay(settled(start), expensed - paid, "the rest of the profit tax of the year to " + MONTH.format(Timeline.month(start + 11)));
      }
      losses = Math.max(0, losses - earned);
      lastTax = expensed;
    }
  }

  private LocalDate settled(int start) {
    return dayOf(Timeline.month(start + 11).plusMonths(tax.monthsAfter()), tax.day());
  }

  /** Instalments up to the as-of date are those said to be paid. */
  private long payInstalments(int start, long base) {
    long sum = 0;
    for (ProfitTax.Instalment one : tax.instalments()) {
      LocalDate day = dayOf(Timeline.month(start + one.month() - 1), one.day());
      if (tax.convention().adjust(day, calendar).isAfter(plan.settings().asOf())) {
        long part = one.share().of(base);
        pay(day, part, "profit tax in advance, " + one.share() + " of " + (tax.instalmentsOf() == ProfitTax.InstalmentsOf.LAST_YEAR
            ? "last year's" : "this year's"));
        sum += part;
      }
    }
    return sum;
  }

  private static LocalDate dayOf(YearMonth month, int day) {
    return month.atDay(Math.min(day, month.lengthOfMonth()));
  }

  private void pay(LocalDate day, long minor, String words) {
    if (minor != 0) {
      dues.add(Due.whole(day, tax.convention().adjust(day, calendar), minor, Certainty.CERTAIN, Due.Lasting.UNTIL_PAID, words));
    }
  }
}

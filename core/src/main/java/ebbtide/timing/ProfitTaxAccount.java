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
import java.util.Arrays;
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
  private final long[] beforeSwept;
  private final long[] expense;
  private final long[] expenseBeforeSwept;
  private final int open;
  private final int months;
  private final List<Due> dues = new ArrayList<>();

  ProfitTaxAccount(Plan plan, Line line, BusinessDays calendar, Earnings earnings) {
    this.plan = plan;
    this.tax = (ProfitTax) line.assumption();
    this.calendar = calendar;
    this.profit = earnings.profitToLast();
    this.beforeSwept = profit.clone();
    long[] swept = earnings.swept();
    this.months = swept.length;
    for (int i = 0; i < months; i++) {
      beforeSwept[i] -= swept[i];
    }
    this.expense = new long[profit.length];
    this.expenseBeforeSwept = new long[profit.length];
    this.open = Timeline.monthNumber(plan.settings().firstForecastMonth());
    if (tax.mode() == ProfitTax.Mode.MONTH) {
      byMonth(earnings.operating());
    } else {
      byYear();
    }
    dues.sort(Comparator.comparing(Due::day));
  }

  /** Returns the expense by month from the first that is forecast; below zero where a loss takes back what was expensed. */
  public long[] expense() {
    return Arrays.copyOf(expense, months);
  }

  /** Returns the expense as it would be without interest of the sweep: what is paid out month by month reads it (rules 8.9). */
  long[] expenseBeforeSwept() {
    return Arrays.copyOf(expenseBeforeSwept, months);
  }

  /** Returns what is owed at the end of the month before the first that is forecast: earlier years' and this one's, less paid. */
  public long opening() {
    return tax.owed() + tax.soFar().tax() - tax.soFar().paid();
  }

  List<Due> dues() {
    return dues;
  }

  private void byMonth(long[] operating) {
    for (int i = 0; i < months; i++) {
      expense[i] = Math.max(0, tax.rate().of(operating[i]));
      expenseBeforeSwept[i] = expense[i];
      YearMonth paid = Timeline.month(open + i).plusMonths(tax.monthsAfter());
      pay(dayOf(paid, tax.day()), expense[i], "profit tax of " + MONTH.format(Timeline.month(open + i)));
    }
    pay(dayOf(Timeline.month(open - 1).plusMonths(tax.monthsAfter()), tax.day()), opening(), "profit tax of earlier months");
  }

  private void byYear() {
    int firstMonth = plan.settings().firstFiscalMonth().getValue();
    int intoYear = Math.floorMod(Timeline.month(open).getMonthValue() - firstMonth, 12);
    int start = open - intoYear;
    pay(settled(start - 12), tax.owed(), "profit tax of earlier years");
    Year year = new Year(tax.lastYearTax(), tax.soFar().losses());
    Year before = new Year(tax.lastYearTax(), tax.soFar().losses());
    for (; start < open + months; start += 12) {
      boolean first = start < open;
      long lastTax = year.tax;
      year.pass(start, profit, expense);
      before.losses = year.lossesBefore;
      before.pass(start, beforeSwept, expenseBeforeSwept);
      // A year that is not over knows only what the sweep does not change: its interest is made good in the rest.
      long base = tax.instalmentsOf() == ProfitTax.InstalmentsOf.LAST_YEAR ? lastTax : before.tax;
      long paid = payInstalments(start, base, first ? tax.soFar().paid() : 0);
      if (start + 12 <= open + months) {
        pay(settled(start), year.tax - paid, "the rest of the profit tax of the year to " + MONTH.format(Timeline.month(start + 11)));
      }
    }
  }

  /** A fiscal year after the other: the tax of the last and the losses brought forward. */
  private final class Year {
    private long tax;
    private long losses;
    private long lossesBefore;

    Year(long lastTax, long losses) {
      this.tax = lastTax;
      this.losses = losses;
    }

    void pass(int start, long[] profits, long[] expenses) {
      boolean first = start < open;
      ProfitTax.YearSoFar soFar = ProfitTaxAccount.this.tax.soFar();
      long earned = first ? soFar.profit() : 0;
      long expensed = first ? soFar.tax() : 0;
      for (int month = Math.max(start, open); month < start + 12 && month < open + profits.length; month++) {
        earned += profits[month - open];
        long due = ProfitTaxAccount.this.tax.rate().of(Math.max(0, earned - losses));
        expenses[month - open] = due - expensed;
        expensed = due;
      }
      lossesBefore = losses;
      losses = Math.max(0, losses - earned);
      tax = expensed;
    }
  }

  private LocalDate settled(int start) {
    return dayOf(Timeline.month(start + 11).plusMonths(tax.monthsAfter()), tax.day());
  }

  /**
   * Asks for a year's instalments. Those up to the as-of date are paid as far as what is said to be paid covers them, the earliest first; what is
   * left of them stands (rules 1.9). Returns what the year has paid in advance in the end.
   */
  private long payInstalments(int start, long base, long paid) {
    long sum = paid;
    long covers = paid;
    for (ProfitTax.Instalment one : tax.instalments()) {
      LocalDate day = dayOf(Timeline.month(start + one.month() - 1), one.day());
      long part = one.share().of(base);
      if (!tax.convention().adjust(day, calendar).isAfter(plan.settings().asOf())) {
        long covered = Math.min(covers, part);
        covers -= covered;
        part -= covered;
      }
      pay(day, part, "profit tax in advance, " + one.share() + " of " + (tax.instalmentsOf() == ProfitTax.InstalmentsOf.LAST_YEAR
          ? "last year's" : "this year's"));
      sum += part;
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

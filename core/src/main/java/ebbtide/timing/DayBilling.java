package ebbtide.timing;

import ebbtide.plan.DayTerms;
import ebbtide.plan.SalesTax;
import ebbtide.time.Spread;

/**
 * What is billed for one month and issued day by day as the line's spread lays it; each day's part is paid by terms of
 * days (rules 3.3). Minor units, unsigned.
 */
public record DayBilling(int month, long gross, long tax, DayTerms terms) {

  /** Returns the billing of a month's amount, as the line types it, with its tax. */
  public static DayBilling of(int monthNumber, long amount, SalesTax salesTax, DayTerms terms) {
    long tax = salesTax.taxOf(amount);
    return new DayBilling(monthNumber, salesTax.amountsAreGross() ? amount : amount + tax, tax, terms);
  }

  public long net() {
    return gross - tax;
  }

  /**
   * Lays the gross over the days it is issued on and from each to the day it is paid, by the index of that day on the
   * timeline of issues, which may lie beyond its end. Terms that count from the month need no day of issue.
   */
  public void lay(Spread spread, PaidDays days, Spread.DaySink sink) {
    int[] paid = days.of(terms);
    if (terms.due() == DayTerms.Due.AFTER_ISSUE) {
      spread.lay(gross, month, days.issues(), (day, minor) -> sink.add(paid[day], minor));
    } else {
      sink.add(paid[days.issues().startOfMonth(month)], gross);
    }
  }
}

package ebbtide.timing;

import ebbtide.plan.DayTerms;
import ebbtide.plan.SalesTax;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.time.LocalDate;

/**
 * What is billed for one month and issued day by day as the line's spread lays it; each day's part is paid by terms of
 * days (rules 3.3). Minor units, unsigned.
 */
public record DayBilling(int month, long gross, long tax, DayTerms terms) {

  /** Receives the part of a month's billing that is paid on a day. */
  public interface PaidSink {
    void paid(LocalDate day, long minor);
  }

  /** Returns the billing of a month's amount, as the line types it, with its tax. */
  public static DayBilling of(int monthNumber, long amount, SalesTax salesTax, DayTerms terms) {
    long tax = salesTax.taxOf(amount);
    return new DayBilling(monthNumber, salesTax.amountsAreGross() ? amount : amount + tax, tax, terms);
  }

  public long net() {
    return gross - tax;
  }

  /** Lays the gross over the days it is issued on, which lie on the timeline, and from each to the day it is paid. */
  public void lay(Spread spread, Timeline timeline, PaidSink sink) {
    spread.lay(gross, month, timeline, (day, minor) ->
        sink.paid(terms.paidDay(timeline.date(day), timeline.calendar()), minor));
  }
}

package ebbtide.timing;

import ebbtide.plan.Assumption;
import ebbtide.plan.Netting;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** The sums that a line planned by date brings: bills that come back (rules 7.2) and single items (rules 7.7). */
final class PlannedDues {
  /** No sum is looked for further than 60 days from its date; a sum whose window reaches into those days may be nearer. */
  private static final int AROUND = 2 * Netting.Window.FURTHEST;

  private PlannedDues() {}

  /** Returns the dues whose window may reach a day or later, up to a while after the horizon, in order of date. */
  static List<Due> of(Assumption assumption, LocalDate asOf, LocalDate horizonEnd, BusinessDays calendar) {
    List<Due> dues = new ArrayList<>();
    if (assumption instanceof Assumption.Recurring recurring && recurring.expensing().nonCash()) {
      return dues;
    }
    if (assumption instanceof Assumption.Recurring recurring) {
      String words = recurring.when().words() + (recurring.termsDays() == 0 ? "" : ", paid " + recurring.termsDays() + " days after")
          + (recurring.yearlyUplift().millionths() == 0 ? "" : ", " + recurring.yearlyUplift() + " more each year")
          + taxWords(recurring);
      for (LocalDate bill : recurring.when().between(asOf.minusDays(AROUND + (long) recurring.termsDays()), horizonEnd.plusDays(Netting.Window.FURTHEST))) {
        LocalDate due = bill.plusDays(recurring.termsDays());
        dues.add(Due.whole(due, recurring.convention().adjust(due, calendar), recurring.tax().grossOf(recurring.amountOn(bill)),
            recurring.certainty(), Due.Lasting.BETWEEN_NEIGHBOURS, words));
      }
    } else if (assumption instanceof Assumption.DatedItems items) {
      items.items().forEach(item -> dues.add(Due.whole(item.date(), items.convention().adjust(item.date(), calendar),
          items.tax().grossOf(item.amount()), item.certainty(), Due.Lasting.ONE_OFF,
          (item.note().isEmpty() ? "single item" : item.note()) + taxWords(items))));
    }
    return dues;
  }

  private static String taxWords(Assumption assumption) {
    return assumption.tax().isNone() || assumption.tax().amountsAreGross() ? ""
        : ", with " + assumption.tax().rate() + " sales tax";
  }
}

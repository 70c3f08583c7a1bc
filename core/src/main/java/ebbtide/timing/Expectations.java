package ebbtide.timing;

import ebbtide.books.DayAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Assumption.DatedItem;
import ebbtide.plan.Direction;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** The occurrences of a line planned in cash, with what movements have used of each (rules 5.2). */
final class Expectations {
  private static final int WINDOW = 15;
  private static final int ONE_OFF_AFTER = 45;

  private Expectations() {}

  /** Returns the expectations whose window reaches a day or later, up to the horizon, used up by the movements. */
  static List<Expectation> of(Assumption assumption, Direction direction, LocalDate asOf, LocalDate horizonEnd,
      BusinessDays calendar, List<DayAmount> movements) {
    List<Expectation> found = new ArrayList<>();
    if (assumption instanceof Assumption.Recurring recurring) {
      addRecurring(recurring, asOf, horizonEnd, calendar, found);
    } else if (assumption instanceof Assumption.DatedItems items) {
      items.items().forEach(item -> found.add(oneOff(item, items.convention(), calendar)));
    }
    for (DayAmount movement : movements) {
      use(found, movement.day(), movement.minor() * direction.sign());
    }
    return found;
  }

  private static void addRecurring(Assumption.Recurring recurring, LocalDate asOf, LocalDate horizonEnd,
      BusinessDays calendar, List<Expectation> found) {
    int terms = recurring.termsDays();
    List<LocalDate> bills = recurring.when().between(asOf.minusDays(3L * WINDOW + terms), horizonEnd.plusDays(2L * WINDOW));
    List<LocalDate> due = bills.stream().map(bill -> bill.plusDays(terms)).toList();
    List<LocalDate> days = due.stream().map(day -> recurring.convention().adjust(day, calendar)).toList();
    String words = recurring.when().words() + (terms == 0 ? "" : ", paid " + terms + " days after")
        + (recurring.yearlyUplift().millionths() == 0 ? "" : ", " + recurring.yearlyUplift() + " more each year");
    for (int i = 0; i < days.size(); i++) {
      LocalDate day = days.get(i);
      LocalDate start = i == 0 ? day.minusDays(WINDOW) : later(day.minusDays(WINDOW), half(days.get(i - 1), day).plusDays(1));
      LocalDate end = i + 1 == days.size() ? day.plusDays(WINDOW)
          : earlier(day.plusDays(WINDOW), half(day, days.get(i + 1)));
      found.add(new Expectation(due.get(i), day, start, end, recurring.amountOn(bills.get(i)), 0, recurring.certainty(),
          words));
    }
  }

  private static Expectation oneOff(DatedItem item, Convention convention, BusinessDays calendar) {
    LocalDate day = convention.adjust(item.date(), calendar);
    return new Expectation(item.date(), day, day.minusDays(WINDOW), day.plusDays(ONE_OFF_AFTER), item.amount(), 0,
        item.certainty(), item.note().isEmpty() ? "single item" : item.note());
  }

  /** Lets a movement use up the nearest expectation whose window holds it; money the other way uses nothing up. */
  private static void use(List<Expectation> expectations, LocalDate day, long minor) {
    if (minor <= 0) {
      return;
    }
    int nearest = -1;
    for (int i = 0; i < expectations.size(); i++) {
      Expectation one = expectations.get(i);
      if (one.holds(day) && (nearest < 0 || one.distance(day) < expectations.get(nearest).distance(day)
          || one.distance(day) == expectations.get(nearest).distance(day) && expectations.get(nearest).left() == 0)) {
        nearest = i;
      }
    }
    if (nearest >= 0) {
      expectations.set(nearest, expectations.get(nearest).use(minor));
    }
  }

  private static LocalDate half(LocalDate one, LocalDate other) {
    return LocalDate.ofEpochDay(Math.floorDiv(one.toEpochDay() + other.toEpochDay(), 2));
  }

  private static LocalDate later(LocalDate one, LocalDate other) {
    return one.isAfter(other) ? one : other;
  }

  private static LocalDate earlier(LocalDate one, LocalDate other) {
    return one.isBefore(other) ? one : other;
  }
}

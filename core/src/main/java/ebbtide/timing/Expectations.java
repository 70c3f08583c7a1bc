package ebbtide.timing;

import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.plan.Direction;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** The sums that fall due on a line, with what movements have used of each (rules 5.2). */
final class Expectations {
  private static final int WINDOW = 15;
  private static final int ONE_OFF_AFTER = 45;

  private Expectations() {}

  /**
   * Returns an expectation for each due, in the order given, used up by the line's movements and by what is open of its items, each on its
   * original due date wherever it is now expected.
   */
  static List<Expectation> of(List<Due> dues, Direction direction, List<DayAmount> movements, List<OpenItem> items) {
    List<Expectation> found = new ArrayList<>();
    for (int i = 0; i < dues.size(); i++) {
      LocalDate day = dues.get(i).day();
      found.add(switch (dues.get(i).lasting()) {
        case BETWEEN_NEIGHBOURS -> new Expectation(dues.get(i), start(dues, i), end(dues, i), 0);
        case UNTIL_PAID -> new Expectation(dues.get(i), start(dues, i), LocalDate.MAX, 0);
        case ONE_OFF -> new Expectation(dues.get(i), day.minusDays(WINDOW), day.plusDays(ONE_OFF_AFTER), 0);
      });
    }
    for (DayAmount movement : movements) {
      use(found, movement.day(), movement.minor() * direction.sign());
    }
    items.stream().filter(item -> item.kind() != OpenItem.Kind.CREDIT_NOTE && item.amount().open() > 0)
        .forEach(item -> use(found, item.due(), item.amount().open()));
    return found;
  }

  private static LocalDate start(List<Due> dues, int i) {
    LocalDate day = dues.get(i).day();
    return i == 0 ? day.minusDays(WINDOW) : later(day.minusDays(WINDOW), half(dues.get(i - 1).day(), day).plusDays(1));
  }

  private static LocalDate end(List<Due> dues, int i) {
    LocalDate day = dues.get(i).day();
    return i + 1 == dues.size() ? day.plusDays(WINDOW) : earlier(day.plusDays(WINDOW), half(day, dues.get(i + 1).day()));
  }

  /** Lets a movement use up the nearest expectation whose window holds it; money the other way uses nothing up. */
  private static void use(List<Expectation> expectations, LocalDate day, long minor) {
    int nearest = -1;
    for (int i = 0; i < expectations.size(); i++) {
      Expectation one = expectations.get(i);
      boolean sameWay = one.amount() < 0 ? minor < 0 : minor > 0;
      if (sameWay && one.holds(day) && (nearest < 0 || one.distance(day) < expectations.get(nearest).distance(day)
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

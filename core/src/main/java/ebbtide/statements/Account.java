package ebbtide.statements;

import ebbtide.plan.OpeningSheet.Kind;
import java.util.List;

/**
 * What is owned (above zero) or owed on a line, or beside all lines, month by month (rules 9.3 c): its opening, each cause that moves it by
 * month, and its level at the end of each; minor units. {@code lineId} is null where no line moves it.
 */
public record Account(Kind kind, String lineId, String name, long opening, List<Cause> causes, long[] levels) {

  /** One cause of change, by month. */
  public record Cause(String name, long[] amounts) {}

  /** Makes an account whose levels follow from its opening and its causes, over so many months. */
  static Account of(Kind kind, String lineId, String name, long opening, int months, List<Cause> causes) {
    long[] levels = new long[months];
    long level = opening;
    for (int i = 0; i < months; i++) {
      for (Cause cause : causes) {
        level += cause.amounts()[i];
      }
      levels[i] = level;
    }
    return new Account(kind, lineId, name, opening, causes, levels);
  }

  /** Returns the level at the end of a month; -1 is the opening. */
  long at(int month) {
    return month < 0 ? opening : levels[month];
  }

  /** Returns what a month changes. */
  long change(int month) {
    return at(month) - at(month - 1);
  }
}

package ebbtide.track;

import ebbtide.books.DayAmount;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The cash of lines up to each day of the facts, so that the sum of any days is a difference of two. */
final class SumsToDay {
  private final Map<String, long[]> upTo = new HashMap<>();
  private final LocalDate first;
  private final LocalDate last;

  SumsToDay(Facts facts) {
    this.last = facts.asOf();
    this.first = facts.books().findFirstDay().filter(day -> day.isBefore(last)).orElse(last);
  }

  void put(String id, List<DayAmount> amounts) {
    if (amounts.isEmpty()) {
      return;
    }
    long[] sums = new long[(int) ChronoUnit.DAYS.between(first, last) + 2];
    for (DayAmount one : amounts) {
      if (!one.day().isAfter(last)) {
        sums[(int) ChronoUnit.DAYS.between(first, one.day()) + 1] += one.minor();
      }
    }
    for (int i = 1; i < sums.length; i++) {
      sums[i] += sums[i - 1];
    }
    upTo.put(id, sums);
  }

  /** Returns the sum from one day to another, both included. */
  long sum(String id, LocalDate from, LocalDate to) {
    long[] sums = upTo.get(id);
    return sums == null ? 0 : at(sums, to) - at(sums, from.minusDays(1));
  }

  private long at(long[] sums, LocalDate day) {
    long index = ChronoUnit.DAYS.between(first, day) + 1;
    return index <= 0 ? 0 : sums[(int) Math.min(index, sums.length - 1)];
  }
}

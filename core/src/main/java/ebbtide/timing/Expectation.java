package ebbtide.timing;

import ebbtide.plan.Certainty;
import java.time.LocalDate;

/**
 * One occurrence of cash planned by date (rules 5.2): its typed date, the day after its convention, the window in which
 * movements use it up, its amount in minor units and what has been used, both in the line's direction.
 */
public record Expectation(LocalDate typed, LocalDate day, LocalDate windowStart, LocalDate windowEnd, long amount,
    long used, Certainty certainty, String words) {

  /** Returns what is still expected, never below zero. */
  public long left() {
    return Math.max(0, amount - used);
  }

  /** Returns by how much the movements exceed the expectation, zero if they don't. */
  public long overBy() {
    return Math.max(0, used - amount);
  }

  boolean holds(LocalDate date) {
    return !date.isBefore(windowStart) && !date.isAfter(windowEnd);
  }

  long distance(LocalDate date) {
    return Math.abs(date.toEpochDay() - day.toEpochDay());
  }

  Expectation use(long minor) {
    return new Expectation(typed, day, windowStart, windowEnd, amount, used + minor, certainty, words);
  }
}

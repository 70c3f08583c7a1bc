package ebbtide.track;

import java.time.LocalDate;

/**
 * What an analyst decided of a difference on a line (rules 10.5): how much of what was open is carried, the rest is dropped; signed minor
 * units. The days are those it was of, and the as-of date on which it was decided. {@code later} says that its cash was still to come, as
 * of what was not invoiced.
 */
public record Decision(String lineId, LocalDate from, LocalDate to, long open, long carried, LocalDate on, boolean later) {
  long dropped() {
    return open - carried;
  }
}

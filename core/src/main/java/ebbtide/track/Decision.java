package ebbtide.track;

import java.time.LocalDate;

/**
 * What an analyst decided of a difference on a line (rules 10.5): how much of what was open is carried, the rest is
 * dropped; signed minor units. The days are those it was of, and the as-of date on which it was decided. {@code later}
 * says that its cash was still to come, as of what was not invoiced.
 */
public record Decision(
        String lineId, LocalDate from, LocalDate to, long open, long carried, LocalDate on, boolean later) {
    /** Returns the decision on a difference of which so much is carried, in minor units in the line's direction. */
    public static Decision of(Difference difference, long carried, LocalDate on) {
        return new Decision(
                difference.lineId(),
                difference.from(),
                difference.to(),
                difference.open(),
                -carried * difference.direction().sign(),
                on,
                difference.of() == Difference.Of.INVOICED_OF_MONTH);
    }

    long dropped() {
        return open - carried;
    }
}

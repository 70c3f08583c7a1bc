package ebbtide.track;

import static ebbtide.time.DayFormats.DAY;
import static ebbtide.time.DayFormats.MONTH;

import ebbtide.plan.Direction;
import java.time.LocalDate;

/**
 * What came otherwise than planned on a line in a month or window that is closed (rules 10.5), in signed minor units:
 * above zero is favourable. The key names it as long as its line and date stay.
 */
public record Difference(
        String key,
        String lineId,
        String line,
        Direction direction,
        Of of,
        LocalDate from,
        LocalDate to,
        long planned,
        long actual) {

    /** What is held against the plan. */
    public enum Of {
        /** The cash of a month, of a stream on its pattern. */
        CASH_OF_MONTH,
        /** What was invoiced or ordered of a month with its sales tax, of a stream on books. */
        INVOICED_OF_MONTH,
        /** One sum planned for a date. */
        SUM_ON_DATE
    }

    /** Returns what the difference is of: "cash of March 2026". */
    public String words() {
        return switch (of) {
            case CASH_OF_MONTH -> "cash of " + MONTH.format(from);
            case INVOICED_OF_MONTH -> "invoiced and ordered of " + MONTH.format(from) + ", with sales tax";
            case SUM_ON_DATE -> "planned for " + DAY.format(from);
        };
    }

    /** Returns what is still open, in signed minor units. */
    public long open() {
        return actual - planned;
    }

    /**
     * Returns what is carried of it at most, in minor units in the line's direction: what is missing still comes, what
     * came too much is less to come.
     */
    public long toCarry() {
        return -open() * direction.sign();
    }
}

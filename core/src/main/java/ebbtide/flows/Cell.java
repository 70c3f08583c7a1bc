package ebbtide.flows;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A figure of the forecast in its three parts, in minor units, signed. {@code computed} is the amount without the
 * override where there is one, else null; {@code day} names the day of a level that is that of a period's worst day.
 */
public record Cell(
        long settled,
        long committed,
        long estimated,
        @Nullable Long computed,
        boolean overdue,
        @Nullable LocalDate day,
        int depth) {
    public static final Cell ZERO = new Cell(0, 0, 0, null, false, null, -1);

    public static Cell flow(long settled, long committed, long estimated) {
        return new Cell(settled, committed, estimated, null, false, null, -1);
    }

    /** A level is a fact up to the as-of date and an estimate after it. */
    public static Cell level(long amount, boolean known, @Nullable LocalDate day, int depth) {
        return new Cell(known ? amount : 0, 0, known ? 0 : amount, null, false, day, depth);
    }

    public long amount() {
        return settled + committed + estimated;
    }

    /** Returns the part that makes up most of the cell by size, the surer one on ties. */
    public Part largestPart() {
        long known = Math.max(Math.abs(settled), Math.abs(committed));
        if (Math.abs(estimated) > known) {
            return Part.ESTIMATED;
        }
        return Math.abs(committed) > Math.abs(settled) ? Part.COMMITTED : Part.SETTLED;
    }

    public Cell plus(Cell other) {
        return new Cell(
                settled + other.settled,
                committed + other.committed,
                estimated + other.estimated,
                null,
                overdue || other.overdue,
                null,
                -1);
    }
}

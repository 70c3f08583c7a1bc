package ebbtide.statements;

import ebbtide.time.Period;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A statement by period (rules 9.1): its rows from top to bottom, each with an amount for each period in minor units
 * and, in common size (rules 9.2), its share of the base in tenths of a percent (null where the base is nil). A balance
 * sheet has its opening first, in a column of its own, as {@code opening} says.
 */
public record StatementTable(List<Period> periods, boolean opening, List<Row> rows) {
    /** How a row stands in a statement. */
    public enum Style {
        HEADING,
        LINE,
        /** What the row below it is made of: no sum counts it. */
        OF_WHICH,
        SUM,
        /** What has to be nil; shown even so. */
        CHECK
    }

    /** A row, by an id of its own within the statement. */
    public record Row(
            String id,
            Style style,
            String name,
            List<Long> amounts,
            @Nullable List<Long> shares) {}
}

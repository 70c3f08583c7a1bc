package ebbtide.statements;

import ebbtide.time.Period;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A statement by period (rules 9.1): its rows from top to bottom, each with an amount for each period in minor units
 * and, in common size (rules 9.2), its share of the base in tenths of a percent (null where the base is nil). A balance
 * sheet has its opening in a column of its own, as {@code opening} says, after so many periods that are over
 * ({@code beforeOpening}); {@code actual} says of each period how many of its months come from a trial balance.
 */
public record StatementTable(
        List<Period> periods, boolean opening, int beforeOpening, List<Actual> actual, List<Row> rows) {
    /** How many of the months of a period have a trial balance. */
    public record Actual(int months, int of) {}

    /** A column of it: a period, or without one the opening. */
    public record Column(@Nullable Period period) {}

    /** Returns the columns from left to right, as the rows have amounts for them. */
    public List<Column> columns() {
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < periods.size(); i++) {
            columns.add(new Column(periods.get(i)));
        }
        if (opening) {
            columns.add(beforeOpening, new Column(null));
        }
        return columns;
    }

    /** Returns its rows without those of groups, which are no more than the rows below them. */
    public List<Row> withoutGroups() {
        return rows.stream().filter(row -> row.style() != Style.GROUP).toList();
    }

    /** Returns the amounts of one of its rows by period, without the opening. */
    List<Long> ofPeriods(Row row) {
        List<Long> amounts = new ArrayList<>(row.amounts());
        if (opening) {
            amounts.remove(beforeOpening);
        }
        return amounts;
    }

    /** How a row stands in a statement. */
    public enum Style {
        HEADING,
        /** A group of the tree: the sum of the rows below it that name it, which sums count one by one. */
        GROUP,
        LINE,
        /** What the row below it is made of: no sum counts it. */
        OF_WHICH,
        SUM,
        /** What has to be nil; shown even so. */
        CHECK
    }

    /** A row, by an id of its own within the statement; {@code group} is that of the row it folds into, if any. */
    public record Row(
            String id,
            Style style,
            String name,
            @Nullable String group,
            List<Long> amounts,
            @Nullable List<Long> shares) {}
}

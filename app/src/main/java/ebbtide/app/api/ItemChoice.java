package ebbtide.app.api;

import ebbtide.answers.ItemTable.Row;
import ebbtide.items.ExpectedItem.Source;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Which open items are listed and in what order: those with some words in number, counterparty or line, of some
 * standing.
 */
record ItemChoice(String words, Show show, Order order, boolean descending) {

    /** Which items are shown. */
    enum Show {
        ALL,
        LATE,
        /** A person said when it is expected or promised, or that it cannot wait. */
        SAID,
        /** A day that a person said has passed. */
        BROKEN,
        LEFT_OUT,
        UNDER_WAY
    }

    /** What they are ordered by; those that are equal, by the day they are expected. */
    enum Order {
        EXPECTED,
        DUE,
        OPEN,
        NUMBER,
        COUNTERPARTY,
        LINE
    }

    List<Row> of(List<Row> rows, LocalDate asOf) {
        String like = words.strip().toLowerCase(Locale.ROOT);
        List<Row> fitting = rows.stream()
                .filter(row -> isShown(row, asOf))
                .filter(row -> like.isEmpty()
                        || (row.item().counterparty() + " " + row.item().number() + " "
                                        + row.line().name())
                                .toLowerCase(Locale.ROOT)
                                .contains(like))
                .toList();
        // The rows come by expected day, those left out last; in any other order that is kept among equals.
        Comparator<Row> by =
                switch (order) {
                    case EXPECTED ->
                        Comparator.comparing(
                                (Row row) -> row.expected().day(), Comparator.nullsLast(Comparator.naturalOrder()));
                    case DUE -> Comparator.comparing((Row row) -> row.item().due());
                    case OPEN ->
                        Comparator.comparingLong((Row row) -> row.item().signedOpen());
                    case NUMBER ->
                        Comparator.comparing((Row row) -> row.item().number(), String.CASE_INSENSITIVE_ORDER);
                    case COUNTERPARTY ->
                        Comparator.comparing((Row row) -> row.item().counterparty(), String.CASE_INSENSITIVE_ORDER);
                    case LINE -> Comparator.comparing((Row row) -> row.line().name(), String.CASE_INSENSITIVE_ORDER);
                };
        return order == Order.EXPECTED && !descending
                ? fitting
                : fitting.stream().sorted(descending ? by.reversed() : by).toList();
    }

    private boolean isShown(Row row, LocalDate asOf) {
        LocalDate expected = row.item().handling().expected();
        LocalDate promised = row.item().handling().promised();
        return switch (show) {
            case ALL -> true;
            case LATE -> row.daysLate() > 0 && row.item().amount().open() > 0;
            case SAID ->
                row.expected().source() == Source.ANALYST
                        || row.expected().source() == Source.PROMISE
                        || row.item().handling().standing() == ebbtide.plan.Handling.Standing.CANNOT_WAIT;
            case BROKEN -> expected != null && !expected.isAfter(asOf) || promised != null && !promised.isAfter(asOf);
            case LEFT_OUT -> row.expected().isLeftOut();
            case UNDER_WAY -> row.expected().source() == Source.UNDER_WAY;
        };
    }
}

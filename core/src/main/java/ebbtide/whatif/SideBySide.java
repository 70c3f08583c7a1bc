package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;

/**
 * Up to six futures beside each other over the same periods, one of them the reference (rules 11.5): each row of a
 * table as each has it, and by how much it is more than the reference. Lines of another plan are the same by path and
 * name.
 */
public record SideBySide(List<Period> periods, List<Row> rows) {
    /** No more stand beside each other. */
    public static final int MOST = 6;

    /** What is compared. */
    public enum Table {
        CASH(FutureRows.CASH),
        FUNDING(FutureRows.FUNDING),
        INCOME(FutureRows.statement(Statements.Kind.INCOME)),
        BALANCE(FutureRows.statement(Statements.Kind.BALANCE)),
        CASH_FLOW(FutureRows.statement(Statements.Kind.CASH_DIRECT)),
        /** The room of each covenant at its last test of a period. */
        COVENANTS(FutureRows.COVENANTS);

        private final BiFunction<Forecast, List<Period>, List<FutureRows.Row>> rows;

        Table(BiFunction<Forecast, List<Period>, List<FutureRows.Row>> rows) {
            this.rows = rows;
        }
    }

    /**
     * A row: by future and period what it comes to, null where a future says nothing of it, and by how much that is
     * more than the reference; minor units.
     */
    public record Row(
            String id,
            String name,
            int depth,
            boolean sum,
            List<List<@Nullable Long>> amounts,
            List<List<@Nullable Long>> differences) {}

    public SideBySide {
        periods = List.copyOf(periods);
        rows = List.copyOf(rows);
    }

    /**
     * Returns futures beside each other, those of the first one's plan by the ids of its lines.
     *
     * @throws Refused where there are none or more than six, or the first is a snapshot
     */
    public static SideBySide of(List<Future> futures, int reference, Table table, List<Period> periods) {
        Check.inRange(futures.size(), 1, MOST, "futures side by side");
        Check.inRange(reference, 0, futures.size() - 1, "the reference");
        Check.that(futures.get(0) instanceof Future.OfForecast, "the first of the futures is the base or a scenario");
        Forecast main = ((Future.OfForecast) futures.get(0)).forecast();
        Map<String, FutureRows.Row> shapes = new LinkedHashMap<>();
        List<Map<String, FutureRows.Row>> found = new ArrayList<>();
        Map<String, String> idByPath = new HashMap<>();
        for (Future future : futures) {
            Map<String, FutureRows.Row> own = new LinkedHashMap<>();
            Deque<String> path = new ArrayDeque<>();
            for (FutureRows.Row row : rows(future, main, table, periods)) {
                while (path.size() > row.depth()) {
                    path.removeLast();
                }
                path.addLast(row.name());
                String at = String.join(" / ", path);
                boolean same = !(future instanceof Future.OfForecast one) || one.samePlan();
                String id = same ? row.id() : idByPath.getOrDefault(at, at);
                if (same) {
                    idByPath.putIfAbsent(at, id);
                }
                own.putIfAbsent(id, row.as(id));
            }
            addMissing(shapes, own);
            found.add(own);
        }
        return new SideBySide(
                periods,
                shapes.values().stream()
                        .map(shape -> row(shape, found, reference, periods.size()))
                        .toList());
    }

    private static List<FutureRows.Row> rows(Future future, Forecast main, Table table, List<Period> periods) {
        if (future instanceof Future.OfForecast one) {
            return table.rows.apply(one.forecast(), periods);
        }
        return table == Table.CASH ? FutureRows.of(((Future.OfSnapshot) future).snapshot(), main, periods) : List.of();
    }

    /** A row that only some have stands after the one that it follows there. */
    private static void addMissing(Map<String, FutureRows.Row> shapes, Map<String, FutureRows.Row> own) {
        if (shapes.keySet().containsAll(own.keySet())) {
            return;
        }
        List<FutureRows.Row> merged = new ArrayList<>(shapes.values());
        int at = 0;
        for (FutureRows.Row row : own.values()) {
            int there = merged.stream().map(FutureRows.Row::id).toList().indexOf(row.id());
            if (there < 0) {
                merged.add(at++, row);
            } else {
                at = there + 1;
            }
        }
        shapes.clear();
        merged.forEach(row -> shapes.put(row.id(), row));
    }

    private static Row row(FutureRows.Row shape, List<Map<String, FutureRows.Row>> found, int reference, int periods) {
        List<List<@Nullable Long>> amounts = found.stream()
                .map(own -> {
                    FutureRows.Row row = own.get(shape.id());
                    return row == null ? Arrays.<@Nullable Long>asList(new Long[periods]) : row.amounts();
                })
                .toList();
        List<@Nullable Long> of = amounts.get(reference);
        List<List<@Nullable Long>> differences =
                amounts.stream().map(own -> less(own, of)).toList();
        return new Row(shape.id(), shape.name(), shape.depth(), shape.sum(), amounts, differences);
    }

    private static List<@Nullable Long> less(List<@Nullable Long> some, List<@Nullable Long> other) {
        @Nullable Long[] less = new Long[some.size()];
        for (int i = 0; i < less.length; i++) {
            Long one = some.get(i);
            Long two = other.get(i);
            less[i] = one == null || two == null ? null : Long.valueOf(one - two);
        }
        return Arrays.asList(less);
    }

    /** Returns what a row of a forecast comes to in a period; nil where it has no such row, or says nothing of it. */
    static long amount(Forecast forecast, Table table, String rowId, Period period) {
        return table.rows.apply(forecast, List.of(period)).stream()
                .filter(row -> row.id().equals(rowId))
                .findFirst()
                .map(row -> row.amounts().get(0))
                .orElse(0L);
    }
}

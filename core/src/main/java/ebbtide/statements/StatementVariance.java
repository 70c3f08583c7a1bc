package ebbtide.statements;

import ebbtide.money.Rounding;
import ebbtide.plan.Threshold;
import ebbtide.time.Period;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A statement held against what a snapshot kept of it (rules 9.5): each row with what it is now and what was planned,
 * in one or more periods. Rows that only the snapshot has stand where it had them.
 */
public record StatementVariance(List<Row> rows) {
    private static final BigDecimal HUNDREDTHS = BigDecimal.valueOf(10_000);

    /**
     * What a row is now in a period, by trial balances and the forecast, and what was planned, in minor units; null
     * where the snapshot did not keep all of the period.
     */
    public record Held(long now, @Nullable Long planned) {
        /**
         * Returns now less planned: of an income statement above zero is favourable; null where it is not known what
         * was planned.
         */
        public @Nullable Long difference() {
            return planned == null ? null : Long.valueOf(now - planned);
        }

        /**
         * Returns the difference in hundredths of a percent of what was planned; null where that is nil, or not known.
         */
        public @Nullable Long percentHundredths() {
            return planned == null || planned == 0
                    ? null
                    : Long.valueOf(
                            Rounding.divide(BigDecimal.valueOf(now - planned).multiply(HUNDREDTHS), Math.abs(planned)));
        }

        /** Returns whether the difference is one that must be explained (rules 10.2). */
        public boolean mustBeExplained(@Nullable Threshold threshold) {
            return threshold != null && planned != null && threshold.isReached(planned, now - planned);
        }
    }

    /** A row with what it is in each period. */
    public record Row(String id, StatementTable.Style style, String name, List<Held> held) {}

    /** Returns a statement of some periods of whole months held against what was kept. */
    public static StatementVariance of(
            Statements now, KeptStatements kept, Statements.Kind kind, List<Period> periods) {
        StatementTable table = now.table(kind, periods, false);
        Map<String, Row> rows = new LinkedHashMap<>();
        table.withoutGroups()
                .forEach(row -> rows.put(
                        row.id(),
                        new Row(
                                row.id(),
                                row.style(),
                                row.name(),
                                held(kept, kind, row.id(), periods, table.ofPeriods(row)))));
        List<Row> all = new ArrayList<>(rows.values());
        int at = 0;
        List<Long> nil = periods.stream().map(period -> 0L).toList();
        for (KeptStatements.KeptRow one : kept.rows(kind)) {
            Row here = rows.get(one.id());
            if (here != null) {
                at = all.indexOf(here) + 1;
                continue;
            }
            List<Held> held = held(kept, kind, one.id(), periods, nil);
            if (held.stream().anyMatch(of -> of.planned() != null && of.planned() != 0)) {
                all.add(at++, new Row(one.id(), one.style(), one.name(), held));
            }
        }
        return new StatementVariance(List.copyOf(all));
    }

    private static List<Held> held(
            KeptStatements kept, Statements.Kind kind, String row, List<Period> periods, List<Long> now) {
        return IntStream.range(0, periods.size())
                .mapToObj(i -> new Held(now.get(i), kept.amount(kind, row, periods.get(i))))
                .toList();
    }
}

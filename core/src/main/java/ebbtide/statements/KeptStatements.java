package ebbtide.statements;

import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The income statement and the balance sheet of a forecast as they stood, by month and row (rules 9.5): kept with a
 * snapshot, to be held against what becomes of it. Of each row there are amounts for each of the months, in minor
 * units; a month of a trial balance after a gap is all months since.
 */
public record KeptStatements(List<Period> months, Map<Statements.Kind, List<KeptRow>> rows) {
    /** A row as it was named, with its amount of each month: what is of the month, or stands at its end. */
    public record KeptRow(String id, StatementTable.Style style, String name, List<Long> amounts) {
        public KeptRow {
            amounts = List.copyOf(amounts);
        }
    }

    public KeptStatements {
        months = List.copyOf(months);
        Map<Statements.Kind, List<KeptRow>> copy = new EnumMap<>(Statements.Kind.class);
        rows.forEach((kind, of) -> copy.put(kind, List.copyOf(of)));
        rows = copy;
    }

    /** Returns the statements of a forecast as they stand. */
    public static KeptStatements of(Statements statements) {
        List<Period> months = statements.periods(Statements.Kind.INCOME, Periods.MONTH, null, null, false);
        Map<Statements.Kind, List<KeptRow>> rows = new EnumMap<>(Statements.Kind.class);
        for (Statements.Kind kind : List.of(Statements.Kind.INCOME, Statements.Kind.BALANCE)) {
            StatementTable table = statements.table(kind, months, false);
            rows.put(
                    kind,
                    table.withoutGroups().stream()
                            .map(row -> new KeptRow(row.id(), row.style(), row.name(), table.ofPeriods(row)))
                            .toList());
        }
        return new KeptStatements(months, rows);
    }

    /** Returns the rows of a statement from top to bottom; none of a statement that is not kept. */
    public List<KeptRow> rows(Statements.Kind kind) {
        return rows.getOrDefault(kind, List.of());
    }

    /** Returns what of a longer period was kept, a shorter one at its end where that is no more. */
    public Period since(Period longer, Period shorter) {
        LocalDate first =
                months.isEmpty() ? longer.endExclusive() : months.get(0).startInclusive();
        LocalDate from = first.isAfter(longer.startInclusive()) ? first : longer.startInclusive();
        return from.isBefore(shorter.startInclusive()) ? new Period(from, shorter.endExclusive()) : shorter;
    }

    /**
     * Returns what a row had in a period of whole months, in minor units; null where not all of the period was kept. A
     * row that had nothing is nil.
     */
    @Nullable
    Long amount(Statements.Kind kind, String row, Period period) {
        List<Integer> within = new ArrayList<>();
        for (int i = 0; i < months.size(); i++) {
            if (period.contains(months.get(i).lastDay())) {
                within.add(i);
            }
        }
        if (within.isEmpty()
                || months.get(within.get(0)).startInclusive().isAfter(period.startInclusive())
                || months.get(within.get(within.size() - 1)).lastDay().isBefore(period.lastDay())) {
            return null;
        }
        Optional<KeptRow> kept =
                rows(kind).stream().filter(one -> one.id().equals(row)).findFirst();
        if (kept.isEmpty()) {
            return 0L;
        }
        List<Long> amounts = kept.get().amounts();
        return kind == Statements.Kind.BALANCE
                ? amounts.get(within.get(within.size() - 1))
                : Long.valueOf(within.stream().mapToLong(amounts::get).sum());
    }
}

package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.ForecastTable;
import ebbtide.forecast.FundingTable;
import ebbtide.statements.Covenants;
import ebbtide.statements.StatementTable;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** The rows of a table as one future has them, an amount for each period: null where it says nothing of that. */
final class FutureRows {
    private FutureRows() {}

    /** A row by its id, how deep it stands, and whether it is a sum or a level. */
    record Row(String id, String name, int depth, boolean sum, List<@Nullable Long> amounts) {
        Row as(String other) {
            return new Row(other, name, depth, sum, amounts);
        }
    }

    /** How a table is read of a forecast. */
    static final BiFunction<Forecast, List<Period>, List<Row>> CASH = FutureRows::cash;

    static final BiFunction<Forecast, List<Period>, List<Row>> FUNDING = FutureRows::funding;
    static final BiFunction<Forecast, List<Period>, List<Row>> COVENANTS = FutureRows::covenants;

    static BiFunction<Forecast, List<Period>, List<Row>> statement(Statements.Kind kind) {
        return (forecast, periods) -> statement(forecast, periods, kind);
    }

    private static List<Row> cash(Forecast forecast, List<Period> periods) {
        List<Row> rows = new ArrayList<>();
        List<Integer> known = within(periods, forecast.firstDay(), forecast.lastDay());
        for (ForecastTable.Row row :
                ForecastTable.of(forecast, some(periods, known)).rows()) {
            rows.add(new Row(
                    row.id(),
                    row.name(),
                    row.depth(),
                    row.depth() == 0,
                    spread(
                            periods,
                            known,
                            row.cells().stream().map(cell -> cell.amount()).toList())));
        }
        return rows;
    }

    private static List<Row> funding(Forecast forecast, List<Period> periods) {
        List<Integer> known = within(periods, forecast.plan().settings().asOf().plusDays(1), forecast.lastDay());
        FundingTable table = FundingTable.of(forecast, some(periods, known));
        List<Row> rows = new ArrayList<>();
        table.rows()
                .forEach(row ->
                        rows.add(new Row(row.id(), row.name(), 0, false, spread(periods, known, row.amounts()))));
        table.debts()
                .forEach(debt -> rows.add(new Row(
                        "owed " + debt.id(), "Owed on " + debt.name(), 0, false, spread(periods, known, debt.owed()))));
        rows.add(new Row(
                "owed",
                "Owed on all",
                0,
                true,
                spread(periods, known, table.total().owed())));
        return rows;
    }

    private static List<Row> statement(Forecast forecast, List<Period> periods, Statements.Kind kind) {
        Statements statements = Statements.of(forecast);
        List<Period> months = statements.months().all(Periods.MONTH);
        List<Integer> known = within(
                periods,
                months.get(0).startInclusive(),
                months.get(months.size() - 1).lastDay());
        StatementTable table = statements.table(kind, some(periods, known), false);
        int skipped = table.opening() ? 1 : 0;
        return table.withoutGroups().stream()
                .map(row -> new Row(
                        row.id(),
                        row.name(),
                        row.style() == StatementTable.Style.LINE ? 1 : 0,
                        row.style() == StatementTable.Style.SUM,
                        row.style() == StatementTable.Style.HEADING
                                ? none(periods)
                                : spread(
                                        periods,
                                        known,
                                        row.amounts()
                                                .subList(skipped, row.amounts().size()))))
                .toList();
    }

    /** The room of each covenant at its last test in a period. */
    private static List<Row> covenants(Forecast forecast, List<Period> periods) {
        List<Covenants.Tested> tests = Covenants.of(forecast);
        return forecast.plan().settings().covenants().stream()
                .map(covenant -> {
                    @Nullable Long[] room = new Long[periods.size()];
                    tests.stream()
                            .filter(one -> one.covenant().equals(covenant))
                            .forEach(one -> {
                                for (int i = 0; i < room.length; i++) {
                                    room[i] = periods.get(i).contains(one.date()) ? one.room() : room[i];
                                }
                            });
                    return new Row(covenant.name(), "Room of " + covenant.name(), 0, false, Arrays.asList(room));
                })
                .toList();
    }

    /** The rows of a cash table as a snapshot has them: lines that it knew, sums of them, and levels of cash. */
    static List<Row> of(Snapshot snapshot, Forecast main, List<Period> periods) {
        Map<String, Snapshot.KeptLine> kept = new HashMap<>();
        snapshot.lines().forEach(line -> kept.put(line.id(), line));
        return ForecastTable.of(
                        main,
                        List.of(main.periods(Periods.YEAR, main.firstDay(), main.lastDay())
                                .get(0)))
                .rows()
                .stream()
                .map(row -> new Row(
                        row.id(),
                        row.name(),
                        row.depth(),
                        row.depth() == 0,
                        periods.stream()
                                .map(period -> period.startInclusive().isAfter(snapshot.asOf())
                                                && !period.lastDay().isAfter(snapshot.horizonEnd())
                                        ? kept(snapshot, main, row, kept, period)
                                        : null)
                                .toList()))
                .toList();
    }

    private static @Nullable Long kept(
            Snapshot snapshot,
            Forecast main,
            ForecastTable.Row row,
            Map<String, Snapshot.KeptLine> kept,
            Period period) {
        LocalDate from = period.startInclusive();
        LocalDate to = period.lastDay();
        return switch (row.kind()) {
            case OPENING -> snapshot.closing(from.minusDays(1));
            case CLOSING -> snapshot.closing(to);
            case NET -> snapshot.closing(to) - snapshot.closing(from.minusDays(1));
            case LINE -> snapshot.sum(row.id(), from, to);
            case GROUP ->
                main.plan().linesOf(main.plan().findLine(row.id()).orElseThrow()).stream()
                        .mapToLong(line -> snapshot.sum(line.id(), from, to))
                        .sum();
            case SECTION ->
                kept.values().stream()
                        .filter(line -> line.direction() == row.direction()
                                && !line.id().equals(Snapshot.TRANSFERS))
                        .mapToLong(line -> snapshot.sum(line.id(), from, to))
                        .sum();
            case UNASSIGNED, TRANSFERS, LOWEST, MINIMUM, LIMIT, HEADROOM -> null;
        };
    }

    private static List<Integer> within(List<Period> periods, LocalDate first, LocalDate last) {
        return IntStream.range(0, periods.size())
                .filter(i -> !periods.get(i).startInclusive().isBefore(first)
                        && !periods.get(i).lastDay().isAfter(last))
                .boxed()
                .toList();
    }

    private static List<Period> some(List<Period> periods, List<Integer> known) {
        return known.stream().map(periods::get).toList();
    }

    private static List<@Nullable Long> none(List<Period> periods) {
        return Arrays.asList(new Long[periods.size()]);
    }

    private static List<@Nullable Long> spread(List<Period> periods, List<Integer> known, List<Long> amounts) {
        @Nullable Long[] all = new Long[periods.size()];
        for (int i = 0; i < known.size(); i++) {
            all[known.get(i)] = amounts.get(i);
        }
        return Arrays.asList(all);
    }
}

package ebbtide.forecast;

import ebbtide.flows.Cell;
import ebbtide.funding.Liquidity;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The forecast laid out by period as it is read: opening cash, receipts, payments, net, closing, headroom. Every row
 * but the levels adds up; every column chains to the next (rules 9.3 a).
 */
public record ForecastTable(List<Period> periods, List<Row> rows) {
    /** What a row of the table is. */
    public enum RowKind {
        OPENING,
        SECTION,
        GROUP,
        LINE,
        UNASSIGNED,
        TRANSFERS,
        NET,
        CLOSING,
        LOWEST,
        MINIMUM,
        LIMIT,
        HEADROOM
    }

    /** A row: a line's id or the fixed id of a total, how deep it stands in the tree, and a cell for each period. */
    public record Row(
            String id,
            RowKind kind,
            String name,
            @Nullable Direction direction,
            int depth,
            boolean active,
            List<Cell> cells) {}

    /** Returns the table of a forecast for periods in order. */
    public static ForecastTable of(Forecast forecast, List<Period> periods) {
        return new ForecastTable(List.copyOf(periods), new Layout(forecast, periods).rows());
    }

    private static final class Layout {
        private final Forecast forecast;
        private final Plan plan;
        private final List<Period> periods;
        private final List<LocalDate> worst;
        private final List<Row> rows = new ArrayList<>();

        Layout(Forecast forecast, List<Period> periods) {
            this.forecast = forecast;
            this.plan = forecast.plan();
            this.periods = periods;
            this.worst = periods.stream().map(forecast::worstDay).toList();
        }

        List<Row> rows() {
            add("opening", RowKind.OPENING, "Opening cash", null, each(this::opening));
            List<Cell> receipts = section("receipts", "Receipts", Direction.RECEIPT);
            List<Cell> payments = section("payments", "Payments", Direction.PAYMENT);
            List<Cell> transfers = each(i -> forecast.transfers(periods.get(i)));
            addUnlessZero("transfers", RowKind.TRANSFERS, "Between own accounts, under way", null, transfers);
            add("net", RowKind.NET, "Net cash flow", null, sums(sums(receipts, payments), transfers));
            add(
                    "closing",
                    RowKind.CLOSING,
                    "Closing cash",
                    null,
                    each(i -> level(i, forecast.closing(periods.get(i).lastDay()), null, -1)));
            add(
                    "lowest",
                    RowKind.LOWEST,
                    "Cash on the worst day",
                    null,
                    each(i -> level(i, forecast.closing(worst.get(i)), worst.get(i), -1)));
            Liquidity liquidity = forecast.liquidity();
            add(
                    "minimum",
                    RowKind.MINIMUM,
                    "Minimum cash",
                    null,
                    each(i -> level(i, liquidity.minimum(worst(i)), worst.get(i), -1)));
            add(
                    "limit",
                    RowKind.LIMIT,
                    "Facility limit",
                    null,
                    each(i -> level(i, liquidity.limit(worst(i)), worst.get(i), -1)));
            add(
                    "headroom",
                    RowKind.HEADROOM,
                    "Headroom",
                    null,
                    each(i -> level(i, liquidity.headroom(worst(i)), worst.get(i), liquidity.depth(worst(i)))));
            return rows;
        }

        private List<Cell> each(IntFunction<Cell> cell) {
            return IntStream.range(0, periods.size()).mapToObj(cell).toList();
        }

        private List<Cell> sums(List<Cell> some, List<Cell> others) {
            return each(i -> some.get(i).plus(others.get(i)));
        }

        private List<Cell> section(String id, String name, Direction direction) {
            List<Cell> total = each(i -> forecast.total(direction, periods.get(i)));
            add(id, RowKind.SECTION, name, direction, total);
            children(direction, null, 1);
            addUnlessZero(
                    "unassigned-" + id,
                    RowKind.UNASSIGNED,
                    "Not assigned",
                    direction,
                    each(i -> forecast.unassigned(direction, periods.get(i))));
            return total;
        }

        /** Adds the rows of a group's lines, each with those below it; returns what the lines come to. */
        private List<Cell> children(Direction direction, @Nullable String group, int depth) {
            List<Cell> sum = each(i -> Cell.ZERO);
            for (Line line : plan.childrenOf(direction, group)) {
                int at = rows.size();
                rows.add(null);
                List<Cell> cells = line.isGroup()
                        ? children(direction, line.id(), depth + 1)
                        : each(i -> forecast.cell(line, periods.get(i)));
                rows.set(
                        at,
                        new Row(
                                line.id(),
                                line.isGroup() ? RowKind.GROUP : RowKind.LINE,
                                line.name(),
                                direction,
                                depth,
                                plan.isActive(line),
                                cells));
                sum = sums(sum, cells);
            }
            return sum;
        }

        private void add(String id, RowKind kind, String name, @Nullable Direction direction, List<Cell> cells) {
            rows.add(new Row(id, kind, name, direction, kind == RowKind.UNASSIGNED ? 1 : 0, true, cells));
        }

        private void addUnlessZero(
                String id, RowKind kind, String name, @Nullable Direction direction, List<Cell> cells) {
            if (cells.stream().anyMatch(cell -> cell.amount() != 0)) {
                add(id, kind, name, direction, cells);
            }
        }

        /** The closing cash of the day before, and as sure as that. */
        private Cell opening(int i) {
            LocalDate before = periods.get(i).startInclusive().minusDays(1);
            return Cell.level(
                    forecast.closing(before), !before.isAfter(plan.settings().asOf()), null, -1);
        }

        private int worst(int i) {
            return forecast.timeline().index(worst.get(i));
        }

        private Cell level(int i, long amount, @Nullable LocalDate day, int depth) {
            return Cell.level(
                    amount, !periods.get(i).lastDay().isAfter(plan.settings().asOf()), day, depth);
        }
    }
}

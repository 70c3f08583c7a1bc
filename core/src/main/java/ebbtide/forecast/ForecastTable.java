package ebbtide.forecast;

import ebbtide.flows.Cell;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

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
  public record Row(String id, RowKind kind, String name, Direction direction, int depth, boolean active,
      List<Cell> cells) {}

  /** Returns the table of a forecast for periods in order. */
  public static ForecastTable of(Forecast forecast, List<Period> periods) {
    return new ForecastTable(List.copyOf(periods), new Layout(forecast, periods).rows());
  }

  private static final class Layout {
    private final Forecast forecast;
    private final Plan plan;
    private final List<Period> periods;
    private final List<Row> rows = new ArrayList<>();

    Layout(Forecast forecast, List<Period> periods) {
      this.forecast = forecast;
      this.plan = forecast.plan();
      this.periods = periods;
    }

    List<Row> rows() {
      add("opening", RowKind.OPENING, "Opening cash", null, this::opening);
      section("receipts", "Receipts", Direction.RECEIPT);
      section("payments", "Payments", Direction.PAYMENT);
      addUnlessZero("transfers", RowKind.TRANSFERS, "Between own accounts, under way", null, forecast::transfers);
      add("net", RowKind.NET, "Net cash flow", null, p -> forecast.total(Direction.RECEIPT, p)
          .plus(forecast.total(Direction.PAYMENT, p)).plus(forecast.transfers(p)));
      add("closing", RowKind.CLOSING, "Closing cash", null, p -> level(p, forecast.closing(p.lastDay())));
      add("lowest", RowKind.LOWEST, "Cash on the worst day", null, p -> worst(p, forecast.closing(forecast.worstDay(p)), -1));
      add("minimum", RowKind.MINIMUM, "Minimum cash", null, p -> worst(p, forecast.liquidity().minimum(worst(p)), -1));
      add("limit", RowKind.LIMIT, "Facility limit", null, p -> worst(p, forecast.liquidity().limit(worst(p)), -1));
      add("headroom", RowKind.HEADROOM, "Headroom", null,
          p -> worst(p, forecast.liquidity().headroom(worst(p)), forecast.liquidity().depth(worst(p))));
      return rows;
    }

    private void section(String id, String name, Direction direction) {
      add(id, RowKind.SECTION, name, direction, p -> forecast.total(direction, p));
      children(direction, null, 1);
      addUnlessZero("unassigned-" + id, RowKind.UNASSIGNED, "Not assigned", direction,
          p -> forecast.unassigned(direction, p));
    }

    private void children(Direction direction, String group, int depth) {
      for (Line line : plan.childrenOf(direction, group)) {
        RowKind kind = line.isGroup() ? RowKind.GROUP : RowKind.LINE;
        List<Cell> cells = periods.stream().map(p -> forecast.cell(line, p)).toList();
        rows.add(new Row(line.id(), kind, line.name(), direction, depth, plan.isActive(line), cells));
        children(direction, line.id(), depth + 1);
      }
    }

    private void add(String id, RowKind kind, String name, Direction direction, Function<Period, Cell> cell) {
      rows.add(new Row(id, kind, name, direction, kind == RowKind.UNASSIGNED ? 1 : 0, true, periods.stream().map(cell).toList()));
    }

    private void addUnlessZero(String id, RowKind kind, String name, Direction direction, Function<Period, Cell> cell) {
      if (periods.stream().map(cell).anyMatch(c -> c.amount() != 0)) {
        add(id, kind, name, direction, cell);
      }
    }

    /** The closing cash of the day before, and as sure as that. */
    private Cell opening(Period period) {
      LocalDate before = period.startInclusive().minusDays(1);
      return Cell.level(forecast.closing(before), !before.isAfter(plan.settings().asOf()), null, -1);
    }

    private Cell level(Period period, long amount) {
      return Cell.level(amount, !period.lastDay().isAfter(plan.settings().asOf()), null, -1);
    }

    private int worst(Period period) {
      return forecast.timeline().index(forecast.worstDay(period));
    }

    private Cell worst(Period period, long amount, int depth) {
      return Cell.level(amount, !period.lastDay().isAfter(plan.settings().asOf()), forecast.worstDay(period), depth);
    }
  }
}

package ebbtide.track;

import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.money.Check;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A snapshot against what happened in a window (rules 10.2), line by line in today's tree. Signed minor units:
 * variance = actual - forecast, above zero is favourable on every line, and lines add up to the net.
 */
public record Variance(Period window, List<Row> rows, List<String> moved) {
  /** What a row of the comparison is. */
  public enum RowKind {
    SECTION,
    GROUP,
    LINE,
    GONE_LINE,
    UNASSIGNED,
    TRANSFERS,
    NET,
    CLOSING
  }

  /** A row with what was forecast and what happened. */
  public record Row(String id, RowKind kind, String name, Direction direction, int depth, long forecast, long actual) {
    public long variance() {
      return actual - forecast;
    }

    /** Returns the variance in hundredths of a percent of the forecast's size, null where nothing was forecast. */
    public Long variancePercentHundredths() {
      return forecast == 0 ? null
          : ebbtide.money.Rounding.toMinor(java.math.BigDecimal.valueOf(variance()).multiply(
              java.math.BigDecimal.valueOf(10_000)).divide(java.math.BigDecimal.valueOf(Math.abs(forecast)), 6,
              java.math.RoundingMode.DOWN));
    }
  }

  /**
   * Returns the comparison for a window that lies after the snapshot's as-of date and not after today's: days that are
   * forecast or facts on both sides.
   */
  public static Variance of(Snapshot snapshot, Plan plan, Books books, Period window) {
    Check.that(window.startInclusive().isAfter(snapshot.asOf()),
        "the snapshot forecasts from " + snapshot.asOf().plusDays(1) + ", but the window starts on "
            + window.startInclusive());
    Check.that(!window.lastDay().isAfter(plan.settings().asOf()),
        "facts are known up to " + plan.settings().asOf() + ", but the window ends on " + window.lastDay());
    return new Comparison(snapshot, plan, books, window).variance();
  }

  private static final class Comparison {
    private final Snapshot snapshot;
    private final Plan plan;
    private final Books books;
    private final Period window;
    private final Map<String, Long> forecast;
    private final Map<String, Long> actual = new HashMap<>();
    private final List<Row> rows = new ArrayList<>();

    Comparison(Snapshot snapshot, Plan plan, Books books, Period window) {
      this.snapshot = snapshot;
      this.plan = plan;
      this.books = books;
      this.window = window;
      this.forecast = snapshot.byLine(window.startInclusive(), window.lastDay());
      books.byLine().forEach((line, movements) -> actual.put(line, inWindow(movements)));
    }

    Variance variance() {
      long receipts = section("receipts", "Receipts", Direction.RECEIPT, inWindow(books.unassignedIn()));
      long payments = section("payments", "Payments", Direction.PAYMENT, inWindow(books.unassignedOut()));
      long transfers = inWindow(books.transfers());
      if (transfers != 0) {
        rows.add(new Row("transfers", RowKind.TRANSFERS, "Between own accounts, under way", null, 0, 0, transfers));
      }
      long forecastNet = forecast.values().stream().mapToLong(Long::longValue).sum();
      rows.add(new Row("net", RowKind.NET, "Net cash flow", null, 0, forecastNet, receipts + payments + transfers));
      rows.add(new Row("closing", RowKind.CLOSING, "Closing cash", null, 0, snapshot.closing(window.lastDay()),
          books.cash(window.lastDay())));
      return new Variance(window, List.copyOf(rows), moved());
    }

    private long section(String id, String name, Direction direction, long unassigned) {
      int at = rows.size();
      long[] sums = children(direction, null, 1);
      for (Snapshot.KeptLine kept : snapshot.lines()) {
        if (kept.direction() == direction && plan.findLine(kept.id()).isEmpty()) {
          long minor = forecast.getOrDefault(kept.id(), 0L);
          rows.add(new Row(kept.id(), RowKind.GONE_LINE, kept.name(), direction, 1, minor, 0));
          sums[0] += minor;
        }
      }
      if (unassigned != 0) {
        rows.add(new Row("unassigned-" + id, RowKind.UNASSIGNED, "Not assigned", direction, 1, 0, unassigned));
      }
      long actuals = sums[1] + unassigned;
      rows.add(at, new Row(id, RowKind.SECTION, name, direction, 0, sums[0], actuals));
      return actuals;
    }

    /** Adds the rows below a group, and returns the sums of what they forecast and what happened. */
    private long[] children(Direction direction, String group, int depth) {
      long[] sums = new long[2];
      for (Line line : plan.childrenOf(direction, group)) {
        int at = rows.size();
        long[] own = line.isGroup() ? children(direction, line.id(), depth + 1)
            : new long[] {forecast.getOrDefault(line.id(), 0L), actual.getOrDefault(line.id(), 0L)};
        rows.add(at, new Row(line.id(), line.isGroup() ? RowKind.GROUP : RowKind.LINE, line.name(), direction, depth,
            own[0], own[1]));
        sums[0] += own[0];
        sums[1] += own[1];
      }
      return sums;
    }

    private List<String> moved() {
      List<String> words = new ArrayList<>();
      Set<String> kept = new HashSet<>();
      for (Snapshot.KeptLine was : snapshot.lines()) {
        kept.add(was.id());
        plan.findLine(was.id()).ifPresentOrElse(now -> {
          if (!now.name().equals(was.name())) {
            words.add("'" + was.name() + "' is now called '" + now.name() + "'");
          }
          if (!plan.pathOf(now).equals(was.group())) {
            words.add("'" + now.name() + "' moved from " + place(was.group()) + " to " + place(plan.pathOf(now)));
          }
        }, () -> words.add("'" + was.name() + "' is no longer in the plan"));
      }
      plan.lines().stream().filter(line -> !line.isGroup() && !kept.contains(line.id()))
          .forEach(line -> words.add("'" + line.name() + "' is new since the snapshot"));
      return words;
    }

    private static String place(String path) {
      return path.isEmpty() ? "the top" : "'" + path + "'";
    }

    private long inWindow(List<DayAmount> movements) {
      return movements.stream().filter(m -> window.contains(m.day())).mapToLong(DayAmount::minor).sum();
    }
  }

  /** Returns the days a snapshot can be compared on today, none when no fact is later than the snapshot. */
  public static java.util.Optional<Period> findComparable(Snapshot snapshot, LocalDate asOfToday) {
    LocalDate last = asOfToday.isBefore(snapshot.horizonEnd()) ? asOfToday : snapshot.horizonEnd();
    return last.isAfter(snapshot.asOf())
        ? java.util.Optional.of(new Period(snapshot.asOf().plusDays(1), last.plusDays(1)))
        : java.util.Optional.empty();
  }
}

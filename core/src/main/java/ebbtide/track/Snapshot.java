package ebbtide.track;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Part;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A forecast kept as it stood (rules 10.1): its as-of date, cash that day, and the flows after it by line and day. It
 * never changes, whatever becomes of the lines.
 */
public record Snapshot(LocalDate asOf, LocalDate horizonEnd, long cashAtAsOf, List<KeptLine> lines, List<KeptFlow> flows) {
  /** A line as it was named and grouped that day. */
  public record KeptLine(String id, String name, String group, Direction direction) {}

  /** A signed amount in minor units that a line's part was forecast to bring on a day. */
  public record KeptFlow(String lineId, LocalDate day, Part part, long minor) {}

  public Snapshot {
    lines = List.copyOf(lines);
    // A list made by of() is already unmodifiable; large ones are not copied again.
    flows = Collections.unmodifiableList(flows);
  }

  /** Returns the snapshot of a forecast; unassigned movements and transfers after its as-of date are kept as lines. */
  public static Snapshot of(Forecast forecast) {
    LocalDate asOf = forecast.plan().settings().asOf();
    List<KeptLine> lines = new ArrayList<>();
    List<KeptFlow> flows = new ArrayList<>();
    for (Line line : forecast.plan().lines()) {
      if (!line.isGroup()) {
        lines.add(new KeptLine(line.id(), line.name(), forecast.plan().pathOf(line), line.direction()));
        forecast.flows(line).stream().filter(flow -> flow.day().isAfter(asOf))
            .forEach(flow -> flows.add(new KeptFlow(line.id(), flow.day(), flow.part(), flow.minor())));
      }
    }
    return new Snapshot(asOf, forecast.lastDay(), forecast.closing(asOf), lines, flows);
  }

  /** Returns what each line was forecast to bring from one day to another, both included, in signed minor units. */
  Map<String, Long> byLine(LocalDate from, LocalDate to) {
    Map<String, Long> sums = new HashMap<>();
    for (KeptFlow flow : flows) {
      if (!flow.day().isBefore(from) && !flow.day().isAfter(to)) {
        sums.merge(flow.lineId(), flow.minor(), Long::sum);
      }
    }
    return sums;
  }

  /** Returns the closing cash that was forecast for a day after the as-of date, in minor units. */
  public long closing(LocalDate day) {
    return cashAtAsOf + byLine(asOf.plusDays(1), day).values().stream().mapToLong(Long::longValue).sum();
  }
}

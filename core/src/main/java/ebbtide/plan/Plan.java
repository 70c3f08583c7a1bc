package ebbtide.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;

/** What is assumed, with shared terms in the lines that share them: settings, the lines in the order they are shown, and the buoys. */
public record Plan(Settings settings, List<Line> lines, List<Buoy> buoys) {
  public Plan {
    Settings shared = settings;
    lines = lines.stream().map(line -> withTerms(line, shared)).toList();
    buoys = List.copyOf(buoys);
  }

  /** A line that shares terms has them as they stand; those that are not there are the check's to report. */
  private static Line withTerms(Line line, Settings settings) {
    if (line.assumption() instanceof Assumption.Stream stream && stream.terms().shared() != null) {
      return settings.findTerms(stream.terms().shared()).map(named -> line.with(stream.with(named.terms()))).orElse(line);
    }
    return line;
  }

  /** Returns the plan with the same assumptions as of another day. */
  public Plan asOf(LocalDate day) {
    return new Plan(settings.on(day), lines, buoys);
  }

  /**
   * Returns the last month whose profit is worked out: that of the horizon, or the end of its fiscal year where instalments are a share of that
   * year's tax (rules 7.4), so that no instalment depends on how far one looks.
   */
  public YearMonth lastEarnedMonth() {
    YearMonth last = YearMonth.from(settings.horizonEnd());
    boolean wholeYear = lines.stream().anyMatch(line -> line.assumption() instanceof ProfitTax tax && tax.readsThisYear() && isActive(line));
    return wholeYear ? last.plusMonths(Math.floorMod(settings.firstFiscalMonth().getValue() - 1 - last.getMonthValue(), 12)) : last;
  }

  /** Returns the line of an id, if there is one. */
  public Optional<Line> findLine(String id) {
    return lines.stream().filter(line -> line.id().equals(id)).findFirst();
  }

  /** Returns the lines of a direction that stand directly in a group, in order; a null group means the top. */
  public List<Line> childrenOf(Direction direction, String group) {
    return lines.stream()
        .filter(line -> line.direction() == direction && java.util.Objects.equals(line.group(), group)).toList();
  }

  /** Returns whether a line and every group it stands in are switched on. */
  public boolean isActive(Line line) {
    for (Line at = line; at != null; at = at.group() == null ? null : findLine(at.group()).orElseThrow()) {
      if (!at.active()) {
        return false;
      }
    }
    return true;
  }

  /** Returns the names of the groups a line stands in, from the top, with " / " between; empty at the top. */
  public String pathOf(Line line) {
    String path = "";
    for (Line at = line; at.group() != null; ) {
      at = findLine(at.group()).orElseThrow();
      path = path.isEmpty() ? at.name() : at.name() + " / " + path;
    }
    return path;
  }
}

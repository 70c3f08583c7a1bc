package ebbtide.forecast;

import ebbtide.funding.Sweep;
import ebbtide.money.Money;
import ebbtide.plan.Charging;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.time.Timeline;
import ebbtide.timing.LoanAccount;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;

/**
 * How a plan is funded (rules 8): from every other flow the sweep of its facilities, by day of the timeline. Made once for a forecast, after
 * all lines that are no facility have their flows.
 */
public final class Funding {
  private final Plan plan;
  private final Timeline timeline;
  private final int asOf;
  private final SweepInput input;
  private final Sweep.Result result;
  private final Function<Line, LoanAccount> schedules;

  /** Works the funding out: {@code levels} is closing cash by day before the sweep. */
  Funding(Plan plan, SweepInput input, Timeline timeline, long[] levels, Function<Line, LoanAccount> schedules) {
    this.schedules = schedules;
    this.plan = plan;
    this.timeline = timeline;
    this.asOf = timeline.index(plan.settings().asOf());
    this.input = input;
    this.result = Sweep.of(input.of(levels));
  }

  /**
   * Returns what the sweep's interest earns by line and month from the first that is forecast, whole months: what was charged in it and what
   * has accrued at its end, less what had accrued before it; costs below zero. Months whose interest does not settle earn nothing.
   */
  Map<String, long[]> interestByMonth() {
    Map<String, long[]> byLine = new LinkedHashMap<>();
    for (int i = 0; i < input.facilities().size() + 2; i++) {
      int at = i;
      input.interestLineOf(i).ifPresent(line -> byLine.put(line.id(), earned(at)));
    }
    return byLine;
  }

  private long[] earned(int source) {
    YearMonth first = plan.settings().firstForecastMonth();
    long[] earned = new long[(int) first.until(YearMonth.from(plan.settings().horizonEnd()), ChronoUnit.MONTHS) + 1];
    Sweep.Cost cost = result.costs()[source];
    long before = cost.opening() - input.costOfMonthSoFar(source);
    for (int i = 0; i < earned.length; i++) {
      int day = timeline.index(first.plusMonths(i).atEndOfMonth()) - asOf - 1;
      if (result.isKnown(day)) {
        earned[i] = before - cost.upTo(day);
        before = cost.upTo(day);
      }
    }
    return earned;
  }

  /** Returns what is owed at the horizon of interest that the sweep bears, paid on a line (below zero: due to us); nothing for another line. */
  public OptionalLong interestOwed(Line line) {
    for (int i = 0; i < input.facilities().size() + 2; i++) {
      if (input.interestLineOf(i).filter(line::equals).isPresent()) {
        return OptionalLong.of(result.owed(i));
      }
    }
    return OptionalLong.empty();
  }

  /** Lays what the sweep found on the lines of facilities and their interest, and adds it to closing cash. */
  void lay(Map<String, LineFlows> flows, long[] levels) {
    Map<String, long[]> byLine = new LinkedHashMap<>();
    for (int i = 0; i < input.facilities().size(); i++) {
      byLine.put(input.facilities().get(i).id(), result.flows()[i]);
      put(byLine, input.interestLine(Interest.Of.LINE, input.facilities().get(i).id()), result.interest()[i]);
    }
    put(byLine, input.interestLine(Interest.Of.OVERDRAFT, null), result.interest()[input.facilities().size()]);
    put(byLine, input.interestLine(Interest.Of.CASH, null), result.interest()[input.facilities().size() + 1]);
    long[] net = new long[timeline.days()];
    byLine.forEach((line, amounts) -> {
      for (int day = 0; day < amounts.length; day++) {
        if (amounts[day] != 0 && result.isKnown(day)) {
          flows.get(line).add(asOf + 1 + day, amounts[day]);
          net[asOf + 1 + day] += amounts[day];
        }
      }
    });
    long sum = 0;
    for (int day = 0; day < levels.length; day++) {
      sum += net[day];
      levels[day] += sum;
    }
  }

  private static void put(Map<String, long[]> byLine, Optional<Line> line, long[] paid) {
    line.ifPresent(one -> byLine.put(one.id(), SweepInput.negative(paid)));
  }

  /** Returns why a facility is drawn or repaid, or interest paid, on a day; nothing for a line that the sweep does not move. */
  Optional<String> findWords(Line line, LocalDate on) {
    int day = timeline.index(on);
    if (line.assumption() instanceof Interest interest && (interest.lineId() == null || input.facilities().stream().anyMatch(one -> one.id().equals(interest.lineId())))) {
      return Optional.of(plan.settings().funding().interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE
          ? "a twelfth of the rate on the mean of the month's opening and closing balance"
          : "interest and fees of the nights since the charge before, by " + interestWords(interest) + ", less what the bank has booked of it");
    }
    int at = input.facilities().indexOf(line);
    if (at < 0) {
      return Optional.empty();
    }
    if (forced(at, day) > 0) {
      return Optional.of("no more than " + words(most(at, day)) + " may be drawn then: what is above is repaid at once");
    }
    long flow = result.flows()[at][day - asOf - 1];
    long multiple = ((Revolving) line.assumption()).multiple();
    return Optional.of((flow > 0 ? "cash would be under its minimum of " : "cash is above its minimum of ") + words(input.minimum(day))
        + (multiple > 1 ? "; in multiples of " + words(multiple) : ""));
  }

  private String interestWords(Interest interest) {
    Charging charging = interest.lineId() == null ? interest.charging()
        : ((Revolving) plan.findLine(interest.lineId()).orElseThrow().assumption()).charging();
    return switch (charging.dayCount()) {
      case ACT_365F -> "actual days of a year of 365";
      case ACT_360 -> "actual days of a year of 360";
      case THIRTY_E_360 -> "months of 30 days";
    };
  }

  private String words(long minor) {
    return Money.words(minor, plan.settings().currency());
  }

  /** Returns the account of a loan's line. */
  LoanAccount loan(Line loan) {
    return schedules.apply(loan);
  }

  /** Returns what is drawn on a facility at the end of the as-of date: what was said, and every movement since. */
  public long drawnAsOf(Line line) {
    return input.drawnOn(line, plan.settings().asOf());
  }

  /** Returns the facilities in order of priority. */
  public List<Line> facilities() {
    return input.facilities();
  }

  /** Returns the month whose interest by the mean of balances does not settle, from which on nothing is drawn or repaid; none if all do. */
  public Optional<YearMonth> unsettled() {
    return result.unsettled() < 0 ? Optional.empty() : Optional.of(YearMonth.from(timeline.date(asOf + 1 + result.unsettled())));
  }

  public long minimum(int day) {
    return input.minimum(day);
  }

  /** Returns what cash may lie below zero on a day. */
  public long overdraft(int day) {
    return input.overdraft(day);
  }

  /** Returns what is drawn on a facility, numbered in order of priority, at the end of a day of the timeline. */
  public long drawn(int facility, int day) {
    return day <= asOf ? input.drawnOn(input.facilities().get(facility), timeline.date(day)) : result.drawn()[facility][day - asOf - 1];
  }

  /** Returns what is drawn on all facilities at the end of a day of the timeline. */
  public long drawn(int day) {
    long sum = 0;
    for (int i = 0; i < input.facilities().size(); i++) {
      sum += drawn(i, day);
    }
    return sum;
  }

  /** Returns what of a draw's facility was repaid on a day because its limit asked for it. */
  long forced(int facility, int day) {
    return day <= asOf ? 0 : result.forced()[facility][day - asOf - 1];
  }

  /** Returns the most that may be drawn on a facility on a day. */
  public long most(int facility, int day) {
    return input.most(input.facilities().get(facility), day);
  }

  /** Returns what stays drawn beyond limits on a day. */
  public long overdue(int day) {
    return day <= asOf ? 0 : result.overdue()[day - asOf - 1];
  }

  /** Returns by how much cash and overdraft fall short of the minimum on a day, with what is overdue (rules 8.3). */
  public long shortfall(int day) {
    return day <= asOf ? 0 : result.shortfall()[day - asOf - 1];
  }
}

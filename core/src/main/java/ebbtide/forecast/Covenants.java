package ebbtide.forecast;

import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Covenant;
import ebbtide.plan.Covenant.PastMonth;
import ebbtide.plan.Covenant.Ratio;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.TermLoan;
import ebbtide.time.Period;
import ebbtide.time.Timeline;
import ebbtide.timing.Earnings;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;

/** The tests of covenants over the horizon (rules 8.8): each value, whether it holds, and how much room is left. */
public final class Covenants {
  private static final int MONTHS = 12;
  private final Forecast forecast;
  private final Plan plan;
  private final long[] ebitda;
  private final YearMonth first;

  private Covenants(Forecast forecast) {
    this.forecast = forecast;
    this.plan = forecast.plan();
    this.first = plan.settings().firstForecastMonth();
    this.ebitda = ebitda();
  }

  /** How a test stands. */
  public enum Standing {
    HOLDS,
    BREAKS,
    /** A month before the forecast that it reads was not typed. */
    NOT_KNOWN
  }

  /**
   * A test of a covenant at the end of a month: its value (a ratio in two decimals, or minor units of money; null when not known, or when nothing is owed
   * to hold it against) and how much less liquidity or EBITDA would still hold it, in minor units (below zero: what is missing).
   */
  public record Tested(Covenant covenant, LocalDate date, BigDecimal value, Standing standing, Long room) {}

  /**
   * How a covenant stands over the horizon: the test with the least room of those that are known (null: none is, or nothing is owed to hold it
   * against), the first that breaks (null: none), and whether every test is known.
   */
  public record Summary(Covenant covenant, Tested tightest, Tested firstBreak, boolean known) {
    static Summary of(Covenant covenant, List<Tested> tests) {
      return new Summary(covenant, tests.stream().filter(one -> one.room() != null).min(Comparator.comparingLong(Tested::room)).orElse(null),
          tests.stream().filter(one -> one.standing() == Standing.BREAKS).findFirst().orElse(null),
          tests.stream().noneMatch(one -> one.standing() == Standing.NOT_KNOWN));
    }
  }

  /** Returns how each covenant of a plan stands, in their order. */
  public static List<Summary> summaries(Forecast forecast) {
    List<Tested> tests = of(forecast);
    return forecast.plan().settings().covenants().stream()
        .map(covenant -> Summary.of(covenant, tests.stream().filter(one -> one.covenant().equals(covenant)).toList())).toList();
  }

  /** What the twelve months up to a date came to; null where a month of them is not known. */
  private record Year(long ebitda, long interest, long tax, long spending, long principal) {}

  /** Returns every test of every covenant of a plan from the first month that is forecast, in order of covenant and date. */
  public static List<Tested> of(Forecast forecast) {
    List<Covenant> covenants = forecast.plan().settings().covenants();
    if (covenants.isEmpty()) {
      return List.of();
    }
    Covenants all = new Covenants(forecast);
    List<Tested> tested = new ArrayList<>();
    for (Covenant covenant : covenants) {
      LocalDate since = forecast.plan().settings().asOf();
      for (YearMonth month = all.first; !month.atEndOfMonth().isAfter(forecast.lastDay()); month = month.plusMonths(1)) {
        if (covenant.isTested(month, forecast.plan().settings().firstFiscalMonth())) {
          tested.add(covenant.ratio() == Ratio.LEAST_LIQUIDITY ? all.liquidity(covenant, since, month.atEndOfMonth()) : all.ratio(covenant, month));
          since = month.atEndOfMonth();
        }
      }
    }
    return List.copyOf(tested);
  }

  /** What the plan earns by month before interest, tax and depreciation: of assets, nothing. */
  private long[] ebitda() {
    Earnings earnings = Forecaster.settlements(plan, forecast.books()).earnings();
    long[] sum = new long[Timeline.monthNumber(YearMonth.from(forecast.lastDay())) - Timeline.monthNumber(first) + 1];
    for (Line line : plan.lines()) {
      if (line.nature() != Nature.OUTSIDE && !(line.assumption() instanceof CapitalSpending)) {
        long[] one = earnings.of(line);
        for (int i = 0; i < sum.length; i++) {
          sum[i] += one[i];
        }
      }
    }
    return sum;
  }

  private Tested liquidity(Covenant covenant, LocalDate since, LocalDate date) {
    long least = Long.MAX_VALUE;
    for (LocalDate day = since.plusDays(1); !day.isAfter(date); day = day.plusDays(1)) {
      least = Math.min(least, forecast.liquidity().liquidity(forecast.timeline().index(day)));
    }
    long room = least - covenant.bound().longValue();
    return new Tested(covenant, date, BigDecimal.valueOf(least), room < 0 ? Standing.BREAKS : Standing.HOLDS, room);
  }

  private Tested ratio(Covenant covenant, YearMonth month) {
    LocalDate date = month.atEndOfMonth();
    Year year = year(month);
    if (year == null) {
      return new Tested(covenant, date, null, Standing.NOT_KNOWN, null);
    }
    long debt = FundingTable.of(forecast, List.of(days(month))).total().owed().get(0) - forecast.closing(date);
    return switch (covenant.ratio()) {
      case NET_DEBT_TO_EBITDA -> debt <= 0 ? new Tested(covenant, date, null, Standing.HOLDS, null)
          : tested(covenant, date, debt, year.ebitda(), year.ebitda() - divide(debt, covenant.bound()), year.ebitda() > 0);
      case INTEREST_COVER -> year.interest() <= 0 ? new Tested(covenant, date, null, Standing.HOLDS, null)
          : tested(covenant, date, year.ebitda(), year.interest(), year.ebitda() - times(year.interest(), covenant.bound()), true);
      default -> {
        long service = year.interest() + year.principal();
        long earned = year.ebitda() - year.tax() - year.spending();
        yield service <= 0 ? new Tested(covenant, date, null, Standing.HOLDS, null)
            : tested(covenant, date, earned, service, earned - times(service, covenant.bound()), true);
      }
    };
  }

  /** Room below zero breaks it: what EBITDA lacks. The ratio itself is rounded only to be shown. */
  private static Tested tested(Covenant covenant, LocalDate date, long top, long bottom, long room, boolean positive) {
    BigDecimal value = bottom == 0 ? null : BigDecimal.valueOf(top).divide(BigDecimal.valueOf(bottom), 2, RoundingMode.HALF_UP);
    return new Tested(covenant, date, positive ? value : null, room < 0 || !positive ? Standing.BREAKS : Standing.HOLDS, room);
  }

  /** The least EBITDA with which so much net debt is still allowed, rounded up. */
  private static long divide(long debt, BigDecimal bound) {
    return bound.signum() == 0 ? Long.MAX_VALUE / 4 : BigDecimal.valueOf(debt).divide(bound, 0, RoundingMode.UP).longValueExact();
  }

  private static long times(long minor, BigDecimal bound) {
    return BigDecimal.valueOf(minor).multiply(bound).setScale(0, RoundingMode.UP).longValueExact();
  }

  private Year year(YearMonth last) {
    Year sum = new Year(0, 0, 0, 0, 0);
    for (int back = MONTHS - 1; back >= 0; back--) {
      YearMonth month = last.minusMonths(back);
      PastMonth past = plan.settings().pastMonths().get(month);
      if (month.isBefore(first) && past == null) {
        return null;
      }
      PastMonth one = month.isBefore(first) ? past : planned(month);
      sum = new Year(sum.ebitda() + one.ebitda(), sum.interest() + one.interest(), sum.tax() + one.tax(), sum.spending() + one.spending(),
          sum.principal() + one.principal());
    }
    return sum;
  }

  private PastMonth planned(YearMonth month) {
    Period days = days(month);
    long lent = sum(days, line -> line.assumption() instanceof TermLoan, minor -> Math.max(0, minor));
    long spent = -sum(days, line -> line.assumption() instanceof CapitalSpending, minor -> minor);
    return new PastMonth(ebitda[Timeline.monthNumber(month) - Timeline.monthNumber(first)], -sum(days, Covenants::costs, minor -> minor),
        -sum(days, line -> line.assumption() instanceof ProfitTax, minor -> minor), Math.max(0, spent - lent),
        -sum(days, line -> line.assumption() instanceof TermLoan, minor -> Math.min(0, minor)));
  }

  /** Interest on cash is no cost of debt. */
  private static boolean costs(Line line) {
    return line.assumption() instanceof Interest interest && interest.of() != Interest.Of.CASH;
  }

  /** Each day's flows of lines of a kind, taken one by one: what is lent and repaid in one month is told apart. */
  private long sum(Period days, Predicate<Line> which, ToLongFunction<Long> of) {
    return plan.lines().stream().filter(which).flatMap(line -> forecast.flows(line).stream()).filter(flow -> days.contains(flow.day()))
        .mapToLong(flow -> of.applyAsLong(flow.minor())).sum();
  }

  private static Period days(YearMonth month) {
    return new Period(month.atDay(1), month.plusMonths(1).atDay(1));
  }
}

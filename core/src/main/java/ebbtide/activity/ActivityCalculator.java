package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.function.IntFunction;
import java.util.stream.Collectors;

/** The computation of every stream's monthly amounts (rules 2). One for a plan; it remembers what it has worked out. */
public final class ActivityCalculator {
  private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMM yyyy", Locale.ENGLISH);

  private final Plan plan;
  private final Map<String, Line> byId = new HashMap<>();
  private final Map<String, MonthlyActivity> done = new HashMap<>();
  private final int firstMonth;
  private final int lastMonth;
  private final int firstForecastMonth;

  /** Makes the calculator for a plan without problems ({@link ebbtide.plan.PlanCheck}). */
  public ActivityCalculator(Plan plan) {
    this.plan = plan;
    this.firstForecastMonth = Timeline.monthNumber(plan.settings().firstForecastMonth());
    int first = firstForecastMonth;
    int last = Timeline.monthNumber(YearMonth.from(plan.settings().horizonEnd()));
    int lag = 0;
    int lead = 0;
    for (Line line : plan.lines()) {
      byId.put(line.id(), line);
      if (line.assumption() instanceof Assumption.Stream stream) {
        lag = Math.max(lag, Math.max(stream.pattern().longestLag(), stream.pattern().monthsToWriteOff()));
        lead = Math.max(lead, stream.pattern().longestLead());
        if (!stream.history().isEmpty()) {
          first = Math.min(first, Timeline.monthNumber(stream.history().firstKey()));
        }
      }
    }
    this.firstMonth = Math.min(first, firstForecastMonth - lag);
    this.lastMonth = last + lead;
  }

  /** Returns the monthly amounts of a line that is a stream, from the first month known to the last one needed. */
  public MonthlyActivity of(Line line) {
    MonthlyActivity known = done.get(line.id());
    if (known == null) {
      known = compute((Assumption.Stream) line.assumption());
      done.put(line.id(), known);
    }
    return known;
  }

  private MonthlyActivity compute(Assumption.Stream stream) {
    long[] computed = computed(stream);
    for (int m = firstMonth; m < firstForecastMonth; m++) {
      if (!(stream.method() instanceof ShareOfLine)) {
        computed[m - firstMonth] = 0;
      }
    }
    stream.history().headMap(plan.settings().firstForecastMonth())
        .forEach((month, amount) -> computed[Timeline.monthNumber(month) - firstMonth] = amount);
    long[] effective = computed.clone();
    stream.overrides().forEach((month, override) -> {
      int at = Timeline.monthNumber(month) - firstMonth;
      if (month.compareTo(plan.settings().firstForecastMonth()) >= 0 && at < effective.length) {
        effective[at] = override.amount();
      }
    });
    return new MonthlyActivity(firstMonth, computed, effective);
  }

  private long[] computed(Assumption.Stream stream) {
    ActivityMethod method = stream.method();
    if (method instanceof FixedAmount fixed) {
      return fixed(fixed).months(firstMonth, lastMonth);
    }
    if (method instanceof BaseWithGrowth growing) {
      return growing(growing).months(firstMonth, lastMonth);
    }
    if (method instanceof TypedMonths typed) {
      return typed(typed.amounts(), stream.history());
    }
    return shareOf((ShareOfLine) method);
  }

  private SteppedAmounts fixed(FixedAmount method) {
    return new SteppedAmounts(method.amount(), month -> Percent.ZERO, plan.settings().amountSteps());
  }

  private SteppedAmounts growing(BaseWithGrowth method) {
    return new SteppedAmounts(method.base(), method::growthIn, plan.settings().amountSteps());
  }

  private long[] typed(SortedMap<YearMonth, Long> typed, SortedMap<YearMonth, Long> history) {
    long[] amounts = new long[lastMonth - firstMonth + 1];
    for (int m = firstForecastMonth; m <= lastMonth; m++) {
      YearMonth source = typedSource(Timeline.month(m), typed, history);
      amounts[m - firstMonth] = source == null ? 0 : typed.getOrDefault(source, history.getOrDefault(source, 0L));
    }
    return amounts;
  }

  /** Returns the month whose typed figure stands for a month: itself, a year or more before, else the last (2.6). */
  private static YearMonth typedSource(YearMonth month, SortedMap<YearMonth, Long> typed,
      SortedMap<YearMonth, Long> history) {
    for (int years = 0; years <= 10; years++) {
      YearMonth before = month.minusYears(years);
      if (typed.containsKey(before) || years > 0 && history.containsKey(before)) {
        return before;
      }
    }
    SortedMap<YearMonth, Long> earlier = typed.headMap(month);
    return earlier.isEmpty() ? null : earlier.lastKey();
  }

  private long[] shareOf(ShareOfLine share) {
    MonthlyActivity other = of(byId.get(share.lineId()));
    long[] amounts = new long[lastMonth - firstMonth + 1];
    for (int m = firstMonth; m <= lastMonth; m++) {
      amounts[m - firstMonth] = share.share().of(other.in(m));
    }
    return amounts;
  }

  /** Returns where a stream's figure of a month comes from, in words: "history", "55% of Grocery chains 412,000". */
  public String words(Line line, int monthNumber) {
    Assumption.Stream stream = (Assumption.Stream) line.assumption();
    YearMonth month = Timeline.month(monthNumber);
    if (monthNumber < firstForecastMonth && stream.history().containsKey(month)) {
      return "actual of " + MONTH.format(month) + ", from history";
    }
    Assumption.MonthOverride override = stream.overrides().get(month);
    if (override != null && monthNumber >= firstForecastMonth) {
      return "overridden: " + override.reason() + " (computed "
          + amount(of(line).computedIn(monthNumber)) + ", " + methodWords(stream, month) + ")";
    }
    if (monthNumber < firstForecastMonth && !(stream.method() instanceof ShareOfLine)) {
      return "no history of " + MONTH.format(month) + ": taken as nil";
    }
    return methodWords(stream, month);
  }

  private String methodWords(Assumption.Stream stream, YearMonth month) {
    ActivityMethod method = stream.method();
    if (method instanceof FixedAmount fixed) {
      return stepWords(fixed(fixed), month, "fixed amount", from -> "");
    }
    if (method instanceof BaseWithGrowth growing) {
      return stepWords(growing(growing), month, "base", from -> {
        int months = Timeline.monthNumber(month) - from;
        return ", growing " + growing.growth() + " a month" + (growing.growthOf().isEmpty() ? "" : " (some months otherwise)")
            + ", " + months + (months == 1 ? " month on" : " months on");
      });
    }
    if (method instanceof TypedMonths typed) {
      YearMonth source = typedSource(month, typed.amounts(), stream.history());
      return source == null ? "no figure typed" : source.equals(month) ? "typed for " + MONTH.format(month)
          : "not typed: repeats " + MONTH.format(source);
    }
    ShareOfLine share = (ShareOfLine) method;
    Line other = byId.get(share.lineId());
    return share.share() + " of " + other.name() + " " + amount(of(other).in(Timeline.monthNumber(month)));
  }

  /** Says which step a month takes, or how many days each holds; what is said of growth follows the first whole month. */
  private String stepWords(SteppedAmounts amounts, YearMonth month, String what, IntFunction<String> growth) {
    List<SteppedAmounts.Piece> pieces = amounts.pieces(Timeline.monthNumber(month));
    if (pieces.size() > 1) {
      return what + " by days: " + pieces.stream().map(piece -> amount(Rounding.toMinor(piece.value())) + " for "
          + piece.days() + (piece.days() == 1 ? " day" : " days")).collect(Collectors.joining(", "));
    }
    return amounts.steps().findOn(month.atDay(1)).map(step -> what + " " + amount(step.value()) + " from "
        + MONTH.format(step.from()) + growth.apply(amounts.firstWholeMonth(amounts.steps().steps().indexOf(step))))
        .orElse("no " + what.replace("fixed ", "") + " in force yet");
  }

  private String amount(long minor) {
    return Money.words(minor, plan.settings().currency());
  }
}

package ebbtide.app.api;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.app.storage.Edits;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.PatternSchedule;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import ebbtide.timing.Expectation;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A line as its editor shows it: the line itself as the plan file writes it, and what follows from it. */
public record LineView(Map<String, Object> line, String kind, List<MonthView> strip,
    @Schema(nullable = true) ScheduleView schedule, List<ComingView> coming) {

  /** A month of a stream: whether it is history, what counts, what the method computes, and why. */
  public record MonthView(String month, boolean history, long amount, long computed, @Schema(nullable = true) String reason,
      String because) {}

  /** A stream's billing month by cash month (rules 3.2), before netting with the bank. */
  public record ScheduleView(List<String> cashMonths, List<BilledView> billed, List<Long> cash, List<Long> discounts,
      List<Long> writtenOff, List<Long> owed) {}

  /** What one month bills, and when each step of it is paid. */
  public record BilledView(String month, boolean history, long gross, List<PaymentView> payments) {}

  /** A payment of a step of the pattern, numbered from 0, in a cash month. */
  public record PaymentView(int step, String month, long cash) {}

  /** A coming date of cash planned by date, unsigned; left is what is still expected, over what exceeded it. */
  public record ComingView(LocalDate day, LocalDate typed, long amount, long used, long left, long overBy, String certainty,
      boolean counted, String words) {}

  static LineView of(Edits.Current current, Line line, YearMonth firstMonth, int historyMonths, int months) {
    Plan plan = current.plan();
    boolean stream = line.assumption() instanceof Assumption.Stream;
    return new LineView(PlanView.plain(PlanWriter.json(line, plan.settings().currency())), kind(line.assumption()),
        stream ? strip(plan, line, firstMonth.minusMonths(historyMonths), historyMonths + months) : List.of(),
        stream ? schedule(current, line, firstMonth, Math.min(6, months)) : null,
        stream || line.isGroup() ? List.of() : coming(current, line));
  }

  static String kind(Assumption assumption) {
    return assumption instanceof Assumption.Stream ? "stream" : assumption instanceof Assumption.Recurring ? "recurring"
        : assumption instanceof Assumption.DatedItems ? "items" : "group";
  }

  private static List<MonthView> strip(Plan plan, Line line, YearMonth first, int count) {
    ActivityCalculator calculator = new ActivityCalculator(plan);
    MonthlyActivity activity = calculator.of(line);
    Assumption.Stream stream = (Assumption.Stream) line.assumption();
    YearMonth forecast = plan.settings().firstForecastMonth();
    List<MonthView> strip = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      YearMonth month = first.plusMonths(i);
      int number = Timeline.monthNumber(month);
      boolean history = month.isBefore(forecast);
      Assumption.MonthOverride override = history ? null : stream.overrides().get(month);
      strip.add(new MonthView(month.toString(), history, activity.in(number), activity.computedIn(number),
          override == null ? null : override.reason(), calculator.words(line, number)));
    }
    return strip;
  }

  private static ScheduleView schedule(Edits.Current current, Line line, YearMonth first, int months) {
    PatternSchedule schedule = PatternSchedule.of(current.plan(), current.books(), line, first, months);
    YearMonth forecast = current.plan().settings().firstForecastMonth();
    List<BilledView> billed = schedule.billed().stream().map(b -> new BilledView(b.month().toString(),
        b.month().isBefore(forecast), b.gross(), b.payments().stream()
            .map(p -> new PaymentView(p.step(), p.month().toString(), p.cash())).toList())).toList();
    return new ScheduleView(schedule.cashMonths().stream().map(YearMonth::toString).toList(), billed, schedule.cash(),
        schedule.discounts(), schedule.writtenOff(), schedule.owed());
  }

  private static List<ComingView> coming(Edits.Current current, Line line) {
    LocalDate asOf = current.plan().settings().asOf();
    return Forecaster.expectations(current.plan(), current.books(), line).stream()
        .filter(e -> e.windowEnd().isAfter(asOf)).limit(60).map(e -> comingView(current, line, e)).toList();
  }

  private static ComingView comingView(Edits.Current current, Line line, Expectation e) {
    return new ComingView(e.day(), e.typed(), e.amount(), e.used(), e.left(), e.overBy(),
        e.certainty().name().toLowerCase(java.util.Locale.ROOT),
        current.plan().settings().counts(line.direction(), e.certainty()), e.words());
  }
}

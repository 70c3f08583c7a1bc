package ebbtide.timing;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.books.DayAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Supplier;

/** The timing of one line after another: what is estimated after the as-of date, and why. */
public final class LineTiming {
  private final Plan plan;
  private final Timeline timeline;
  private final ActivityCalculator activity;
  private final Supplier<PaidDays> paidDays;
  private final Settlements settlements;
  private final Billings billings;
  private final ItemTiming items;

  /** Makes the timing on a timeline; {@code paidDays} reach back to the earliest bill that may still be paid. */
  public LineTiming(Plan plan, Timeline timeline, Supplier<PaidDays> paidDays, ActivityCalculator activity,
      Billings billings, Settlements settlements, ItemTiming items) {
    this.plan = plan;
    this.timeline = timeline;
    this.activity = activity;
    this.paidDays = paidDays;
    this.settlements = settlements;
    this.billings = billings;
    this.items = items;
  }

  /** Emits every open item and every estimate of an active line after the as-of date; the movements are the line's own. */
  public void emit(Line line, List<DayAmount> movements, FlowSink sink) {
    emitItems(line, movements, sink);
    if (line.assumption() instanceof Assumption.Stream stream) {
      switch (stream.terms().by()) {
        case DAYS -> emitDays(line, stream, sink);
        case TARGET -> emitTarget(line, stream, sink);
        case MONTHS -> emitPattern(line, stream, sink);
      }
      if (stream.ledger() != null && stream.ledger().trueUp() && stream.terms().by() != Terms.By.TARGET) {
        Implied implied = implied(line);
        implied.corrections().forEach(correction -> sink.fromTrueUp(implied, correction));
      }
      line.carried().stream().filter(one -> one.day().isAfter(plan.settings().asOf()) && !one.day().isAfter(plan.settings().horizonEnd()))
          .forEach(one -> sink.fromCarried(one, timeline.index(one.day())));
    } else if (!line.isGroup()) {
      emitExpectations(line, movements, sink);
    }
  }

  /**
   * Open items on their days. On books, cash booked after the as-of date is taken as paid on account until it is settled: it lowers the
   * items expected first.
   */
  private void emitItems(Line line, List<DayAmount> movements, FlowSink sink) {
    long onAccount = line.assumption() instanceof Assumption.Stream ? bookedAfter(line, movements) : 0;
    for (ExpectedItem one : items.of(line)) {
      if (!one.isLeftOut()) {
        long used = Math.min(onAccount, one.minor());
        onAccount -= used;
        sink.fromItem(one, timeline.index(one.day()), one.minor() - used);
      }
    }
  }

  /** Returns what was booked on a line after the as-of date and settles no item, in its direction; zero if it went the other way. */
  private long bookedAfter(Line line, List<DayAmount> movements) {
    long booked = movements.stream().filter(movement -> movement.day().isAfter(plan.settings().asOf())).mapToLong(DayAmount::minor).sum();
    return Math.max(0, (booked - items.settledAfter(line)) * line.direction().sign());
  }

  /** Returns what of the cash booked after the as-of date is a line's open items', settled or taken as paid on account. */
  public long onAccount(Line line, List<DayAmount> movements) {
    long open = items.of(line).stream().filter(one -> !one.isLeftOut()).mapToLong(ExpectedItem::minor).sum();
    return Math.min(open, bookedAfter(line, movements)) + Math.max(0, items.settledAfter(line) * line.direction().sign());
  }

  private void emitPattern(Line line, Assumption.Stream stream, FlowSink sink) {
    MonthPattern pattern = stream.terms().pattern();
    int firstCashMonth = Timeline.monthNumber(plan.settings().firstForecastMonth());
    int from = firstCashMonth - pattern.longestLag();
    int to = timeline.lastMonth() + pattern.longestLead();
    for (int month = from; month <= to; month++) {
      MonthBilling billing = billings.in(line, month);
      if (billing == null) {
        continue;
      }
      for (int step = 0; step < pattern.steps().size(); step++) {
        int cashMonth = billing.cashMonth(step);
        if (cashMonth >= firstCashMonth && cashMonth <= timeline.lastMonth()) {
          sink.fromPattern(billing, step);
        }
      }
    }
  }

  private void emitDays(Line line, Assumption.Stream stream, FlowSink sink) {
    MonthlyActivity amounts = activity.of(line);
    PaidDays days = paidDays.get();
    int offset = timeline.index(days.issues().first());
    int from = Timeline.monthNumber(plan.settings().firstForecastMonth()) - stream.terms().days().monthsBack();
    for (int month = from; month <= timeline.lastMonth(); month++) {
      if (amounts.in(month) != 0) {
        DayBilling billing = DayBilling.of(month, amounts.in(month), stream.tax(), stream.terms().days());
        billing.lay(stream.spread(), days, (day, gross, discount) -> sink.fromDays(billing, day + offset, gross - discount));
      }
    }
  }

  /** Returns what a stream paid by months or by days implies is owed on the as-of date. */
  public Implied implied(Line line) {
    Assumption.Stream stream = (Assumption.Stream) line.assumption();
    return new Implied(activity.of(line), stream, plan.settings(), timeline,
        stream.terms().by() == Terms.By.DAYS ? paidDays.get() : null);
  }

  private void emitTarget(Line line, Assumption.Stream stream, FlowSink sink) {
    TargetBilling billing = new TargetBilling(activity.of(line), stream, plan.settings(), timeline);
    billing.months(timeline.lastMonth()).forEach(month -> sink.fromTarget(billing, month));
  }

  private void emitExpectations(Line line, List<DayAmount> movements, FlowSink sink) {
    LocalDate asOf = plan.settings().asOf();
    LocalDate horizonEnd = plan.settings().horizonEnd();
    for (Expectation one : expectations(line, movements)) {
      boolean overdue = !one.day().isAfter(asOf);
      LocalDate day = overdue ? timeline.calendar().next(asOf) : one.day();
      boolean stands = !overdue || one.windowEnd().isAfter(asOf);
      if (stands && one.left() != 0 && !day.isAfter(horizonEnd)
          && plan.settings().counts(line.direction(), one.certainty())) {
        sink.fromExpectation(one, timeline.index(day), overdue);
      }
    }
  }

  /** Returns the expectations of a line planned in cash, left-out certainties included, used up by its movements. */
  public List<Expectation> expectations(Line line, List<DayAmount> movements) {
    List<Due> carried = line.carried().stream().map(one ->
        Due.whole(one.day(), one.day(), one.amount(), Certainty.CERTAIN, Due.Lasting.ONE_OFF, one.origin())).toList();
    return Expectations.of(settlements.dues(line), carried, line, unsaid(line, movements), items.known(line));
  }

  /** What is said to be paid of profit tax so far holds the movements up to the opening day: they settle nothing a second time. */
  private List<DayAmount> unsaid(Line line, List<DayAmount> movements) {
    boolean said = line.assumption() instanceof ProfitTax tax && tax.soFar().paid() != 0;
    return said ? movements.stream().filter(one -> one.day().isAfter(plan.settings().openingDay())).toList() : movements;
  }
}

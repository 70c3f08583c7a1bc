package ebbtide.timing;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.books.OpenItem;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;

/**
 * The tax points of lines (rules 7.3): to which month the sales tax of an amount, a bill or a payment belongs, and whether
 * to its days up to the as-of date or after. A discount lowers the tax of the month in which it is taken.
 */
public final class TaxPoints {
  private final Plan plan;
  private final Timeline timeline;
  private final ActivityCalculator activity;
  private final Supplier<PaidDays> paidDays;
  private final Billings billings;
  private final int asOf;
  private final int openMonth;

  /** Receives the tax of a month of a line, in minor units, unsigned: what falls after the as-of date, or before. */
  interface Sink {
    void add(int monthNumber, boolean after, long minor);
  }

  /** Makes the tax points of lines paid on a timeline. */
  public TaxPoints(Plan plan, Timeline timeline, Supplier<PaidDays> paidDays, ActivityCalculator activity,
      Billings billings) {
    this.plan = plan;
    this.timeline = timeline;
    this.activity = activity;
    this.paidDays = paidDays;
    this.billings = billings;
    this.asOf = timeline.index(plan.settings().asOf());
    this.openMonth = Timeline.monthNumber(plan.settings().firstForecastMonth());
  }

  /** Emits the recoverable tax of an active line from a month to the end of the timeline. */
  void emit(Line line, SalesTaxSettlement rule, int firstMonth, Sink sink) {
    if (line.assumption() instanceof CapitalSpending spending) {
      // On the cash basis the point is the day of the flow, else that of the bill (rules 7.3).
      UnaryOperator<LocalDate> paid = rule.point() == SalesTaxSettlement.TaxPoint.CASH ? day -> spending.convention().adjust(day, timeline.calendar()) : null;
      spending.assets().forEach(asset -> ofAsset(asset, paid, firstMonth, sink));
      return;
    }
    SalesTax tax = line.assumption().tax();
    if (tax.isNone() || line.assumption() instanceof Assumption.Recurring recurring && recurring.expensing().nonCash()) {
      return;
    }
    Emission emission = new Emission(tax, line.direction(), rule, firstMonth, sink);
    if (line.assumption() instanceof Assumption.Stream stream) {
      emission.items(line);
      if (stream.terms().by() == Terms.By.DAYS) {
        emission.byDays(activity.of(line), stream);
      } else if (stream.terms().by() == Terms.By.TARGET) {
        emission.byTarget(activity.of(line), stream);
      } else {
        emission.byMonths(line, stream);
      }
    } else {
      emission.bills(line);
    }
  }

  /** Tax on what an asset costs is claimed back, that on its sale is owed: input less output, on the dates of both, or when they are paid. */
  private void ofAsset(CapitalSpending.Asset asset, UnaryOperator<LocalDate> paid, int firstMonth, Sink sink) {
    asset.milestones().forEach(one -> addOn(paid == null ? one.date() : paid.apply(one.date().plusDays(asset.termsDays())),
        asset.tax().recoverable().of(asset.tax().taxOf(one.amount())), firstMonth, sink));
    if (asset.disposal() != null) {
      LocalDate sold = asset.disposal().date();
      addOn(paid == null ? sold : paid.apply(sold), -asset.tax().taxOf(asset.disposal().proceeds()), firstMonth, sink);
    }
  }

  private void addOn(LocalDate day, long minor, int firstMonth, Sink sink) {
    int month = Timeline.monthNumber(YearMonth.from(day));
    if (minor != 0 && month >= firstMonth && month <= timeline.lastMonth()) {
      sink.add(month, day.isAfter(plan.settings().asOf()), minor);
    }
  }

  /** The tax of one line on its way to its months. */
  private final class Emission {
    private final SalesTax tax;
    private final Direction direction;
    private final SalesTaxSettlement rule;
    private final int firstMonth;
    private final Sink sink;

    Emission(SalesTax tax, Direction direction, SalesTaxSettlement rule, int firstMonth, Sink sink) {
      this.tax = tax;
      this.direction = direction;
      this.rule = rule;
      this.firstMonth = firstMonth;
      this.sink = sink;
    }

    private boolean isCashBasis() {
      return rule.point() == SalesTaxSettlement.TaxPoint.CASH;
    }

    private long counted(long minor) {
      return direction == Direction.RECEIPT ? minor : tax.recoverable().of(minor);
    }

    /**
     * The tax of what is known to be billed: on the day of issue, an order's on its delivery; on the cash basis on the day it is paid,
     * of what is open when it is expected.
     */
    void items(Line line) {
      for (OpenItem item : billings.known(line)) {
        int sign = item.kind() == OpenItem.Kind.CREDIT_NOTE ? -1 : 1;
        if (item.kind() == OpenItem.Kind.ORDER) {
          addOn(LeftOfPlan.delivered(item, plan.settings().asOf()), isCashBasis() ? 0 : counted(LeftOfPlan.taxOfOpen(item)));
        } else if (!isCashBasis()) {
          addOn(item.issued(), sign * counted(item.amount().tax()));
        } else if (item.paidOn() != null) {
          addOn(item.paidOn(), sign * counted(item.amount().tax()));
        }
      }
      if (isCashBasis()) {
        billings.expected(line).stream().filter(one -> !one.isLeftOut()).forEach(one -> addOn(one.day(), counted(LeftOfPlan.taxOfOpen(one.item()))));
      }
    }

    void byMonths(Line line, Assumption.Stream stream) {
      MonthPattern pattern = stream.terms().pattern();
      boolean byStep = isCashBasis() || rule.relief() || pattern.steps().stream().anyMatch(s -> s.discount().millionths() > 0);
      int from = firstMonth - (byStep ? stream.terms().monthsBack() : 0);
      int to = timeline.lastMonth() + (byStep ? pattern.longestLead() : 0);
      for (int month = from; month <= to; month++) {
        MonthBilling billing = billings.in(line, month);
        if (billing == null) {
          continue;
        }
        if (!isCashBasis()) {
          lay(month, billing.tax(), stream);
        }
        if (byStep) {
          emitSteps(billing, stream);
        }
      }
    }

    private void emitSteps(MonthBilling billing, Assumption.Stream stream) {
      long[] taxByStep = billing.taxParts();
      for (int step = 0; step < taxByStep.length - 1; step++) {
        long ofDiscount = billing.taxOfDiscount(step);
        lay(billing.cashMonth(step), isCashBasis() ? taxByStep[step] - ofDiscount : -ofDiscount, stream);
      }
      if (rule.relief() && !isCashBasis() && direction == Direction.RECEIPT) {
        int month = billing.writeOffMonth();
        add(month, month >= openMonth, -taxByStep[taxByStep.length - 1]);
      }
    }

    void byDays(MonthlyActivity amounts, Assumption.Stream stream) {
      int from = firstMonth - (isCashBasis() || stream.terms().days().isEarly() ? stream.terms().monthsBack() : 0);
      for (int month = from; month <= timeline.lastMonth(); month++) {
        long amount = amounts.in(month);
        if (amount != 0 && isCashBasis()) {
          byPaidDays(DayBilling.of(month, amount, tax, stream.terms().days()), stream);
        } else if (amount != 0) {
          lay(month, tax.taxOf(amount), stream);
          if (stream.terms().days().isEarly()) {
            byPaidDays(DayBilling.of(month, amount, tax, stream.terms().days()), stream);
          }
        }
      }
    }

    /** On the cash basis the tax is that within what comes in. */
    void byTarget(MonthlyActivity amounts, Assumption.Stream stream) {
      if (!isCashBasis()) {
        for (int month = firstMonth; month <= timeline.lastMonth(); month++) {
          lay(month, tax.taxOf(amounts.in(month)), stream);
        }
        return;
      }
      TargetBilling billing = new TargetBilling(amounts, stream, plan.settings(), timeline);
      billing.months(timeline.lastMonth()).forEach(month -> add(month.month(), true, counted(tax.rate().withinGross(month.cash()))));
    }

    private void byPaidDays(DayBilling billing, Assumption.Stream stream) {
      PaidDays days = paidDays.get();
      List<LocalDate> paid = new ArrayList<>();
      List<Long> gross = new ArrayList<>();
      billing.lay(stream.spread(), days, (day, amount, discount) -> {
        paid.add(days.issues().date(day));
        gross.add(amount);
      });
      long[] weights = gross.stream().mapToLong(Math::abs).toArray();
      if (java.util.Arrays.stream(weights).sum() == 0) {
        return;
      }
      long tax = (isCashBasis() ? billing.tax() : 0) - billing.discountOf(billing.tax());
      long[] parts = Split.byWeights(counted(tax), weights);
      for (int i = 0; i < parts.length; i++) {
        addOn(paid.get(i), parts[i]);
      }
    }

    void bills(Line line) {
      LocalDate first = Timeline.month(firstMonth).atDay(1);
      LocalDate end = timeline.last();
      if (line.assumption() instanceof Assumption.Recurring recurring
          && plan.settings().counts(direction, recurring.certainty())) {
        int days = isCashBasis() ? recurring.termsDays() : 0;
        recurring.when().between(first.minusDays(days), end).forEach(bill ->
            addOn(point(bill, days, recurring.convention()), counted(tax.taxOf(recurring.amountOn(bill)))));
      } else if (line.assumption() instanceof Assumption.DatedItems items) {
        items.items().stream().filter(item -> plan.settings().counts(direction, item.certainty()))
            .forEach(item -> addOn(point(item.date(), 0, items.convention()), counted(tax.taxOf(item.amount()))));
      }
    }

    private LocalDate point(LocalDate bill, int termsDays, ebbtide.time.Convention convention) {
      return isCashBasis() ? convention.adjust(bill.plusDays(termsDays), timeline.calendar()) : bill;
    }

    private void addOn(LocalDate day, long minor) {
      add(Timeline.monthNumber(YearMonth.from(day)), day.isAfter(plan.settings().asOf()), minor);
    }

    /** The month that holds the as-of date is parted by the line's spread; all others lie on one side of it. */
    private void lay(int month, long minor, Assumption.Stream stream) {
      long counted = counted(minor);
      boolean parted = month == openMonth && timeline.startOfMonth(month) <= asOf;
      if (!parted) {
        add(month, month >= openMonth, counted);
        return;
      }
      long[] sides = {0, 0};
      stream.spread().lay(counted, month, timeline, (day, part) -> sides[day > asOf ? 1 : 0] += part);
      add(month, false, sides[0]);
      add(month, true, sides[1]);
    }

    private void add(int month, boolean after, long minor) {
      if (minor != 0 && month >= firstMonth && month <= timeline.lastMonth()) {
        sink.add(month, after, minor);
      }
    }
  }
}

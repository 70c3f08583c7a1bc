package ebbtide.forecast;

import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.funding.Accrual;
import ebbtide.funding.Sweep;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.Charging;
import ebbtide.plan.Direction;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Timeline;
import ebbtide.timing.LoanAccount;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * How a plan is funded (rules 8): from every other flow the sweep of its facilities, by day of the timeline. Made once for a forecast, after
 * all lines that are no facility have their flows.
 */
public final class Funding {
  /** Minimum cash by days of payments reads so many days ahead. */
  private static final int DAYS_AHEAD = 91;
  private final Plan plan;
  private final Books books;
  private final Timeline timeline;
  private final int asOf;
  private final long[] minimum;
  private final long[] overdraft;
  private final List<Line> facilities;
  private final Map<String, long[]> limits = new HashMap<>();
  private final Sweep.Result result;
  private final Function<Line, LoanAccount> schedules;

  /** Works the funding out: {@code levels} is closing cash by day before the sweep, {@code flows} those of all lines. */
  Funding(Plan plan, Books books, Timeline timeline, long[] levels, Map<String, LineFlows> flows, Function<Line, LoanAccount> schedules) {
    this.schedules = schedules;
    this.plan = plan;
    this.books = books;
    this.timeline = timeline;
    this.asOf = timeline.index(plan.settings().asOf());
    this.minimum = minimum(flows);
    this.overdraft = byDay(plan.settings().facility() == null ? Steps.none() : plan.settings().facility().limit());
    this.facilities = plan.lines().stream().filter(line -> line.assumption() instanceof Revolving && plan.isActive(line)).toList();
    this.facilities.forEach(line -> limits.put(line.id(), most((Revolving) line.assumption())));
    this.result = Sweep.of(input(levels));
  }

  private long[] most(Revolving revolving) {
    long[] most = new long[timeline.days()];
    for (int day = 0; day < most.length; day++) {
      most[day] = revolving.most(timeline.date(day));
    }
    return most;
  }

  private long[] minimum(Map<String, LineFlows> flows) {
    Settings settings = plan.settings();
    long[] byDay = byDay(settings.minimumCash());
    if (settings.funding().minimumDays() == null) {
      return byDay;
    }
    long[] upTo = new long[timeline.days() + 1];
    for (Line line : plan.lines()) {
      if (line.direction() == Direction.PAYMENT && !line.isGroup() && !line.isFunding()) {
        LineFlows one = flows.get(line.id());
        for (int day = 0; day < byDay.length; day++) {
          upTo[day + 1] += Math.max(0, -one.cell(day, day + 1).amount());
        }
      }
    }
    for (int day = 1; day < upTo.length; day++) {
      upTo[day] += upTo[day - 1];
    }
    for (int day = 0; day < byDay.length; day++) {
      int end = Math.min(byDay.length, day + 1 + DAYS_AHEAD);
      int days = end - day - 1;
      byDay[day] = days == 0 ? (day == 0 ? 0 : byDay[day - 1])
          : Rounding.divide(settings.funding().minimumDays().multiply(BigDecimal.valueOf(upTo[end] - upTo[day + 1])), days);
    }
    return byDay;
  }

  /** Amounts in force by day of the timeline, nothing before the first. */
  private long[] byDay(Steps<Long> steps) {
    long[] values = new long[timeline.days()];
    for (Steps.Step<Long> step : steps.steps()) {
      int from = Math.max(0, timeline.index(step.from()));
      if (from < values.length) {
        Arrays.fill(values, from, values.length, step.value());
      }
    }
    return values;
  }

  private Sweep.Input input(long[] levels) {
    int days = timeline.days() - asOf - 1;
    long[] net = new long[days];
    for (int day = 0; day < days; day++) {
      net[day] = levels[asOf + 1 + day] - levels[asOf + day];
    }
    FundingRules rules = plan.settings().funding();
    return new Sweep.Input(levels[asOf], net, Arrays.copyOfRange(minimum, asOf + 1, timeline.days()),
        Arrays.copyOfRange(overdraft, asOf + 1, timeline.days()), swept(rules.sweeps(), days),
        rules.buffer(), facilities.stream().map(this::facility).toList(), ofBank(Interest.Of.OVERDRAFT, levels), ofBank(Interest.Of.CASH, levels),
        rules.interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE ? months(days) : null);
  }

  private LocalDate day(int swept) {
    return timeline.date(asOf + 1 + swept);
  }

  /** Money is drawn and repaid on business days. */
  private boolean[] swept(FundingRules.Sweeps sweeps, int days) {
    boolean[] swept = new boolean[days];
    DayOfWeek first = plan.settings().firstDayOfWeek();
    for (int i = 0; i < days && !facilities.isEmpty(); i++) {
      LocalDate day = day(i);
      LocalDate end = switch (sweeps) {
        case DAY -> day;
        case WEEK -> day.with(TemporalAdjusters.nextOrSame(first.minus(1)));
        case MONTH -> YearMonth.from(day).atEndOfMonth();
      };
      swept[i] = sweeps == FundingRules.Sweeps.DAY ? timeline.calendar().isBusinessDay(day) : day.equals(timeline.calendar().previousOrSame(end));
    }
    return swept;
  }

  private List<Sweep.Month> months(int days) {
    List<Sweep.Month> months = new ArrayList<>();
    for (int first = 0; first < days; ) {
      YearMonth month = YearMonth.from(day(first));
      int last = Math.min(days - 1, first + (int) (month.atEndOfMonth().toEpochDay() - day(first).toEpochDay()));
      LocalDate business = timeline.calendar().previousOrSame(month.atEndOfMonth());
      int paid = Math.max(first, Math.min(last, first + (int) (business.toEpochDay() - day(first).toEpochDay())));
      months.add(new Sweep.Month(first, last, paid, last - first + 1, month.lengthOfMonth()));
      first = last + 1;
    }
    return months;
  }

  private Sweep.Facility facility(Line line) {
    Revolving revolving = (Revolving) line.assumption();
    long[] most = Arrays.copyOfRange(limits.get(line.id()), asOf + 1, timeline.days());
    long[] moved = booked(line);
    LocalDate drawable = plan.settings().asOf();
    for (int i = 0; i < revolving.noticeDays(); i++) {
      drawable = timeline.calendar().next(drawable);
    }
    return new Sweep.Facility(most, moved, revolving.committed(), revolving.multiple(), Math.max(0, timeline.index(drawable) - asOf - 1), drawnAsOf(line),
        accrual(line, revolving));
  }

  /** What the bank has booked after the as-of date, by day swept; what comes in is above zero. */
  private long[] booked(Line line) {
    long[] moved = new long[timeline.days() - asOf - 1];
    movements(line).stream().filter(one -> one.day().isAfter(plan.settings().asOf()) && !one.day().isAfter(timeline.last()))
        .forEach(one -> moved[timeline.index(one.day()) - asOf - 1] += one.minor());
    return moved;
  }

  private List<DayAmount> movements(Line line) {
    return books.byLine().getOrDefault(line.id(), List.of());
  }

  private long drawnOn(Line line, LocalDate day) {
    Revolving.Drawn drawn = ((Revolving) line.assumption()).drawn();
    return drawn.amount() + movements(line).stream().filter(one -> one.day().isAfter(drawn.on()) && !one.day().isAfter(day)).mapToLong(DayAmount::minor).sum();
  }

  /** Returns what is drawn on a facility at the end of the as-of date: what was said, and every movement since. */
  public long drawnAsOf(Line line) {
    return drawnOn(line, plan.settings().asOf());
  }

  private Optional<Line> interestLine(Interest.Of of, String lineId) {
    return plan.lines().stream().filter(line -> line.assumption() instanceof Interest one && one.of() == of
        && java.util.Objects.equals(one.lineId(), lineId) && plan.isActive(line)).findFirst();
  }

  private Accrual accrual(Line line, Revolving revolving) {
    int days = timeline.days() - asOf - 1;
    Optional<Line> interest = interestLine(Interest.Of.LINE, line.id());
    if (interest.isEmpty()) {
      return Accrual.none(days);
    }
    long[] rate = new long[days];
    long[] fee = new long[days];
    for (int day = 0; day < days; day++) {
      rate[day] = revolving.rate(day(day)).millionths();
      fee[day] = fee(revolving, day(day));
    }
    Charging charging = revolving.charging();
    Owed owed = new Owed(charging, revolving.drawn().on(), Accrual.accrued(revolving.drawn().accrued(), charging.dayCount().year()));
    for (LocalDate night = revolving.drawn().on(); !night.isAfter(plan.settings().asOf()); night = night.plusDays(1)) {
      long drawn = drawnOn(line, night);
      owed.night(night, BigInteger.valueOf(drawn).multiply(BigInteger.valueOf(revolving.rate(night).millionths()))
          .add(BigInteger.valueOf(Math.max(0, revolving.most(night) - drawn)).multiply(BigInteger.valueOf(fee(revolving, night)))));
    }
    return accrual(charging, rate, fee, owed, negative(booked(interest.get())));
  }

  private static long fee(Revolving revolving, LocalDate day) {
    return revolving.undrawnFee().findOn(day).map(step -> step.value().millionths()).orElse(0L);
  }

  private static long[] negative(long[] amounts) {
    return Arrays.stream(amounts).map(amount -> -amount).toArray();
  }

  /** Interest of the overdraft, or on cash held: what accrued by the as-of date is what the accounts bore since they were charged last. */
  private Accrual ofBank(Interest.Of of, long[] levels) {
    int days = timeline.days() - asOf - 1;
    Optional<Line> line = interestLine(of, null);
    if (line.isEmpty()) {
      return Accrual.none(days);
    }
    Charging charging = ((Interest) line.get().assumption()).charging();
    long[] rate = new long[days];
    for (int day = 0; day < days; day++) {
      rate[day] = bankRate(of, day(day));
    }
    LocalDate from = charging.lastOn(charging.lastOn(plan.settings().asOf()).minusDays(1));
    from = from.isBefore(timeline.first()) ? timeline.first() : from;
    Owed owed = new Owed(charging, from, BigInteger.ZERO);
    for (LocalDate night = from; !night.isAfter(plan.settings().asOf()); night = night.plusDays(1)) {
      long cash = levels[timeline.index(night)];
      long balance = of == Interest.Of.CASH ? Math.max(0, cash) : Math.max(0, -cash);
      owed.night(night, BigInteger.valueOf(balance).multiply(BigInteger.valueOf(bankRate(of, night))));
    }
    return accrual(charging, rate, new long[days], owed, negative(booked(line.get())));
  }

  private long bankRate(Interest.Of of, LocalDate day) {
    Steps<Percent> rates = of == Interest.Of.CASH ? plan.settings().cashRate() : plan.settings().facility() == null ? Steps.none() : plan.settings().facility().rate();
    return rates.findOn(day).map(step -> step.value().millionths()).orElse(0L);
  }

  private Accrual accrual(Charging charging, long[] rate, long[] fee, Owed owed, long[] booked) {
    int[] nights = new int[rate.length];
    int[] paidOn = new int[rate.length];
    for (int day = 0; day < rate.length; day++) {
      nights[day] = (int) charging.dayCount().days(day(day), day(day).plusDays(1));
      paidOn[day] = charging.isOn(day(day)) ? timeline.index(paid(charging, day(day))) - asOf - 1 : -1;
    }
    boolean waits = owed.paidOn != null && owed.paidOn.isAfter(plan.settings().asOf());
    return new Accrual(true, rate, fee, nights, charging.dayCount().year(), paidOn, owed.accrued, waits ? owed.charged : 0,
        waits ? timeline.index(owed.paidOn) - asOf - 1 : -1, booked);
  }

  private LocalDate paid(Charging charging, LocalDate charged) {
    return charging.nextBusinessDay() ? timeline.calendar().nextOrSame(charged) : charged;
  }

  /** What accrued up to the as-of date, charge by charge. */
  private final class Owed {
    private final Charging charging;
    private final LocalDate from;
    private BigInteger accrued;
    private long charged;
    private LocalDate paidOn;

    Owed(Charging charging, LocalDate from, BigInteger accrued) {
      this.charging = charging;
      this.from = from;
      this.accrued = accrued;
    }

    void night(LocalDate night, BigInteger perDay) {
      if (night.isAfter(from) && charging.isOn(night)) {
        charged = Rounding.divide(new BigDecimal(accrued), 1_000_000L * charging.dayCount().year());
        paidOn = paid(charging, night);
        accrued = BigInteger.ZERO;
      }
      if (night.equals(plan.settings().asOf()) && plan.settings().funding().interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE) {
        // The mean of the days after the as-of date reckons from its balance: its night is in it.
        return;
      }
      accrued = accrued.add(perDay.multiply(BigInteger.valueOf(charging.dayCount().days(night, night.plusDays(1)))));
    }
  }

  /** Lays what the sweep found on the lines of facilities and their interest, and adds it to closing cash. */
  void lay(Map<String, LineFlows> flows, long[] levels) {
    Map<String, long[]> byLine = new LinkedHashMap<>();
    for (int i = 0; i < facilities.size(); i++) {
      byLine.put(facilities.get(i).id(), result.flows()[i]);
      put(byLine, interestLine(Interest.Of.LINE, facilities.get(i).id()), result.interest()[i]);
    }
    put(byLine, interestLine(Interest.Of.OVERDRAFT, null), result.interest()[facilities.size()]);
    put(byLine, interestLine(Interest.Of.CASH, null), result.interest()[facilities.size() + 1]);
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
    line.ifPresent(one -> byLine.put(one.id(), negative(paid)));
  }

  /** Returns why a facility is drawn or repaid, or interest paid, on a day; nothing for a line that the sweep does not move. */
  Optional<String> findWords(Line line, LocalDate on) {
    int day = timeline.index(on);
    if (line.assumption() instanceof Interest interest && (interest.lineId() == null || facilities.stream().anyMatch(one -> one.id().equals(interest.lineId())))) {
      return Optional.of(plan.settings().funding().interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE
          ? "a twelfth of the rate on the mean of the month's opening and closing balance"
          : "interest and fees of the nights since the charge before, by " + interestWords(interest) + ", less what the bank has booked of it");
    }
    int at = facilities.indexOf(line);
    if (at < 0) {
      return Optional.empty();
    }
    if (forced(at, day) > 0) {
      return Optional.of("no more than " + words(most(at, day)) + " may be drawn then: what is above is repaid at once");
    }
    long flow = result.flows()[at][day - asOf - 1];
    long multiple = ((Revolving) line.assumption()).multiple();
    return Optional.of((flow > 0 ? "cash would be under its minimum of " : "cash is above its minimum of ") + words(minimum[day])
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

  /** Returns the payments of a loan's line. */
  List<LoanAccount.Payment> schedule(Line loan) {
    return schedules.apply(loan).payments();
  }

  /** Returns the facilities in order of priority. */
  public List<Line> facilities() {
    return facilities;
  }

  /** Returns the month whose interest by the mean of balances does not settle, from which on nothing is drawn or repaid; none if all do. */
  public Optional<YearMonth> unsettled() {
    return result.unsettled() < 0 ? Optional.empty() : Optional.of(YearMonth.from(day(result.unsettled())));
  }

  public long minimum(int day) {
    return minimum[day];
  }

  /** Returns what cash may lie below zero on a day. */
  public long overdraft(int day) {
    return overdraft[day];
  }

  /** Returns what is drawn on a facility, numbered in order of priority, at the end of a day of the timeline. */
  public long drawn(int facility, int day) {
    return day <= asOf ? drawnOn(facilities.get(facility), timeline.date(day)) : result.drawn()[facility][day - asOf - 1];
  }

  /** Returns what of a draw's facility was repaid on a day because its limit asked for it. */
  long forced(int facility, int day) {
    return day <= asOf ? 0 : result.forced()[facility][day - asOf - 1];
  }

  /** Returns the most that may be drawn on a facility on a day. */
  public long most(int facility, int day) {
    return limits.get(facilities.get(facility).id())[day];
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

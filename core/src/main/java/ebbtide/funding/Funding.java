package ebbtide.funding;

import ebbtide.accounts.Accounts;
import ebbtide.derive.Lazy;
import ebbtide.flows.Flows;
import ebbtide.money.Money;
import ebbtide.plan.Charging;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.time.DaySeries;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * How a plan is funded (rules 8): from every other flow the sweep of its facilities, by day of the timeline. Made once
 * for a forecast, after all lines that are no facility have their flows.
 */
public final class Funding {
    private final Accounts accounts;
    private final Plan plan;
    private final Timeline timeline;
    private final int asOf;
    private final SweepInput input;
    private final DaySeries before;
    /** What of deposits counts, which no sweep changes. */
    private final Lazy<DaySeries> callable;

    private final Sweep.Result result;

    private Funding(
            Accounts accounts, Timeline timeline, SweepInput input, DaySeries before, Lazy<DaySeries> callable) {
        this.accounts = accounts;
        this.plan = accounts.plan();
        this.timeline = timeline;
        this.asOf = timeline.index(plan.settings().asOf());
        this.input = input;
        this.before = before;
        this.callable = callable;
        this.result = Sweep.of(input.of(before));
    }

    /**
     * Returns the funding of flows that nothing is swept of yet; what an earlier plan's read the same is taken over.
     */
    public static Funding of(Flows flows, Optional<Funding> before) {
        return of(flows, new SweepInput(flows, before.map(one -> one.input)));
    }

    /**
     * Returns the funding of the same plan's flows as they are with interest: limits and minimum cash stay as they
     * were.
     */
    public Funding with(Flows borne) {
        return of(borne, input);
    }

    private static Funding of(Flows flows, SweepInput input) {
        return new Funding(
                flows.accounts(),
                flows.timeline(),
                input,
                flows.closing(),
                Lazy.of(() -> CallableDeposits.byDay(flows.accounts(), flows.timeline())));
    }

    /**
     * Returns what cash is measured against by day where more, or less, flows by day of the timeline than is forecast:
     * swept and bearing interest anew, all else as it is (rules 11.8).
     */
    public Liquidity flowing(DaySeries more) {
        Funding drawn = new Funding(accounts, timeline, input, before.plus(more.levels(timeline.days(), 0)), callable);
        DaySeries swept = drawn.moved().values().stream().reduce(DaySeries.NIL, DaySeries::plus);
        return drawn.liquidity(drawn.before.plus(swept.levels(timeline.days(), 0)));
    }

    /**
     * Returns what the sweep's interest earns by line and month from the first that is forecast, whole months: what was
     * charged in it and what has accrued at its end, less what had accrued before it; costs below zero. Months whose
     * interest does not settle earn nothing.
     */
    public Map<String, MonthSeries> interestByMonth() {
        Map<String, MonthSeries> byLine = new LinkedHashMap<>();
        for (int i = 0; i < input.interest().count(); i++) {
            int at = i;
            input.interest().line(i).ifPresent(line -> byLine.put(line.id(), earned(at)));
        }
        return byLine;
    }

    private MonthSeries earned(int source) {
        YearMonth first = plan.settings().firstForecastMonth();
        long[] earned =
                new long[(int) first.until(YearMonth.from(plan.settings().horizonEnd()), ChronoUnit.MONTHS) + 1];
        InterestCosts costs = result.costs();
        long before = costs.opening(source) - input.interest().costOfMonthSoFar(source);
        for (int i = 0; i < earned.length; i++) {
            int day = timeline.index(first.plusMonths(i).atEndOfMonth()) - asOf - 1;
            if (result.isKnown(day)) {
                long upTo = costs.upTo(source, day);
                earned[i] = before - upTo;
                before = upTo;
            }
        }
        return MonthSeries.of(Timeline.monthNumber(first), earned);
    }

    /**
     * Returns what is owed at the horizon of interest that the sweep bears, paid on a line (below zero: due to us);
     * nothing for another line.
     */
    public OptionalLong interestOwed(Line line) {
        for (int i = 0; i < input.interest().count(); i++) {
            if (input.interest().line(i).filter(line::equals).isPresent()) {
                return OptionalLong.of(result.owed(i));
            }
        }
        return OptionalLong.empty();
    }

    /** Returns what the sweep found for the lines of facilities and their interest, by line and day of the timeline. */
    public Map<String, DaySeries> moved() {
        Map<String, DaySeries> byLine = new LinkedHashMap<>();
        List<Line> facilities = input.facilities();
        for (int i = 0; i < facilities.size(); i++) {
            byLine.put(facilities.get(i).id(), onTimeline(result.flows(), i, 1));
        }
        for (int i = 0; i < input.interest().count(); i++) {
            int at = i;
            input.interest().line(i).ifPresent(line -> byLine.put(line.id(), onTimeline(result.interest(), at, -1)));
        }
        return byLine;
    }

    private DaySeries onTimeline(DayTable swept, int thing, int sign) {
        return DaySeries.of(timeline.days(), day -> {
            int at = day - asOf - 1;
            return at >= 0 && result.isKnown(at) ? sign * swept.on(thing, at) : 0;
        });
    }

    /**
     * Returns why a facility is drawn or repaid, or interest paid, on a day; nothing for a line that the sweep does not
     * move.
     */
    public Optional<String> findWords(Line line, LocalDate on) {
        int day = timeline.index(on);
        if (line.assumption() instanceof Interest interest
                && (interest.lineId() == null
                        || input.facilities().stream().anyMatch(one -> one.id().equals(interest.lineId())))) {
            return Optional.of(
                    plan.settings().funding().interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE
                            ? "a twelfth of the rate on the mean of the month's opening and closing balance"
                            : "interest and fees of the nights since the charge before, by " + interestWords(interest)
                                    + ", less what the bank has booked of it");
        }
        int at = input.facilities().indexOf(line);
        if (at < 0) {
            return Optional.empty();
        }
        if (forced(at, day) > 0) {
            return Optional.of(
                    "no more than " + words(most(at, day)) + " may be drawn then: what is above is repaid at once");
        }
        long flow = result.flows().on(at, day - asOf - 1);
        long multiple = ((Revolving) line.assumption()).multiple();
        return Optional.of((flow > 0 ? "cash would be under its minimum of " : "cash is above its minimum of ")
                + words(input.minimum(day))
                + (multiple > 1 ? "; in multiples of " + words(multiple) : ""));
    }

    private String interestWords(Interest interest) {
        Charging charging = interest.lineId() == null
                ? interest.charging()
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

    /** Returns what cash is measured against by day, of cash as it closes with what is swept. */
    public Liquidity liquidity(DaySeries closing) {
        DaySeries.Sum limit = new DaySeries.Sum(timeline.days());
        DaySeries.Sum undrawn = new DaySeries.Sum(timeline.days());
        DaySeries.Sum drawn = new DaySeries.Sum(timeline.days());
        limit.add(input.overdraft(), 1);
        undrawn.add(input.overdraft(), 1);
        for (int i = 0; i < facilities().size(); i++) {
            DaySeries most = input.limit(facilities().get(i));
            DaySeries ofIt = drawnByDay(i);
            limit.add(most, 1);
            drawn.add(ofIt, 1);
            if (((Revolving) facilities().get(i).assumption()).committed()) {
                for (int day = 0; day < timeline.days(); day++) {
                    undrawn.add(day, Math.max(0, most.on(day) - ofIt.on(day)));
                }
            }
        }
        return new Liquidity(
                closing, input.minimum(), limit.series(), undrawn.series(), drawn.series(), callable.get());
    }

    private DaySeries drawnByDay(int facility) {
        DaySeries before = input.drawnBefore(facilities().get(facility));
        return DaySeries.of(
                timeline.days(),
                day -> day <= asOf ? before.on(day) : result.drawn().on(facility, day - asOf - 1));
    }

    /** Returns what is drawn on a facility at the end of the as-of date: what was said, and every movement since. */
    public long drawnAsOf(Line line) {
        return input.books().drawnOn(line, plan.settings().asOf());
    }

    /** Returns the facilities in order of priority. */
    public List<Line> facilities() {
        return input.facilities();
    }

    /**
     * Returns the month whose interest by the mean of balances does not settle, from which on nothing is drawn or
     * repaid; none if all do.
     */
    public Optional<YearMonth> unsettled() {
        return result.unsettled() < 0
                ? Optional.empty()
                : Optional.of(YearMonth.from(timeline.date(asOf + 1 + result.unsettled())));
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
        return day <= asOf
                ? input.drawnBefore(input.facilities().get(facility)).on(day)
                : result.drawn().on(facility, day - asOf - 1);
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
    public long forced(int facility, int day) {
        return result.forced().on(facility, day - asOf - 1);
    }

    /** Returns the most that may be drawn on a facility on a day. */
    public long most(int facility, int day) {
        return input.limit(input.facilities().get(facility)).on(day);
    }

    /** Returns what stays drawn beyond limits on a day. */
    public long overdue(int day) {
        return result.overdue().on(day - asOf - 1);
    }

    /** Returns by how much cash and overdraft fall short of the minimum on a day, with what is overdue (rules 8.3). */
    public long shortfall(int day) {
        return result.shortfall().on(day - asOf - 1);
    }
}

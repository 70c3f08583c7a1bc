package ebbtide.flows;

import ebbtide.accounts.Expectation;
import ebbtide.accounts.StreamAccount;
import ebbtide.billing.DayBilling;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.OwedByHistory;
import ebbtide.billing.TargetBilling;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Line;
import ebbtide.plan.Line.CashOverride;
import ebbtide.time.DaySeries;
import ebbtide.time.DaySink;
import ebbtide.time.Spread;
import ebbtide.time.SpreadSum;
import ebbtide.time.Timeline;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The flows of one line on their way: what the bank has, what the plan lays, what of that the bank's word replaces, and
 * what overrides do.
 */
final class Laying implements FlowSink, DaySink {
    private final Timeline timeline;
    private final int asOf;
    private final int sign;
    private final Timeline days;
    private final SpreadSum pattern;
    private final Booked booked;
    private final DaySeries.Sum items;
    private final DaySeries.Sum laid;
    private final LineTiming timing;
    /** Asked of every day, and nothing is paid later in the base. */
    private final boolean paidLater;

    private DaySeries.@Nullable Sum later;
    private boolean @Nullable [] overdue;
    private final List<ItemFlow> itemFlows = new ArrayList<>();

    private Laying(LineTiming timing, Timeline timeline, int asOf) {
        Line line = timing.account().line();
        this.timing = timing;
        this.timeline = timeline;
        this.asOf = asOf;
        this.paidLater = line.isPaidLater();
        this.sign = line.direction().sign();
        this.days = timing.timeline();
        this.pattern = line.findStream()
                .map(Assumption.Stream::spread)
                .orElseGet(Spread.Even::new)
                .sum(days, this);
        this.booked = Booked.of(timing.movements(), timeline, asOf);
        this.items = new DaySeries.Sum(timeline.days());
        this.laid = new DaySeries.Sum(timeline.days());
    }

    /** Returns the flows of an active line: laid, netted and overridden. */
    static LineFlows of(LineTiming timing, Timeline timeline, int asOf) {
        Laying laying = new Laying(timing, timeline, asOf);
        timing.emit(laying);
        laying.pattern.lay();
        return laying.flows();
    }

    private LineFlows flows() {
        Booked all = booked.with(items.series());
        DaySeries planned = laid.series();
        DaySeries netted = timing.account() instanceof StreamAccount ? netted(planned, timing.onAccount()) : planned;
        DaySeries estimated = netted;
        for (CashOverride override : timing.account().line().overrides()) {
            estimated = overridden(estimated, override, netted, all);
        }
        return new LineFlows(
                timeline,
                all,
                new LineFlows.Estimated(planned, netted, estimated),
                overdue,
                itemFlows,
                later == null ? DaySeries.NIL : later.series());
    }

    /** Adds to the estimate laid by the plan; days up to the as-of date are facts and take none. */
    @Override
    public void add(int day, long minor) {
        if (day > asOf) {
            add(day, paidLater ? timing.moved(day) : day, minor);
        }
    }

    /** Lays what falls on a day where a scenario has it paid; beyond the last day nothing is laid. */
    private void add(int day, int moved, long minor) {
        if (day <= asOf) {
            return;
        }
        if (moved != day) {
            later = later == null ? new DaySeries.Sum(timeline.days()) : later;
            if (day < timeline.days()) {
                later.add(day, -minor);
            }
            if (moved < timeline.days()) {
                later.add(moved, minor);
            }
        }
        if (moved < timeline.days()) {
            laid.add(moved, minor);
        }
    }

    @Override
    public void fromPattern(MonthBilling billing, int step) {
        pattern.add(billing.cash(step) * sign, billing.cashMonth(step));
    }

    @Override
    public void fromDays(DayBilling billing, int day, int moved, long minor) {
        if (day >= 0 && day < days.days()) {
            add(day, moved, minor * sign);
        }
    }

    @Override
    public void fromTarget(TargetBilling billing, TargetBilling.Month month) {
        billing.lay(month, (day, minor) -> add(day, minor * sign));
    }

    @Override
    public void fromTrueUp(OwedByHistory owed, OwedByHistory.Correction correction) {
        owed.lay(correction, (day, minor) -> add(day, minor * sign));
    }

    /** What an open item is expected to pay is committed, and nothing is netted with it. */
    @Override
    public void fromItem(ExpectedItem item, int day, long minor) {
        itemFlows.add(new ItemFlow(item, minor * sign));
        if (day > asOf && day < timeline.days()) {
            items.add(day, minor * sign);
        }
    }

    @Override
    public void fromCarried(CarriedAmount carried, int day) {
        add(day, carried.amount() * sign);
    }

    @Override
    public void fromExpectation(Expectation expectation, int day, int moved, boolean late) {
        add(day, moved, expectation.left() * sign);
        if (late) {
            overdue = overdue == null ? new boolean[timeline.days()] : overdue;
            overdue[Math.min(moved, timeline.days() - 1)] |= moved < timeline.days();
        }
    }

    /**
     * Returns the estimate less what is booked after the as-of date, month by month, off the days after it, the
     * earliest first, never past zero: the bank's word replaces the plan's. The first of it is spent where open items
     * took it on account.
     */
    private DaySeries netted(DaySeries planned, long onAccount) {
        if (booked.committed().days() == 0) {
            return planned;
        }
        DaySeries.Sum netted = new DaySeries.Sum(timeline.days());
        netted.add(planned, 1);
        long spent = onAccount;
        for (int month = timeline.firstMonth(); month <= timeline.lastMonth(); month++) {
            int start = Math.max(asOf + 1, timeline.startOfMonth(month));
            int end = timeline.startOfMonth(month) + timeline.lengthOfMonth(month);
            long left = booked.committed().sum(start, end) * sign;
            long taken = Math.min(spent, Math.max(0, left));
            spent -= taken;
            left -= taken;
            for (int day = start; day < end && left > 0; day++) {
                long used = Math.min(left, Math.max(0, netted.on(day) * sign));
                netted.add(day, -used * sign);
                left -= used;
            }
        }
        return netted.series();
    }

    /**
     * Returns the estimate with that in an override's period replaced by override - settled - committed (rules 5.3);
     * lapsed ones replace nothing.
     */
    private DaySeries overridden(DaySeries estimated, CashOverride override, DaySeries netted, Booked all) {
        int start = Math.max(0, timeline.index(override.period().startInclusive()));
        int end = Math.min(timeline.days(), timeline.index(override.period().endExclusive()));
        int open = Math.max(start, asOf + 1);
        if (open >= end) {
            return estimated;
        }
        long left = override.amount() * sign - all.sum(start, end);
        long[] parts = Split.byWeights(left, weights(netted, open, end));
        return DaySeries.of(timeline.days(), day -> day >= open && day < end ? parts[day - open] : estimated.on(day));
    }

    /** The override lies over the days as the estimate did; without one, even over the business days. */
    private long[] weights(DaySeries netted, int from, int to) {
        long[] weights = IntStream.range(from, to)
                .mapToLong(day -> Math.abs(netted.on(day)))
                .toArray();
        if (Arrays.stream(weights).allMatch(w -> w == 0)) {
            for (int day = from; day < to; day++) {
                weights[day - from] = timeline.calendar().isBusinessDay(timeline.date(day)) ? 1 : 0;
            }
        }
        if (Arrays.stream(weights).allMatch(w -> w == 0)) {
            weights[weights.length - 1] = 1;
        }
        return weights;
    }
}

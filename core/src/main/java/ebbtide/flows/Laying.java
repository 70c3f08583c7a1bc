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
import ebbtide.time.DaySink;
import ebbtide.time.Spread;
import ebbtide.time.SpreadSum;
import ebbtide.time.Timeline;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
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
    private final long[] settled;
    private final long[] committed;
    private long[] items = Booked.NONE;
    private final long[] laid;
    private long[] netted;
    private long[] estimated;
    private boolean @Nullable [] overdue;
    private final List<ItemFlow> itemFlows = new ArrayList<>();

    private Laying(LineTiming timing, Timeline timeline, int asOf) {
        Line line = timing.account().line();
        Booked booked = Booked.of(timing.movements(), timeline, asOf);
        this.timeline = timeline;
        this.asOf = asOf;
        this.sign = line.direction().sign();
        this.days = timing.timeline();
        this.pattern = line.findStream()
                .map(Assumption.Stream::spread)
                .orElseGet(Spread.Even::new)
                .sum(days, this);
        this.settled = booked.settled();
        this.committed = booked.committed();
        this.laid = new long[timeline.days()];
        this.netted = laid;
        this.estimated = laid;
    }

    /** Returns the flows of an active line: laid, netted and overridden. */
    static LineFlows of(LineTiming timing, Timeline timeline, int asOf) {
        Laying laying = new Laying(timing, timeline, asOf);
        timing.emit(laying);
        laying.pattern.lay();
        if (timing.account() instanceof StreamAccount) {
            laying.netWithBooked(timing.onAccount());
        }
        timing.account().line().overrides().forEach(laying::override);
        return laying.flows();
    }

    private LineFlows flows() {
        return new LineFlows(
                timeline,
                new Booked(settled, committed, items),
                new LineFlows.Estimated(laid, netted, estimated),
                overdue,
                itemFlows);
    }

    /** Adds to the estimate laid by the plan; days up to the as-of date are facts and take none. */
    @Override
    public void add(int day, long minor) {
        if (day > asOf) {
            laid[day] += minor;
        }
    }

    @Override
    public void fromPattern(MonthBilling billing, int step) {
        pattern.add(billing.cash(step) * sign, billing.cashMonth(step));
    }

    @Override
    public void fromDays(DayBilling billing, int day, long minor) {
        if (day >= 0 && day < days.days()) {
            add(day, minor * sign);
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
            items = items.length == 0 ? new long[timeline.days()] : items;
            items[day] += minor * sign;
        }
    }

    @Override
    public void fromCarried(CarriedAmount carried, int day) {
        add(day, carried.amount() * sign);
    }

    @Override
    public void fromExpectation(Expectation expectation, int day, boolean late) {
        add(day, expectation.left() * sign);
        if (late) {
            overdue = overdue == null ? new boolean[timeline.days()] : overdue;
            overdue[day] = true;
        }
    }

    /**
     * Takes what is booked after the as-of date off the estimate of its month's days after it, the earliest days first,
     * never past zero: the bank's word replaces the plan's. The first of it is spent where open items took it on
     * account.
     */
    private void netWithBooked(long onAccount) {
        if (committed.length == 0) {
            return;
        }
        netted = laid.clone();
        long spent = onAccount;
        for (int month = timeline.firstMonth(); month <= timeline.lastMonth(); month++) {
            int start = Math.max(asOf + 1, timeline.startOfMonth(month));
            int end = timeline.startOfMonth(month) + timeline.lengthOfMonth(month);
            long booked = 0;
            for (int day = start; day < end; day++) {
                booked += committed[day] * sign;
            }
            long taken = Math.min(spent, Math.max(0, booked));
            spent -= taken;
            booked -= taken;
            for (int day = start; day < end && booked > 0; day++) {
                long used = Math.min(booked, Math.max(0, netted[day] * sign));
                netted[day] -= used * sign;
                booked -= used;
            }
        }
        estimated = netted;
    }

    /**
     * Replaces the estimate in an override's period by override - settled - committed (rules 5.3); lapsed ones don't.
     */
    private void override(CashOverride override) {
        int start = Math.max(0, timeline.index(override.period().startInclusive()));
        int end = Math.min(timeline.days(), timeline.index(override.period().endExclusive()));
        int open = Math.max(start, asOf + 1);
        if (open >= end) {
            return;
        }
        if (estimated == netted) {
            estimated = netted.clone();
        }
        long left = override.amount() * sign
                - sum(settled, start, end)
                - sum(committed, start, end)
                - sum(items, start, end);
        long[] parts = Split.byWeights(left, weights(open, end));
        System.arraycopy(parts, 0, estimated, open, parts.length);
    }

    /** The override lies over the days as the estimate did; without one, even over the business days. */
    private long[] weights(int from, int to) {
        long[] weights = new long[to - from];
        for (int day = from; day < to; day++) {
            weights[day - from] = Math.abs(netted[day]);
        }
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

    private static long sum(long[] days, int from, int to) {
        long sum = 0;
        for (int day = from; day < Math.min(to, days.length); day++) {
            sum += days[day];
        }
        return sum;
    }
}

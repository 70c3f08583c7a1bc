package ebbtide.flows;

import ebbtide.books.DayAmount;
import ebbtide.time.Timeline;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The flows of one line by day of the timeline, signed minor units: settled and committed from the bank, estimated in
 * three stages (laid by the plan, netted with what is already booked, replaced by an override). They never change.
 */
public final class LineFlows {
    private final Timeline timeline;
    private final long[] settled;
    private final long[] committed;
    private final long[] items;
    private final long[] laid;
    private final long[] netted;
    private final long[] estimated;
    private final boolean @Nullable [] overdue;
    private final List<ItemFlow> itemFlows;

    /** The estimate by day in its three stages, which may be one array where a stage changes nothing. */
    record Estimated(long[] laid, long[] netted, long[] overridden) {}

    LineFlows(
            Timeline timeline,
            Booked booked,
            Estimated estimate,
            boolean @Nullable [] overdue,
            List<ItemFlow> itemFlows) {
        this.timeline = timeline;
        this.settled = booked.settled();
        this.committed = booked.committed();
        this.items = booked.items();
        this.laid = estimate.laid();
        this.netted = estimate.netted();
        this.estimated = estimate.overridden();
        this.overdue = overdue;
        this.itemFlows = List.copyOf(itemFlows);
    }

    /** Returns flows that are movements alone. */
    static LineFlows booked(List<DayAmount> movements, Timeline timeline, int asOf) {
        long[] nil = new long[timeline.days()];
        return new LineFlows(
                timeline, Booked.of(movements, timeline, asOf), new Estimated(nil, nil, nil), null, List.of());
    }

    /**
     * Returns the flows with what the sweep moves by day of the timeline, on a line that is neither netted nor
     * overridden.
     */
    LineFlows swept(long[] byDay) {
        long[] all = byDay.clone();
        addTo(all, laid);
        return new LineFlows(
                timeline, new Booked(settled, committed, items), new Estimated(all, all, all), overdue, itemFlows);
    }

    /** Returns whether another line's estimates are the same, day by day. */
    boolean estimatesAs(LineFlows other) {
        return other == this || Arrays.equals(estimated, other.estimated);
    }

    /** Returns how many days there are. */
    int days() {
        return timeline.days();
    }

    /** Returns the figure of some days of the timeline, from one index to before another. */
    public Cell cell(int from, int to) {
        return Cell.flow(
                sum(settled, from, to), sum(committed, from, to) + sum(items, from, to), sum(estimated, from, to));
    }

    /** Returns the estimate as the bank's word has left it, before any override. */
    public long netted(int from, int to) {
        return sum(netted, from, to);
    }

    /** Returns the estimate as the plan lays it. */
    public long laid(int from, int to) {
        return sum(laid, from, to);
    }

    public boolean isOverdue(int from, int to) {
        if (overdue != null) {
            for (int day = from; day < to; day++) {
                if (overdue[day]) {
                    return true;
                }
            }
        }
        return false;
    }

    public boolean isOverridden() {
        return estimated != netted;
    }

    /** Returns a part of a day. */
    public long on(Part part, int day) {
        long[] days = part == Part.SETTLED ? settled : part == Part.COMMITTED ? committed : estimated;
        return (days.length == 0 ? 0 : days[day]) + (part == Part.COMMITTED && items.length > 0 ? items[day] : 0);
    }

    public List<ItemFlow> itemFlows() {
        return itemFlows;
    }

    /** Returns a part's days from one index to another, an empty array where all are nil. */
    public long[] days(Part part, int from, int to) {
        long[] days = new long[to - from];
        boolean any = false;
        for (int day = from; day < to; day++) {
            days[day - from] = on(part, day);
            any |= days[day - from] != 0;
        }
        return any ? days : Booked.NONE;
    }

    /** Adds all parts to a sum by day of the timeline. */
    public void addTo(long[] net) {
        addTo(net, settled);
        addTo(net, committed);
        addTo(net, items);
        addTo(net, estimated);
    }

    private static void addTo(long[] net, long[] days) {
        for (int day = 0; day < days.length; day++) {
            net[day] += days[day];
        }
    }

    private static long sum(long[] days, int from, int to) {
        long sum = 0;
        for (int day = from; day < Math.min(to, days.length); day++) {
            sum += days[day];
        }
        return sum;
    }
}

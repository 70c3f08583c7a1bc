package ebbtide.flows;

import ebbtide.books.DayAmount;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The flows of one line by day of the timeline, signed minor units: settled and committed from the bank, estimated in
 * three stages (laid by the plan, netted with what is already booked, replaced by an override). They never change.
 */
public final class LineFlows {
    private final Timeline timeline;
    private final Booked booked;
    private final Estimated estimate;
    private final boolean @Nullable [] overdue;
    private final List<ItemFlow> itemFlows;
    private final DaySeries later;

    /** The estimate by day in its three stages, which are one series where a stage changes nothing. */
    record Estimated(DaySeries laid, DaySeries netted, DaySeries overridden) {
        static Estimated as(DaySeries laid) {
            return new Estimated(laid, laid, laid);
        }
    }

    LineFlows(
            Timeline timeline,
            Booked booked,
            Estimated estimate,
            boolean @Nullable [] overdue,
            List<ItemFlow> itemFlows,
            DaySeries later) {
        this.timeline = timeline;
        this.booked = booked;
        this.estimate = estimate;
        this.overdue = overdue;
        this.itemFlows = List.copyOf(itemFlows);
        this.later = later;
    }

    /** Returns flows that are movements alone. */
    static LineFlows booked(List<DayAmount> movements, Timeline timeline, int asOf) {
        return new LineFlows(
                timeline,
                Booked.of(movements, timeline, asOf),
                Estimated.as(DaySeries.NIL),
                null,
                List.of(),
                DaySeries.NIL);
    }

    /**
     * Returns the flows with what the sweep moves by day of the timeline, on a line that is neither netted nor
     * overridden.
     */
    LineFlows swept(DaySeries byDay) {
        return new LineFlows(timeline, booked, Estimated.as(byDay.plus(estimate.laid)), overdue, itemFlows, later);
    }

    /** Returns whether another line's estimates are the same, day by day. */
    boolean estimatesAs(LineFlows other) {
        return estimate.overridden.equals(other.estimate.overridden);
    }

    /** Returns how many days there are. */
    int days() {
        return timeline.days();
    }

    /** Returns the figure of some days of the timeline, from one index to another, which is not included. */
    public Cell cell(int from, int to) {
        return Cell.flow(booked.settled().sum(from, to), booked.committed(from, to), estimate.overridden.sum(from, to));
    }

    /** Returns the estimate as the bank's word has left it, before any override. */
    public long netted(int from, int to) {
        return estimate.netted.sum(from, to);
    }

    /** Returns what a scenario that has cash paid later brings to some days, and takes from them below zero. */
    public long later(int from, int to) {
        return later.sum(from, to);
    }

    /** Returns the estimate as the plan lays it. */
    public long laid(int from, int to) {
        return estimate.laid.sum(from, to);
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
        return estimate.overridden != estimate.netted;
    }

    /** Returns a part of a day, by its index on the timeline. */
    public long on(Part part, int day) {
        return switch (part) {
            case SETTLED -> booked.settled().on(day);
            case COMMITTED -> booked.committed().on(day) + booked.items().on(day);
            case ESTIMATED -> estimate.overridden.on(day);
        };
    }

    public List<ItemFlow> itemFlows() {
        return itemFlows;
    }

    /** Returns a part's days from one index to before another, its day 0 being the first of them. */
    public DaySeries days(Part part, int from, int to) {
        DaySeries days =
                switch (part) {
                    case SETTLED -> booked.settled();
                    case COMMITTED -> booked.committed().plus(booked.items());
                    case ESTIMATED -> estimate.overridden;
                };
        return days.part(from, to);
    }

    /** Adds all parts to a sum by day of the timeline, or takes them from it where the sign is -1. */
    void addTo(DaySeries.Sum net, int sign) {
        net.add(booked.settled(), sign);
        net.add(booked.committed(), sign);
        net.add(booked.items(), sign);
        net.add(estimate.overridden, sign);
    }
}

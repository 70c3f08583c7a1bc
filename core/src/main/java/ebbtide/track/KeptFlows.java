package ebbtide.track;

import ebbtide.flows.Part;
import ebbtide.time.DaySeries;

/** What a line was forecast to bring, day by day after a snapshot's as-of date, signed: day 0 is the day after it. */
public record KeptFlows(DaySeries committed, DaySeries estimated) {
    /** Nothing at all. */
    public static final KeptFlows NONE = new KeptFlows(DaySeries.NIL, DaySeries.NIL);

    /** Returns the days of a part; nothing is settled after an as-of date. */
    public DaySeries of(Part part) {
        return switch (part) {
            case COMMITTED -> committed;
            case ESTIMATED -> estimated;
            case SETTLED -> DaySeries.NIL;
        };
    }

    /** Returns both parts together. */
    public DaySeries all() {
        return committed.plus(estimated);
    }

    /** Returns the sum of the days from one index to another, the last not included. */
    long sum(int from, int to) {
        return committed.sum(from, to) + estimated.sum(from, to);
    }

    /** Returns whether both parts are nil on each day from one index to another, the last not included. */
    boolean isNil(int from, int to) {
        return committed.isNil(from, to) && estimated.isNil(from, to);
    }
}

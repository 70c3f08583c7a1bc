package ebbtide.flows;

import ebbtide.books.DayAmount;
import ebbtide.time.Timeline;
import java.util.List;

/** What the bank has by day of the timeline, and what open items are expected to pay; empty where all are nil. */
record Booked(long[] settled, long[] committed, long[] items) {
    static final long[] NONE = new long[0];

    /** Returns what movements come to, settled up to the as-of date and committed after it. */
    static Booked of(List<DayAmount> movements, Timeline timeline, int asOf) {
        long[] settled = NONE;
        long[] committed = NONE;
        for (DayAmount movement : movements) {
            int day = timeline.index(movement.day());
            if (day <= asOf) {
                settled = settled.length == 0 ? new long[timeline.days()] : settled;
                settled[day] += movement.minor();
            } else if (day < timeline.days()) {
                committed = committed.length == 0 ? new long[timeline.days()] : committed;
                committed[day] += movement.minor();
            }
        }
        return new Booked(settled, committed, NONE);
    }
}

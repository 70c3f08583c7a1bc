package ebbtide.flows;

import ebbtide.books.DayAmount;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.util.List;

/** What the bank has by day of the timeline, and what open items are expected to pay. */
record Booked(DaySeries settled, DaySeries committed, DaySeries items) {
    /** Returns what movements come to, settled up to the as-of date and committed after it. */
    static Booked of(List<DayAmount> movements, Timeline timeline, int asOf) {
        DaySeries.Sum settled = new DaySeries.Sum(timeline.days());
        DaySeries.Sum committed = new DaySeries.Sum(timeline.days());
        for (DayAmount movement : movements) {
            int day = timeline.index(movement.day());
            if (day <= asOf) {
                settled.add(day, movement.minor());
            } else if (day < timeline.days()) {
                committed.add(day, movement.minor());
            }
        }
        return new Booked(settled.series(), committed.series(), DaySeries.NIL);
    }

    Booked with(DaySeries expected) {
        return new Booked(settled, committed, expected);
    }

    /** Returns the sum of all of it from one day to before another. */
    long sum(int from, int to) {
        return settled.sum(from, to) + committed(from, to);
    }

    /** Returns what is not settled and no estimate: what the bank has booked ahead, and what open items pay. */
    long committed(int from, int to) {
        return committed.sum(from, to) + items.sum(from, to);
    }
}

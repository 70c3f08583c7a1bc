package ebbtide.billing;

import ebbtide.money.Split;
import ebbtide.time.DaySink;
import ebbtide.time.Timeline;
import java.util.stream.IntStream;

/** The days of a month after the as-of date, over which lies what only they can take: even over their business days. */
record RestOfMonth(Timeline timeline, int month, int asOf) {

    /** Returns whether the as-of date lies in the month, or after it. */
    boolean hasBegun() {
        return timeline.startOfMonth(month) <= asOf;
    }

    /** Returns the business days after the as-of date, as indexes on the timeline. */
    int[] businessDays() {
        int end = timeline.startOfMonth(month) + timeline.lengthOfMonth(month);
        return IntStream.range(Math.max(asOf + 1, timeline.startOfMonth(month)), end)
                .filter(day -> timeline.calendar().isBusinessDay(timeline.date(day)))
                .toArray();
    }

    /** Lays an amount over them, units left over to the earliest; on the month's last day when none is left. */
    void lay(long minor, DaySink sink) {
        int[] days = businessDays();
        if (days.length == 0) {
            sink.add(timeline.startOfMonth(month) + timeline.lengthOfMonth(month) - 1, minor);
        }
        for (int i = 0; i < days.length; i++) {
            sink.add(days[i], Split.equalPart(minor, days.length, i));
        }
    }
}

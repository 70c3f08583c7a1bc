package ebbtide.billing;

import ebbtide.plan.DayTerms;
import ebbtide.time.Timeline;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The days on which bills are issued, and for terms of days the day on which the bill of each of them is paid. Lines
 * mostly share a few terms, so each is worked out once.
 */
public final class PaidDays {
    private final Timeline issues;
    private final Map<DayTerms, int[]> byTerms = new ConcurrentHashMap<>();

    /** Makes the days for bills issued on a timeline. */
    public PaidDays(Timeline issues) {
        this.issues = issues;
    }

    /** Returns the timeline on which bills are issued. */
    public Timeline issues() {
        return issues;
    }

    /**
     * Returns the index of the day on which a bill, by the index of its day of issue, is paid so many days later than
     * terms have it, before the convention; it may lie beyond the timeline.
     */
    public int later(DayTerms terms, int issued, int days) {
        return issues.index(
                terms.convention().adjust(terms.usualDay(issues.date(issued)).plusDays(days), issues.calendar()));
    }

    /**
     * Returns, by the index of the day of issue, the index of the day of payment, which may lie beyond the timeline.
     */
    int[] of(DayTerms terms) {
        return byTerms.computeIfAbsent(terms, some -> {
            int[] paid = new int[issues.days()];
            for (int day = 0; day < paid.length; day++) {
                paid[day] = issues.index(some.paidDay(issues.date(day), issues.calendar()));
            }
            return paid;
        });
    }
}

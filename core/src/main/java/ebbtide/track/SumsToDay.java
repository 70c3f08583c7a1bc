package ebbtide.track;

import ebbtide.books.DayAmount;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The cash of lines up to each day of the facts, so that the sum of any days is a difference of two. */
final class SumsToDay {
    private static final long[] NONE = new long[0];
    private final Map<String, long[]> upTo = new HashMap<>();
    private final LocalDate first;
    private final LocalDate last;

    SumsToDay(Outturn facts) {
        this.last = facts.asOf();
        this.first =
                facts.books().findFirstDay().filter(day -> day.isBefore(last)).orElse(last);
    }

    void put(String id, List<DayAmount> amounts) {
        if (amounts.isEmpty()) {
            return;
        }
        long[] sums = new long[(int) ChronoUnit.DAYS.between(first, last) + 2];
        for (DayAmount one : amounts) {
            if (!one.day().isAfter(last)) {
                sums[(int) ChronoUnit.DAYS.between(first, one.day()) + 1] += one.minor();
            }
        }
        for (int i = 1; i < sums.length; i++) {
            sums[i] += sums[i - 1];
        }
        upTo.put(id, sums);
    }

    /** Returns the sums of a line up to each day, to be read between two of them; empty where nothing happened. */
    long[] of(String id) {
        return upTo.getOrDefault(id, NONE);
    }

    /** Returns the place of a day among the sums; those of days before the first fact are below one. */
    int index(LocalDate day) {
        return (int) Math.max(-1, Math.min(Integer.MAX_VALUE, ChronoUnit.DAYS.between(first, day) + 1));
    }

    /** Returns what happened after one place and up to another. */
    static long between(long[] sums, int after, int upTo) {
        return sums.length == 0 ? 0 : at(sums, upTo) - at(sums, after);
    }

    private static long at(long[] sums, int index) {
        return index <= 0 ? 0 : sums[Math.min(index, sums.length - 1)];
    }
}

package ebbtide.activity;

import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.SortedMap;
import org.jspecify.annotations.Nullable;

/** The monthly amounts that were typed; a month that was not repeats one before (rules 2.6). */
record TypedAmounts(SortedMap<YearMonth, Long> typed, SortedMap<YearMonth, Long> history, YearMonth firstForecast)
        implements MonthlyAmounts {
    private static final int MOST_YEARS = 10;

    @Override
    public MonthSeries months(int first, int last) {
        int open = Timeline.monthNumber(firstForecast);
        return MonthSeries.of(first, last, m -> m < open ? 0 : amount(Timeline.month(m)));
    }

    private long amount(YearMonth month) {
        YearMonth source = source(month);
        return source == null ? 0 : typed.getOrDefault(source, history.getOrDefault(source, 0L));
    }

    /**
     * Returns the month whose figure stands for a month: itself, a year or more before, else the last; null if none.
     */
    private @Nullable YearMonth source(YearMonth month) {
        for (int years = 0; years <= MOST_YEARS; years++) {
            YearMonth before = month.minusYears(years);
            if (typed.containsKey(before) || years > 0 && history.containsKey(before)) {
                return before;
            }
        }
        SortedMap<YearMonth, Long> earlier = typed.headMap(month);
        return earlier.isEmpty() ? null : earlier.lastKey();
    }

    @Override
    public String words(YearMonth month) {
        YearMonth source = source(month);
        if (source == null) {
            return "no figure typed";
        }
        return source.equals(month) ? "typed for " + Words.month(month) : "not typed: repeats " + Words.month(source);
    }
}

package ebbtide.track;

import ebbtide.plan.Settings;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** How long the windows are in which a snapshot is held against what happened: to date is all of it (rules 10.2). */
public enum CompareBy {
    WEEK,
    MONTH,
    QUARTER,
    YEAR,
    TO_DATE;

    /** Returns the windows of the days that can be compared, those of a snapshot's as-of date counted from it. */
    public List<Period> windows(Period comparable, Settings settings, LocalDate snapshotAsOf) {
        return this == TO_DATE
                ? List.of(comparable)
                : Periods.valueOf(name())
                        .cover(
                                comparable.startInclusive(),
                                comparable.lastDay(),
                                settings.firstDayOfWeek(),
                                settings.firstFiscalMonth(),
                                snapshotAsOf);
    }

    /**
     * Returns the window that holds a day; where none is asked for, or none holds it, the last that is over, or the
     * only one. A window is over where the next day would begin another.
     */
    public Period chosen(
            List<Period> windows,
            Period comparable,
            Settings settings,
            LocalDate snapshotAsOf,
            @Nullable LocalDate asked) {
        return windows.stream()
                .filter(one -> asked != null && one.contains(asked))
                .findFirst()
                .orElseGet(() -> {
                    Period dayMore = new Period(
                            comparable.startInclusive(),
                            comparable.endExclusive().plusDays(1));
                    boolean over = windows(dayMore, settings, snapshotAsOf).size() > windows.size();
                    boolean last = over || this == TO_DATE || windows.size() == 1;
                    return windows.get(windows.size() - (last ? 1 : 2));
                });
    }
}

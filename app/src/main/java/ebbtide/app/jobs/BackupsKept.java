package ebbtide.app.jobs;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.IsoFields;
import java.util.Collection;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Function;

/** Which daily backups are kept: those of the last 7 days, the latest of each of 5 weeks and of each of 12 months. */
final class BackupsKept {
    private static final int DAYS = 7;
    private static final int WEEKS = 5;
    private static final int MONTHS = 12;

    private BackupsKept() {}

    /** Returns the days of those to keep, of all there are. */
    static SortedSet<LocalDate> of(Collection<LocalDate> all) {
        SortedSet<LocalDate> latestFirst = new TreeSet<>(java.util.Comparator.reverseOrder());
        latestFirst.addAll(all);
        SortedSet<LocalDate> kept = new TreeSet<>();
        keep(kept, latestFirst, day -> day, DAYS);
        keep(
                kept,
                latestFirst,
                day -> day.get(IsoFields.WEEK_BASED_YEAR) * 100 + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR),
                WEEKS);
        keep(kept, latestFirst, YearMonth::from, MONTHS);
        return kept;
    }

    /** The latest of each span of time, of so many spans that have one. */
    private static void keep(
            SortedSet<LocalDate> kept, SortedSet<LocalDate> latestFirst, Function<LocalDate, Object> span, int many) {
        java.util.Set<Object> spans = new java.util.HashSet<>();
        for (LocalDate day : latestFirst) {
            if (spans.size() < many && spans.add(span.apply(day))) {
                kept.add(day);
            }
        }
    }
}

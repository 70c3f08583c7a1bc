package ebbtide.statements;

import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.time.MonthSeries;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is owned (above zero) or owed on a line, or beside all lines, month by month (rules 9.3 c): its opening, each
 * cause that moves it by month, and its level at the end of each; minor units. {@code lineId} is null where no line
 * moves it.
 */
public record Account(
        Kind kind, @Nullable String lineId, String name, long opening, List<Cause> causes, MonthSeries levels) {

    /** One cause of change, by month. */
    public record Cause(String name, MonthSeries amounts) {}

    /** Makes an account whose levels follow from its opening and its causes, over the months of a series. */
    static Account of(
            Kind kind, @Nullable String lineId, String name, long opening, MonthSeries months, List<Cause> causes) {
        MonthSeries.Sum levels = new MonthSeries.Sum(months.first(), months.months());
        long level = opening;
        for (int i = 0; i < months.months(); i++) {
            for (Cause cause : causes) {
                level += cause.amounts().at(i);
            }
            levels.add(months.first() + i, level);
        }
        return new Account(kind, lineId, name, opening, causes, levels.series());
    }

    /** Returns the level at the end of a month; -1 is the opening. */
    long at(int month) {
        return month < 0 ? opening : levels.at(month);
    }

    /** Returns what a month changes. */
    long change(int month) {
        return at(month) - at(month - 1);
    }
}

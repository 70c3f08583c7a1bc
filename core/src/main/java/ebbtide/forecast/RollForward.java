package ebbtide.forecast;

import ebbtide.money.Refused;
import ebbtide.time.Period;
import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is owed or held month by month (rules 9.3 c): opening, what changed it, closing, in minor units. A change that
 * lowers the balance is negative; the closing of a month is the opening of the next. {@code lineId} is null in a total.
 */
public record RollForward(
        Kind kind,
        @Nullable String lineId,
        String name,
        List<YearMonth> months,
        List<Long> opening,
        List<Change> changes,
        List<Long> closing) {
    /** What is rolled forward. */
    public enum Kind {
        RECEIVABLES,
        PAYABLES,
        STOCK,
        SALES_TAX,
        PAY_OWED,
        PREPAID,
        PROFIT_TAX,
        FIXED_ASSETS
    }

    /** One cause of change, by month. */
    public record Change(String name, List<Long> amounts) {}

    /** What months in a row come to: the opening of the first, what each change adds up to, the closing of the last. */
    public record Over(long opening, List<Long> changes, long closing) {}

    public RollForward {
        months = List.copyOf(months);
        opening = List.copyOf(opening);
        changes = List.copyOf(changes);
        closing = List.copyOf(closing);
    }

    /**
     * Returns what the months of a period come to.
     *
     * @throws Refused for a period whose months are not all there
     */
    public Over over(Period period) {
        int from = months.indexOf(YearMonth.from(period.startInclusive()));
        int to = months.indexOf(YearMonth.from(period.lastDay()));
        if (from < 0 || to < 0) {
            throw new Refused("The roll-forward of " + name + " does not hold the months from "
                    + period.startInclusive() + " to " + period.lastDay());
        }
        return new Over(
                opening.get(from),
                changes.stream()
                        .map(change -> change.amounts().subList(from, to + 1).stream()
                                .mapToLong(Long::longValue)
                                .sum())
                        .toList(),
                closing.get(to));
    }
}

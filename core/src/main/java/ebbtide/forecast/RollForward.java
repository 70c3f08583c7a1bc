package ebbtide.forecast;

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

    public RollForward {
        months = List.copyOf(months);
        opening = List.copyOf(opening);
        changes = List.copyOf(changes);
        closing = List.copyOf(closing);
    }
}

package ebbtide.plan;

import ebbtide.money.Check;
import java.util.Collections;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * By which rules years go on (rules 9.4): whether days are counted over the calendar's or over 365, interest on the
 * mean of opening and closing balances or on the opening one, a loss that is not used refunded or carried on; and the
 * facility that is drawn first (the id of its row, null without), with its limit from years on where the plan has no
 * such line. Minor units.
 */
public record YearsRules(
        boolean calendarDays,
        boolean meanBalance,
        boolean lossesRefunded,
        @Nullable String facility,
        SortedMap<Integer, Long> limit) {
    /** As it is usually: 365 days, on the mean, losses carried on, no facility. */
    public static final YearsRules USUAL = new YearsRules(false, true, false, null, Collections.emptySortedMap());

    public YearsRules {
        limit = Collections.unmodifiableSortedMap(new TreeMap<>(limit));
        limit.keySet().forEach(YearDriver::named);
        limit.values().forEach(one -> Check.notNegative(one, "limit of a facility"));
    }
}

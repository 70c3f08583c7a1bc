package ebbtide.plan;

import ebbtide.money.Check;
import java.time.YearMonth;
import java.util.Collections;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** Amounts that are typed by month, in minor units. */
final class AmountsByMonth {
    private AmountsByMonth() {}

    /** Returns a read-only copy of amounts by month, refusing negative ones by the name of their month. */
    static SortedMap<YearMonth, Long> checked(Map<YearMonth, Long> amounts, String name) {
        TreeMap<YearMonth, Long> copy = new TreeMap<>(amounts);
        copy.forEach((month, minor) -> {
            Check.inRange(month.getYear(), 1990, 2120, "year of " + month.atDay(1));
            Check.notNegative(minor, name + month);
        });
        return Collections.unmodifiableSortedMap(copy);
    }
}

package ebbtide.plan;

import ebbtide.money.Check;
import java.time.YearMonth;
import java.util.Collections;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/** The covenants of a plan, and what the months before the forecast came to that they read (rules 8.8). */
public record AgreedCovenants(List<Covenant> covenants, SortedMap<YearMonth, Covenant.PastMonth> pastMonths) {
    /** No covenants. */
    public static final AgreedCovenants NONE = new AgreedCovenants(List.of(), new TreeMap<>());

    public AgreedCovenants {
        covenants = List.copyOf(covenants);
        Check.that(
                covenants.stream().map(Covenant::id).distinct().count() == covenants.size(),
                "two covenants have the same id: give each its own");
        pastMonths = Collections.unmodifiableSortedMap(new TreeMap<>(pastMonths));
    }
}

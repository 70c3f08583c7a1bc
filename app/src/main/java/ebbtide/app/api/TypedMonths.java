package ebbtide.app.api;

import ebbtide.app.storage.Draft;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NotFound;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption;
import ebbtide.plan.Plan;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** Amounts typed by month, as the web sends them, for a line that is planned by month. */
final class TypedMonths {
    private TypedMonths() {}

    static SortedMap<YearMonth, Long> amounts(Map<String, String> typed, Plan plan) {
        SortedMap<YearMonth, Long> amounts = new TreeMap<>();
        typed.forEach((month, text) -> amounts.put(
                YearMonth.parse(month), Money.minor(text, plan.settings().currency())));
        return amounts;
    }

    /** Puts typed months on a line that is planned by month; refuses any other. */
    static void put(Draft draft, List<PlacedLine> lines, String id, SortedMap<YearMonth, Long> amounts, Plan plan) {
        PlacedLine placed = lines.stream()
                .filter(one -> one.line().id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFound("line", id));
        Assumption.Stream stream = placed.line()
                .findStream()
                .orElseThrow(
                        () -> new Refused(
                                "'" + placed.line().name()
                                        + "' is not planned by month, so no months can be typed into it: choose another line, or a new one"));
        draft.putLine(
                placed.line().with(stream.withTyped(amounts, plan.settings().firstForecastMonth())), placed.position());
    }
}

package ebbtide.app.desk;

import ebbtide.app.storage.Stores;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItems;
import ebbtide.chance.Trial;
import ebbtide.track.PastErrors;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** What forecasts of a plan missed before: gathered from its snapshots, and kept until a fact or a snapshot comes. */
@Component
public class PastRecord {
    private final Tracking tracking;
    private final Stores stores;
    private final Map<String, Known> known = new ConcurrentHashMap<>();

    PastRecord(Tracking tracking, Stores stores) {
        this.tracking = tracking;
        this.stores = stores;
    }

    private record Facts(
            LocalDate asOf,
            Map<String, List<DayAmount>> movements,
            Map<String, List<DayAmount>> settling,
            OpenItems items,
            List<String> snapshots) {}

    private record Known(Facts facts, PastErrors errors) {}

    /** Returns the record of a plan, whatever scenario of it is shown. */
    public PastErrors of(String plan, PlanAtVersion current) {
        Facts facts = new Facts(
                current.plan().settings().asOf(),
                current.books().byLine(),
                current.books().settling(),
                current.books().items(),
                stores.snapshots().all(plan).stream().map(one -> one.id()).toList());
        Known was = known.get(plan);
        if (was != null && was.facts().equals(facts)) {
            return was.errors();
        }
        PastErrors errors = new PastErrors(tracking.facts(plan, current, LocalDate.of(1990, 1, 1)), Trial.ORIGINS);
        stores.snapshots().each(plan, PastErrors.daysRead(), errors::add);
        known.put(plan, new Known(facts, errors));
        return errors;
    }
}

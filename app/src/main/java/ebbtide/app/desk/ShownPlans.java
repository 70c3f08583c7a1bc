package ebbtide.app.desk;

import ebbtide.app.people.Hand;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NotFound;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.plan.Line;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * The plans as they are shown: the base, or the scenario that is looked at by whoever is at work (docs/decisions/0020).
 * The forecast of a scenario is kept by version, each made from the one before, or from the base's.
 */
@Component
public class ShownPlans {
    private final Map<String, PlanAtVersion> latest = new ConcurrentHashMap<>();
    private final Turns turns = new Turns();

    /** Returns the scenario that is looked at by whoever is at work; nothing for the base. */
    Optional<Scenario> scenario(PlanAtVersion base) {
        String id = Hand.atWork().scenario();
        return id == null
                ? Optional.empty()
                : Optional.of(base.scenarios().find(id).orElseThrow(() -> new NotFound("scenario", id)));
    }

    /** Returns whether what is looked at is there: the base always is. */
    boolean isThere(PlanAtVersion base) {
        String id = Hand.atWork().scenario();
        return id == null || base.scenarios().find(id).isPresent();
    }

    /** Lets go of a plan that is gone. */
    void forget(String planId) {
        latest.keySet().removeIf(key -> key.startsWith(planId + " "));
    }

    /** Returns the plan as whoever is at work looks at it. */
    PlanAtVersion of(String planId, PlanAtVersion base) {
        return scenario(base).map(shown -> of(planId, base, shown)).orElse(base);
    }

    /** Returns a scenario of a plan as a plan of its own. */
    PlanAtVersion of(String planId, PlanAtVersion base, Scenario shown) {
        String key = planId + " " + shown.id();
        PlanAtVersion known = latest.get(key);
        return known != null && known.version() == base.version() ? known : turns.of(key, () -> made(key, base, shown));
    }

    private PlanAtVersion made(String key, PlanAtVersion base, Scenario shown) {
        PlanAtVersion known = latest.get(key);
        if (known != null && known.version() == base.version()) {
            return known;
        }
        ScenarioPlan made = ScenarioPlan.of(base.forecast(), base.scenarios(), shown);
        Forecast earlier = known == null ? base.forecast() : known.forecast();
        PlanAtVersion now = new PlanAtVersion(
                base.version(),
                Forecaster.forecast(made.plan(), base.books(), earlier),
                placed(base, made),
                base.unassigned(),
                base.scenarios(),
                Optional.of(new PlanAtVersion.Shown(shown, made, base.forecast())));
        latest.put(key, now);
        return now;
    }

    /** The lines that the scenario alone has stand last. */
    private static List<PlacedLine> placed(PlanAtVersion base, ScenarioPlan made) {
        Map<String, Line> lines = made.plan().lines().stream()
                .collect(Collectors.toMap(Line::id, Function.identity(), (one, two) -> one));
        List<PlacedLine> placed = new ArrayList<>();
        double last = 0;
        for (PlacedLine one : base.placed()) {
            placed.add(
                    new PlacedLine(one.position(), lines.getOrDefault(one.line().id(), one.line())));
            lines.remove(one.line().id());
            last = one.position();
        }
        for (Line line : made.plan().lines()) {
            if (lines.containsKey(line.id())) {
                placed.add(new PlacedLine(++last, line));
            }
        }
        return List.copyOf(placed);
    }
}

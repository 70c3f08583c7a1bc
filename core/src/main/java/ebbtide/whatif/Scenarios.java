package ebbtide.whatif;

import ebbtide.money.Percent;
import ebbtide.plan.PlanProblem;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/** The scenarios of a plan, in the order in which they are shown. */
public record Scenarios(List<Scenario> all) {
    public static final Scenarios NONE = new Scenarios(List.of());

    public Scenarios {
        all = List.copyOf(all);
    }

    /** Returns the scenario of an id, if there is one. */
    public Optional<Scenario> find(String id) {
        return all.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** Returns the same with a scenario in the place of the one of its id. */
    public Scenarios with(Scenario other) {
        return new Scenarios(all.stream()
                .map(one -> one.id().equals(other.id()) ? other : one)
                .toList());
    }

    /**
     * Returns the same with a scenario in the place of the one of its id, or after the last; where it is the
     * breakwater, no other is.
     */
    public Scenarios putting(Scenario other) {
        Scenarios made = find(other.id()).isPresent()
                ? with(other)
                : new Scenarios(Stream.concat(all.stream(), Stream.of(other)).toList());
        return !other.breakwater()
                ? made
                : new Scenarios(made.all().stream()
                        .map(one -> one.id().equals(other.id()) || !one.breakwater() ? one : one.asBreakwater(false))
                        .toList());
    }

    /** Returns the scenario of a name, if there is one: of equals the first. */
    public Optional<Scenario> findNamed(String name) {
        return all.stream().filter(one -> one.name().equals(name)).findFirst();
    }

    /**
     * Returns the scenarios whose changes make one of them, in the order in which they are done: those that it stands
     * on first, in the order named, each once, itself last (rules 11.1).
     */
    public List<Scenario> under(Scenario scenario) {
        Set<Scenario> found = new LinkedHashSet<>();
        add(scenario, found, new HashSet<>());
        return List.copyOf(found);
    }

    private void add(Scenario scenario, Set<Scenario> found, Set<String> seen) {
        if (seen.add(scenario.id())) {
            scenario.standsOn().forEach(id -> find(id).ifPresent(below -> add(below, found, seen)));
            found.add(scenario);
        }
    }

    /** Returns the scenario that funding must survive, if there is one (rules 11.9). */
    public Optional<Scenario> breakwater() {
        return all.stream().filter(Scenario::breakwater).findFirst();
    }

    /** Returns everything wrong between scenarios, by their order; empty when all is well. */
    public List<PlanProblem> problems() {
        List<PlanProblem> problems = new ArrayList<>();
        if (all.stream().filter(Scenario::breakwater).count() > 1) {
            problems.add(new PlanProblem("/scenarios", "Two scenarios are the breakwater: let one of them be it"));
        }
        Percent chances =
                all.stream().flatMap(one -> Stream.ofNullable(one.chance())).reduce(Percent.ZERO, Percent::plus);
        if (chances.compareTo(Percent.HUNDRED) > 0) {
            problems.add(new PlanProblem(
                    "/scenarios",
                    "The chances of the scenarios add up to " + chances
                            + ", but what they leave of 100% is the base's: lower one of them"));
        }
        Map<String, Integer> seen = new TreeMap<>();
        for (int i = 0; i < all.size(); i++) {
            Scenario one = all.get(i);
            String at = "/scenarios/" + i;
            if (seen.putIfAbsent(one.id(), i) != null) {
                problems.add(new PlanProblem(
                        at + "/id", "The id '" + one.id() + "' is used by two scenarios: give one of them another"));
            }
            for (String id : one.standsOn()) {
                Optional<Scenario> below = find(id);
                if (below.isEmpty()) {
                    problems.add(new PlanProblem(
                            at + "/standsOn",
                            "'" + one.name() + "' stands on a scenario that is not there ('" + id
                                    + "'): add that one, or leave it out"));
                } else if (standsOn(below.get(), one.id(), new HashSet<>())) {
                    problems.add(new PlanProblem(
                            at + "/standsOn",
                            "'" + one.name() + "' stands on '" + below.get().name()
                                    + "', which stands on it again: leave one of the two out"));
                }
            }
        }
        return problems;
    }

    private boolean standsOn(Scenario scenario, String id, Set<String> seen) {
        return scenario.id().equals(id)
                || seen.add(scenario.id())
                        && scenario.standsOn().stream()
                                .flatMap(below -> find(below).stream())
                                .anyMatch(below -> standsOn(below, id, seen));
    }
}

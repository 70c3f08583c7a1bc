package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A named list of changes over the base (rules 11.1), done in order; the changes of the scenarios that it stands on, by
 * their ids, come before its own. One that is put by stands in no list, and others may go on standing on it. The
 * breakwater is the one that funding must survive (rules 11.9); the chance is how likely an analyst takes it to be
 * (null: not said).
 */
public record Scenario(
        String id,
        String name,
        String note,
        List<String> standsOn,
        List<Change> changes,
        boolean putBy,
        boolean breakwater,
        @Nullable Percent chance) {
    private static final int MOST_CHANGES = 1_000;

    /** Makes a scenario that is no breakwater, of whose chance nothing is said. */
    public Scenario(String id, String name, String note, List<String> standsOn, List<Change> changes, boolean putBy) {
        this(id, name, note, standsOn, changes, putBy, false, null);
    }

    public Scenario {
        if (chance != null) {
            Check.inRange(chance, Percent.ZERO, Percent.HUNDRED, "chance of a scenario");
        }
        id = Check.text(id, "id of a scenario", 80);
        name = Check.text(name, "name of a scenario", 120);
        note = Check.atMost(note, "note of a scenario", 10_000);
        standsOn = List.copyOf(standsOn);
        changes = List.copyOf(changes);
        Check.that(
                changes.size() <= MOST_CHANGES,
                "a scenario has at most " + MOST_CHANGES + " changes, but had " + changes.size());
        Check.that(
                new HashSet<>(standsOn).size() == standsOn.size(),
                "'" + name + "' stands on a scenario twice: name it once");
        Check.that(
                changes.stream().map(Change::id).distinct().count() == changes.size(),
                "two changes of '" + name + "' have the same id: give each its own");
    }

    /** Returns the ids of a change and of all that are tied to it. */
    public Set<String> tiedTo(String changeId) {
        return changes.stream()
                .filter(one -> one.id().equals(changeId)
                        || !one.tie().isEmpty()
                                && changes.stream()
                                        .anyMatch(other -> other.id().equals(changeId)
                                                && other.tie().equals(one.tie())))
                .map(Change::id)
                .collect(Collectors.toSet());
    }

    /** Returns the scenario with other changes. */
    public Scenario with(List<Change> others) {
        return new Scenario(id, name, note, standsOn, others, putBy, breakwater, chance);
    }

    /** Returns the scenario as the breakwater, or not as that. */
    public Scenario asBreakwater(boolean is) {
        return new Scenario(id, name, note, standsOn, changes, putBy, is, chance);
    }
}

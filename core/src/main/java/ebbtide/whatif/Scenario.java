package ebbtide.whatif;

import ebbtide.money.Check;
import java.util.HashSet;
import java.util.List;

/**
 * A named list of changes over the base (rules 11.1), done in order; the changes of the scenarios that it stands on, by
 * their ids, come before its own. One that is put by stands in no list, and others may go on standing on it.
 */
public record Scenario(
        String id, String name, String note, List<String> standsOn, List<Change> changes, boolean putBy) {
    private static final int MOST_CHANGES = 1_000;

    public Scenario {
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

    /** Returns the scenario with other changes. */
    public Scenario with(List<Change> others) {
        return new Scenario(id, name, note, standsOn, others, putBy);
    }
}

package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.plan.DayRange;
import java.util.Objects;

/**
 * A change of a scenario (rules 11.2): of what, what is done to it, in which days (months for activity and terms), a
 * note, and whether it is switched on.
 */
public record Change(String id, Target target, Act act, DayRange range, String note, boolean on) {
    public Change {
        id = Check.text(id, "id of a change", 80);
        Objects.requireNonNull(target, "target");
        Objects.requireNonNull(act, "what is done");
        Objects.requireNonNull(range, "range");
        note = Check.atMost(note, "note of a change", 2_000);
    }
}

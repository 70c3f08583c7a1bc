package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.plan.DayRange;
import java.util.Objects;

/**
 * A change of a scenario (rules 11.2): of what, what is done to it, in which days (months for activity and terms), how
 * it comes and goes, a note, whether it is switched on, and what it is tied by: changes of a scenario with the same tie
 * are done all or none, and turned together; empty for none.
 */
public record Change(
        String id, Target target, Act act, DayRange range, Ramp ramp, String tie, String note, boolean on) {
    /** Makes a change that is whole at once and tied to no other. */
    public Change(String id, Target target, Act act, DayRange range, String note, boolean on) {
        this(id, target, act, range, Ramp.NONE, "", note, on);
    }

    public Change {
        id = Check.text(id, "id of a change", 80);
        Objects.requireNonNull(target, "target");
        Objects.requireNonNull(act, "what is done");
        Objects.requireNonNull(range, "range");
        tie = Check.atMost(tie, "tie of a change", 80).strip();
        note = Check.atMost(note, "note of a change", 2_000);
        if (!ramp.isNone()) {
            Check.that(
                    act instanceof Act.Set
                            || act instanceof Act.Scale
                            || act instanceof Act.Add
                            || act instanceof Act.LeaveOut
                            || act instanceof Act.PaidLater,
                    "What comes and goes over some months is set, scaled, added to, left out or paid later");
            ramp.parts(range);
        }
    }

    /** Returns the same done to another target, whole and in another way, in other days. */
    Change with(Target other, Act doing, DayRange when) {
        return new Change(id, other, doing, when, note, on);
    }
}

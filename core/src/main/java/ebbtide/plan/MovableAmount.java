package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;

/**
 * An amount of an assumption that the analyst may move to another day: its key among those of the line, what it is
 * called, after the line's name or by itself, its day, what it brings in signed minor units, and the assumption as it
 * is with another day.
 */
public record MovableAmount<A>(
        String key, String name, boolean afterLine, LocalDate day, long minor, Function<LocalDate, A> moved) {
    public MovableAmount {
        key = Check.text(key, "key of what can be moved");
        Objects.requireNonNull(day, "day of what can be moved");
        Objects.requireNonNull(moved, "what moving it makes");
    }

    /** Returns amounts with the day of one of them changed. */
    static List<ActivityMethod.DatedAmount> on(List<ActivityMethod.DatedAmount> amounts, int at, LocalDate day) {
        List<ActivityMethod.DatedAmount> changed = new ArrayList<>(amounts);
        changed.set(
                at,
                new ActivityMethod.DatedAmount(
                        day, amounts.get(at).amount(), amounts.get(at).note()));
        return changed;
    }
}

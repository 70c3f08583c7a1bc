package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What a person says of an open item: the day it is expected or promised (null: nothing), whether it is held, and why.
 */
public record Handling(
        @Nullable LocalDate expected, @Nullable LocalDate promised, Standing standing, String note) {
    /** Nothing is said. */
    public static final Handling NONE = new Handling(null, null, Standing.NORMAL, "");

    /** Whether an item is expected at all. */
    public enum Standing {
        NORMAL,
        HELD,
        DISPUTED,
        /** Expected as any other, but not to be paid later than that. */
        CANNOT_WAIT
    }

    public Handling {
        Objects.requireNonNull(standing, "standing");
        note = Check.atMost(note == null ? "" : note, "note of an item", 2_000);
    }

    /** Returns the same with another day on which the item is expected; null: on none that is typed. */
    public Handling expectedOn(@Nullable LocalDate day) {
        return new Handling(day, promised, standing, note);
    }

    /** Returns the same with another day for which it is promised; null: for none. */
    public Handling promisedFor(@Nullable LocalDate day) {
        return new Handling(expected, day, standing, note);
    }

    /** Returns the same of an item that stands otherwise. */
    public Handling standing(Standing other) {
        return new Handling(expected, promised, other, note);
    }
}

package ebbtide.chance;

import org.jspecify.annotations.Nullable;

/**
 * Whose cash a run draws: a line of the plan by its id, or a counterparty (the id is null); how its estimates err, and
 * how many origins its record has.
 */
public record Source(@Nullable String lineId, String name, How how, int origins) {
    /** How the estimates of a line err (rules 11.8). */
    public enum How {
        /** As they did before. */
        RECORD,
        /** By the plan's own doubt, for its record is too short. */
        DOUBT,
        /** Not at all. */
        FIRM,
        /** It is a counterparty: its items are paid on other days. */
        ITEMS
    }
}

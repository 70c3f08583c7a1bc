package ebbtide.time;

/**
 * Amounts on their way to the days of their months: once all are added, they are laid, and a day gets the sum of what
 * each brings to it.
 */
public interface SpreadSum {
    /** Adds an amount in minor units of a month of the timeline, by its number. */
    void add(long minor, int monthNumber);

    /** Lays what was added; nothing may be added after. */
    void lay();
}

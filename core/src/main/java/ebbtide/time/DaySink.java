package ebbtide.time;

/** What receives the part of an amount that falls on a day, by the day's index on the timeline. */
@FunctionalInterface
public interface DaySink {
    /** Takes a part in minor units. */
    void add(int day, long minor);
}

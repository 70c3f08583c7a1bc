package ebbtide.chance;

/** Who takes what a run changes: of a source, by its place, on a day of the span, signed minor units. */
interface Taker {
    void take(int source, int day, long minor);
}

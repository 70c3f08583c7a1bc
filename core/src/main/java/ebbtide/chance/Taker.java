package ebbtide.chance;

/**
 * Who takes what runs change: of a run, by its place among those drawn at once, of a line and, where it is an item's,
 * of its counterparty too ({@link #NOBODY}: of none), by their places as sources, on a day of the span, signed minor
 * units. Cash is the line's: the counterparty has no other.
 */
interface Taker {
    int NOBODY = -1;

    void take(int run, int line, int party, int day, long minor);
}

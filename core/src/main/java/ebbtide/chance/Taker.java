package ebbtide.chance;

/** Who takes what runs change, source by source. */
interface Taker {
    int NOBODY = -1;

    /**
     * Returns who takes what a line and, where it is an item's, its counterparty too ({@link #NOBODY}: of none) change,
     * by their places as sources. Cash is the line's: the counterparty has no other.
     */
    Moves of(int line, int party);

    /** Who takes what runs, by their places among those drawn at once, move of one source. */
    interface Moves {
        /** Takes what a run moves on a day of the span, signed minor units. */
        void take(int run, int day, long minor);

        /** Takes what every run of so many moves alike. */
        default void takeOfAll(int runs, int day, long minor) {
            for (int run = 0; run < runs; run++) {
                take(run, day, minor);
            }
        }
    }
}

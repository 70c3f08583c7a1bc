package ebbtide;

/**
 * How many of the plans made at random a test run asks: all of them unless the run is told to ask a share, in percent,
 * by {@code asked.percent}.
 */
public final class Asked {
    private static final int PERCENT = Integer.getInteger("asked.percent", 100);

    static {
        if (PERCENT < 1 || PERCENT > 100) {
            throw new IllegalStateException("asked.percent is " + PERCENT + ": it goes from 1 to 100.");
        }
    }

    private Asked() {}

    /** Returns how many of so many to ask: the share of this run, rounded up, so at least one. */
    public static int of(int all) {
        return (all * PERCENT + 99) / 100;
    }
}

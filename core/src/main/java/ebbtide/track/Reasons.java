package ebbtide.track;

/**
 * A variance split by its reasons (rules 10.3), in signed minor units: it came at another time, as another amount,
 * without having been forecast, not at all because it was cancelled, or for no reason yet. The five add up to the
 * variance.
 */
public record Reasons(long timing, long amount, long unforeseen, long gone, long open) {
    public static final Reasons NONE = new Reasons(0, 0, 0, 0, 0);

    /** Returns the variance they come to. */
    public long total() {
        return timing + amount + unforeseen + gone + open;
    }

    public Reasons plus(Reasons other) {
        return new Reasons(
                timing + other.timing,
                amount + other.amount,
                unforeseen + other.unforeseen,
                gone + other.gone,
                open + other.open);
    }

    static Reasons unforeseen(long minor) {
        return new Reasons(0, 0, minor, 0, 0);
    }
}

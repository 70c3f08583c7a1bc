package ebbtide.track;

import org.jspecify.annotations.Nullable;

/**
 * An error over several periods: the sum of misses and of what happened, unsigned, and how much too much was forecast,
 * in the direction of the line; minor units. {@code periods} says how many there were.
 */
public record ForecastError(int periods, long missed, long happened, long over) {
    static final ForecastError NONE = new ForecastError(0, 0, 0, 0);

    ForecastError plus(long forecast, long actual, int sign) {
        return new ForecastError(
                periods + 1,
                missed + Math.abs(actual - forecast),
                happened + Math.abs(actual),
                over + (forecast - actual) * sign);
    }

    /** Returns the weighted error in hundredths of a percent of what happened, null where nothing happened. */
    public @Nullable Long wapeHundredths() {
        return happened == 0 ? null : Variance.percentHundredths(happened, missed);
    }

    /**
     * Returns how much too much was forecast, in hundredths of a percent of what happened, null where nothing happened.
     */
    public @Nullable Long biasHundredths() {
        return happened == 0 ? null : Variance.percentHundredths(happened, over);
    }
}

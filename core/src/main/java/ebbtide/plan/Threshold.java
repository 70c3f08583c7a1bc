package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;

/**
 * Which variances must be explained (rules 10.2): those of at least an amount, in minor units, that are also at least a
 * share of what was forecast; of what was not forecast the amount alone decides.
 */
public record Threshold(long amount, Percent share) {
    public Threshold {
        Check.notNegative(amount, "amount from which a variance is explained");
        Check.inRange(share, Percent.ZERO, new Percent(10 * Percent.WHOLE), "share from which a variance is explained");
    }

    /** Returns whether a variance of a forecast must be explained; nil never. */
    public boolean isReached(long forecast, long variance) {
        return variance != 0
                && Math.abs(variance) >= amount
                && (forecast == 0 || Math.abs(variance) >= share.of(Math.abs(forecast)));
    }
}

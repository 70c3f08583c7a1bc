package ebbtide.plan;

import org.jspecify.annotations.Nullable;

/**
 * What reports start from and show: the balance sheet that statements start from, how the years after the months go on,
 * and which variances must be explained (rules 9.1, 9.4, 10.2); each null without.
 */
public record Reporting(
        @Nullable OpeningSheet openingSheet,
        @Nullable YearsPlan years,
        @Nullable Threshold explained) {
    /** Nothing of it is said yet. */
    public static final Reporting NONE = new Reporting(null, null, null);

    Inputs<Reporting> inputs() {
        return Inputs.of(this).in("years", years, YearInputs::of);
    }
}

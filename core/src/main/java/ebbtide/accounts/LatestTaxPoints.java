package ebbtide.accounts;

import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * The tax points of a line as they were asked for last: a plan settles its sales tax by one rule, so they are worked
 * out once.
 */
final class LatestTaxPoints {
    private final Function<TaxPoints.Basis, TaxPoints> rule;
    private volatile @Nullable Asked asked;

    private record Asked(TaxPoints.Basis basis, TaxPoints points) {}

    LatestTaxPoints(Function<TaxPoints.Basis, TaxPoints> rule) {
        this.rule = rule;
    }

    TaxPoints of(TaxPoints.Basis basis) {
        Asked known = asked;
        if (known == null || !known.basis().equals(basis)) {
            known = new Asked(basis, rule.apply(basis));
            asked = known;
        }
        return known.points();
    }
}

package ebbtide.accounts;

import ebbtide.plan.SalesTaxSettlement;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Map;
import java.util.TreeMap;

/**
 * The sales tax of a line by month of its tax points (rules 7.3), in minor units, unsigned: what falls after the as-of
 * date, from the first month that is forecast to the horizon, and what falls up to it, by month.
 */
public record TaxPoints(MonthSeries after, Map<YearMonth, Long> before) {

    /** For which settlement tax points are asked, and from which month on. */
    public record Basis(SalesTaxSettlement rule, int firstMonth) {
        boolean isCash() {
            return rule.point() == SalesTaxSettlement.TaxPoint.CASH;
        }
    }

    static TaxPoints none(Frame frame) {
        return new TaxPoints(MonthSeries.nil(frame.open(), frame.toHorizon()), Map.of());
    }

    /**
     * Tax points on their way: those before the first month that is asked for, or after the horizon, are none of them.
     */
    static final class Sum {
        private final Frame frame;
        private final Basis basis;
        private final MonthSeries.Sum after;
        private final Map<YearMonth, Long> before = new TreeMap<>();

        Sum(Frame frame, Basis basis) {
            this.frame = frame;
            this.basis = basis;
            this.after = new MonthSeries.Sum(frame.open(), frame.toHorizon());
        }

        void addOn(LocalDate day, long minor) {
            add(Frame.month(day), day.isAfter(frame.asOf()), minor);
        }

        void add(int month, boolean isAfter, long minor) {
            if (minor == 0 || month < basis.firstMonth() || month >= frame.open() + frame.toHorizon()) {
                return;
            }
            if (isAfter) {
                after.add(month, minor);
            } else {
                before.merge(Timeline.month(month), minor, Long::sum);
            }
        }

        TaxPoints done() {
            return new TaxPoints(after.series(), Map.copyOf(before));
        }
    }
}

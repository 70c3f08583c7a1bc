package ebbtide.whatif;

import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.money.Rounding;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.Unit;
import java.math.BigDecimal;
import java.math.RoundingMode;
import org.jspecify.annotations.Nullable;

/** The figures that assumptions hold, as numbers of what they count: minor units, millionths, pieces, days. */
final class Figures {
    private Figures() {}

    /**
     * Returns a value as a number.
     *
     * @throws Refused for what is no figure
     */
    static BigDecimal of(@Nullable Object value) {
        if (value instanceof Long minor) {
            return BigDecimal.valueOf(minor);
        }
        if (value instanceof Percent percent) {
            return BigDecimal.valueOf(percent.millionths());
        }
        if (value instanceof BigDecimal number) {
            return number;
        }
        if (value instanceof Integer whole) {
            return BigDecimal.valueOf(whole);
        }
        if (value instanceof MonthOverride override) {
            return BigDecimal.valueOf(override.amount());
        }
        throw new Refused("That is no figure");
    }

    /**
     * Returns points as what a percentage counts: a percentage of customers lost is held as a plain number of percent.
     */
    static BigDecimal points(Object value, Percent points) {
        return value instanceof BigDecimal ? new BigDecimal(points.number()) : BigDecimal.valueOf(points.millionths());
    }

    /** Returns a number within the bounds of a unit. */
    static BigDecimal within(BigDecimal number, Unit unit) {
        BigDecimal held = unit.least() == null ? number : number.max(of(unit.least()));
        return unit.most() == null ? held : held.min(of(unit.most()));
    }

    /** Returns a number as a value of the kind of another, rounded once to its places. */
    static Object as(BigDecimal number, Object value, Unit unit) {
        if (value instanceof MonthOverride override) {
            return new MonthOverride(Rounding.toMinor(number), override.reason());
        }
        if (value instanceof BigDecimal) {
            return number.setScale(unit.places(), RoundingMode.HALF_UP);
        }
        long whole = Rounding.toMinor(number);
        return value instanceof Percent
                ? (Object) new Percent(whole)
                : value instanceof Integer ? (Object) Math.toIntExact(whole) : (Object) whole;
    }
}

package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Collections;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * A number behind a monthly amount that steps and grows: a quantity, a price, hours, a share (rules 2.1, 2.2). Growth
 * is a month's over the month before, compounding unrounded, counted since the last step; a month in {@code growthOf}
 * takes its own in place of the usual one. Values are zero or more, with at most six decimals.
 */
public record Driver(Steps<BigDecimal> value, Percent growth, SortedMap<YearMonth, Percent> growthOf) {
    private static final int MOST_DECIMALS = 6;
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000_000_000L);

    public Driver {
        value.steps().forEach(step -> requireValue(step.value(), "value from " + step.from()));
        requireGrowth(growth, "growth a month");
        growthOf = Collections.unmodifiableSortedMap(new TreeMap<>(growthOf));
        growthOf.forEach((month, rate) -> requireGrowth(rate, "growth of " + month));
        value = new Steps<>(value.steps().stream()
                .map(step -> new Steps.Step<>(step.from(), plain(step.value()), step.since()))
                .toList());
    }

    Inputs<Driver> inputs(String name, Unit unit) {
        return Inputs.of(this)
                .add("value", name, unit)
                .when(growth.millionths() != 0, "growth", "growth a month of " + name, Unit.GROWTH)
                .add("growthOf", "growth a month of " + name, Unit.GROWTH);
    }

    /** Returns a driver without a value at any time. */
    public static Driver none() {
        return new Driver(Steps.none(), Percent.ZERO, new TreeMap<>());
    }

    /** Returns a number of a driver as it is kept, so that 12.50 and 12.5 are the same. */
    static BigDecimal plain(BigDecimal value) {
        BigDecimal stripped = value.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    static BigDecimal requireValue(BigDecimal value, String name) {
        Check.that(value.signum() >= 0, name + " must not be negative, but was " + value.toPlainString());
        Check.that(
                value.stripTrailingZeros().scale() <= MOST_DECIMALS,
                name + " has at most six decimals, but was " + value.toPlainString());
        Check.that(
                value.compareTo(MOST) < 0, name + " must be under a million million, but was " + value.toPlainString());
        return value;
    }

    /** Returns the growth of a month over the one before. */
    public Percent growthIn(YearMonth month) {
        return growthOf.getOrDefault(month, growth);
    }

    /** Refuses growth of less than -100% or more than 1,000%. */
    static void requireGrowth(Percent growth, String name) {
        Check.inRange(growth, new Percent(-Percent.WHOLE), new Percent(10 * Percent.WHOLE), name);
    }
}

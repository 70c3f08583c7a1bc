package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import java.math.BigDecimal;
import java.util.Objects;

/**
 * How an asset is used up (rules 7.5): evenly over its life, by a share of its cost a year, or by a share a year of
 * what it is worth in the books at the beginning of the fiscal year. The share is nil over the life, above nil else.
 */
public record Wear(By by, Percent yearly) {
    private static final long MONTHS = 12;
    /** Evenly over the life. */
    public static final Wear EVENLY = new Wear(By.LIFE, Percent.ZERO);

    /** What the charge is measured by. */
    public enum By {
        LIFE("evenly over its life"),
        COST("by a share of its cost a year"),
        BOOK("by a share of its book value a year");

        private final String words;

        By(String words) {
            this.words = words;
        }
    }

    public Wear {
        Objects.requireNonNull(by, "how it is used up");
        Check.inRange(yearly, Percent.ZERO, Percent.HUNDRED, "depreciation a year");
        Check.that(
                (by == By.LIFE) == (yearly.millionths() == 0),
                by == By.LIFE
                        ? "an asset used up evenly over its life has no share a year: leave it at 0"
                        : "say how much is used up " + by.words + ", above 0%");
    }

    String words() {
        return by.words;
    }

    /** Returns a twelfth of a year's share of an amount, in minor units, rounded once (rules 1.3, 7.5). */
    public static long twelfth(Percent yearly, long minor) {
        return Rounding.divide(
                BigDecimal.valueOf(minor).multiply(BigDecimal.valueOf(yearly.millionths())), MONTHS * Percent.WHOLE);
    }

    Inputs<Wear> inputs() {
        return Inputs.of(this)
                .when(false, "by", "used up", Unit.CHOICE)
                .when(by != By.LIFE, "yearly", "depreciation", Unit.RATE);
    }
}

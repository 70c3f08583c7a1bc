package ebbtide.plan;

import ebbtide.money.Percent;
import java.math.BigDecimal;
import org.jspecify.annotations.Nullable;

/**
 * What an input is measured in: its measure, the word behind its value ("%", "days"; "$" for the plan's currency; empty
 * where the measure says it all), and the bounds that its own check knows, null where there is none on a side. Bounds
 * are in the input's own type: minor units, {@link Percent}, whole numbers, decimals. {@code places} is how many
 * decimals a decimal number may have.
 */
public record Unit(
        Measure measure,
        String words,
        @Nullable Comparable<?> least,
        @Nullable Comparable<?> most,
        int places) {
    private static final int PLACES_OF_NUMBERS = 6;

    /** Makes a unit whose numbers may have six decimals, as those of drivers. */
    public Unit(Measure measure, String words, @Nullable Comparable<?> least, @Nullable Comparable<?> most) {
        this(measure, words, least, most, PLACES_OF_NUMBERS);
    }

    /** What kind of quantity a value is; how it is scaled and stepped follows from it (rules 11.2, 11.7). */
    public enum Measure {
        MONEY,
        /** A share, a growth, a rate. */
        PERCENT,
        /** A quantity or a price. */
        NUMBER,
        DAYS,
        MONTHS,
        /** How many of something. */
        COUNT,
        /** A day of the calendar, or a day of its month. */
        DAY,
        /** One of several, yes or no, or a rule that is said in words. */
        CHOICE
    }

    /** An amount of money in minor units, not negative. */
    public static final Unit MONEY = new Unit(Measure.MONEY, "", 0L, null);
    /** An amount of money in minor units, of either sign. */
    public static final Unit SIGNED = new Unit(Measure.MONEY, "", null, null);
    /** A price in whole currency, with the decimals it has. */
    public static final Unit MONEY_EACH = new Unit(Measure.NUMBER, "$", BigDecimal.ZERO, null);

    public static final Unit NUMBER = number("");
    public static final Unit DATE = new Unit(Measure.DAY, "", null, null);
    public static final Unit CHOICE = new Unit(Measure.CHOICE, "", null, null);
    public static final Unit SHARE = percent("%", Percent.ZERO, Percent.HUNDRED);
    public static final Unit RATE = percent("% a year", Percent.ZERO, Percent.HUNDRED);
    /** Growth over the month, or the year, before. */
    public static final Unit GROWTH = percent("%", new Percent(-Percent.WHOLE), new Percent(10 * Percent.WHOLE));

    public static final Unit DAY_OF_MONTH = new Unit(Measure.DAY, "", 1, 31);

    static Unit percent(String words, Percent least, Percent most) {
        return new Unit(Measure.PERCENT, words, least, most);
    }

    static Unit number(String words) {
        return new Unit(Measure.NUMBER, words, BigDecimal.ZERO, null);
    }

    static Unit days(int least, int most) {
        return new Unit(Measure.DAYS, "days", least, most);
    }

    static Unit months(int least, int most) {
        return new Unit(Measure.MONTHS, "months", least, most);
    }

    static Unit count(String words, int least, int most) {
        return new Unit(Measure.COUNT, words, least, most);
    }
}

package ebbtide.years;

import ebbtide.money.Percent;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import java.math.BigDecimal;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/** A part of a driver that has values by year, and what they are measured in. */
public enum DriverPart {
    AMOUNT(Measure.MONEY, "amount"),
    GROWTH(Measure.PERCENT, "growth, %"),
    SHARE(Measure.PERCENT, "%"),
    MARGIN(Measure.PERCENT, "margin, %"),
    DAYS(Measure.DAYS, "days"),
    LIFE(Measure.YEARS, "life in years"),
    LEFT(Measure.YEARS, "years left of what is there");

    /** How a value is typed and shown. */
    public enum Measure {
        MONEY,
        PERCENT,
        DAYS,
        /** How many years: one value for all of them. */
        YEARS
    }

    private final Measure measure;
    private final String words;

    DriverPart(Measure measure, String words) {
        this.measure = measure;
        this.words = words;
    }

    public Measure measure() {
        return measure;
    }

    public String words() {
        return words;
    }

    /** Returns the parts of a driver. */
    static List<DriverPart> of(YearDriver by) {
        if (by instanceof Amount) {
            return List.of(AMOUNT, GROWTH);
        }
        if (by instanceof MarginHeld) {
            return List.of(MARGIN);
        }
        if (by instanceof Days) {
            return List.of(DAYS);
        }
        if (by instanceof Life) {
            return List.of(LIFE, LEFT);
        }
        return by instanceof Share || by instanceof OfGross ? List.of(SHARE) : List.of();
    }

    /**
     * Returns what is typed of this part of a driver, by year: amounts in minor units, percentages and days as
     * decimals; of a life, which has no years, by the first that is named.
     */
    SortedMap<Integer, BigDecimal> values(YearDriver by) {
        SortedMap<Integer, BigDecimal> values = new TreeMap<>();
        if (by instanceof Amount amount && this == AMOUNT) {
            amount.amounts().forEach((year, minor) -> values.put(year, BigDecimal.valueOf(minor)));
        } else if (by instanceof Days days) {
            values.putAll(days.days());
        } else if (by instanceof Life life) {
            values.put(YearDriver.FIRST, BigDecimal.valueOf(this == LIFE ? life.years() : life.left()));
        } else {
            percents(by).forEach((year, percent) -> values.put(year, new BigDecimal(percent.number())));
        }
        return values;
    }

    private static SortedMap<Integer, Percent> percents(YearDriver by) {
        if (by instanceof Amount amount) {
            return amount.growth();
        }
        if (by instanceof Share share) {
            return share.shares();
        }
        if (by instanceof MarginHeld held) {
            return held.margins();
        }
        return by instanceof OfGross share ? share.shares() : new TreeMap<>();
    }
}

package ebbtide.years;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.Driven;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** What is typed into the sheet of drivers makes other years of a plan (rules 9.4). */
public final class DriverEdit {
    private DriverEdit() {}

    /**
     * Returns years with a value of a part of a row's driver in a year; null takes it out, so that what was before
     * holds. Amounts in minor units, percentages and days as decimals.
     *
     * @throws Refused for a part that the row's driver has not, and what the driver refuses
     */
    public static YearsPlan value(YearsPlan plan, String row, DriverPart part, int year, @Nullable BigDecimal value) {
        YearDriver by = plan.driver(row);
        if (by == null || !DriverPart.of(by).contains(part)) {
            throw new Refused("'" + row + "' has no " + part.words() + ": choose first what it follows from");
        }
        if (by instanceof Life life) {
            Check.that(value != null, "A life has a number of years: type one from 1 to 100");
            int years = whole(value);
            return with(
                    plan, row, part == DriverPart.LIFE ? new Life(years, life.left()) : new Life(life.years(), years));
        }
        SortedMap<Integer, BigDecimal> values = part.values(by);
        if (value == null) {
            values.remove(YearDriver.named(year));
        } else {
            values.put(YearDriver.named(year), value);
        }
        return with(plan, row, with(by, part, values));
    }

    private static int whole(@Nullable BigDecimal value) {
        try {
            return value == null ? 0 : value.intValueExact();
        } catch (ArithmeticException e) {
            throw new Refused("A life has a whole number of years, but was " + value);
        }
    }

    private static YearDriver with(YearDriver by, DriverPart part, SortedMap<Integer, BigDecimal> values) {
        if (by instanceof Amount amount) {
            if (part == DriverPart.GROWTH) {
                return new Amount(amount.amounts(), percents(values));
            }
            SortedMap<Integer, Long> amounts = new TreeMap<>();
            values.forEach((year, value) -> amounts.put(year, value.longValueExact()));
            return new Amount(amounts, amount.growth());
        }
        if (by instanceof Share share) {
            return new Share(share.of(), percents(values));
        }
        if (by instanceof MarginHeld) {
            return new MarginHeld(percents(values));
        }
        return by instanceof OfGross share
                ? new OfGross(share.atEnd(), percents(values))
                : new Days(((Days) by).of(), values);
    }

    private static SortedMap<Integer, Percent> percents(SortedMap<Integer, BigDecimal> values) {
        SortedMap<Integer, Percent> percents = new TreeMap<>();
        values.forEach((year, value) -> percents.put(year, Percent.of(value)));
        return percents;
    }

    /**
     * Returns years of which a row follows from something else, first from what the last year came to by it.
     *
     * @throws Refused for a way that the row has not
     */
    public static YearsPlan method(Years years, String row, String key) {
        DriverSheet.Row now = DriverSheet.of(years).stream()
                .filter(one -> one.id().equals(row))
                .findFirst()
                .orElseThrow(() -> new Refused("The years have no row '" + row + "' that follows from something"));
        DriverMethod method = now.methods().stream()
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new Refused("'" + now.name() + "' cannot follow from '" + key + "'"));
        YearsPlan plan = with(years.plan(), row, method.empty());
        YearDriver by = method.empty();
        if (by == null || by instanceof Life) {
            return plan;
        }
        int first = years.all().get(0).name() + 1;
        for (DriverPart part : DriverPart.of(by)) {
            BigDecimal proposed = part == DriverPart.AMOUNT
                    ? null
                    : new CameTo(row, now.row(), by, part).in(years.all().get(0), null);
            if (proposed != null && proposed.signum() >= 0) {
                plan = value(plan, row, part, first, proposed);
            }
        }
        return plan;
    }

    /**
     * Returns years as the last year came to: each row by its usual way where it has one, without growth; cash kept,
     * and what is owned and owed beside receivables, stock and payables, as they were.
     */
    public static YearsPlan proposed(Years years) {
        YearsPlan plan = years.plan();
        for (DriverSheet.Row row : DriverSheet.of(years)) {
            boolean toBeTyped = row.row() == YearRow.CASH
                    || row.row().isItem() && row.methods().get(0).empty() instanceof Amount;
            if (row.methods().size() > 1 && !toBeTyped) {
                try {
                    plan = method(
                            Years.of(plan, years.start()),
                            row.id(),
                            row.methods().get(0).key());
                } catch (Refused refused) {
                    // What the last year came to is beyond what can be typed: the row stays as it was.
                    continue;
                }
            }
        }
        return plan;
    }

    /** Returns years with the note on a row's driver. */
    public static YearsPlan note(YearsPlan plan, String row, String note) {
        YearDriver by = plan.driver(row);
        Check.that(by != null, "'" + row + "' follows from nothing yet: choose first what it follows from");
        List<Driven> drivers = new ArrayList<>(plan.drivers());
        drivers.replaceAll(one -> one.row().equals(row) ? new Driven(row, one.by(), note) : one);
        return plan.withDrivers(drivers);
    }

    private static YearsPlan with(YearsPlan plan, String row, @Nullable YearDriver by) {
        List<Driven> drivers = new ArrayList<>();
        boolean there = false;
        for (Driven one : plan.drivers()) {
            boolean its = one.row().equals(row);
            there |= its;
            if (!its) {
                drivers.add(one);
            } else if (by != null) {
                drivers.add(new Driven(row, by, one.note()));
            }
        }
        if (!there && by != null) {
            drivers.add(new Driven(row, by, ""));
        }
        return plan.withDrivers(drivers);
    }
}

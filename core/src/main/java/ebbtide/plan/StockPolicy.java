package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Objects;
import java.util.SortedMap;
import java.util.function.Function;

/**
 * The stock of a product group (rules 6): opening + purchases - cost of sales = closing, of which two are given and the
 * third follows. {@code salesLine} sells from it; purchases of the first {@code orderedMonths} were placed on its sales
 * as planned, whatever is sold since.
 */
public record StockPolicy(
        String salesLine, Given given, Cost cost, Target target, Bought bought, Opening opening, int orderedMonths) {
    private static final Unit OF_SALES = Unit.percent("% of sales", Percent.ZERO, new Percent(10 * Percent.WHOLE));

    /** Which two of purchases, cost of sales and closing stock are given. */
    public enum Given {
        /** Cost of sales and closing: purchases follow, never below zero. */
        CLOSING,
        /** Cost of sales and purchases: closing follows. */
        PURCHASES,
        /** Purchases and closing: cost of sales follows, refused below zero. */
        BOTH
    }

    /** How cost of sales is found. */
    public enum CostBy {
        SHARE_OF_SALES,
        UNITS
    }

    /** What a unit in stock is worth. */
    public enum Valuation {
        MOVING_AVERAGE,
        STANDARD
    }

    /**
     * Cost of sales: a share of the sales line's month, or units sold at a unit cost in whole currency (rules 6.2,
     * 6.3).
     */
    public record Cost(CostBy by, Percent share, Driver units, Driver unitCost, Valuation valuation) {
        public Cost {
            Objects.requireNonNull(by, "how cost of sales is found");
            Check.inRange(share, Percent.ZERO, new Percent(10 * Percent.WHOLE), "cost of sales");
            Objects.requireNonNull(valuation, "valuation");
        }
    }

    /** How the closing target is found. */
    public enum TargetBy {
        BASE_AND_SHARE,
        DAYS_OF_COVER
    }

    /** What a closing target takes its share of, in the month after. */
    public enum TargetOf {
        SALES,
        COST
    }

    /**
     * What stock is to be at a month's end: a base and a share of the next month's sales or cost of sales, or enough
     * for so many days to come. The base is in minor units, or in units where cost is by units.
     */
    public record Target(TargetBy by, long base, BigDecimal baseUnits, Percent share, TargetOf of, int days) {
        public Target {
            Objects.requireNonNull(by, "how the closing target is found");
            Check.notNegative(base, "base of the closing target");
            Driver.requireValue(baseUnits, "base units of the closing target");
            Check.inRange(share, Percent.ZERO, new Percent(10 * Percent.WHOLE), "share of the month after");
            Objects.requireNonNull(of, "what the share is of");
            Check.inRange(days, 0, 365, "days of cover");
        }

        Inputs<Target> inputs(boolean inUnits) {
            if (by == TargetBy.DAYS_OF_COVER) {
                return Inputs.of(this).add("days", "stock to last", Unit.days(0, 365));
            }
            return Inputs.of(this)
                    .add(inUnits ? "baseUnits" : "base", "closing stock, base", inUnits ? Unit.NUMBER : Unit.MONEY)
                    .when(
                            share.millionths() != 0,
                            "share",
                            "closing stock, share of the month after",
                            Unit.percent("%", Percent.ZERO, new Percent(10 * Percent.WHOLE)));
        }
    }

    /** How purchases that are given are found. */
    public enum BoughtBy {
        SHARE_OF_SALES,
        AMOUNTS
    }

    /**
     * Purchases that are given: a share of the sales line's month, or an amount a month; a month without one buys
     * nothing.
     */
    public record Bought(BoughtBy by, Percent share, SortedMap<YearMonth, Long> amounts) {
        public Bought {
            Objects.requireNonNull(by, "how purchases are found");
            Check.inRange(share, Percent.ZERO, new Percent(10 * Percent.WHOLE), "purchases");
            amounts = AmountsByMonth.checked(amounts, "purchases of ");
        }
    }

    /**
     * Stock at the end of the month before the first that is forecast, in minor units and in units; nil where nobody
     * has said it.
     */
    public record Opening(long value, BigDecimal units, boolean said) {
        /** What opening stock is until somebody says it: nil, and on the checklist. */
        public static final Opening NOT_SAID = new Opening(0, BigDecimal.ZERO, false);

        /** Makes an opening that somebody has said. */
        public Opening(long value, BigDecimal units) {
            this(value, units, true);
        }

        public Opening {
            Check.notNegative(value, "opening stock");
            Driver.requireValue(units, "opening units");
        }

        Inputs<Opening> inputs(boolean inUnits) {
            Inputs<Opening> inputs = Inputs.of(this)
                    .own(said(
                            "value", "stock at the start", Unit.MONEY, value, held -> new Opening((Long) held, units)));
            return inUnits
                    ? inputs.own(said(
                            "units",
                            "units at the start",
                            Unit.NUMBER,
                            units,
                            held -> new Opening(value, (BigDecimal) held)))
                    : inputs;
        }

        /** Whoever types it has said it. */
        private static Input<Opening> said(
                String path, String name, Unit unit, Object value, Function<Object, Opening> made) {
            return new Input<>(
                    path,
                    name,
                    null,
                    unit,
                    Input.Value.of(value),
                    null,
                    "",
                    true,
                    true,
                    other -> made.apply(other.held()));
        }
    }

    public StockPolicy {
        salesLine = Check.text(salesLine, "line that sells from stock", 80);
        Objects.requireNonNull(given, "which two are given");
        Objects.requireNonNull(cost, "cost of sales");
        Objects.requireNonNull(target, "closing target");
        Objects.requireNonNull(bought, "purchases");
        Objects.requireNonNull(opening, "opening stock");
        Check.inRange(orderedMonths, 0, 24, "months ordered ahead");
        Check.that(
                given != Given.BOTH || cost.by() == CostBy.SHARE_OF_SALES,
                "cost of sales cannot be units at a cost when it follows from purchases and closing: choose which two are given");
    }

    /**
     * Returns the inputs of which something follows; those of another way of finding cost, purchases or closing stock
     * wait.
     */
    Inputs<StockPolicy> inputs() {
        Inputs<StockPolicy> inputs = Inputs.of(this).in("opening", opening, one -> one.inputs(isInUnits()));
        if (isInUnits()) {
            inputs.in("cost", cost, one -> Inputs.of(one)
                    .in("units", one.units(), driver -> driver.inputs("units sold", Unit.NUMBER))
                    .in("unitCost", one.unitCost(), driver -> driver.inputs("cost of a unit", Unit.MONEY_EACH)));
        } else if (given != Given.BOTH) {
            inputs.in("cost", cost, one -> Inputs.of(one).add("share", "cost of sales", OF_SALES));
        }
        if (given != Given.CLOSING) {
            inputs.in("bought", bought, one -> Inputs.of(one)
                    .when(one.share().millionths() != 0, "share", "purchases", OF_SALES)
                    .add("amounts", "purchases", Unit.MONEY));
        }
        return (given == Given.PURCHASES ? inputs : inputs.in("target", target, one -> one.inputs(isInUnits())))
                .when(false, "orderedMonths", "months ordered ahead", Unit.months(0, 24));
    }

    /** Returns whether stock is counted in units as well as in money. */
    public boolean isInUnits() {
        return cost.by() == CostBy.UNITS;
    }

    /** Returns how many months after a month its closing target reads. */
    public int monthsAhead() {
        return target.by() == TargetBy.DAYS_OF_COVER ? target.days() / 28 + 1 : 1;
    }
}

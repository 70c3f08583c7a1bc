package ebbtide.activity;

import ebbtide.derive.Lazy;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.money.Rounding;
import ebbtide.plan.LineSettings;
import ebbtide.plan.StockPolicy;
import ebbtide.plan.StockPolicy.BoughtBy;
import ebbtide.plan.StockPolicy.Given;
import ebbtide.plan.StockPolicy.TargetBy;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Stock month by month (rules 6): opening + purchases - cost of sales = closing, in money, and in units where they are
 * counted. Units are unrounded to forty digits, money is rounded once a month.
 */
public final class StockRoll {
    private final StockPolicy policy;
    private final LineSettings settings;
    private final MonthlyActivity sales;
    private final Map<YearMonth, Long> purchasesTyped;
    private final int first;
    private final int last;
    private final DriverPath units;
    private final DriverPath unitCost;
    private final Lazy<Month[]> months = Lazy.of(this::rolled);

    /**
     * A month of stock in minor units: {@code computed} is what purchases would be without an override. Units are null
     * unless they are counted.
     */
    public record Month(
            YearMonth month,
            long opening,
            long computed,
            long purchases,
            long cost,
            long closing,
            long target,
            @Nullable Units units) {
        /** Returns what closing lies above its target, tied up in stock that nobody asked for. */
        public long surplus() {
            return Math.max(0, closing - target);
        }
    }

    /** The same month in units. */
    public record Units(BigDecimal opening, BigDecimal bought, BigDecimal sold, BigDecimal closing, BigDecimal target) {
        public BigDecimal surplus() {
            return closing.subtract(target).max(BigDecimal.ZERO);
        }
    }

    /** What is in stock between two months. */
    private record Level(long value, BigDecimal units) {}

    StockRoll(
            StockPolicy policy,
            LineSettings settings,
            MonthlyActivity sales,
            Map<YearMonth, Long> purchasesTyped,
            int last) {
        this.policy = policy;
        this.settings = settings;
        this.sales = sales;
        this.purchasesTyped = purchasesTyped;
        this.first = Timeline.monthNumber(settings.firstForecastMonth());
        this.last = last;
        int read = last + policy.monthsAhead() + 1;
        this.units = new DriverPath(policy.cost().units(), first, read);
        this.unitCost = new DriverPath(policy.cost().unitCost(), first, read);
    }

    /** Returns whether somebody has said what is in stock at the start. */
    public boolean isOpeningSaid() {
        return policy.opening().said();
    }

    /** Returns the months from the first that is forecast to the last, in order. */
    public Month[] months() {
        return months.get().clone();
    }

    private Month[] rolled() {
        Month[] months = new Month[Math.max(0, last - first + 1)];
        Month[] planned = new Month[Math.min(months.length, policy.orderedMonths())];
        roll(planned, true, new Month[0]);
        roll(months, false, planned);
        return months;
    }

    /** Fills months one after the other; those that were ordered buy what the plan of then said. */
    private void roll(Month[] months, boolean asPlanned, Month[] ordered) {
        Level level = new Level(policy.opening().value(), policy.opening().units());
        for (int i = 0; i < months.length; i++) {
            Long placed = i < ordered.length ? Long.valueOf(ordered[i].purchases()) : null;
            months[i] = policy.isInUnits()
                    ? inUnits(first + i, level, placed)
                    : inMoney(first + i, level, placed, asPlanned);
            level = new Level(
                    months[i].closing(),
                    months[i].units() == null
                            ? BigDecimal.ZERO
                            : months[i].units().closing());
        }
    }

    private long sold(int month, boolean asPlanned) {
        return asPlanned ? sales.computedIn(month) : sales.in(month);
    }

    private long costOf(int month, boolean asPlanned) {
        return policy.cost().share().of(sold(month, asPlanned));
    }

    private long effective(YearMonth month, long computed) {
        return purchasesTyped.getOrDefault(month, computed);
    }

    private Month inMoney(int m, Level level, @Nullable Long placed, boolean asPlanned) {
        YearMonth month = Timeline.month(m);
        long target = moneyTarget(m, asPlanned);
        long cost = costOf(m, asPlanned);
        long computed = placed != null
                ? placed
                : policy.given() == Given.CLOSING ? Math.max(0, target + cost - level.value()) : bought(m, asPlanned);
        long purchases = effective(month, computed);
        if (policy.given() == Given.BOTH) {
            cost = level.value() + purchases - target;
            if (cost < 0) {
                throw new Refused("Stock of " + Words.month(month)
                        + " would have a cost of sales below zero: opening "
                        + amount(level.value()) + " and purchases " + amount(purchases) + " are less than the closing "
                        + amount(target) + " that is asked for. Lower the closing, or buy more");
            }
        }
        return new Month(
                month, level.value(), computed, purchases, cost, level.value() + purchases - cost, target, null);
    }

    private long bought(int m, boolean asPlanned) {
        return policy.bought().by() == BoughtBy.AMOUNTS
                ? policy.bought().amounts().getOrDefault(Timeline.month(m), 0L)
                : policy.bought().share().of(sold(m, asPlanned));
    }

    private long moneyTarget(int m, boolean asPlanned) {
        if (policy.target().by() == TargetBy.BASE_AND_SHARE) {
            long next = policy.target().of() == StockPolicy.TargetOf.SALES
                    ? sold(m + 1, asPlanned)
                    : costOf(m + 1, asPlanned);
            return policy.target().base() + policy.target().share().of(next);
        }
        return coverInMoney(m, asPlanned);
    }

    /** The same in money, rounded once: whole months are whole amounts, so only the last is parted. */
    private long coverInMoney(int m, boolean asPlanned) {
        long sum = 0;
        int days = policy.target().days();
        int next = m + 1;
        for (int length = Timeline.month(next).lengthOfMonth();
                days >= length;
                length = Timeline.month(next).lengthOfMonth()) {
            sum = Math.addExact(sum, costOf(next, asPlanned));
            days -= length;
            next++;
        }
        int length = Timeline.month(next).lengthOfMonth();
        return days == 0
                ? sum
                : Rounding.divide(
                        Math.addExact(
                                Math.multiplyExact(sum, (long) length),
                                Math.multiplyExact(costOf(next, asPlanned), (long) days)),
                        length);
    }

    /**
     * What the days of cover after a month need in units: whole months while days remain, then the fraction of the
     * next.
     */
    private BigDecimal cover(int m) {
        BigDecimal sum = BigDecimal.ZERO;
        int days = policy.target().days();
        for (int next = m + 1; days > 0; next++) {
            int length = Timeline.month(next).lengthOfMonth();
            BigDecimal whole = unitsIn(next);
            sum = sum.add(
                    days >= length
                            ? whole
                            : whole.multiply(BigDecimal.valueOf(days))
                                    .divide(BigDecimal.valueOf(length), DriverPath.DIGITS));
            days -= length;
        }
        return sum;
    }

    private Month inUnits(int m, Level level, @Nullable Long placed) {
        YearMonth month = Timeline.month(m);
        BigDecimal price = unitCost.in(month, settings.amountSteps());
        BigDecimal sold = unitsIn(m);
        BigDecimal target = policy.target().by() == TargetBy.DAYS_OF_COVER
                ? cover(m)
                : policy.target().baseUnits().add(share(policy.target().share(), unitsIn(m + 1)));
        BigDecimal asked = target.add(sold).subtract(level.units()).max(BigDecimal.ZERO);
        boolean derived = placed == null && policy.given() == Given.CLOSING;
        long computed =
                placed != null ? placed : derived ? minor(asked.multiply(price, DriverPath.DIGITS)) : bought(m, false);
        long purchases = effective(month, computed);
        BigDecimal bought = derived && purchases == computed
                ? asked
                : price.signum() == 0 ? BigDecimal.ZERO : whole(purchases).divide(price, DriverPath.DIGITS);
        BigDecimal closing = level.units().add(bought).subtract(sold);
        long cost = costOfUnits(level, purchases, bought, sold, closing, price);
        long worth = level.value() + purchases - cost;
        BigDecimal each = closing.signum() > 0
                ? BigDecimal.valueOf(worth).divide(closing, DriverPath.DIGITS)
                : price.movePointRight(Money.decimals(settings.currency()));
        return new Month(
                month,
                level.value(),
                computed,
                purchases,
                cost,
                worth,
                Rounding.toAmount(target.multiply(each, DriverPath.DIGITS)),
                new Units(level.units(), bought, sold, closing, target));
    }

    private long costOfUnits(
            Level level, long purchases, BigDecimal bought, BigDecimal sold, BigDecimal closing, BigDecimal price) {
        if (policy.cost().valuation() == StockPolicy.Valuation.STANDARD) {
            return level.value() + purchases - minor(closing.multiply(price, DriverPath.DIGITS));
        }
        BigDecimal pool = level.units().add(bought);
        if (closing.signum() == 0) {
            return level.value() + purchases;
        }
        // More sold than there was: the missing units cost what a unit costs now.
        return pool.signum() <= 0
                ? minor(sold.multiply(price, DriverPath.DIGITS))
                : Rounding.toAmount(sold.multiply(BigDecimal.valueOf(level.value() + purchases), DriverPath.DIGITS)
                        .divide(pool, DriverPath.DIGITS));
    }

    private BigDecimal unitsIn(int month) {
        return units.in(Timeline.month(month), settings.amountSteps());
    }

    private static BigDecimal share(Percent percent, BigDecimal of) {
        return of.multiply(percent.asFraction(), DriverPath.DIGITS);
    }

    private BigDecimal whole(long minor) {
        return BigDecimal.valueOf(minor, Money.decimals(settings.currency()));
    }

    private long minor(BigDecimal whole) {
        return Rounding.toAmount(whole.movePointRight(Money.decimals(settings.currency())));
    }

    private String amount(long minor) {
        return Money.words(minor, settings.currency());
    }

    /**
     * Returns for how many days from a month's end an amount of stock lasts at the cost of the months to come, in
     * tenths of a day; null when it outlasts the months that are known.
     */
    public @Nullable Long tenthsOfDays(Month[] months, int at, long stock) {
        BigDecimal left = BigDecimal.valueOf(Math.max(0, stock));
        long days = 0;
        for (int next = at + 1; next < months.length; next++) {
            int length = months[next].month().lengthOfMonth();
            BigDecimal cost = BigDecimal.valueOf(months[next].cost());
            if (cost.compareTo(left) > 0) {
                return 10 * days
                        + Rounding.toMinor(
                                left.multiply(BigDecimal.valueOf(10L * length)).divide(cost, DriverPath.DIGITS));
            }
            left = left.subtract(cost);
            days += length;
        }
        return null;
    }
}

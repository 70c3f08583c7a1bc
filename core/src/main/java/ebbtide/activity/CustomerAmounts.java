package ebbtide.activity;

import ebbtide.derive.Lazy;
import ebbtide.money.Money;
import ebbtide.money.Near;
import ebbtide.money.Rounding;
import ebbtide.plan.ActivityMethod.FeeOn;
import ebbtide.plan.ActivityMethod.LostAs;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.LineSettings;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.OptionalLong;

/**
 * The monthly fees of customers: opening + gained - lost = closing, unrounded, and no more are lost than there are. The
 * fee is the closing ones', or the mean's of opening and closing, rounded once (rules 2.1).
 */
record CustomerAmounts(RecurringCustomers customers, LineSettings settings) implements MonthlyAmounts {
    private static final BigDecimal HALF = new BigDecimal("0.5");
    private static final Near HUNDREDTH = Near.of(new BigDecimal("0.01"));

    /** The customers of a month. */
    record Count(BigDecimal opening, BigDecimal gained, BigDecimal lost, BigDecimal fee) {
        BigDecimal closing() {
            return opening.add(gained).subtract(lost);
        }
    }

    @Override
    public MonthSeries months(int first, int last) {
        int start = Timeline.monthNumber(customers.from());
        if (start > last) {
            return MonthSeries.nil(first, last - first + 1);
        }
        Lazy<Count[]> exact = Lazy.of(() -> counts(last));
        OptionalLong[] near = near(start, last);
        return MonthSeries.of(first, last, m -> {
            int at = m - start;
            return at < 0 ? 0 : near[at].isPresent() ? near[at].getAsLong() : amount(exact.get()[at]);
        });
    }

    /** The amounts as far as they are sure without forty digits. */
    private OptionalLong[] near(int start, int last) {
        OptionalLong[] amounts = new OptionalLong[last - start + 1];
        Arrays.fill(amounts, OptionalLong.empty());
        DriverPath gained = new DriverPath(customers.gained(), start, last);
        DriverPath lost = new DriverPath(customers.lost(), start, last);
        DriverPath fee = new DriverPath(customers.fee(), start, last);
        Near scale = Near.of(BigDecimal.ONE.movePointRight(Money.decimals(settings.currency())));
        Near opening = Near.of(customers.opening());
        for (int i = 0; i < amounts.length; i++) {
            YearMonth month = Timeline.month(start + i);
            boolean byDays = settings.amountSteps() == AmountSteps.BY_DAYS
                    && (gained.stepsInside(month) || lost.stepsInside(month) || fee.stepsInside(month));
            Near most = opening.plus(gained.near(start + i));
            Near less = customers.lostAs() == LostAs.PERCENT
                    ? opening.times(lost.near(start + i)).times(HUNDREDTH)
                    : lost.near(start + i);
            // From here on nothing is sure: how many are lost hangs on the error.
            if (byDays || !less.isBelow(most)) {
                break;
            }
            Near closing = most.minus(less);
            Near paying = customers.feeOn() == FeeOn.CLOSING
                    ? closing
                    : opening.plus(closing).times(Near.of(HALF));
            amounts[i] = paying.times(fee.near(start + i)).times(scale).whole();
            opening = closing;
        }
        return amounts;
    }

    /** Returns the customers of each month from the first counted one to a last one. */
    private Count[] counts(int last) {
        int start = Timeline.monthNumber(customers.from());
        if (start > last) {
            return new Count[0];
        }
        DriverPath gained = new DriverPath(customers.gained(), start, last);
        DriverPath lost = new DriverPath(customers.lost(), start, last);
        DriverPath fee = new DriverPath(customers.fee(), start, last);
        Count[] counts = new Count[last - start + 1];
        BigDecimal opening = customers.opening();
        for (int i = 0; i < counts.length; i++) {
            YearMonth month = Timeline.month(start + i);
            BigDecimal more = gained.in(month, settings.amountSteps());
            BigDecimal less = lost.in(month, settings.amountSteps());
            if (customers.lostAs() == LostAs.PERCENT) {
                less = opening.multiply(less, DriverPath.DIGITS).movePointLeft(2);
            }
            counts[i] = new Count(opening, more, less.min(opening.add(more)), fee.in(month, settings.amountSteps()));
            opening = counts[i].closing().round(DriverPath.DIGITS);
        }
        return counts;
    }

    private BigDecimal paying(Count count) {
        return customers.feeOn() == FeeOn.CLOSING
                ? count.closing()
                : count.opening().add(count.closing()).multiply(HALF);
    }

    private long amount(Count count) {
        return Rounding.toAmount(paying(count)
                .multiply(count.fee(), DriverPath.DIGITS)
                .movePointRight(Money.decimals(settings.currency())));
    }

    @Override
    public String words(YearMonth month) {
        Count[] counts = counts(Timeline.monthNumber(month));
        if (counts.length == 0) {
            return "customers are counted from " + Words.month(customers.from()) + " on";
        }
        Count count = counts[counts.length - 1];
        return Words.number(count.opening()) + " customers + " + Words.number(count.gained()) + " gained \u2212 "
                + Words.number(count.lost()) + " lost = " + Words.number(count.closing()) + "; fee "
                + Words.number(count.fee())
                + (customers.feeOn() == FeeOn.CLOSING
                        ? " from each"
                        : " from the mean of opening and closing, " + Words.number(paying(count)));
    }
}

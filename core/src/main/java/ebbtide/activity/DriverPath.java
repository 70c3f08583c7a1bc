package ebbtide.activity;

import ebbtide.derive.Lazy;
import ebbtide.money.Near;
import ebbtide.money.Percent;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Driver;
import ebbtide.plan.Steps;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.List;

/**
 * The value of a driver from month to month, unrounded to forty digits (rules 2.1, 2.2). By days, a month inside which
 * a value begins is the mean of its days.
 */
final class DriverPath {
    static final MathContext DIGITS = new MathContext(40);
    private final Driver driver;
    private final int first;
    private final int last;
    private final Near[] near;
    private final Lazy<BigDecimal[]> wholeMonths = Lazy.of(this::exact);

    DriverPath(Driver driver, int first, int last) {
        this.driver = driver;
        this.first = first;
        this.last = last;
        this.near = new Near[last - first + 1];
        Arrays.fill(near, Near.of(BigDecimal.ZERO));
        eachStep((value, since, begins, until) -> {
            Near at = Near.of(value);
            Percent grown = Percent.ZERO;
            Near by = Near.of(BigDecimal.ONE);
            for (int m = since; m < until; m++) {
                Percent growth = m == since ? Percent.ZERO : driver.growthIn(Timeline.month(m));
                // Most months grow as the one before.
                by = growth.equals(grown) ? by : Near.of(factor(growth));
                grown = growth;
                at = growth.millionths() == 0 ? at : at.times(by);
                if (m >= first && m >= begins) {
                    near[m - first] = at;
                }
            }
        });
    }

    /**
     * Receives what each step grows from and since which month, the month from which it holds, and the one in which the
     * next begins, or the path ends.
     */
    private interface EachStep {
        void take(BigDecimal value, int since, int begins, int until);
    }

    private void eachStep(EachStep each) {
        List<Steps.Step<BigDecimal>> steps = driver.value().steps();
        for (int s = 0; s < steps.size(); s++) {
            int until =
                    s + 1 < steps.size() ? Timeline.monthNumber(steps.get(s + 1).firstWholeMonth()) : last + 1;
            each.take(
                    steps.get(s).value(),
                    Timeline.monthNumber(steps.get(s).firstGrownMonth()),
                    Timeline.monthNumber(steps.get(s).firstWholeMonth()),
                    Math.min(until, last + 1));
        }
    }

    private BigDecimal[] exact() {
        BigDecimal[] months = new BigDecimal[last - first + 1];
        Arrays.fill(months, BigDecimal.ZERO);
        eachStep((begun, since, begins, until) -> {
            BigDecimal value = begun;
            for (int m = since; m < until; m++) {
                value = m == since ? value : grown(value, Timeline.month(m));
                if (m >= first && m >= begins) {
                    months[m - first] = value;
                }
            }
        });
        return months;
    }

    private static BigDecimal factor(Percent growth) {
        return BigDecimal.valueOf(Percent.WHOLE + growth.millionths(), 6);
    }

    private BigDecimal grown(BigDecimal value, YearMonth month) {
        Percent growth = driver.growthIn(month);
        return growth.millionths() == 0 ? value : value.multiply(factor(growth), DIGITS);
    }

    /** Returns the value of a month that no step begins inside, but for an error. */
    Near near(int monthNumber) {
        return near[monthNumber - first];
    }

    /** Returns whether a value begins inside a month, after its first day. */
    boolean stepsInside(YearMonth month) {
        return driver.value().steps().stream()
                .anyMatch(step -> step.from().getDayOfMonth() > 1
                        && YearMonth.from(step.from()).equals(month));
    }

    /**
     * Returns the value in force on a day of a month: that of its first day, or a step's that began since, grown where
     * its growth is counted from before that.
     */
    BigDecimal on(YearMonth month, int day) {
        BigDecimal value = wholeMonths.get()[Timeline.monthNumber(month) - first];
        for (Steps.Step<BigDecimal> step : driver.value().steps()) {
            if (step.from().getDayOfMonth() > 1
                    && YearMonth.from(step.from()).equals(month)
                    && step.from().getDayOfMonth() <= day) {
                value = grownTo(step, month);
            }
        }
        return value;
    }

    private BigDecimal grownTo(Steps.Step<BigDecimal> step, YearMonth month) {
        BigDecimal value = step.value();
        for (YearMonth m = step.firstGrownMonth().plusMonths(1); !m.isAfter(month); m = m.plusMonths(1)) {
            value = grown(value, m);
        }
        return value;
    }

    /** Returns the value of a month. */
    BigDecimal in(YearMonth month, AmountSteps rule) {
        if (rule == AmountSteps.FIRST_DAY || !stepsInside(month)) {
            return wholeMonths.get()[Timeline.monthNumber(month) - first];
        }
        BigDecimal sum = BigDecimal.ZERO;
        for (int day = 1; day <= month.lengthOfMonth(); day++) {
            sum = sum.add(on(month, day));
        }
        return sum.divide(BigDecimal.valueOf(month.lengthOfMonth()), DIGITS);
    }
}

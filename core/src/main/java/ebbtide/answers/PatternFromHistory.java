package ebbtide.answers;

import ebbtide.money.Percent;
import ebbtide.plan.MonthPattern;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The pattern of months that what was billed and what the bank booked imply (rules 3.2): the shares, in whole percent,
 * that miss the booked months by least squares. Errors are ten-thousandths of what was booked in the last months, which
 * the trial did not see: of the pattern found, and of the one in force. What it leaves unpaid stands as never paid,
 * discounts with it.
 */
public record PatternFromHistory(
        @Nullable MonthPattern found,
        @Nullable Long error,
        @Nullable Long errorInForce,
        int months) {
    private static final int MOST_LAG = 4;
    private static final int HELD_BACK = 2;
    private static final int LEAST_MONTHS = 6;

    /**
     * Finds the pattern for months in order: gross billed, and booked in the line's direction; billed reaches
     * {@link #lags} months further back. With fewer than six booked months there is none to find.
     */
    public static PatternFromHistory of(List<Long> billed, List<Long> booked, MonthPattern inForce) {
        int lags = billed.size() - booked.size();
        if (booked.size() < LEAST_MONTHS || booked.stream().mapToLong(Math::abs).sum() == 0) {
            return new PatternFromHistory(null, null, null, booked.size());
        }
        int seen = booked.size() - HELD_BACK;
        double[] trial = fit(billed, booked.subList(0, seen), lags, Math.min(MOST_LAG, seen - 1));
        double[] all = fit(billed, booked, lags, Math.min(MOST_LAG, booked.size() - 1));
        return new PatternFromHistory(
                pattern(all),
                error(billed, booked, lags, seen, trial),
                error(billed, booked, lags, seen, shares(inForce)),
                booked.size());
    }

    /** Returns how many months of billing before the first booked month are read. */
    public static int lags() {
        return MOST_LAG;
    }

    private static double[] shares(MonthPattern pattern) {
        double[] shares = new double[MOST_LAG + 1];
        pattern.steps().stream()
                .filter(step -> step.lagMonths() >= 0 && step.lagMonths() <= MOST_LAG)
                .forEach(step ->
                        shares[step.lagMonths()] += step.share().asFraction().doubleValue()
                                * (1 - step.discount().asFraction().doubleValue()));
        return shares;
    }

    /**
     * Coordinate descent on the squares, shares kept at zero or more; those that come to more than all are scaled down
     * at the end.
     */
    private static double[] fit(List<Long> billed, List<Long> booked, int lags, int mostLag) {
        double[] shares = new double[MOST_LAG + 1];
        java.util.Arrays.fill(shares, 0, mostLag + 1, 1.0 / (mostLag + 1));
        for (int round = 0; round < 3_000; round++) {
            for (int lag = 0; lag <= mostLag; lag++) {
                double top = 0;
                double square = 0;
                for (int m = 0; m < booked.size(); m++) {
                    double base = billed.get(m + lags - lag);
                    double missed = booked.get(m) - expected(billed, m + lags, shares) + shares[lag] * base;
                    top += missed * base;
                    square += base * base;
                }
                shares[lag] = square == 0 ? 0 : Math.max(0, top / square);
            }
        }
        double sum = Math.max(1, java.util.Arrays.stream(shares).sum());
        return java.util.Arrays.stream(shares).map(share -> share / sum).toArray();
    }

    private static double expected(List<Long> billed, int month, double[] shares) {
        double sum = 0;
        for (int lag = 0; lag < shares.length && lag <= month; lag++) {
            sum += shares[lag] * billed.get(month - lag);
        }
        return sum;
    }

    private static @Nullable Long error(List<Long> billed, List<Long> booked, int lags, int from, double[] shares) {
        double missed = 0;
        double was = 0;
        for (int m = from; m < booked.size(); m++) {
            missed += Math.abs(booked.get(m) - expected(billed, m + lags, shares));
            was += Math.abs(booked.get(m));
        }
        return was == 0 ? null : Math.round(10_000 * missed / was);
    }

    private static @Nullable MonthPattern pattern(double[] shares) {
        List<MonthPattern.Step> steps = new ArrayList<>();
        long left = 100;
        for (int lag = 0; lag < shares.length; lag++) {
            long percent = Math.min(left, Math.round(100 * shares[lag]));
            if (percent > 0) {
                steps.add(new MonthPattern.Step(new Percent(percent * Percent.WHOLE / 100), lag, Percent.ZERO));
                left -= percent;
            }
        }
        if (steps.isEmpty()) {
            return null;
        }
        return new MonthPattern(steps, new Percent(left * Percent.WHOLE / 100), null);
    }
}

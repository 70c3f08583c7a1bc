package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.money.Near;
import ebbtide.money.Rounding;
import ebbtide.plan.ActivityMethod.Product;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.LineSettings;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** The monthly amounts of drivers multiplied, rounded once (rules 2.1); by days, the mean of what each day comes to. */
record ProductAmounts(Product product, LineSettings settings) implements MonthlyAmounts {

    @Override
    public MonthSeries months(int first, int last) {
        List<DriverPath> paths = paths(first, last);
        Near scale = Near.of(BigDecimal.ONE.movePointRight(
                Money.decimals(settings.currency()) - product.of().places()));
        return MonthSeries.of(first, last, m -> {
            OptionalLong whole = isByDays(paths, Timeline.month(m))
                    ? OptionalLong.empty()
                    : near(paths, m, scale).whole();
            return whole.isPresent() ? whole.getAsLong() : amount(paths, Timeline.month(m));
        });
    }

    private static Near near(List<DriverPath> paths, int month, Near scale) {
        Near product = scale;
        for (DriverPath path : paths) {
            product = product.times(path.near(month));
        }
        return product;
    }

    private boolean isByDays(List<DriverPath> paths, YearMonth month) {
        return settings.amountSteps() == AmountSteps.BY_DAYS
                && paths.stream().anyMatch(path -> path.stepsInside(month));
    }

    private List<DriverPath> paths(int first, int last) {
        return product.factors().stream()
                .map(factor -> new DriverPath(factor, first, last))
                .toList();
    }

    private long amount(List<DriverPath> paths, YearMonth month) {
        BigDecimal exact;
        if (isByDays(paths, month)) {
            BigDecimal sum = BigDecimal.ZERO;
            for (int day = 1; day <= month.lengthOfMonth(); day++) {
                int at = day;
                sum = sum.add(
                        times(paths.stream().map(path -> path.on(month, at)).toList()));
            }
            exact = sum.divide(BigDecimal.valueOf(month.lengthOfMonth()), DriverPath.DIGITS);
        } else {
            exact = times(paths.stream()
                    .map(path -> path.in(month, AmountSteps.FIRST_DAY))
                    .toList());
        }
        return Rounding.toAmount(exact.movePointRight(
                Money.decimals(settings.currency()) - product.of().places()));
    }

    private static BigDecimal times(List<BigDecimal> factors) {
        return factors.stream().reduce(BigDecimal.ONE, (a, b) -> a.multiply(b, DriverPath.DIGITS));
    }

    @Override
    public String words(YearMonth month) {
        int number = Timeline.monthNumber(month);
        List<DriverPath> paths = paths(number, number);
        return IntStream.range(0, paths.size())
                .mapToObj(i -> product.of().factors().get(i) + " "
                        + Words.number(paths.get(i).in(month, settings.amountSteps())))
                .collect(Collectors.joining(" \u00d7 "));
    }
}

package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.LineSettings;
import ebbtide.plan.Steps;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The monthly amounts of a value with steps that may grow (rules 2.1, 2.2). Growth is counted from a step's first whole
 * month; by days, a month in which a step begins is the sum of what holds in it, each for its days, rounded once.
 */
record SteppedAmounts(
        Steps<Long> steps,
        Function<YearMonth, Percent> growthIn,
        AmountSteps rule,
        String name,
        @Nullable String growthWords,
        Currency currency)
        implements MonthlyAmounts {

    static SteppedAmounts of(FixedAmount fixed, LineSettings settings) {
        return new SteppedAmounts(
                fixed.amount(),
                month -> Percent.ZERO,
                settings.amountSteps(),
                "fixed amount",
                null,
                settings.currency());
    }

    static SteppedAmounts of(BaseWithGrowth growing, LineSettings settings) {
        return new SteppedAmounts(
                growing.base(),
                growing::growthIn,
                settings.amountSteps(),
                "base",
                "growing " + growing.growth() + " a month"
                        + (growing.growthOf().isEmpty() ? "" : " (some months otherwise)"),
                settings.currency());
    }

    /** A value that holds for some days of a month, unrounded. */
    record Piece(BigDecimal value, int days) {}

    @Override
    public MonthSeries months(int first, int last) {
        MonthSeries.Sum amounts = new MonthSeries.Sum(first, last - first + 1);
        for (int s = 0; s < steps.steps().size(); s++) {
            int begins = firstWholeMonth(s);
            int since = firstGrownMonth(s);
            int until = s + 1 < steps.steps().size() ? firstWholeMonth(s + 1) : last + 1;
            Growth growth = new Growth(steps.steps().get(s).value(), Math.max(1, until - since));
            for (int m = since; m < until && m <= last; m++) {
                grow(growth, m, since);
                if (m >= first && m >= begins) {
                    amounts.put(m, growth.rounded());
                }
            }
        }
        if (rule == AmountSteps.BY_DAYS) {
            steps.steps().stream()
                    .filter(step -> step.from().getDayOfMonth() > 1)
                    .mapToInt(step -> Timeline.monthNumber(YearMonth.from(step.from())))
                    .filter(m -> m >= first && m <= last)
                    .distinct()
                    .forEach(m ->
                            amounts.put(m, byDays(pieces(m), Timeline.month(m).lengthOfMonth())));
        }
        return amounts.series();
    }

    private void grow(Growth growth, int month, int since) {
        if (month > since) {
            growth.grow(Percent.WHOLE + growthIn.apply(Timeline.month(month)).millionths());
        }
    }

    private static long byDays(List<Piece> pieces, int daysOfMonth) {
        BigDecimal sum = pieces.stream()
                .map(piece -> piece.value().multiply(BigDecimal.valueOf(piece.days())))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        return Rounding.divide(sum, daysOfMonth);
    }

    /** Returns what holds in a month, in order; one piece where no step begins inside it or that does not count. */
    private List<Piece> pieces(int month) {
        List<Piece> pieces = new ArrayList<>();
        int length = Timeline.month(month).lengthOfMonth();
        int from = 1;
        BigDecimal value = BigDecimal.ZERO;
        for (int s = 0; s < steps.steps().size(); s++) {
            int begins = firstWholeMonth(s);
            int day = steps.steps().get(s).from().getDayOfMonth();
            if (begins <= month) {
                value = grown(s, month);
            } else if (rule == AmountSteps.BY_DAYS && begins == month + 1 && day > 1) {
                pieces.add(new Piece(value, day - from));
                from = day;
                value = grown(s, month);
            }
        }
        pieces.add(new Piece(value, length - from + 1));
        return pieces;
    }

    /** The value of a step as it has grown by a month, as it is typed before it grows. */
    private BigDecimal grown(int step, int month) {
        int since = firstGrownMonth(step);
        Growth growth = new Growth(steps.steps().get(step).value(), Math.max(1, month - since));
        for (int m = since; m <= month; m++) {
            grow(growth, m, since);
        }
        return growth.exact();
    }

    private int firstGrownMonth(int step) {
        return Timeline.monthNumber(steps.steps().get(step).firstGrownMonth());
    }

    private int firstWholeMonth(int step) {
        return Timeline.monthNumber(steps.steps().get(step).firstWholeMonth());
    }

    @Override
    public String words(YearMonth month) {
        List<Piece> pieces = pieces(Timeline.monthNumber(month));
        if (pieces.size() > 1) {
            return name + " by days: "
                    + pieces.stream()
                            .map(piece -> Money.words(Rounding.toMinor(piece.value()), currency) + " for "
                                    + Words.count(piece.days(), "day"))
                            .collect(Collectors.joining(", "));
        }
        return steps.findOn(month.atDay(1))
                .map(step -> name + " " + Money.words(step.value(), currency) + " from "
                        + Words.month(YearMonth.from(step.from()))
                        + (growthWords == null
                                ? ""
                                : ", " + growthWords + ", "
                                        + Words.count(
                                                Timeline.monthNumber(month)
                                                        - Timeline.monthNumber(step.firstGrownMonth()),
                                                "month")
                                        + " on"))
                .orElse("no " + name.replace("fixed ", "") + " in force yet");
    }
}

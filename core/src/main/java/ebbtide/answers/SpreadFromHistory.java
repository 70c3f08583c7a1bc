package ebbtide.answers;

import ebbtide.books.DayAmount;
import ebbtide.money.Split;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How a line's bank movements lay over the weeks of the month (rules 1.6, 2.5): a weight in percent for each of the
 * five, with its error on the last two months, which the trial did not see, beside that of the spread in force;
 * ten-thousandths of what was booked.
 */
public record SpreadFromHistory(
        Spread.@Nullable ByWeek found,
        @Nullable Long error,
        @Nullable Long errorInForce,
        int months) {
    private static final int LEAST_MONTHS = 6;
    private static final int HELD_BACK = 2;

    /**
     * Finds the profile of whole months of a timeline, from one month to another, both included; none with fewer than
     * six.
     */
    public static SpreadFromHistory of(
            List<DayAmount> movements, int sign, int firstMonth, int lastMonth, Timeline timeline, Spread inForce) {
        List<long[]> weeks = new ArrayList<>();
        for (int month = firstMonth; month <= lastMonth; month++) {
            weeks.add(new long[5]);
        }
        for (DayAmount movement : movements) {
            int month = Timeline.monthNumber(YearMonth.from(movement.day()));
            if (month >= firstMonth && month <= lastMonth) {
                weeks.get(month - firstMonth)[(movement.day().getDayOfMonth() - 1) / 7] += movement.minor() * sign;
            }
        }
        int count = weeks.size();
        if (count < LEAST_MONTHS
                || total(weeks, 0, count - HELD_BACK) <= 0
                || total(weeks, count - HELD_BACK, count) <= 0) {
            return new SpreadFromHistory(null, null, null, count);
        }
        Spread.ByWeek trial = profile(weeks, count - HELD_BACK);
        return new SpreadFromHistory(
                profile(weeks, count),
                error(weeks, firstMonth, timeline, trial),
                error(weeks, firstMonth, timeline, inForce),
                count);
    }

    private static long total(List<long[]> weeks, int from, int to) {
        return weeks.subList(from, to).stream()
                .flatMapToLong(java.util.Arrays::stream)
                .sum();
    }

    private static Spread.ByWeek profile(List<long[]> weeks, int count) {
        long[] sums = new long[5];
        for (long[] month : weeks.subList(0, count)) {
            for (int week = 0; week < 5; week++) {
                sums[week] += Math.max(0, month[week]);
            }
        }
        long[] percents = Split.byWeights(100, sums);
        return new Spread.ByWeek(java.util.Arrays.stream(percents)
                .mapToObj(percent -> (int) percent)
                .toList());
    }

    private static long error(List<long[]> weeks, int firstMonth, Timeline timeline, Spread spread) {
        long missed = 0;
        long booked = 0;
        for (int i = weeks.size() - HELD_BACK; i < weeks.size(); i++) {
            long[] said = new long[5];
            int start = timeline.startOfMonth(firstMonth + i);
            spread.lay(
                    java.util.Arrays.stream(weeks.get(i)).sum(),
                    firstMonth + i,
                    timeline,
                    (day, minor) -> said[(day - start) / 7] += minor);
            for (int week = 0; week < 5; week++) {
                missed += Math.abs(weeks.get(i)[week] - said[week]);
                booked += Math.abs(weeks.get(i)[week]);
            }
        }
        return booked == 0 ? 0 : Math.round(10_000.0 * missed / booked);
    }
}

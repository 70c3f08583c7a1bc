package ebbtide.app.api;

import ebbtide.activity.MonthlyActivity;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.WholeMonths;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Months that are shown side by side, and the fiscal years of more than one month that they fall into. */
record ShownMonths(List<Period> months, List<Period> years) {

    /**
     * A fiscal year as far as it is forecast, of more than one month, from a month to another; it stands after so many
     * of the months shown.
     */
    record YearView(String from, String to, int after) {}

    /** Returns the forecast months that some days touch, all of them where no days are said. */
    static ShownMonths of(Forecast forecast, @Nullable LocalDate from, @Nullable LocalDate to) {
        WholeMonths all = WholeMonths.of(forecast);
        List<Period> months = all.touched(Periods.MONTH, from, to);
        return new ShownMonths(
                months,
                all.all(Periods.YEAR).stream()
                        .filter(year ->
                                !months.contains(year) && months.stream().anyMatch(year::overlaps))
                        .toList());
    }

    List<String> names() {
        return months.stream().map(one -> name(one.startInclusive())).toList();
    }

    /** Returns the years, where so many months stand before the first of these. */
    List<YearView> yearsAfter(int before) {
        return years.stream()
                .map(year -> new YearView(
                        name(year.startInclusive()),
                        name(year.lastDay()),
                        before
                                + (int) months.stream()
                                        .filter(one -> one.startInclusive().isBefore(year.endExclusive()))
                                        .count()))
                .toList();
    }

    /** Returns what is planned of a line's activity in each of some periods of whole months. */
    static List<Long> amounts(MonthlyActivity planned, List<Period> periods) {
        return periods.stream()
                .map(one -> IntStream.rangeClosed(
                                Timeline.monthNumber(YearMonth.from(one.startInclusive())),
                                Timeline.monthNumber(YearMonth.from(one.lastDay())))
                        .mapToLong(planned::in)
                        .sum())
                .toList();
    }

    private static String name(LocalDate day) {
        return YearMonth.from(day).toString();
    }
}

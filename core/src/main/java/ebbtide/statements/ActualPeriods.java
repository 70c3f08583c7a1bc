package ebbtide.statements;

import ebbtide.forecast.WholeMonths;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The periods of statements that begin with months that have a trial balance (rules 9.5): such a month begins with the
 * first that its trial balance is of; a quarter or a year has the months of both that end in it.
 */
record ActualPeriods(WholeMonths forecast, List<ActualMonth> before) {

    /** Returns those of a length that some days touch, all where none does; with whole fiscal years if asked for. */
    List<Period> touched(Periods by, @Nullable LocalDate from, @Nullable LocalDate to, boolean years) {
        List<Period> months = months();
        List<Period> all = by == Periods.MONTH ? months : together(by, months);
        List<Period> touched = all;
        if (from != null && to != null) {
            Period days = new Period(from, to.plusDays(1));
            touched = all.stream().filter(days::overlaps).toList();
            touched = touched.isEmpty() ? all : touched;
        }
        return years && by != Periods.YEAR ? withYears(touched, together(Periods.YEAR, months)) : touched;
    }

    private List<Period> months() {
        List<Period> months = new ArrayList<>();
        before.forEach(one -> months.add(
                new Period(one.since().atDay(1), one.month().plusMonths(1).atDay(1))));
        months.addAll(forecast.all(Periods.MONTH));
        return months;
    }

    private List<Period> together(Periods by, List<Period> months) {
        forecast.all(by);
        Settings settings = forecast.settings();
        return by
                .cover(
                        months.get(0).startInclusive(),
                        forecast.last(),
                        settings.firstDayOfWeek(),
                        settings.firstFiscalMonth(),
                        settings.asOf())
                .stream()
                .filter(one -> months.stream()
                        .anyMatch(month -> !month.lastDay().isBefore(one.startInclusive())
                                && !month.lastDay().isAfter(one.lastDay())))
                .toList();
    }

    private static List<Period> withYears(List<Period> periods, List<Period> years) {
        List<Period> found = new ArrayList<>();
        for (Period year : years) {
            List<Period> of = periods.stream()
                    .filter(one -> !one.lastDay().isBefore(year.startInclusive())
                            && !one.lastDay().isAfter(year.lastDay()))
                    .toList();
            found.addAll(of);
            if (!of.isEmpty() && !of.contains(year)) {
                found.add(year);
            }
        }
        return found;
    }
}

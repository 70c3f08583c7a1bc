package ebbtide.forecast;

import ebbtide.money.Refused;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The whole months that statements, roll-forwards and lines by month show: from the first that is forecast to the
 * horizon, as months, quarters or fiscal years (rules 9.1).
 */
public record WholeMonths(LocalDate first, LocalDate last, Settings settings) {
    /** Returns the whole months of a forecast. */
    public static WholeMonths of(Forecast forecast) {
        Settings settings = forecast.plan().settings();
        return new WholeMonths(settings.firstForecastMonth().atDay(1), forecast.lastDay(), settings);
    }

    /**
     * Returns all of them in periods of a length.
     *
     * @throws Refused for days and weeks
     */
    public List<Period> all(Periods by) {
        if (by == Periods.DAY || by == Periods.WEEK) {
            throw new Refused("Statements are by month, quarter or year: choose one of them");
        }
        return by.cover(first, last, settings.firstDayOfWeek(), settings.firstFiscalMonth(), settings.asOf());
    }

    /** Returns the periods of a length that some days touch; all of them where none does, or no days are said. */
    public List<Period> touched(Periods by, @Nullable LocalDate from, @Nullable LocalDate to) {
        if (from == null || to == null) {
            return all(by);
        }
        Period days = new Period(from, to.plusDays(1));
        List<Period> touched = all(by).stream().filter(days::overlaps).toList();
        return touched.isEmpty() ? all(by) : touched;
    }

    /**
     * Returns the periods of a length that some days touch, and after those of each fiscal year the whole of it, as far
     * as it is forecast; all of them, without their years, where no days are said.
     */
    public List<Period> withYears(Periods by, @Nullable LocalDate from, @Nullable LocalDate to) {
        List<Period> touched = touched(by, from, to);
        return from == null || to == null || by == Periods.YEAR ? touched : withYears(touched);
    }

    private List<Period> withYears(List<Period> periods) {
        List<Period> found = new ArrayList<>();
        for (Period year : all(Periods.YEAR)) {
            List<Period> of = periods.stream().filter(year::overlaps).toList();
            found.addAll(of);
            if (!of.isEmpty() && !of.contains(year)) {
                found.add(year);
            }
        }
        return found;
    }
}

package ebbtide.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;

/** The five lengths of period in which flows are added up (rules 1.2). */
public enum Periods {
    DAY {
        @Override
        LocalDate startOf(LocalDate day, DayOfWeek firstDay, Month firstMonth) {
            return day;
        }

        @Override
        LocalDate after(LocalDate start) {
            return start.plusDays(1);
        }
    },
    WEEK {
        @Override
        LocalDate startOf(LocalDate day, DayOfWeek firstDay, Month firstMonth) {
            return day.with(TemporalAdjusters.previousOrSame(firstDay));
        }

        @Override
        LocalDate after(LocalDate start) {
            return start.plusWeeks(1);
        }
    },
    MONTH {
        @Override
        LocalDate startOf(LocalDate day, DayOfWeek firstDay, Month firstMonth) {
            return day.withDayOfMonth(1);
        }

        @Override
        LocalDate after(LocalDate start) {
            return start.plusMonths(1);
        }
    },
    QUARTER {
        @Override
        LocalDate startOf(LocalDate day, DayOfWeek firstDay, Month firstMonth) {
            return day.withDayOfMonth(1).minusMonths(Math.floorMod(day.getMonthValue() - firstMonth.getValue(), 3));
        }

        @Override
        LocalDate after(LocalDate start) {
            return start.plusMonths(3);
        }
    },
    YEAR {
        @Override
        LocalDate startOf(LocalDate day, DayOfWeek firstDay, Month firstMonth) {
            return day.withDayOfMonth(1).minusMonths(Math.floorMod(day.getMonthValue() - firstMonth.getValue(), 12));
        }

        @Override
        LocalDate after(LocalDate start) {
            return start.plusYears(1);
        }
    };

    /**
     * Returns the periods that cover the days from one to another, both included, the first and last cut to them. A
     * week that holds the as-of date is two columns: up to it, and the rest (rules 1.7).
     */
    public List<Period> cover(LocalDate from, LocalDate to, DayOfWeek firstDay, Month firstMonth, LocalDate asOf) {
        List<Period> periods = new ArrayList<>();
        LocalDate start = startOf(from, firstDay, firstMonth);
        while (!start.isAfter(to)) {
            LocalDate next = after(start);
            LocalDate cutStart = start.isBefore(from) ? from : start;
            LocalDate cutEnd = next.isAfter(to) ? to.plusDays(1) : next;
            LocalDate split = asOf.plusDays(1);
            if (this == WEEK && cutStart.isBefore(split) && split.isBefore(cutEnd)) {
                periods.add(new Period(cutStart, split));
                cutStart = split;
            }
            periods.add(new Period(cutStart, cutEnd));
            start = next;
        }
        return periods;
    }

    abstract LocalDate startOf(LocalDate day, DayOfWeek firstDay, Month firstMonth);

    abstract LocalDate after(LocalDate start);
}

package ebbtide.app.api;

import static ebbtide.time.DayFormats.DAY;
import static ebbtide.time.DayFormats.MONTH;

import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.RollStore.Roll;
import ebbtide.time.BusinessDays;
import ebbtide.track.Difference;
import ebbtide.track.Differences;
import java.time.LocalDate;
import java.util.List;

/**
 * What closed when a plan was rolled forward and is asked about: which, in words, and to which day it is carried (rules
 * 10.5).
 */
final class RollDifferences {
    private static final int CARRIED_BY = 5;

    private RollDifferences() {}

    static List<Difference> differences(PlanAtVersion current, Roll roll) {
        return Differences.closedAfter(roll.from(), current.plan().asOf(roll.until()), current.books());
    }

    static String words(Difference one) {
        return switch (one.of()) {
            case CASH_OF_MONTH -> "cash of " + MONTH.format(one.from());
            case INVOICED_OF_MONTH -> "invoiced and ordered of " + MONTH.format(one.from()) + ", with sales tax";
            case SUM_ON_DATE -> "planned for " + DAY.format(one.from());
        };
    }

    /** Returns the day to which a difference is carried where none is said (rules 10.5). */
    static LocalDate carryTo(PlanAtVersion current) {
        return businessDaysAfter(current, CARRIED_BY);
    }

    static BusinessDays calendar(PlanAtVersion current) {
        return BusinessDays.ofCountry(
                current.books().accounts().isEmpty()
                        ? "--"
                        : current.books().accounts().get(0).country());
    }

    static LocalDate businessDaysAfter(PlanAtVersion current, int days) {
        LocalDate day = current.plan().settings().asOf();
        for (int i = 0; i < days; i++) {
            day = calendar(current).next(day);
        }
        return day;
    }
}

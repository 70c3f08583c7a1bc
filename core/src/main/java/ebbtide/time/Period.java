package ebbtide.time;

import ebbtide.money.Refused;
import java.time.LocalDate;
import java.time.YearMonth;

/** A run of whole days, shown as one column. */
public record Period(LocalDate startInclusive, LocalDate endExclusive) {
    public Period {
        if (!startInclusive.isBefore(endExclusive)) {
            throw new Refused(
                    "a period must start before it ends, but runs from " + startInclusive + " to " + endExclusive);
        }
    }

    /** Returns the days of a month. */
    public static Period of(YearMonth month) {
        return new Period(month.atDay(1), month.plusMonths(1).atDay(1));
    }

    public LocalDate lastDay() {
        return endExclusive.minusDays(1);
    }

    public boolean contains(LocalDate day) {
        return !day.isBefore(startInclusive) && day.isBefore(endExclusive);
    }

    public boolean overlaps(Period other) {
        return startInclusive.isBefore(other.endExclusive) && other.startInclusive.isBefore(endExclusive);
    }
}

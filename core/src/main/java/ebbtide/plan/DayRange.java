package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Days from one to another, both included; null on a side that has no end. */
public record DayRange(@Nullable LocalDate from, @Nullable LocalDate to) {
    public static final DayRange ALWAYS = new DayRange(null, null);

    public DayRange {
        Check.that(
                from == null || to == null || !to.isBefore(from),
                "a range ends before it begins: it runs from " + from + " to " + to);
    }

    public boolean isAlways() {
        return from == null && to == null;
    }

    public boolean contains(LocalDate day) {
        return (from == null || !day.isBefore(from)) && (to == null || !day.isAfter(to));
    }

    /** Returns whether a day of a month lies in it: months are counted whole. */
    public boolean touches(YearMonth month) {
        return (from == null || !month.atEndOfMonth().isBefore(from))
                && (to == null || !month.atDay(1).isAfter(to));
    }

    /** Returns what of it is not before a day; nothing is left of one that is over by then. */
    public Optional<DayRange> since(LocalDate day) {
        return to != null && to.isBefore(day)
                ? Optional.empty()
                : Optional.of(new DayRange(from == null || from.isBefore(day) ? day : from, to));
    }
}

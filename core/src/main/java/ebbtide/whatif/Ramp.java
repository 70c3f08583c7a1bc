package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.DayRange;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;

/**
 * How a change comes and goes: over so many of the first months of its range, whole in the last of those, and over so
 * many of the last; nil where it is whole at once (rules 11.2).
 */
public record Ramp(int comesOver, int goesOver) {
    public static final Ramp NONE = new Ramp(0, 0);
    private static final int LONGEST = 60;

    public Ramp {
        Check.inRange(comesOver, 0, LONGEST, "months over which a change comes");
        Check.inRange(goesOver, 0, LONGEST, "months over which a change goes");
    }

    /** Some months of a range, and how much of the change there is in them. */
    record Part(DayRange range, Percent share) {}

    boolean isNone() {
        return comesOver <= 1 && goesOver <= 1;
    }

    /**
     * Returns the parts of a range, in order; what is left whole is one.
     *
     * @throws Refused where it comes or goes, and the range has no beginning or no end for that
     */
    List<Part> parts(DayRange range) {
        LocalDate from = range.from();
        LocalDate to = range.to();
        if (isNone()) {
            return List.of(new Part(range, Percent.HUNDRED));
        }
        if (from == null && comesOver > 1 || to == null && goesOver > 1) {
            throw new Refused("A change that comes and goes over some months has "
                    + (from == null ? "a first month: say from when" : "a last month: say to when"));
        }
        List<Part> parts = new ArrayList<>();
        LocalDate at = from;
        if (from != null && comesOver > 1) {
            for (YearMonth month = YearMonth.from(from);
                    month.isBefore(YearMonth.from(from).plusMonths(comesOver - 1L))
                            && (to == null || !month.atDay(1).isAfter(to));
                    month = month.plusMonths(1)) {
                parts.add(part(range, month));
                at = month.plusMonths(1).atDay(1);
            }
        }
        if (to == null || goesOver <= 1) {
            if (at == null || to == null || !at.isAfter(to)) {
                parts.add(new Part(new DayRange(at, to), Percent.HUNDRED));
            }
            return parts;
        }
        YearMonth going = YearMonth.from(to).minusMonths(goesOver - 2L);
        if (at == null || at.isBefore(going.atDay(1))) {
            parts.add(new Part(new DayRange(at, going.atDay(1).minusDays(1)), Percent.HUNDRED));
            at = going.atDay(1);
        }
        for (YearMonth month = YearMonth.from(at); !month.atDay(1).isAfter(to); month = month.plusMonths(1)) {
            parts.add(part(range, month));
        }
        return parts;
    }

    /** Of a month in which it both comes and goes there is the lesser share. */
    private Part part(DayRange range, YearMonth month) {
        LocalDate from = range.from();
        LocalDate to = range.to();
        Percent comes = from == null || comesOver <= 1
                ? Percent.HUNDRED
                : share(YearMonth.from(from).until(month, java.time.temporal.ChronoUnit.MONTHS) + 1, comesOver);
        Percent goes = to == null || goesOver <= 1
                ? Percent.HUNDRED
                : share(month.until(YearMonth.from(to), java.time.temporal.ChronoUnit.MONTHS) + 1, goesOver);
        LocalDate first = month.atDay(1);
        LocalDate last = month.atEndOfMonth();
        return new Part(
                new DayRange(
                        from != null && from.isAfter(first) ? from : first,
                        to != null && to.isBefore(last) ? to : last),
                comes.compareTo(goes) < 0 ? comes : goes);
    }

    private static Percent share(long month, int of) {
        return new Percent(Math.round((double) Percent.WHOLE * Math.min(month, of) / of));
    }
}

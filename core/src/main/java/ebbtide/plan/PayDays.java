package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * The pay days of a year: every week or fortnight counted from an anchor, on two days of each month, or on the anchor's
 * day of each month (rules 7.1). {@code secondDay} counts only where there are two.
 */
public record PayDays(Often often, LocalDate anchor, int secondDay, Convention convention) {
    /** How often a year is paid, and in how many parts. */
    public enum Often {
        WEEKLY(52),
        FORTNIGHTLY(26),
        TWICE_A_MONTH(24),
        MONTHLY(12);

        private final int aYear;

        Often(int aYear) {
            this.aYear = aYear;
        }

        /** Returns into how many parts a year's pay is divided. */
        public int aYear() {
            return aYear;
        }
    }

    /**
     * A pay day as the calendar has it, before its convention: which of its year it is, counted from 0, and the first
     * and last day that it pays for.
     */
    public record Date(LocalDate day, int ofYear, LocalDate from, LocalDate to) {}

    public PayDays {
        Objects.requireNonNull(often, "how often");
        Check.inRange(anchor.getYear(), 1990, 2120, "year of the first pay day");
        Check.inRange(secondDay, 1, 31, "second pay day of the month");
        Objects.requireNonNull(convention, "convention");
        Check.that(
                often != Often.TWICE_A_MONTH || secondDay != anchor.getDayOfMonth(),
                "the two pay days of a month must be different days, but both were day " + secondDay);
    }

    /** Returns the pay days from one day to another, both included, in order; none before the first. */
    public List<Date> between(LocalDate earliest, LocalDate to) {
        LocalDate from = earliest.isBefore(anchor) ? anchor : earliest;
        List<Date> dates = new ArrayList<>();
        if (often == Often.WEEKLY || often == Often.FORTNIGHTLY) {
            int length = often == Often.WEEKLY ? 7 : 14;
            long before = Math.floorMod(anchor.toEpochDay() - from.toEpochDay(), (long) length);
            for (LocalDate day = from.plusDays(before); !day.isAfter(to); day = day.plusDays(length)) {
                dates.add(new Date(day, (day.getDayOfYear() - 1) / length, day.minusDays(length - 1L), day));
            }
            return dates;
        }
        for (YearMonth month = YearMonth.from(from); !month.atDay(1).isAfter(to); month = month.plusMonths(1)) {
            ofMonth(month).stream()
                    .filter(date -> !date.day().isBefore(from) && !date.day().isAfter(to))
                    .forEach(dates::add);
        }
        return dates;
    }

    private List<Date> ofMonth(YearMonth month) {
        int at = month.getMonthValue() - 1;
        if (often == Often.MONTHLY) {
            return List.of(new Date(dayOf(month, anchor.getDayOfMonth()), at, month.atDay(1), month.atEndOfMonth()));
        }
        int first = Math.min(anchor.getDayOfMonth(), secondDay);
        int second = Math.max(anchor.getDayOfMonth(), secondDay);
        return List.of(
                new Date(dayOf(month, first), 2 * at, month.atDay(1), month.atDay(15)),
                new Date(dayOf(month, second), 2 * at + 1, month.atDay(16), month.atEndOfMonth()));
    }

    private static LocalDate dayOf(YearMonth month, int day) {
        return month.atDay(Math.min(day, month.lengthOfMonth()));
    }
}

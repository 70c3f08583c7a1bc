package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Dates that come back: every so many weeks, months or years from a first date, until a last one if set. A day that a
 * month lacks is its last, so every period is met once (rules 7.2).
 */
public record Recurrence(
        Span unit, int every, LocalDate first, @Nullable LocalDate until) {
    /** The step from one date to the next. */
    public enum Span {
        WEEK("week") {
            @Override
            LocalDate plus(LocalDate first, long times) {
                return first.plusWeeks(times);
            }
        },
        MONTH("month") {
            @Override
            LocalDate plus(LocalDate first, long times) {
                return first.plusMonths(times);
            }
        },
        YEAR("year") {
            @Override
            LocalDate plus(LocalDate first, long times) {
                return first.plusYears(times);
            }
        };

        private final String word;

        Span(String word) {
            this.word = word;
        }

        abstract LocalDate plus(LocalDate first, long times);
    }

    public Recurrence {
        Check.inRange(every, 1, 120, "every how many " + unit.word + "s");
        Check.inRange(first.getYear(), 1990, 2120, "year of the first date");
        Check.that(
                until == null || !until.isBefore(first),
                "the last date, " + until + ", lies before the first, " + first + ": put it later or leave it empty");
    }

    /** Returns the dates from one day to another, both included, in order. */
    public List<LocalDate> between(LocalDate from, LocalDate to) {
        List<LocalDate> dates = new ArrayList<>();
        LocalDate end = until != null && until.isBefore(to) ? until : to;
        for (long n = 0; ; n++) {
            // Counted from the first date each time: stepping from a clipped 28th would lose the 31st for good.
            LocalDate date = unit.plus(first, n * every);
            if (date.isAfter(end)) {
                return dates;
            }
            if (!date.isBefore(from)) {
                dates.add(date);
            }
        }
    }

    /** Returns the words of it: "every 2 weeks from 2026-03-06". */
    public String words() {
        return (every == 1 ? "every " + unit.word : "every " + every + " " + unit.word + "s") + " from " + first;
    }
}

package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How facts take the place of what a line planned: what is left of a month (rules 5.1), and within which days, or for
 * which planned date, cash uses a planned sum up (rules 5.2). The window is null where a sum's neighbours set it.
 */
public record Netting(Left left, @Nullable Window window, List<Chosen> chosen) {
    /** All of left, windows by neighbours, nothing chosen by hand. */
    public static final Netting USUAL = new Netting(Left.CATCH_UP, null, List.of());

    /** What of a month under way is still expected. */
    public enum Left {
        /** All that is left of the month's plan. */
        CATCH_UP,
        /** No more of it than its business days after the as-of date bear by the plan. */
        RUN_RATE
    }

    /** How many days before its date and after it a planned sum is looked for. */
    public record Window(int before, int after) {
        /** No window reaches further from its date. */
        public static final int FURTHEST = 60;

        public Window {
            Check.inRange(before, 0, FURTHEST, "days before a planned date");
            Check.inRange(after, 0, FURTHEST, "days after a planned date");
        }
    }

    /**
     * What was booked on a day, or is due on it by an open item, counts for the sum planned for another, whatever the
     * windows are.
     */
    public record Chosen(LocalDate day, LocalDate planned) {
        public Chosen {
            Objects.requireNonNull(day, "day of the cash");
            Objects.requireNonNull(planned, "planned date");
        }
    }

    public Netting {
        Objects.requireNonNull(left, "what is left of a month");
        chosen = chosen.stream()
                .sorted(java.util.Comparator.comparing(Chosen::day))
                .toList();
        Check.that(
                chosen.size() <= 500, "cash of at most 500 days is put to dates by hand, but was of " + chosen.size());
        for (int i = 1; i < chosen.size(); i++) {
            Check.that(
                    !chosen.get(i).day().equals(chosen.get(i - 1).day()),
                    "the cash of " + chosen.get(i).day() + " is put to two dates: keep one");
        }
    }

    /** Returns the planned date that the cash of a day was put to by hand, if it was. */
    public Optional<LocalDate> plannedFor(LocalDate day) {
        return chosen.stream()
                .filter(one -> one.day().equals(day))
                .map(Chosen::planned)
                .findFirst();
    }
}

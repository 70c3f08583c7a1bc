package ebbtide.activity;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What a stream's history suggests for the months to come (rules 2.5): simple ways compete, each forecasting from at
 * least twelve earlier ends of history; the last quarter of the months has no say in the choice and shows what the
 * choice is worth. {@code because} says which way is offered and why.
 */
public record Suggestion(List<Rival> rivals, @Nullable Way offered, String because) {
    private static final int LEAST_ORIGINS = 12;
    /** How far ahead each trial forecasts. */
    private static final int AHEAD = 3;

    /** A simple way to go on from history. */
    public enum Way {
        SAME_MONTH("the same month last year"),
        SAME_MONTH_WITH_TREND("the same month last year, with the trend of the last twelve months"),
        MOVING_AVERAGE("the mean of the last three months"),
        SMOOTHING("a level that follows each month by a share");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A way with its errors in ten-thousandths of what was actual (null: not enough history to say): when choosing, and
     * over the last quarter of the months; what it would have said for each month of history (one month ahead), and
     * says for those to come.
     */
    public record Rival(
            Way way,
            @Nullable Long error,
            @Nullable Long errorOfLastQuarter,
            SortedMap<YearMonth, Long> said,
            SortedMap<YearMonth, Long> next) {}

    /**
     * Returns what history suggests for some months after its last; history has no gaps, else only what follows the
     * last counts.
     */
    public static Suggestion of(SortedMap<YearMonth, Long> history, YearMonth first, int months) {
        List<Long> actual = unbroken(history, first);
        int choosing = actual.size() - actual.size() / 4;
        Map<Way, Rival> rivals = new EnumMap<>(Way.class);
        for (Way way : Way.values()) {
            SortedMap<YearMonth, Long> next = new TreeMap<>();
            for (int ahead = 1; ahead <= months; ahead++) {
                Double value = forecast(way, actual, actual.size(), ahead);
                if (value != null) {
                    next.put(first.plusMonths(ahead - 1L), Math.max(0, Math.round(value)));
                }
            }
            rivals.put(
                    way,
                    new Rival(
                            way,
                            error(way, actual, 0, choosing),
                            error(way, actual, choosing, actual.size()),
                            said(way, actual, first),
                            next));
        }
        return choose(new ArrayList<>(rivals.values()), choosing);
    }

    /** The months without a gap up to the one before the first to be forecast. */
    private static List<Long> unbroken(SortedMap<YearMonth, Long> history, YearMonth first) {
        List<Long> actual = new ArrayList<>();
        for (YearMonth month = first.minusMonths(1); history.containsKey(month); month = month.minusMonths(1)) {
            actual.add(0, history.get(month));
        }
        return actual;
    }

    private static SortedMap<YearMonth, Long> said(Way way, List<Long> actual, YearMonth first) {
        SortedMap<YearMonth, Long> said = new TreeMap<>();
        for (int at = 1; at < actual.size(); at++) {
            Double value = forecast(way, actual, at, 1);
            if (value != null) {
                said.put(first.minusMonths((long) actual.size() - at), Math.max(0, Math.round(value)));
            }
        }
        return said;
    }

    /**
     * The weighted error of trials whose months lie in a range: sum of misses over sum of actuals, from each end of
     * history.
     */
    private static @Nullable Long error(Way way, List<Long> actual, int from, int to) {
        double missed = 0;
        double was = 0;
        int origins = 0;
        for (int origin = 1; origin < to; origin++) {
            boolean tried = false;
            for (int ahead = 1; ahead <= AHEAD && origin + ahead <= to; ahead++) {
                Double value = origin + ahead - 1 < from ? null : forecast(way, actual, origin, ahead);
                if (value != null) {
                    missed += Math.abs(Math.max(0, value) - actual.get(origin + ahead - 1));
                    was += Math.abs(actual.get(origin + ahead - 1));
                    tried = true;
                }
            }
            origins += tried ? 1 : 0;
        }
        boolean enough = from > 0 ? origins > 0 : origins >= LEAST_ORIGINS;
        return !enough || was == 0 ? null : Math.round(10_000 * missed / was);
    }

    /**
     * The value some months after the first so many months of history; null when a way needs more history than there
     * is.
     */
    private static @Nullable Double forecast(Way way, List<Long> actual, int known, int ahead) {
        return switch (way) {
            case SAME_MONTH -> sameMonth(actual, known, ahead);
            case SAME_MONTH_WITH_TREND -> withTrend(actual, known, ahead);
            case MOVING_AVERAGE ->
                known < 3 ? null : (actual.get(known - 1) + actual.get(known - 2) + actual.get(known - 3)) / 3.0;
            case SMOOTHING -> known < 6 ? null : Double.valueOf(smoothed(actual, known));
        };
    }

    private static @Nullable Double sameMonth(List<Long> actual, int known, int ahead) {
        int at = known + ahead - 1;
        while (at >= known) {
            at -= 12;
        }
        return at < 0 ? null : Double.valueOf(actual.get(at));
    }

    private static @Nullable Double withTrend(List<Long> actual, int known, int ahead) {
        Double last = sameMonth(actual, known, ahead);
        if (last == null || known < 24) {
            return null;
        }
        double year = 0;
        double before = 0;
        for (int i = 1; i <= 12; i++) {
            year += actual.get(known - i);
            before += actual.get(known - 12 - i);
        }
        int years = (ahead - 1) / 12 + 1;
        return before == 0 ? null : Double.valueOf(last * Math.pow(year / before, years));
    }

    /** The share is the one of nine that would have missed least in the months known. */
    private static double smoothed(List<Long> actual, int known) {
        double best = 0;
        double least = Double.MAX_VALUE;
        for (int tenths = 1; tenths <= 9; tenths++) {
            double level = actual.get(0);
            double missed = 0;
            for (int i = 1; i < known; i++) {
                missed += Math.abs(actual.get(i) - level);
                level += tenths / 10.0 * (actual.get(i) - level);
            }
            if (missed < least) {
                least = missed;
                best = level;
            }
        }
        return best;
    }

    private static Suggestion choose(List<Rival> rivals, int choosing) {
        Rival same = rivals.get(Way.SAME_MONTH.ordinal());
        Rival best = rivals.stream()
                .filter(rival -> rival.error() != null)
                .min(Comparator.comparing(Rival::error))
                .orElse(null);
        if (best == null) {
            return new Suggestion(
                    rivals,
                    null,
                    "There is too little history to try ways on: at least twelve ends of history are needed, and there are "
                            + choosing + " months to choose by");
        }
        if (same.error() != null && best.error() != null && best.error() >= same.error()) {
            return new Suggestion(
                    rivals,
                    Way.SAME_MONTH,
                    "Nothing did better than " + Way.SAME_MONTH.words() + ", so that is offered");
        }
        return new Suggestion(
                rivals, best.way(), "Closest in trials: " + best.way().words());
    }
}

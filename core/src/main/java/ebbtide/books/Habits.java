package ebbtide.books;

import java.lang.ref.SoftReference;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * How early or late counterparties pay, learnt from items paid in full (rules 4.2): days from due to the movement that
 * settled, each weighing half for every 180 days since. An estimate is the lower weighted median of a mixture of the
 * counterparty's own items, those of its line, and all; days beyond a year early or two years late count as that.
 */
public final class Habits {
    private static final int EARLIEST = -366;
    private static final int LATEST = 732;
    private static final double HALF_LIFE = 180;
    private static final double OWN = 5;
    private static final double TINY = 1e-9;
    private static final double MEDIAN = 0.5;
    /** Stands for whom nothing is known of; never added to. */
    private static final Spells NONE = new Spells();

    private final Map<String, Spells> own = new HashMap<>();
    private final Map<String, Spells> byLine = new HashMap<>();
    /**
     * The mixtures that were asked for, as long as there is room: plans change more often than what their items show.
     */
    private volatile SoftReference<Map<OnLine, Mixture>> mixtures = new SoftReference<>(null);

    private final Spells all = new Spells();
    /** The places at which there is weight of any item, in order. */
    private int[] places = {};

    private Habits() {}

    /** Weights by days late, added up from the earliest; and how many items stand behind them. */
    private static final class Spells {
        private final double[] weights = new double[LATEST - EARLIEST + 1];
        private int count;

        void add(long days, double weight) {
            weights[at(days)] += weight;
            count++;
        }

        int[] places() {
            return IntStream.range(0, weights.length)
                    .filter(at -> weights[at] != 0)
                    .toArray();
        }

        void addUp() {
            for (int i = 1; i < weights.length; i++) {
                weights[i] += weights[i - 1];
            }
        }

        double upTo(int at) {
            double sum = weights[weights.length - 1];
            return at < 0 || sum == 0 ? 0 : weights[at] / sum;
        }
    }

    private static int at(long days) {
        return (int) (Math.max(EARLIEST, Math.min(LATEST, days)) - EARLIEST);
    }

    /** Returns the habits that items paid up to a day show; they are all of one direction. */
    public static Habits of(List<OpenItem> items, LocalDate asOf) {
        Habits habits = new Habits();
        for (OpenItem item : items) {
            LocalDate paid = item.paidOn();
            if (item.showsHabit() && paid != null && !paid.isAfter(asOf)) {
                double weight = Math.pow(0.5, (asOf.toEpochDay() - paid.toEpochDay()) / HALF_LIFE);
                habits.own
                        .computeIfAbsent(item.counterparty(), name -> new Spells())
                        .add(item.daysLate(), weight);
                habits.byLine.computeIfAbsent(item.lineId(), id -> new Spells()).add(item.daysLate(), weight);
                habits.all.add(item.daysLate(), weight);
            }
        }
        habits.places = habits.all.places();
        habits.own.values().forEach(Spells::addUp);
        habits.byLine.values().forEach(Spells::addUp);
        habits.all.addUp();
        return habits;
    }

    /**
     * A habit: days late, negative when early, none known to be greater than what was asked (null); and how many items
     * stand behind it.
     */
    public record Estimate(@Nullable Integer days, int ownItems, int lineItems, int allItems) {}

    /**
     * Returns how many days late a counterparty of a line pays an item that is not paid {@code days} after its due date
     * (negative: before it): the median over habits greater than that.
     */
    public Estimate estimate(String counterparty, String lineId, long daysSinceDue) {
        if (all.count == 0) {
            return new Estimate(daysSinceDue < 0 ? 0 : null, 0, 0, 0);
        }
        OptionalInt median = quantile(upTo(counterparty, lineId), daysSinceDue, MEDIAN);
        return new Estimate(
                median.isPresent() ? Integer.valueOf(median.getAsInt()) : null,
                own.getOrDefault(counterparty, NONE).count,
                byLine.getOrDefault(lineId, NONE).count,
                all.count);
    }

    private IntToDoubleFunction upTo(String counterparty, String lineId) {
        Spells mine = own.getOrDefault(counterparty, NONE);
        Spells line = byLine.getOrDefault(lineId, NONE);
        double ofMine = mine.count / (mine.count + OWN);
        double ofLine = (1 - ofMine) * (line.count / (line.count + OWN));
        double ofAll = 1 - ofMine - ofLine;
        return at -> ofMine * mine.upTo(at) + ofLine * line.upTo(at) + ofAll * all.upTo(at);
    }

    /** How many days late a counterparty pays on a line, with the weight of all up to each: asked again and again. */
    public static final class Mixture {
        private static final int PARTS = 64;

        /** Where weight is added, which is the same for all of a ledger, and the share of it up to each. */
        private final int[] places;

        private final double[] upTo;
        /** The least of the places up to which there is each 64th of the weight: a share is looked for between two. */
        private final short[] guide = new short[PARTS + 1];

        private Mixture(int[] places, IntToDoubleFunction upTo) {
            this.places = places;
            this.upTo = Arrays.stream(places).mapToDouble(upTo).toArray();
            int at = 0;
            for (int part = 0; part <= PARTS; part++) {
                while (at < places.length - 1 && this.upTo[at] < (double) part / PARTS) {
                    at++;
                }
                guide[part] = (short) at;
            }
        }

        /**
         * Returns the habit of those that are later than so many days, of which none may be known; it draws again and
         * again (rules 11.8).
         */
        public Optional<Beyond> beyond(long greaterThan) {
            int from = greaterThan < EARLIEST ? -1 : at(greaterThan);
            int found = Arrays.binarySearch(places, from);
            int next = found >= 0 ? found + 1 : -found - 1;
            double before = next == 0 ? 0 : upTo[next - 1];
            return 1 - before > TINY ? Optional.of(new Beyond(this, from, next, before)) : Optional.empty();
        }
    }

    /**
     * What is known of those later than some days: the place of these, the first after it with weight, the share
     * before.
     */
    public static final class Beyond {
        private final Mixture mixture;
        private final int from;
        private final int next;
        private final double before;

        private Beyond(Mixture mixture, int from, int next, double before) {
            this.mixture = mixture;
            this.from = from;
            this.next = next;
            this.before = before;
        }

        /** Returns the least number of days late, greater than those, up to which there is a share of their weight. */
        public int quantile(double share) {
            double weight = before + (1 - before) * share - TINY;
            if (before >= weight) {
                return EARLIEST + from + 1;
            }
            double[] upTo = mixture.upTo;
            // A power of two: the part is exact.
            int part = Math.max(0, Math.min(Mixture.PARTS - 1, (int) (weight * Mixture.PARTS)));
            int low = Math.max(next, mixture.guide[part]);
            int high = mixture.guide[part + 1];
            while (high - low > 1) {
                int middle = (low + high) >>> 1;
                if (upTo[middle] >= weight) {
                    high = middle;
                } else {
                    low = middle + 1;
                }
            }
            return EARLIEST + mixture.places[Math.min(high, low + isBelow(upTo[low], weight))];
        }
    }

    /**
     * Returns 1 where a share, none below nil, is below another, else 0. Nobody can foretell which, so that a branch
     * would cost more than all else of a draw: their bits are in the order of the shares.
     */
    private static int isBelow(double share, double other) {
        return (int) ((Double.doubleToRawLongBits(share) - Double.doubleToRawLongBits(other)) >>> (Long.SIZE - 1));
    }

    /** Returns the mixture of a counterparty on a line, nothing where nobody has paid anything yet. */
    public Optional<Mixture> mixture(String counterparty, String lineId) {
        if (all.count == 0) {
            return Optional.empty();
        }
        Map<OnLine, Mixture> kept = mixtures.get();
        if (kept == null) {
            kept = new ConcurrentHashMap<>();
            mixtures = new SoftReference<>(kept);
        }
        return Optional.of(kept.computeIfAbsent(
                new OnLine(counterparty, lineId), one -> new Mixture(places, upTo(counterparty, lineId))));
    }

    private record OnLine(String counterparty, String lineId) {}

    private static OptionalInt quantile(IntToDoubleFunction upTo, long greaterThan, double share) {
        int from = greaterThan < EARLIEST ? -1 : at(greaterThan);
        double before = upTo.applyAsDouble(from);
        return 1 - before > TINY
                ? OptionalInt.of(EARLIEST + least(upTo, from + 1, before + (1 - before) * share))
                : OptionalInt.empty();
    }

    /**
     * Returns the least place, from one on, up to which there is at least so much of the weight; weights are added up,
     * so they never fall.
     */
    private static int least(IntToDoubleFunction upTo, int from, double weight) {
        int low = from;
        int high = LATEST - EARLIEST;
        while (low < high) {
            int middle = (low + high) / 2;
            if (upTo.applyAsDouble(middle) >= weight - TINY) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /**
     * How well habits foretell payment (rules 4.4): the mean error in days over items forecast on their due date with
     * what was known then, against simply using the due date, and over how many items; those paid by then need no
     * forecast.
     */
    public record Backtest(double habitError, double dueError, int items) {}

    /** Returns the backtest over items of one direction. */
    public static Backtest backtest(List<OpenItem> items) {
        TreeMap<LocalDate, List<OpenItem>> byDue = new TreeMap<>();
        items.stream().filter(item -> item.showsHabit() && item.daysLate() > 0).forEach(item -> byDue.computeIfAbsent(
                        item.due(), day -> new java.util.ArrayList<>())
                .add(item));
        double habitError = 0;
        double dueError = 0;
        int count = 0;
        for (Map.Entry<LocalDate, List<OpenItem>> due : byDue.entrySet()) {
            Habits known = of(items, due.getKey());
            for (OpenItem item : due.getValue()) {
                Integer days =
                        known.estimate(item.counterparty(), item.lineId(), 0).days();
                habitError += Math.abs(item.daysLate() - (days == null ? 0 : days));
                dueError += item.daysLate();
                count++;
            }
        }
        return count == 0 ? new Backtest(0, 0, 0) : new Backtest(habitError / count, dueError / count, count);
    }
}

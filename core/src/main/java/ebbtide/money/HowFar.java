package ebbtide.money;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.LongFunction;
import java.util.function.Predicate;
import java.util.stream.LongStream;

/**
 * The search for how far a whole number can go from where it stands until something no longer holds (rules 11.6): to an
 * end of its range in equal steps, the first change of what holds halved to two neighbours.
 */
public final class HowFar<L> {
    private static final int STEPS = 64;
    private final LongFunction<Optional<L>> level;
    private final Predicate<L> holds;

    /** What a number comes to. */
    public record Point<L>(long multiple, L level) {}

    /** The last that holds, the first beyond it that does not, and whether there are others further on. */
    public record Edge<L>(Point<L> holds, Point<L> fails, boolean others) {}

    /** Makes a search by what a number comes to, nothing where it cannot be, and whether that holds. */
    public HowFar(LongFunction<Optional<L>> level, Predicate<L> holds) {
        this.level = level;
        this.holds = holds;
    }

    /** Returns the points from where it stands to an end, tried side by side; the first that cannot be ends the way. */
    public List<Point<L>> way(long from, long to) {
        long[] multiples = LongStream.rangeClosed(1, STEPS)
                .map(i -> from + Math.round((double) (to - from) * i / STEPS))
                .distinct()
                .filter(at -> at != from)
                .toArray();
        List<Optional<L>> levels =
                Arrays.stream(multiples).parallel().mapToObj(level).toList();
        List<Point<L>> points = new ArrayList<>();
        for (int i = 0; i < multiples.length && levels.get(i).isPresent(); i++) {
            points.add(new Point<>(multiples[i], levels.get(i).get()));
        }
        return points;
    }

    /** Returns the first change of what holds on a way, halved to two neighbours; nothing where it does not change. */
    public Optional<Edge<L>> edge(Point<L> now, List<Point<L>> way) {
        boolean first = holds.test(now.level());
        Point<L> last = now;
        for (int i = 0; i < way.size(); i++) {
            Point<L> next = way.get(i);
            if (holds.test(next.level()) != first) {
                List<Point<L>> beyond = way.subList(i, way.size());
                boolean others = beyond.stream().anyMatch(one -> holds.test(one.level()) == first);
                return Optional.of(halved(last, next, others));
            }
            last = next;
        }
        return Optional.empty();
    }

    private Edge<L> halved(Point<L> from, Point<L> to, boolean others) {
        Point<L> one = from;
        Point<L> other = to;
        while (Math.abs(other.multiple() - one.multiple()) > 1) {
            long middle = Math.floorDiv(one.multiple() + other.multiple(), 2);
            Optional<L> found = level.apply(middle);
            if (found.isEmpty()) {
                break;
            }
            Point<L> at = new Point<>(middle, found.get());
            if (holds.test(at.level()) == holds.test(one.level())) {
                one = at;
            } else {
                other = at;
            }
        }
        return holds.test(one.level()) ? new Edge<>(one, other, others) : new Edge<>(other, one, others);
    }
}

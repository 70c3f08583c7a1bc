package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.LongStream;

/**
 * How far something can go until a measure falls below its bound (rules 11.6): from where it stands to each end of its
 * range in equal steps, the first change of what holds halved to two neighbours.
 */
public final class BreakEven {
    private static final int STEPS = 64;

    private final Forecast base;
    private final Dial dial;
    private final Measure measure;
    private final long bound;
    private final Runnable wanted;
    private final Map<Long, Optional<Measure.Level>> tried = new ConcurrentHashMap<>();

    /** What a multiple of the dial comes to. */
    public record Point(long multiple, Measure.Level level) {}

    /**
     * How far it goes one way: the last that holds, the first beyond it that does not, and whether there are others
     * further on.
     */
    public record Edge(Point holds, Point fails, boolean others) {}

    /**
     * The answer: what it is now, whether that holds, how far down and up it goes (nothing: not within the range),
     * where it does not hold the nearest that does, and what the measure is over the range.
     */
    public record Answer(
            Dial dial,
            Point now,
            boolean holds,
            Optional<Edge> down,
            Optional<Edge> up,
            Optional<Point> nearest,
            List<Point> over) {}

    private BreakEven(Forecast base, Dial dial, Measure measure, long bound, Runnable wanted) {
        this.base = base;
        this.dial = dial;
        this.measure = measure;
        this.bound = bound;
        this.wanted = wanted;
    }

    /**
     * Returns how far a dial can be turned over the base that a forecast is of, until a measure is below a bound.
     * {@code wanted} is asked before each trial, on any thread: it throws where nobody waits for the answer any more.
     *
     * @throws CancellationException where {@code wanted} does
     */
    public static Answer of(Forecast base, Dial dial, Measure measure, long bound, Runnable wanted) {
        return new BreakEven(base, dial, measure, bound, wanted).answer();
    }

    private Answer answer() {
        if (dial.standsInBase()) {
            tried.put(dial.present(), Optional.of(measure.of(base)));
        }
        Point now = new Point(
                dial.present(),
                level(dial.present())
                        .orElseThrow(() -> new Refused("The plan refuses the change as it stands: mend it first")));
        boolean holds = holds(now.level());
        List<Point> down = steps(dial.least());
        List<Point> up = steps(dial.most());
        Optional<Edge> below = edge(now, down);
        Optional<Edge> above = edge(now, up);
        List<Point> over = new ArrayList<>(down);
        Collections.reverse(over);
        over.add(now);
        over.addAll(up);
        return new Answer(
                dial,
                now,
                holds,
                holds ? below : Optional.empty(),
                holds ? above : Optional.empty(),
                holds ? Optional.empty() : nearest(now, below, above),
                over);
    }

    private boolean holds(Measure.Level level) {
        return level.minor() >= bound;
    }

    /** The points from where it stands to an end, tried side by side; those that the plan refuses end the way. */
    private List<Point> steps(long end) {
        long[] multiples = LongStream.rangeClosed(1, STEPS)
                .map(i -> dial.present() + Math.round((double) (end - dial.present()) * i / STEPS))
                .distinct()
                .filter(at -> at != dial.present())
                .toArray();
        List<Optional<Measure.Level>> levels =
                Arrays.stream(multiples).parallel().mapToObj(this::level).toList();
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < multiples.length && levels.get(i).isPresent(); i++) {
            points.add(new Point(multiples[i], levels.get(i).get()));
        }
        return points;
    }

    private Optional<Measure.Level> level(long multiple) {
        Optional<Measure.Level> known = tried.get(multiple);
        if (known == null) {
            wanted.run();
            known = at(multiple);
            tried.put(multiple, known);
        }
        return known;
    }

    /** What a multiple comes to, nothing where the plan refuses it. */
    private Optional<Measure.Level> at(long multiple) {
        try {
            return Optional.of(measure.of(Forecaster.forecast(dial.turned(base, multiple), base.books(), base)));
        } catch (Refused refused) {
            return Optional.empty();
        }
    }

    /** The first change of what holds on a way, halved to two neighbours. */
    private Optional<Edge> edge(Point now, List<Point> way) {
        boolean first = holds(now.level());
        Point last = now;
        for (int i = 0; i < way.size(); i++) {
            Point next = way.get(i);
            if (holds(next.level()) != first) {
                List<Point> beyond = way.subList(i, way.size());
                boolean others = beyond.stream().anyMatch(one -> holds(one.level()) == first);
                return Optional.of(halved(last, next, others));
            }
            last = next;
        }
        return Optional.empty();
    }

    private Edge halved(Point from, Point to, boolean others) {
        Point one = from;
        Point other = to;
        while (Math.abs(other.multiple() - one.multiple()) > 1) {
            long middle = Math.floorDiv(one.multiple() + other.multiple(), 2);
            Optional<Measure.Level> level = level(middle);
            if (level.isEmpty()) {
                break;
            }
            Point at = new Point(middle, level.get());
            if (holds(at.level()) == holds(one.level())) {
                one = at;
            } else {
                other = at;
            }
        }
        return holds(one.level()) ? new Edge(one, other, others) : new Edge(other, one, others);
    }

    /** Of two that are equally near the lower one. */
    private static Optional<Point> nearest(Point now, Optional<Edge> below, Optional<Edge> above) {
        if (below.isEmpty() || above.isEmpty()) {
            return below.or(() -> above).map(Edge::holds);
        }
        long down = now.multiple() - below.get().holds().multiple();
        long up = above.get().holds().multiple() - now.multiple();
        return Optional.of(down <= up ? below.get().holds() : above.get().holds());
    }
}

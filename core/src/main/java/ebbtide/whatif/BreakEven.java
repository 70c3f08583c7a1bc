package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.HowFar;
import ebbtide.money.HowFar.Edge;
import ebbtide.money.HowFar.Point;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;

/**
 * How far something can go until a measure falls below its bound (rules 11.6): from where it stands to each end of its
 * range in equal steps, the first change of what holds halved to two neighbours.
 */
public final class BreakEven {
    private final Forecast base;
    private final Dial dial;
    private final Measure measure;
    private final long bound;
    private final Runnable wanted;
    private final Map<Long, Optional<Measure.Level>> tried = new ConcurrentHashMap<>();

    /**
     * The answer: what it is now, whether that holds, how far down and up it goes (nothing: not within the range),
     * where it does not hold the nearest that does, and what the measure is over the range.
     */
    public record Answer(
            Dial dial,
            Point<Measure.Level> now,
            boolean holds,
            Optional<Edge<Measure.Level>> down,
            Optional<Edge<Measure.Level>> up,
            Optional<Point<Measure.Level>> nearest,
            List<Point<Measure.Level>> over) {}

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
        Point<Measure.Level> now = new Point<>(
                dial.present(),
                level(dial.present())
                        .orElseThrow(() -> new Refused("The plan refuses the change as it stands: mend it first")));
        boolean holds = holds(now.level());
        HowFar<Measure.Level> far = new HowFar<>(this::level, this::holds);
        List<Point<Measure.Level>> down = far.way(dial.present(), dial.least());
        List<Point<Measure.Level>> up = far.way(dial.present(), dial.most());
        Optional<Edge<Measure.Level>> below = far.edge(now, down);
        Optional<Edge<Measure.Level>> above = far.edge(now, up);
        List<Point<Measure.Level>> over = new ArrayList<>(down);
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

    /** Of two that are equally near the lower one. */
    private static Optional<Point<Measure.Level>> nearest(
            Point<Measure.Level> now, Optional<Edge<Measure.Level>> below, Optional<Edge<Measure.Level>> above) {
        if (below.isEmpty() || above.isEmpty()) {
            return below.or(() -> above).map(Edge::holds);
        }
        long down = now.multiple() - below.get().holds().multiple();
        long up = above.get().holds().multiple() - now.multiple();
        return Optional.of(down <= up ? below.get().holds() : above.get().holds());
    }
}

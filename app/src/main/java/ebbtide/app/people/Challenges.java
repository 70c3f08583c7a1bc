package ebbtide.app.people;

import ebbtide.money.Refused;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;

/** What was asked under challenges that no answer came to yet, each good once and for a time; the oldest go first. */
final class Challenges<T> {
    private static final int MOST = 10_000;

    private final Duration patience;
    private final Clock clock;
    private final Map<String, Open<T>> open = new LinkedHashMap<>();

    Challenges(Duration patience, Clock clock) {
        this.patience = patience;
        this.clock = clock;
    }

    private record Open<T>(T asked, Instant until) {}

    synchronized void add(String challenge, T asked) {
        open.values().removeIf(one -> one.until().isBefore(clock.instant()));
        if (open.size() >= MOST) {
            open.remove(open.keySet().iterator().next());
        }
        open.put(challenge, new Open<>(asked, clock.instant().plus(patience)));
    }

    /**
     * Returns what was asked, which is answered by that.
     *
     * @throws Refused where nothing was, or it is too long ago
     */
    synchronized T take(String challenge) {
        Open<T> one = open.remove(challenge);
        if (one == null || one.until().isBefore(clock.instant())) {
            throw new Refused("That took too long, or was answered before: begin anew");
        }
        return one.asked();
    }
}

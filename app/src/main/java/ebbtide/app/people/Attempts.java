package ebbtide.app.people;

import ebbtide.money.Check;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * The refused attempts to sign in, by login and by address: after a few each further one waits twice as long. Only the
 * latest thousands are known.
 */
@Component
class Attempts {
    private static final int KNOWN = 10_000;
    private static final int FREE_BY_LOGIN = 5;
    private static final int FREE_BY_ADDRESS = 20;
    private static final Duration LONGEST = Duration.ofMinutes(15);

    private final Clock clock;
    private final Map<String, Refusals> refused = new LinkedHashMap<>();

    Attempts(Clock clock) {
        this.clock = clock;
    }

    private record Refusals(int times, Instant last) {
        Duration wait(int free) {
            if (times < free) {
                return Duration.ZERO;
            }
            Duration wait = Duration.ofSeconds(1L << Math.min(times - free, 12));
            return wait.compareTo(LONGEST) > 0 ? LONGEST : wait;
        }
    }

    /**
     * Requires that a further attempt need not wait.
     *
     * @throws Refused while it must, in a sentence that says how long
     */
    synchronized void requireNoWait(String login, String address) {
        requireNone(left("login " + login, FREE_BY_LOGIN));
        requireNoWait(address);
    }

    /**
     * Requires that a further attempt from an address need not wait, as {@link #requireNoWait(String, String)} does.
     */
    synchronized void requireNoWait(String address) {
        requireNone(left("from " + address, FREE_BY_ADDRESS));
    }

    private static void requireNone(Duration left) {
        Check.that(left.isZero(), "Too many attempts: try again in " + (left.toSeconds() + 1) + " seconds");
    }

    private Duration left(String key, int free) {
        Refusals known = refused.get(key);
        if (known == null) {
            return Duration.ZERO;
        }
        Duration left = Duration.between(clock.instant(), known.last().plus(known.wait(free)));
        return left.isNegative() ? Duration.ZERO : left;
    }

    synchronized void refused(String login, String address) {
        count("login " + login);
        refused(address);
    }

    synchronized void refused(String address) {
        count("from " + address);
    }

    private void count(String key) {
        Refusals known = refused.remove(key);
        boolean longAgo = known != null && known.last().plus(LONGEST).isBefore(clock.instant());
        refused.put(key, new Refusals(known == null || longAgo ? 1 : known.times() + 1, clock.instant()));
        if (refused.size() > KNOWN) {
            refused.remove(refused.keySet().iterator().next());
        }
    }

    synchronized void succeeded(String login) {
        refused.remove("login " + login);
    }
}

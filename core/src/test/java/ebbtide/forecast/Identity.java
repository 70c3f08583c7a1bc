package ebbtide.forecast;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.function.Consumer;
import java.util.stream.LongStream;

/**
 * Something that holds for every plan, asked of every so manieth: its name, and the check that throws where it does not
 * hold.
 */
public record Identity(String name, int every, Consumer<RandomCase> check) {
    /** Returns an identity that is asked of every plan. */
    public static Identity of(String name, Consumer<RandomCase> check) {
        return new Identity(name, 1, check);
    }

    /** Returns the same asked of every so manieth plan alone. */
    public Identity ofEvery(int plans) {
        return new Identity(name, plans, check);
    }

    /**
     * Makes so many plans, each once, on all cores, and asks each identity of them. Returns what fails, by the name of
     * the identity and the seed; an identity that holds for all is not among them.
     */
    public static Map<String, ConcurrentSkipListMap<Long, Throwable>> failures(int plans, List<Identity> identities) {
        Map<String, ConcurrentSkipListMap<Long, Throwable>> failed = new ConcurrentHashMap<>();
        LongStream.range(0, plans).parallel().forEach(seed -> {
            RandomCase some = new RandomCase(seed);
            for (Identity one : identities) {
                if (seed % one.every() == 0) {
                    try {
                        one.check().accept(some);
                    } catch (AssertionError | RuntimeException failure) {
                        failed.computeIfAbsent(one.name(), name -> new ConcurrentSkipListMap<>())
                                .put(seed, failure);
                    }
                }
            }
        });
        return failed;
    }
}

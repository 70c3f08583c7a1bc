package ebbtide.derive;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * Values by name, each worked out once from what it reads. A value of an earlier plan is taken over where it read the
 * same: what it reads is all that its rule is given, so nothing can be taken over that would come out otherwise.
 *
 * @param <R> what a value reads: a record of values that never change, compared by {@code equals}
 * @param <V> the values, which never change either
 */
public final class Derived<R, V> {
    private final Map<String, Entry<R, V>> entries;
    private final Map<String, Entry<R, V>> earlier;

    private record Entry<R, V>(R reads, V value) {}

    private Derived(Map<String, Entry<R, V>> earlier) {
        this.earlier = earlier;
        this.entries = new ConcurrentHashMap<>(Math.max(16, earlier.size()));
    }

    /** Makes values of which none is known yet. */
    public static <R, V> Derived<R, V> none() {
        return new Derived<>(Map.of());
    }

    /** Returns values of which none is known, but those of this one are taken over where they read the same. */
    public Derived<R, V> next() {
        return new Derived<>(entries);
    }

    /** Returns the value of a name; what it reads is asked for once. */
    public V of(String name, Supplier<R> reads, Function<R, V> rule) {
        // Not computeIfAbsent: a rule may ask for other values, which may lie in the same bin.
        Entry<R, V> known = entries.get(name);
        if (known == null) {
            R read = reads.get();
            Entry<R, V> before = earlier.get(name);
            known = before != null && before.reads().equals(read) ? before : new Entry<>(read, rule.apply(read));
            Entry<R, V> first = entries.putIfAbsent(name, known);
            known = first == null ? known : first;
        }
        return known.value();
    }
}

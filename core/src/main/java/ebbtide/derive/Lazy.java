package ebbtide.derive;

import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * A value that is worked out when it is first asked for and the very same ever after; two who ask at once may both work
 * it out, and get one of the two.
 */
public final class Lazy<T> implements Supplier<T> {
    private final AtomicReference<T> value = new AtomicReference<>();
    private volatile @Nullable Supplier<T> rule;

    private Lazy(Supplier<T> rule) {
        this.rule = rule;
    }

    /** Makes a value that a rule gives, never null; the rule is let go when the value is there. */
    public static <T> Lazy<T> of(Supplier<T> rule) {
        return new Lazy<>(rule);
    }

    @Override
    public T get() {
        T known = value.get();
        if (known != null) {
            return known;
        }
        Supplier<T> how = rule;
        // Whoever finds the rule gone was overtaken by one who has set the value before it.
        if (how != null) {
            value.compareAndSet(null, Objects.requireNonNull(how.get()));
            rule = null;
        }
        return Objects.requireNonNull(value.get());
    }
}

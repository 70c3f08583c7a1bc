package ebbtide.derive;

import java.util.Objects;
import java.util.function.Supplier;

/** A value that is worked out when it is first asked for and the same ever after; the rule is a pure function, so two threads at once find the same. */
public final class Lazy<T> implements Supplier<T> {
  private volatile Supplier<T> rule;
  private volatile T value;

  private Lazy(Supplier<T> rule) {
    this.rule = rule;
  }

  /** Makes a value that a rule gives, never null. */
  public static <T> Lazy<T> of(Supplier<T> rule) {
    return new Lazy<>(rule);
  }

  @Override
  public T get() {
    T known = value;
    if (known != null) {
      return known;
    }
    Supplier<T> how = rule;
    // Whoever finds the rule gone was overtaken by one who has set the value before it.
    T found = how == null ? value : Objects.requireNonNull(how.get());
    value = found;
    rule = null;
    return found;
  }
}

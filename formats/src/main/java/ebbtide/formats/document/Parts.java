package ebbtide.formats.document;

import static java.util.Objects.requireNonNull;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What was read of the parts of a record, by the part's name; null where there is none, or where it could not be read.
 */
public final class Parts {
    private final Map<String, @Nullable Object> values = new HashMap<>();

    void put(String part, @Nullable Object value) {
        values.put(part, value);
    }

    /** Returns the part of a name that was read, or of which something else holds. */
    public <V> V get(String part, Class<V> type) {
        return requireNonNull(find(part, type), part);
    }

    /** Returns the part of a name, null where there is none. */
    public <V> @Nullable V find(String part, Class<V> type) {
        return type.cast(values.get(part));
    }

    /** Returns the part of a name that is a list. */
    @SuppressWarnings("unchecked")
    public <V> List<V> list(String part) {
        return (List<V>) requireNonNull(values.get(part), part);
    }

    @Nullable
    Object find(String part) {
        return values.get(part);
    }
}

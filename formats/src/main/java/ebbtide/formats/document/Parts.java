package ebbtide.formats.document;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What was read of the parts of a record, by the part's name; null where there is none, or where it could not be read.
 */
public final class Parts {
    private final Map<String, Object> values = new HashMap<>();

    void put(String part, Object value) {
        values.put(part, value);
    }

    /** Returns the part of a name. */
    public <V> V get(String part, Class<V> type) {
        return type.cast(values.get(part));
    }

    /** Returns the part of a name that is a list. */
    @SuppressWarnings("unchecked")
    public <V> List<V> list(String part) {
        return (List<V>) values.get(part);
    }

    Object get(String part) {
        return values.get(part);
    }
}

package ebbtide.formats.document;

import java.util.Currency;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The form of what has one of two forms, which the values around it decide; the schema says the second of them. */
public final class Choice<T> extends Form<T> {
    private final Predicate<JsonPlace> readAsFirst;
    private final Predicate<T> isFirst;
    private final Form<T> first;
    private final Form<T> second;

    /** Makes the form: which of the two holds at a place, and of a value. */
    public Choice(Predicate<JsonPlace> readAsFirst, Predicate<T> isFirst, Form<T> first, Form<T> second) {
        this.readAsFirst = readAsFirst;
        this.isFirst = isFirst;
        this.first = first;
        this.second = second;
    }

    @Override
    public @Nullable T read(JsonPlace place) {
        return (readAsFirst.test(place) ? first : second).read(place);
    }

    @Override
    public JsonNode write(T value, Currency currency) {
        return (isFirst.test(value) ? first : second).write(value, currency);
    }

    @Override
    ObjectNode schema(SchemaBook book) {
        return second.schema(book);
    }
}

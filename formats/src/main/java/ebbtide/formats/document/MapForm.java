package ebbtide.formats.document;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Currency;
import java.util.SortedMap;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The form of values under names that are months, years or days; absent is empty. */
final class MapForm<K extends Comparable<? super K>, T> extends Form<SortedMap<K, T>> {
    /** What the names are: how they are read, and the pattern they have. */
    record Names<K>(Function<String, K> key, String pattern) {}

    static final Names<YearMonth> MONTHS = new Names<>(
            name -> JsonPlace.parse(name, YearMonth::parse, "A month is written 2026-03"), Values.MONTH_PATTERN);
    static final Names<LocalDate> DAYS = new Names<>(
            name -> JsonPlace.parse(name, LocalDate::parse, "A day is written 2026-03-01"), Values.DATE_PATTERN);
    static final Names<Integer> YEARS =
            new Names<>(name -> JsonPlace.parse(name, Integer::valueOf, "A year is written 2026"), "^\\d{4}$");

    private final Form<T> of;
    private final Names<K> names;

    MapForm(Form<T> of, Names<K> names) {
        this.of = of;
        this.names = names;
    }

    @Override
    public SortedMap<K, T> read(JsonPlace place) {
        return place.byName(names.key(), of::read);
    }

    @Override
    public JsonNode write(SortedMap<K, T> values, Currency currency) {
        ObjectNode node = SchemaBook.NODES.objectNode();
        values.forEach((key, value) -> node.set(key.toString(), of.write(value, currency)));
        return node;
    }

    @Override
    ObjectNode schema(SchemaBook book) {
        ObjectNode node = SchemaBook.typed("object");
        node.putObject("propertyNames").put("pattern", names.pattern());
        return node.set("additionalProperties", of.schema(book));
    }

    @Override
    boolean needed() {
        return false;
    }
}

package ebbtide.formats.document;

import static java.util.Objects.requireNonNull;

import ebbtide.formats.document.Field.Presence;
import ebbtide.formats.document.Field.Usual;
import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The form of a record as an object in braces: a field for each of its parts, in the order in which they are written.
 * All fields are read before the record is made, so that every problem is found at once; what the record itself refuses
 * is a problem at its place.
 */
public final class RecordForm<T extends Record> extends Form<T> {
    /** What is usual of an amount is nil, whatever the currency. */
    private static final Currency WITHOUT_DECIMALS = Currency.getInstance("JPY");

    private final Class<T> type;
    private final List<Field<?>> fields;
    private final Demand demand;
    private final @Nullable T silent;
    private final Constructor<T> constructor;
    private final Map<String, RecordComponent> components = new HashMap<>();
    private final String[] order;
    private final List<String> names;

    /** What a document must say of a record beyond what each field needs: it leaves its problems at their places. */
    @FunctionalInterface
    public interface Demand extends BiConsumer<JsonPlace, Parts> {}

    private RecordForm(Class<T> type, List<Field<?>> fields, Demand demand, @Nullable T silent, List<String> before) {
        this.type = type;
        this.fields = fields;
        this.demand = demand;
        this.silent = silent;
        RecordComponent[] parts = type.getRecordComponents();
        this.names = Stream.concat(before.stream(), fields.stream().flatMap(RecordForm::names))
                .toList();
        this.order = Stream.of(parts).map(RecordComponent::getName).toArray(String[]::new);
        Stream.of(parts).forEach(part -> components.put(part.getName(), part));
        if (!fields.stream()
                .map(Field::part)
                .sorted()
                .toList()
                .equals(Arrays.stream(order).sorted().toList())) {
            throw new IllegalStateException(type + " has the parts " + List.of(order) + ", but its fields are those of "
                    + fields.stream().map(Field::part).toList());
        }
        try {
            this.constructor = type.getDeclaredConstructor(
                    Stream.of(parts).map(RecordComponent::getType).toArray(Class<?>[]::new));
        } catch (NoSuchMethodException e) {
            throw new IllegalStateException("Every record has the constructor of its parts", e);
        }
    }

    /** Returns the form of a record type; refuses fields that are not those of its parts, each once. */
    public static <T extends Record> RecordForm<T> of(Class<T> type, Field<?>... fields) {
        return new RecordForm<>(type, List.of(fields), (place, parts) -> {}, null, List.of());
    }

    /** Returns this form with something that a document must say beyond what each field needs. */
    public RecordForm<T> demanding(Demand what) {
        return new RecordForm<>(type, fields, what, silent, List.of());
    }

    /**
     * Returns this form, flat in another, with the value that holds where none of its fields is there, and that is not
     * written.
     */
    public RecordForm<T> whenSilent(T value) {
        return new RecordForm<>(type, fields, demand, value, List.of());
    }

    /** Returns this form beside a field that is read elsewhere. */
    RecordForm<T> beside(String name) {
        return new RecordForm<>(type, fields, demand, silent, List.of(name));
    }

    /** Returns this form with a place prepared by what a look ahead at it finds. */
    public Form<T> readingFirst(UnaryOperator<JsonPlace> look) {
        RecordForm<T> of = this;
        return new Form<>() {
            @Override
            public @Nullable T read(JsonPlace place) {
                return of.read(look.apply(place));
            }

            @Override
            public JsonNode write(T value, Currency currency) {
                return of.write(value, currency);
            }

            @Override
            ObjectNode schema(SchemaBook book) {
                return of.schema(book);
            }
        };
    }

    Class<T> type() {
        return type;
    }

    @Override
    public @Nullable T read(JsonPlace place) {
        if (!place.isObjectOrAbsent()) {
            return null;
        }
        int before = place.problemCount();
        Parts parts = parts(place);
        place.noOthers(names);
        return place.problemCount() > before ? null : place.make(() -> made(parts));
    }

    /** Reports fields at a place that are none of the record's. */
    public void refuseOthers(JsonPlace place) {
        place.noOthers(names);
    }

    /** Returns what could be read of the parts at a place, without making the record of them. */
    public Parts parts(JsonPlace place) {
        int before = place.problemCount();
        Parts parts = new Parts();
        fields.stream()
                .filter(field -> isRead(field, place))
                .forEach(field -> parts.put(field.part(), value(field, place)));
        if (place.problemCount() == before) {
            fields.stream()
                    .filter(field -> !isRead(field, place))
                    .forEach(field -> parts.put(field.part(), field.otherwise().of(place, parts)));
            demand.accept(place, parts);
        }
        return parts;
    }

    private static boolean isRead(Field<?> field, JsonPlace place) {
        return field.presence() == Presence.ALWAYS
                || field.presence() == Presence.FLAT
                || field.presence() != Presence.NEVER && !place.at(field.name()).isAbsent();
    }

    private static @Nullable Object value(Field<?> field, JsonPlace place) {
        return field.presence() == Presence.FLAT
                ? ((RecordForm<?>) field.form()).among(place)
                : field.form().read(place.at(field.name()));
    }

    /** Returns the record whose fields stand among those of another. */
    private @Nullable T among(JsonPlace place) {
        if (silent != null && names.stream().allMatch(name -> place.at(name).isAbsent())) {
            return silent;
        }
        int before = place.problemCount();
        Parts parts = parts(place);
        return place.problemCount() > before ? null : place.make(() -> made(parts));
    }

    private T made(Parts parts) {
        try {
            return constructor.newInstance(Stream.of(order).map(parts::find).toArray());
        } catch (InvocationTargetException e) {
            if (e.getCause() instanceof RuntimeException refused) {
                throw refused;
            }
            throw new IllegalStateException(e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Stream<String> names(Field<?> field) {
        return switch (field.presence()) {
            case FLAT -> ((RecordForm<?>) field.form()).names.stream();
            case NEVER -> Stream.empty();
            default -> Stream.of(field.name());
        };
    }

    @Override
    public JsonNode write(T value, Currency currency) {
        ObjectNode node = SchemaBook.NODES.objectNode();
        write(value, currency, node);
        return node;
    }

    void write(Record value, Currency currency, ObjectNode node) {
        if (silent == null || !silent.equals(value)) {
            fields.forEach(field -> write(field, part(value, field), currency, node));
        }
    }

    @SuppressWarnings("unchecked")
    private static <V> void write(Field<V> field, Object value, Currency currency, ObjectNode node) {
        boolean unsaid = value == null
                || field.presence() == Presence.NEVER
                || field.presence() == Presence.UNLESS_USUAL && value.equals(((Usual<V>) field.otherwise()).value());
        if (field.presence() == Presence.FLAT) {
            ((RecordForm<?>) field.form()).write((Record) value, currency, node);
        } else if (!unsaid) {
            node.set(field.name(), field.form().write((V) value, currency));
        }
    }

    private Object part(Record value, Field<?> field) {
        try {
            return requireNonNull(components.get(field.part())).getAccessor().invoke(value);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    ObjectNode schema(SchemaBook book) {
        return schema(book, SchemaBook.NODES.objectNode(), new ArrayList<>());
    }

    /** Returns the schema of an object with properties of its own before those of the record. */
    ObjectNode schema(SchemaBook book, ObjectNode properties, List<String> required) {
        describe(book, properties, required);
        ObjectNode node = SchemaBook.typed("object");
        if (!required.isEmpty()) {
            ArrayNode names = node.putArray("required");
            required.forEach(names::add);
        }
        return node.put("additionalProperties", false).set("properties", properties);
    }

    private void describe(SchemaBook book, ObjectNode properties, List<String> required) {
        for (Field<?> field : fields) {
            if (field.presence() == Presence.FLAT) {
                ((RecordForm<?>) field.form())
                        .describe(book, properties, silent == null ? required : new ArrayList<>());
            } else if (field.presence() != Presence.NEVER) {
                properties.set(field.name(), described(book, field));
                if (silent == null && (book.isOfWritten() ? field.isAlwaysWritten() : field.isNeeded())) {
                    required.add(field.name());
                }
            }
        }
    }

    private static <V> ObjectNode described(SchemaBook book, Field<V> field) {
        ObjectNode node = field.form().schema(book);
        if (!book.isOfWritten() && field.otherwise() instanceof Usual<V> usual && usual.value() != null) {
            node.set("default", field.form().write(usual.value(), WITHOUT_DECIMALS));
        }
        return field.words().isEmpty() ? node : node.put("description", field.words());
    }

    @Override
    boolean needed() {
        return fields.stream()
                .anyMatch(field -> field.presence() == Presence.FLAT
                        ? silent == null && field.form().needed()
                        : field.isNeeded());
    }
}

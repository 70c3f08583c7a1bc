package ebbtide.formats.document;

import ebbtide.plan.Steps;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * How values of a type stand in a document: described once, read with their places, written, and shown in the schema.
 */
public abstract class Form<T> {
    /** Returns the value at a place; null where it has left problems behind there. */
    public abstract @Nullable T read(JsonPlace place);

    /** Returns a value as it stands in a document whose amounts are in a currency. */
    public abstract JsonNode write(T value, Currency currency);

    /** Returns what the schema says of it. */
    abstract ObjectNode schema(SchemaBook book);

    /** Returns whether leaving it out is a fault; a list that is left out is empty. */
    boolean needed() {
        return true;
    }

    /** Returns the form of a list of these; absent is empty. */
    public final Form<List<T>> list() {
        return new ListForm<>(this);
    }

    /** Returns the form of values by month, under names such as 2026-03; absent is empty. */
    public final Form<SortedMap<YearMonth, T>> byMonth() {
        return new MapForm<>(this, MapForm.MONTHS);
    }

    /** Returns the form of values by day, under names such as 2026-03-01; absent is empty. */
    public final Form<SortedMap<LocalDate, T>> byDay() {
        return new MapForm<>(this, MapForm.DAYS);
    }

    /** Returns the form of values by year, under names such as 2026; absent is empty. */
    public final Form<SortedMap<Integer, T>> byYear() {
        return new MapForm<>(this, MapForm.YEARS);
    }

    /** Returns the form of values that each hold from a day until the next (rules 2.2); absent is none. */
    @SuppressWarnings({"unchecked", "rawtypes"})
    public final Form<Steps<T>> steps() {
        Form<WrittenStep<T>> step =
                (Form) RecordForm.of(WrittenStep.class, Field.always("from", Values.DATE), Field.always("value", this));
        return step.as(
                        written -> new Steps.Step<>(written.from(), written.value()),
                        held -> new WrittenStep<>(held.from(), held.value()))
                .list()
                .as(Steps::new, Steps::steps);
    }

    /** A step as a document has it: in a plan, growth begins with it. */
    record WrittenStep<T>(LocalDate from, T value) {}

    /**
     * Returns the form of what is made of these values; an argument that the making refuses becomes a problem at the
     * place.
     */
    public final <U> Form<U> as(Function<T, U> made, Function<U, T> taken) {
        return new MadeForm<>(this, made, taken);
    }

    /** Returns this form under a name of its own in the schema. */
    public final Form<T> named(String name) {
        return new NamedForm<>(this, name);
    }

    /** The form of a list. */
    private static final class ListForm<T> extends Form<List<T>> {
        private final Form<T> of;

        ListForm(Form<T> of) {
            this.of = of;
        }

        @Override
        public List<T> read(JsonPlace place) {
            return place.list(of::read);
        }

        @Override
        public JsonNode write(List<T> values, Currency currency) {
            var node = SchemaBook.NODES.arrayNode();
            values.forEach(value -> node.add(of.write(value, currency)));
            return node;
        }

        @Override
        ObjectNode schema(SchemaBook book) {
            return SchemaBook.typed("array").set("items", of.schema(book));
        }

        @Override
        boolean needed() {
            return false;
        }
    }

    /** The form of what is made of the values of another. */
    private static final class MadeForm<T, U> extends Form<U> {
        private final Form<T> of;
        private final Function<T, U> made;
        private final Function<U, T> taken;

        MadeForm(Form<T> of, Function<T, U> made, Function<U, T> taken) {
            this.of = of;
            this.made = made;
            this.taken = taken;
        }

        @Override
        public @Nullable U read(JsonPlace place) {
            int before = place.problemCount();
            T value = of.read(place);
            return value == null || place.problemCount() > before ? null : place.make(() -> made.apply(value));
        }

        @Override
        public JsonNode write(U value, Currency currency) {
            return of.write(taken.apply(value), currency);
        }

        @Override
        ObjectNode schema(SchemaBook book) {
            return of.schema(book);
        }

        @Override
        boolean needed() {
            return of.needed();
        }
    }

    /** A form with a name of its own in the schema. */
    private static final class NamedForm<T> extends Form<T> {
        private final Form<T> of;
        private final String name;

        NamedForm(Form<T> of, String name) {
            this.of = of;
            this.name = name;
        }

        @Override
        public @Nullable T read(JsonPlace place) {
            return of.read(place);
        }

        @Override
        public JsonNode write(T value, Currency currency) {
            return of.write(value, currency);
        }

        @Override
        ObjectNode schema(SchemaBook book) {
            return book.reference(name, () -> of.schema(book));
        }

        @Override
        boolean needed() {
            return of.needed();
        }
    }
}

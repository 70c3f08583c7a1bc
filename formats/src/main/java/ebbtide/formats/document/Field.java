package ebbtide.formats.document;

import java.util.Currency;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A part of a record as a document has it: under which name, in which form, and what holds where it is left out. The
 * part of the record has the field's name unless another is said.
 */
public record Field<V>(
        String name, String part, Form<V> form, Presence presence, Otherwise<V> otherwise, String words) {
    /** When a field stands in a document. */
    enum Presence {
        /** It is written always, and read whether it is there or not: the form says what its absence means. */
        ALWAYS,
        /** It is written always; left out, something else holds. */
        USUALLY,
        /** It is written where it is not what holds when it is left out. */
        UNLESS_USUAL,
        /** It is written where there is one; left out, there is none. */
        IF_ANY,
        /** The fields of the part stand among those of the record. */
        FLAT,
        /** It does not stand in the document. */
        NEVER
    }

    /** What holds where a field is left out, from its place's record and from what was read of the other parts. */
    @FunctionalInterface
    public interface Otherwise<V> {
        /** Returns what holds. */
        @Nullable
        V of(JsonPlace record, Parts parts);
    }

    /** Returns a field that is written always, and whose form says what its absence means. */
    public static <V> Field<V> always(String name, Form<V> form) {
        return new Field<>(name, name, form, Presence.ALWAYS, Usual.of(null), "");
    }

    /** Returns a field that is written always; left out, the usual value holds. */
    public static <V> Field<V> usually(String name, Form<V> form, V usual) {
        return new Field<>(name, name, form, Presence.USUALLY, Usual.of(usual), "");
    }

    /** Returns a field that is written always; left out, it follows from the rest. */
    public static <V> Field<V> following(String name, Form<V> form, Otherwise<V> otherwise) {
        return new Field<>(name, name, form, Presence.USUALLY, otherwise, "");
    }

    /** Returns a field that is written where it is not the usual value, which holds when it is left out. */
    public static <V> Field<V> unless(V usual, String name, Form<V> form) {
        return new Field<>(name, name, form, Presence.UNLESS_USUAL, Usual.of(usual), "");
    }

    /** Returns a field that is written where there is one; left out, there is none. */
    public static <V> Field<V> ifAny(String name, Form<V> form) {
        return new Field<>(name, name, form, Presence.IF_ANY, Usual.of(null), "");
    }

    /** Returns a part whose own fields stand among those of the record. */
    public static <V extends Record> Field<V> flat(String part, RecordForm<V> form) {
        return new Field<>(part, part, form, Presence.FLAT, Usual.of(null), "");
    }

    /** Returns a part that does not stand in the document, with the value it has there. */
    public static <V> Field<V> never(String part, @Nullable V value) {
        return new Field<>(part, part, new Nothing<>(), Presence.NEVER, Usual.of(value), "");
    }

    /** Returns this field for a part of another name. */
    public Field<V> of(String other) {
        return new Field<>(name, other, form, presence, otherwise, words);
    }

    /** Returns this field with what the schema says of it. */
    public Field<V> says(String what) {
        return new Field<>(name, part, form, presence, otherwise, what);
    }

    /** Returns whether it stands in what is written, whatever its value. */
    boolean isAlwaysWritten() {
        return presence == Presence.ALWAYS || presence == Presence.USUALLY;
    }

    /** Returns whether a document without it is broken. */
    boolean isNeeded() {
        return presence == Presence.ALWAYS && form.needed();
    }

    /** The form of what does not stand in a document: it is neither read nor written. */
    private static final class Nothing<V> extends Form<V> {
        @Override
        public @Nullable V read(JsonPlace place) {
            return null;
        }

        @Override
        public JsonNode write(V value, Currency currency) {
            throw new IllegalStateException("What does not stand in a document is not written");
        }

        @Override
        ObjectNode schema(SchemaBook book) {
            throw new IllegalStateException("What does not stand in a document has no schema");
        }
    }

    /** A value that holds whatever the other parts are. */
    record Usual<V>(@Nullable V value) implements Otherwise<V> {
        static <V> Usual<V> of(@Nullable V value) {
            return new Usual<>(value);
        }

        @Override
        public @Nullable V of(JsonPlace record, Parts parts) {
            return value;
        }
    }
}

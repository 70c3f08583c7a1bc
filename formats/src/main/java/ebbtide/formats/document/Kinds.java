package ebbtide.formats.document;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The form of what is one of several kinds: an object whose field {@code kind} says which, beside the fields that the
 * kind has.
 */
public final class Kinds<T> extends Form<T> {
    private static final String KIND = "kind";
    private final String sentence;
    private final String family;
    private final List<Kind> all;

    /** A kind: its word, and the form of its records. */
    public record Kind(String word, RecordForm<? extends Record> form) {
        /** Returns the type of its records. */
        public Class<? extends Record> type() {
            return form.type();
        }
    }

    /**
     * Makes the form of some kinds: what a fault's sentence begins with, "A line is of the kind", and what all their
     * names in the schema end with.
     */
    public Kinds(String sentence, String family, List<Kind> all) {
        this.sentence = sentence;
        this.family = family;
        this.all = all.stream()
                .map(kind -> new Kind(kind.word(), kind.form().beside(KIND)))
                .toList();
    }

    /** Returns the kinds, in the order in which they are named. */
    public List<Kind> all() {
        return all;
    }

    @Override
    @SuppressWarnings("unchecked")
    public @Nullable T read(JsonPlace place) {
        String word = Values.TEXT.read(place.at(KIND));
        if (word == null) {
            return null;
        }
        Optional<Kind> kind =
                all.stream().filter(one -> one.word().equals(word)).findFirst();
        if (kind.isEmpty()) {
            place.at(KIND).problem(sentence + " " + words() + ", but was '" + word + "'");
            return null;
        }
        return (T) kind.get().form().read(place);
    }

    /** Returns the kinds' words in a sentence: "group, stream or pay". */
    private String words() {
        String list = all.stream().map(Kind::word).collect(Collectors.joining(", "));
        int last = list.lastIndexOf(", ");
        return list.substring(0, last) + " or " + list.substring(last + 2);
    }

    /** Returns the kind of a value. */
    public Kind of(T value) {
        return all.stream()
                .filter(one -> one.type() == value.getClass())
                .findFirst()
                .orElseThrow();
    }

    @Override
    public JsonNode write(T value, Currency currency) {
        Kind kind = of(value);
        ObjectNode node = SchemaBook.NODES.objectNode().put(KIND, kind.word());
        kind.form().write((Record) value, currency, node);
        return node;
    }

    @Override
    ObjectNode schema(SchemaBook book) {
        ObjectNode node = SchemaBook.NODES.objectNode();
        ArrayNode each = node.putArray("oneOf");
        all.forEach(kind -> each.add(book.reference(camel(kind.word()) + family, () -> described(kind, book))));
        return node;
    }

    private static ObjectNode described(Kind kind, SchemaBook book) {
        ObjectNode properties = SchemaBook.NODES.objectNode();
        properties.set(KIND, SchemaBook.NODES.objectNode().put("const", kind.word()));
        return kind.form().schema(book, properties, new ArrayList<>(List.of(KIND)));
    }

    private static String camel(String word) {
        String[] parts = word.split("-");
        return parts[0]
                + Arrays.stream(parts)
                        .skip(1)
                        .map(part -> part.substring(0, 1).toUpperCase(Locale.ROOT) + part.substring(1))
                        .collect(Collectors.joining());
    }
}

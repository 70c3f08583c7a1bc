package ebbtide.formats.document;

import java.util.function.Supplier;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A JSON schema as it is written from forms: what is named stands in it once. It says what may be read, where much can
 * be left out and an amount may be a number, or what is written, where all stands but what there is none of.
 */
public final class SchemaBook {
    static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private final boolean written;
    private final String at;
    private final ObjectNode named = NODES.objectNode();

    private SchemaBook(boolean written, String at) {
        this.written = written;
        this.at = at;
    }

    /** Returns the schema of documents that may be read, with what is named in its {@code $defs}. */
    public static ObjectNode ofRead(Form<?> form, String title) {
        SchemaBook book = new SchemaBook(false, "#/$defs/");
        ObjectNode root = NODES.objectNode()
                .put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("title", title);
        root.setAll(form.schema(book));
        return root.set("$defs", book.named);
    }

    /**
     * Returns what is named in a form, itself among them, each under its name: as it may be read, or as it is written.
     * References begin as is said.
     */
    public static ObjectNode named(Form<?> form, boolean written, String at) {
        SchemaBook book = new SchemaBook(written, at);
        form.schema(book);
        return book.named;
    }

    /** Returns whether the schema says what is written, not what may be read. */
    boolean isOfWritten() {
        return written;
    }

    /** Returns a reference to what has a name, describing it when it is first met. */
    ObjectNode reference(String name, Supplier<ObjectNode> described) {
        if (!named.has(name)) {
            // Stands there before it is filled, so that a form that holds itself ends.
            named.putNull(name);
            named.set(name, described.get());
        }
        return NODES.objectNode().put("$ref", at + name);
    }

    static ObjectNode typed(String type) {
        return NODES.objectNode().put("type", type);
    }
}

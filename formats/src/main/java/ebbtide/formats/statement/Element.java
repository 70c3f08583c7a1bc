package ebbtide.formats.statement;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * An element of a document as a small tree: its name without namespace, the line it begins on, its text and its
 * children.
 */
record Element(String name, int line, Map<String, String> attributes, String text, List<Element> children) {

    /** Returns the first element down a path of names, null if there is none. */
    @Nullable
    Element find(String... path) {
        Element at = this;
        for (String name : path) {
            at = at == null
                    ? null
                    : at.children.stream()
                            .filter(child -> child.name.equals(name))
                            .findFirst()
                            .orElse(null);
        }
        return at;
    }

    /** Returns the first element down a path of names; refuses an element that has none, naming the path. */
    Element get(String... path) {
        Element found = find(path);
        if (found == null) {
            throw Lines.fault(line, name + " has no " + String.join("/", path));
        }
        return found;
    }

    /** Returns the text down a path of names, empty if there is none. */
    String textAt(String... path) {
        Element found = find(path);
        return found == null ? "" : found.text;
    }

    /** Returns the children of a name, in their order. */
    List<Element> all(String child) {
        return children.stream().filter(one -> one.name.equals(child)).toList();
    }
}

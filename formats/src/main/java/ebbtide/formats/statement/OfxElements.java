package ebbtide.formats.statement;

import static java.util.Objects.requireNonNull;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * The elements of an OFX document. In its first version an element that holds text is not closed, in its second every
 * one is; both are read: text after a tag makes an element of text, which its own closing tag may follow.
 */
final class OfxElements {
    private static final Pattern TAG = Pattern.compile("<(/?)([A-Z0-9.]{1,40})>([^<]*)");
    private static final int MOST_DEEP = 40;
    private final Deque<Element> open = new ArrayDeque<>();
    private @Nullable Element root;
    private @Nullable Element lastText;

    private OfxElements() {}

    /** Returns the whole document, its element OFX; refuses one that is not closed. */
    static Element read(String text) {
        int start = text.indexOf("<OFX>");
        if (start < 0 || text.substring(0, start).contains("<!")) {
            throw Lines.fault(1, "an OFX file has its header and then <OFX>, and declares no document type");
        }
        OfxElements elements = new OfxElements();
        Matcher tags = TAG.matcher(text);
        int line = 1
                + (int) text.substring(0, start).chars().filter(c -> c == '\n').count();
        int at = start;
        while (at < text.length()) {
            if (elements.root != null && elements.open.isEmpty()) {
                break;
            }
            if (!tags.find(at) || tags.start() != at) {
                throw Lines.fault(line, "the file breaks off or is damaged here: export it from the bank again");
            }
            elements.take(
                    line,
                    !tags.group(1).isEmpty(),
                    tags.group(2),
                    unescaped(tags.group(3)).strip());
            line += (int) tags.group().chars().filter(c -> c == '\n').count();
            at = tags.end();
        }
        if (!elements.open.isEmpty() || !text.substring(at).isBlank()) {
            throw Lines.fault(
                    line, "the file breaks off before </OFX>, or goes on after it: export it from the bank again");
        }
        return requireNonNull(elements.root);
    }

    private void take(int line, boolean closing, String name, String text) {
        if (closing) {
            close(line, name);
            if (!text.isEmpty()) {
                throw Lines.fault(line, "'" + text + "' stands between elements, where nothing belongs");
            }
            return;
        }
        Element element = new Element(name, line, Map.of(), text, new ArrayList<>());
        lastText = text.isEmpty() ? null : element;
        if (open.isEmpty()) {
            root = element;
        } else {
            requireNonNull(open.peek()).children().add(element);
        }
        if (text.isEmpty()) {
            open.push(element);
        }
        if (open.size() > MOST_DEEP) {
            throw Lines.fault(line, "elements lie " + MOST_DEEP + " deep, which no statement has");
        }
    }

    /**
     * An element without text that is not closed is an empty one: what followed it belongs to the element around it.
     */
    private void close(int line, String name) {
        if (lastText != null && lastText.name().equals(name)) {
            lastText = null;
            return;
        }
        lastText = null;
        if (open.stream().noneMatch(one -> one.name().equals(name))) {
            throw Lines.fault(line, "</" + name + "> closes what never began: the file is damaged");
        }
        while (!open.peek().name().equals(name)) {
            Element empty = open.pop();
            List<Element> moved = List.copyOf(empty.children());
            empty.children().clear();
            requireNonNull(open.peek()).children().addAll(moved);
        }
        open.pop();
    }

    private static String unescaped(String text) {
        return text.replace("&lt;", "<")
                .replace("&gt;", ">")
                .replace("&nbsp;", " ")
                .replace("&quot;", "\"")
                .replace("&apos;", "'")
                .replace("&amp;", "&");
    }
}

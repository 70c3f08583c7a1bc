package ebbtide.formats.statement;

import ebbtide.money.Refused;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;

/**
 * The elements of an XML document one after another, so that a long statement never stands in memory as a whole. A
 * document type, entities of its own, and nesting or texts beyond any statement's are refused.
 */
final class XmlElements {
    private static final int MOST_DEEP = 40;
    private static final int MOST_TEXT = 20_000;
    private final XMLStreamReader xml;

    XmlElements(byte[] file) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
        factory.setXMLResolver((publicId, systemId, base, namespace) -> {
            throw new XMLStreamException("a bank's statement asks for nothing from outside");
        });
        try {
            xml = factory.createXMLStreamReader(new ByteArrayInputStream(file));
        } catch (XMLStreamException e) {
            throw damaged(e);
        }
    }

    /** Returns the line that is being read. */
    int line() {
        return xml.getLocation().getLineNumber();
    }

    /** Goes on to the next element that begins inside the one that is open; false at its end, which is then closed. */
    boolean enter() {
        return next(null) == XMLStreamConstants.START_ELEMENT;
    }

    String name() {
        return xml.getLocalName();
    }

    /** Passes over the element that just began. */
    void skip() {
        for (int deep = 1; deep > 0; ) {
            int event = next(null);
            deep += event == XMLStreamConstants.START_ELEMENT ? 1 : -1;
        }
    }

    /** Returns the element that just began, with all that is in it. */
    Element whole() {
        return whole(1);
    }

    private Element whole(int deep) {
        String name = xml.getLocalName();
        int line = line();
        if (deep > MOST_DEEP) {
            throw Lines.fault(line, "elements lie " + MOST_DEEP + " deep, which no statement has");
        }
        Map<String, String> attributes = new HashMap<>();
        for (int i = 0; i < xml.getAttributeCount(); i++) {
            attributes.put(xml.getAttributeLocalName(i), xml.getAttributeValue(i));
        }
        StringBuilder text = new StringBuilder();
        List<Element> children = new ArrayList<>();
        while (next(text) == XMLStreamConstants.START_ELEMENT) {
            children.add(whole(deep + 1));
        }
        return new Element(name, line, attributes, text.toString().strip(), children);
    }

    /**
     * Returns the next beginning or end of an element; text up to there is added to {@code text} unless that is null.
     */
    private int next(@Nullable StringBuilder text) {
        try {
            while (true) {
                int event = xml.next();
                switch (event) {
                    case XMLStreamConstants.START_ELEMENT,
                            XMLStreamConstants.END_ELEMENT,
                            XMLStreamConstants.END_DOCUMENT -> {
                        return event;
                    }
                    case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> append(text);
                    case XMLStreamConstants.DTD, XMLStreamConstants.ENTITY_REFERENCE ->
                        throw Lines.fault(
                                line(),
                                "the file declares a document type or entities, which no bank's statement does: it is not read");
                    default -> {
                        // Comments, spaces and instructions say nothing of a statement.
                    }
                }
            }
        } catch (XMLStreamException e) {
            throw damaged(e);
        }
    }

    private void append(@Nullable StringBuilder text) {
        if (text == null) {
            return;
        }
        text.append(xml.getText());
        if (text.length() > MOST_TEXT) {
            throw Lines.fault(line(), "a text is longer than " + MOST_TEXT + " letters, which no statement has");
        }
    }

    private static Refused damaged(XMLStreamException e) {
        int line = e.getLocation() == null ? 1 : e.getLocation().getLineNumber();
        return Lines.fault(line, "the file breaks off or is damaged here: export it from the bank again");
    }
}

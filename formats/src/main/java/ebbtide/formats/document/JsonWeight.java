package ebbtide.formats.document;

import java.util.HashSet;
import java.util.Set;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.TokenStreamFactory;
import tools.jackson.core.json.JsonFactory;

/** How much memory a JSON text takes once it is a tree, found out without making one. */
public final class JsonWeight {
    private static final int OBJECT = 160;
    private static final int LIST = 80;
    private static final int NAME = 48;
    private static final int VALUE = 64;
    /** A number with a fraction or an exponent is kept to its last digit. */
    private static final int DECIMAL = 128;
    /** Names that return are kept once; so many different ones are looked out for. */
    private static final int NAMES_KNOWN = 100_000;

    /** Names are not kept for later texts: a hostile one has millions. */
    private static final JsonFactory FACTORY = JsonFactory.builder()
            .disable(TokenStreamFactory.Feature.CANONICALIZE_PROPERTY_NAMES)
            .build();

    private JsonWeight() {}

    /**
     * Returns about how many bytes the tree of a text takes, at most a little more than so many: it is not read
     * further.
     *
     * @throws tools.jackson.core.JacksonException where it is no JSON
     */
    public static long of(byte[] text, long most) {
        long weight = 0;
        Set<String> names = new HashSet<>();
        try (JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), text)) {
            for (JsonToken token = parser.nextToken(); token != null && weight <= most; token = parser.nextToken()) {
                weight += switch (token) {
                    case START_OBJECT -> OBJECT;
                    case START_ARRAY -> LIST;
                    case PROPERTY_NAME -> name(parser.currentName(), names);
                    case VALUE_STRING -> VALUE + parser.getStringLength();
                    case VALUE_NUMBER_FLOAT -> DECIMAL;
                    case END_OBJECT, END_ARRAY -> 0;
                    default -> VALUE;
                };
            }
        }
        return weight;
    }

    private static long name(String name, Set<String> known) {
        if (known.contains(name)) {
            return NAME;
        }
        if (known.size() < NAMES_KNOWN) {
            known.add(name);
        }
        return 3L * NAME + 2L * name.length();
    }
}

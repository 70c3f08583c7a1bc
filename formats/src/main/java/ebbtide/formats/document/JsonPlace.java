package ebbtide.formats.document;

import ebbtide.money.Decimals;
import ebbtide.money.Refused;
import ebbtide.plan.PlanProblem;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A value in a JSON document with the place it stands at, the currency that its amounts are in, and the convention that
 * holds where none is named (rules 1.5). What is wrong is added to a shared list with the place, and null comes back,
 * so that reading goes on and every problem is found at once.
 */
public final class JsonPlace {
    /** Of what was found in the place of something else. */
    private static final int MOST_SAID = 120;

    private final JsonNode node;
    private final String path;
    private final List<PlanProblem> problems;
    private final Currency currency;
    private final Convention usual;

    private JsonPlace(JsonNode node, String path, List<PlanProblem> problems, Currency currency, Convention usual) {
        this.node = node;
        this.path = path;
        this.problems = problems;
        this.currency = currency;
        this.usual = usual;
    }

    /** Returns the place of a whole document, whose problems are added to a list. */
    public static JsonPlace of(JsonNode document, Currency currency, List<PlanProblem> problems) {
        return new JsonPlace(document, "", problems, currency, Convention.FOLLOWING);
    }

    /** Returns this place with amounts in another currency. */
    public JsonPlace in(Currency other) {
        return new JsonPlace(node, path, problems, other, usual);
    }

    /** Returns this place with another convention where none is named. */
    public JsonPlace with(Convention otherwise) {
        return new JsonPlace(node, path, problems, currency, otherwise);
    }

    /** Returns this place with a field of its object in place of another, where it is one. */
    public JsonPlace with(String name, JsonNode field, String inPlaceOf) {
        if (!(node instanceof ObjectNode object)) {
            return this;
        }
        ObjectNode other = object.deepCopy();
        other.remove(inPlaceOf);
        return new JsonPlace(other.set(name, field), path, problems, currency, usual);
    }

    /** Returns this place for looking ahead: what is wrong at it is not said. */
    public JsonPlace quietly() {
        return new JsonPlace(node, path, new ArrayList<>(), currency, usual);
    }

    Currency currency() {
        return currency;
    }

    /** Returns the convention that holds where none is named. */
    public Convention usual() {
        return usual;
    }

    /** Adds a problem at this place. */
    public void problem(String sentence) {
        problems.add(new PlanProblem(path.isEmpty() ? "/" : path, sentence));
    }

    /** Adds a problem found elsewhere, which names its own place. */
    public void problemAt(PlanProblem problem) {
        problems.add(problem);
    }

    /** Returns how many problems the whole document has so far. */
    public int problemCount() {
        return problems.size();
    }

    /** Returns whether something here, or within it, is known to be wrong. */
    public boolean isFaulty() {
        return problems.stream()
                .anyMatch(problem ->
                        problem.place().equals(path) || problem.place().startsWith(path + "/"));
    }

    /** Returns whether nothing stands here; null is nothing. */
    public boolean isAbsent() {
        return node.isMissingNode() || node.isNull();
    }

    /** Returns the name of this place in what holds it. */
    String name() {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /** Returns the value of a field, absent if the document has none. */
    public JsonPlace at(String field) {
        return new JsonPlace(node.path(field), path + "/" + field, problems, currency, usual);
    }

    /** Returns what the supplier makes; an argument it refuses becomes a problem here, and null comes back. */
    public <T> @Nullable T make(Supplier<T> maker) {
        try {
            return maker.get();
        } catch (Refused e) {
            String message = String.valueOf(e.getMessage());
            problem(message.substring(0, 1).toUpperCase(Locale.ROOT) + message.substring(1));
            return null;
        }
    }

    /** Returns whether this is an object in braces, or nothing; anything else is reported. */
    boolean isObjectOrAbsent() {
        boolean fits = isAbsent() || node.isObject();
        if (!fits) {
            problem("An object in braces is expected here, but was " + shortened(node.toString()));
        }
        return fits;
    }

    /** Reports fields of this object that are not among the known ones: most often a slip of the pen. */
    void noOthers(Collection<String> known) {
        if (!isAbsent()) {
            node.propertyNames().stream().filter(name -> !known.contains(name)).forEach(name -> at(name).problem(
                            "'" + name + "' is not known here; known are " + String.join(", ", known)));
        }
    }

    @Nullable
    Boolean flag() {
        if (isAbsent() || !node.isBoolean()) {
            problem("true or false is expected here, but was " + node);
            return null;
        }
        return node.asBoolean();
    }

    /** Returns what is read from each element of a list, leaving out what could not be read; absent is empty. */
    <T> List<T> list(Function<JsonPlace, T> reader) {
        List<T> found = new ArrayList<>();
        if (isAbsent()) {
            return found;
        }
        if (!node.isArray()) {
            problem("A list in square brackets is expected here, but was " + node);
            return found;
        }
        for (int i = 0; i < node.size(); i++) {
            T one = reader.apply(new JsonPlace(node.get(i), path + "/" + i, problems, currency, usual));
            if (one != null) {
                found.add(one);
            }
        }
        return found;
    }

    /** Returns values by what their names say, leaving out what could not be read; absent is empty. */
    <K extends Comparable<? super K>, T> SortedMap<K, T> byName(
            Function<String, K> key, Function<JsonPlace, T> reader) {
        SortedMap<K, T> found = new TreeMap<>();
        if (isObjectOrAbsent() && !isAbsent()) {
            node.propertyNames().forEach(name -> {
                JsonPlace place = at(name);
                K named = place.make(() -> key.apply(name));
                T value = reader.apply(place);
                if (named != null && value != null) {
                    found.put(named, value);
                }
            });
        }
        return found;
    }

    <T> @Nullable T required(String what, Function<String, T> parser) {
        if (isAbsent()) {
            problem("Missing: " + what);
            return null;
        }
        if (node.isContainer() || node.isBoolean()) {
            problem("Expected " + what + ", but was " + shortened(node.toString()));
            return null;
        }
        return make(() -> parser.apply(node.isNumber() ? plain(node.decimalValue()) : node.asString()));
    }

    /** Returns what a text is parsed to; refuses it with the rule and the text. */
    static <T> T parse(String text, Function<String, T> parser, String rule) {
        try {
            return parser.apply(text.strip());
        } catch (DateTimeException | NumberFormatException e) {
            throw new Refused(rule + ", but was '" + shortened(text) + "'");
        }
    }

    /** Of a number that is too large nobody wants all the nils. */
    private static String plain(BigDecimal number) {
        return Decimals.isOfSize(number) ? number.toPlainString() : number.toString();
    }

    private static String shortened(String text) {
        return text.length() <= MOST_SAID ? text : text.substring(0, MOST_SAID) + "\u2026";
    }
}

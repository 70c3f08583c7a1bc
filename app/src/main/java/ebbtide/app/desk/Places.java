package ebbtide.app.desk;

import ebbtide.formats.plan.PlanReader;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The places in which two states of a thing differ, each named by the fields that lead to it; a thing that came or went
 * differs as a whole, at the empty place. In a list whose elements have a name of their own, an element is a place; any
 * other list is one, and so is an object that is of another kind than it was.
 */
record Places(Set<List<String>> all) {
    static final Places NONE = new Places(Set.of());

    /** What an element of a list is known by, the first of these that all elements have. */
    private static final List<String> NAMES = List.of("id", "key", "name", "from", "date", "on", "month");
    /** Names by which a list stands in order. */
    private static final Set<String> IN_ORDER = Set.of("from", "date", "on", "month");
    /** What says of an object which other fields it has. */
    private static final List<String> KINDS = List.of("kind", "by");

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** Returns where two states differ, null being the state of a thing that is not there. */
    static Places between(@Nullable String before, @Nullable String after) {
        Set<List<String>> all = new HashSet<>();
        if (before == null || after == null || !before.startsWith("{") || !after.startsWith("{")) {
            if (!Objects.equals(before, after)) {
                all.add(List.of());
            }
        } else {
            differing(List.of(), PlanReader.parse(before), PlanReader.parse(after), all);
        }
        return new Places(all);
    }

    Places and(Places others) {
        Set<List<String>> both = new HashSet<>(all);
        both.addAll(others.all);
        return new Places(both);
    }

    /** Returns those places that meet others. */
    Places within(Places others) {
        return new Places(all.stream()
                .filter(one -> others.all.stream().anyMatch(other -> begins(one, other)))
                .collect(Collectors.toSet()));
    }

    /** Returns whether a place of the one is, or lies within, a place of the other. */
    boolean meet(Places others) {
        return all.stream().anyMatch(one -> others.all.stream().anyMatch(other -> begins(one, other)));
    }

    private static boolean begins(List<String> one, List<String> other) {
        int shared = Math.min(one.size(), other.size());
        return one.subList(0, shared).equals(other.subList(0, shared));
    }

    private static void differing(List<String> at, JsonNode was, JsonNode is, Set<List<String>> into) {
        if (was.equals(is)) {
            return;
        }
        Map<String, JsonNode> before = parts(was, is);
        Map<String, JsonNode> after = parts(is, was);
        if (before.isEmpty() && after.isEmpty()) {
            into.add(at);
            return;
        }
        for (String part : union(before.keySet(), after.keySet())) {
            List<String> deeper = Stream.concat(at.stream(), Stream.of(part)).toList();
            JsonNode from = before.get(part);
            JsonNode to = after.get(part);
            if (from == null || to == null) {
                into.add(deeper);
            } else {
                differing(deeper, from, to, into);
            }
        }
    }

    private static Set<String> union(Set<String> some, Set<String> others) {
        Set<String> both = new TreeSet<>(some);
        both.addAll(others);
        return both;
    }

    /** Returns the parts of a value by their names; none where it is one thing beside the other. */
    private static Map<String, JsonNode> parts(JsonNode value, JsonNode other) {
        if (value instanceof ObjectNode && other instanceof ObjectNode) {
            return KINDS.stream().allMatch(kind -> Objects.equals(value.get(kind), other.get(kind)))
                    ? value.properties().stream()
                            .collect(Collectors.toMap(
                                    Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, LinkedHashMap::new))
                    : Map.of();
        }
        if (value instanceof ArrayNode list && other instanceof ArrayNode) {
            return name(value, other).map(name -> named(list, name)).orElse(Map.of());
        }
        return Map.of();
    }

    /** Returns what the elements of two lists are known by, where all have it and it tells them apart. */
    private static Optional<String> name(JsonNode list, JsonNode other) {
        return NAMES.stream()
                .filter(name -> tellsApart(list, name) && tellsApart(other, name))
                .findFirst();
    }

    private static boolean tellsApart(JsonNode list, String name) {
        Set<String> seen = new HashSet<>();
        return list.valueStream()
                .allMatch(one ->
                        one.path(name).isString() && seen.add(one.path(name).asString()));
    }

    private static Map<String, JsonNode> named(ArrayNode list, String name) {
        Map<String, JsonNode> named = new LinkedHashMap<>();
        list.forEach(one -> named.put(one.get(name).asString(), one));
        return named;
    }

    /** Returns a value with what was made of it by one hand and what by another; the two differ from it elsewhere. */
    static JsonNode merged(JsonNode was, JsonNode mine, JsonNode theirs) {
        if (mine.equals(was) || mine.equals(theirs)) {
            return theirs;
        }
        if (theirs.equals(was)) {
            return mine;
        }
        return theirs instanceof ArrayNode ? mergedList(was, mine, theirs) : mergedFields(was, mine, theirs);
    }

    private static JsonNode mergedFields(JsonNode was, JsonNode mine, JsonNode theirs) {
        ObjectNode both = NODES.objectNode();
        mergedParts(parts(was, mine), parts(mine, theirs), parts(theirs, mine)).forEach(both::set);
        return both;
    }

    private static JsonNode mergedList(JsonNode was, JsonNode mine, JsonNode theirs) {
        String name = name(mine, theirs).orElseThrow();
        List<JsonNode> both = new ArrayList<>(mergedParts(parts(was, mine), parts(mine, theirs), parts(theirs, mine))
                .values());
        if (IN_ORDER.contains(name)) {
            both.sort((one, other) ->
                    one.get(name).asString().compareTo(other.get(name).asString()));
        }
        return NODES.arrayNode().addAll(both);
    }

    private static Map<String, JsonNode> mergedParts(
            Map<String, JsonNode> was, Map<String, JsonNode> mine, Map<String, JsonNode> theirs) {
        Map<String, JsonNode> both = new LinkedHashMap<>();
        theirs.forEach((part, their) -> {
            JsonNode before = was.get(part);
            JsonNode my = mine.get(part);
            if (before == null || my != null) {
                both.put(part, before == null || my == null ? their : merged(before, my, their));
            }
        });
        mine.forEach((part, my) -> {
            if (!was.containsKey(part)) {
                both.put(part, my);
            }
        });
        return both;
    }
}

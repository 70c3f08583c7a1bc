package ebbtide.app.storage;

import ebbtide.formats.plan.PlanReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What differs between two states of a thing, place by place: made of both, it turns either into the other. A place is
 * named by the fields that lead to it ("at"), with what was there and what is; a field that is in one of the two alone
 * has its place among the others, and of a list the stretch that differs is kept.
 */
record StateChange(ArrayNode changes) {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** Returns what differs; nothing where a state is no JSON object, and is better kept as it is. */
    static Optional<StateChange> between(String before, String after) {
        if (!before.startsWith("{") || !after.startsWith("{")) {
            return Optional.empty();
        }
        StateChange change = new StateChange(NODES.arrayNode());
        change.compare(List.of(), PlanReader.parse(before), PlanReader.parse(after));
        return Optional.of(change);
    }

    private void compare(List<String> at, JsonNode was, JsonNode is) {
        if (was.equals(is)) {
            return;
        }
        if (was instanceof ObjectNode before && is instanceof ObjectNode after) {
            compareFields(at, before, after);
        } else if (was instanceof ArrayNode before && is instanceof ArrayNode after) {
            compareLists(at, before, after);
        } else {
            add(at).set("was", was).set("is", is);
        }
    }

    private ObjectNode add(List<String> at) {
        ObjectNode change = changes.addObject();
        at.forEach(change.putArray("at")::add);
        return change;
    }

    private void compareFields(List<String> at, ObjectNode before, ObjectNode after) {
        int place = 0;
        for (Map.Entry<String, JsonNode> field : before.properties()) {
            JsonNode is = after.get(field.getKey());
            if (is == null) {
                add(then(at, field.getKey())).put("place", place).set("was", field.getValue());
            } else {
                compare(then(at, field.getKey()), field.getValue(), is);
            }
            place++;
        }
        place = 0;
        for (Map.Entry<String, JsonNode> field : after.properties()) {
            if (!before.has(field.getKey())) {
                add(then(at, field.getKey())).put("place", place).set("is", field.getValue());
            }
            place++;
        }
    }

    private static List<String> then(List<String> at, String field) {
        List<String> longer = new ArrayList<>(at);
        longer.add(field);
        return longer;
    }

    private void compareLists(List<String> at, ArrayNode before, ArrayNode after) {
        int from = 0;
        int shorter = Math.min(before.size(), after.size());
        while (from < shorter && before.get(from).equals(after.get(from))) {
            from++;
        }
        int same = 0;
        while (same < shorter - from
                && before.get(before.size() - 1 - same).equals(after.get(after.size() - 1 - same))) {
            same++;
        }
        ObjectNode change = add(at).put("from", from);
        change.set("was", stretch(before, from, before.size() - same));
        change.set("is", stretch(after, from, after.size() - same));
    }

    private static ArrayNode stretch(JsonNode list, int from, int to) {
        ArrayNode some = NODES.arrayNode();
        for (int i = from; i < to; i++) {
            some.add(list.get(i));
        }
        return some;
    }

    /** Returns the state that one of the two states becomes: the later of the earlier, or, back, the earlier of it. */
    String of(String state, boolean back) {
        String from = back ? "is" : "was";
        String to = back ? "was" : "is";
        ObjectNode now = (ObjectNode) PlanReader.parse(state);
        // Fields come back in their places once those that go are gone.
        for (JsonNode change : changes) {
            if (change.has(from)) {
                take(now, change, to);
            }
        }
        for (JsonNode change : changes) {
            if (!change.has(from)) {
                insert(parent(now, change), last(change), change.get("place").asInt(), change.get(to));
            }
        }
        return now.toString();
    }

    private static void take(ObjectNode now, JsonNode change, String to) {
        ObjectNode parent = parent(now, change);
        String field = last(change);
        if (!change.has(to)) {
            parent.remove(field);
        } else if (change.has("from")) {
            ArrayNode list = (ArrayNode) parent.get(field);
            int from = change.get("from").asInt();
            int gone = change.get("was").size()
                    + change.get("is").size()
                    - change.get(to).size();
            ArrayNode spliced = stretch(list, 0, from);
            spliced.addAll((ArrayNode) change.get(to));
            spliced.addAll(stretch(list, from + gone, list.size()));
            parent.set(field, spliced);
        } else {
            parent.set(field, change.get(to));
        }
    }

    private static ObjectNode parent(ObjectNode now, JsonNode change) {
        JsonNode at = change.get("at");
        ObjectNode parent = now;
        for (int i = 0; i < at.size() - 1; i++) {
            parent = (ObjectNode) parent.get(at.get(i).asString());
        }
        return parent;
    }

    private static String last(JsonNode change) {
        JsonNode at = change.get("at");
        return at.get(at.size() - 1).asString();
    }

    private static void insert(ObjectNode object, String field, int place, JsonNode value) {
        List<Map.Entry<String, JsonNode>> fields = new ArrayList<>(object.properties());
        object.removeAll();
        fields.subList(0, Math.min(place, fields.size())).forEach(one -> object.set(one.getKey(), one.getValue()));
        object.set(field, value);
        fields.subList(Math.min(place, fields.size()), fields.size())
                .forEach(one -> object.set(one.getKey(), one.getValue()));
    }
}

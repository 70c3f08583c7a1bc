package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.app.storage.ChangeLog.Effect;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What differs between two states turns either into the other, to the letter, and is no larger than what differs. */
class StateChangeTest {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void change_ofRandomStates_turnsEitherIntoTheOther(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 1000; i++) {
            ObjectNode before = object(random, 4);
            String was = before.toString();
            String is = altered(random, before).toString();
            StateChange change = StateChange.between(was, is).orElseThrow();
            assertThat(change.of(was, false)).isEqualTo(is);
            assertThat(change.of(is, true)).isEqualTo(was);
            assertThat(change.changes().isEmpty()).isEqualTo(was.equals(is));
        }
    }

    @Test
    void logged_changeOfOneFieldOfALargeState_isThatFieldAlone() {
        ObjectNode line = NODES.objectNode();
        ArrayNode overrides = line.putObject("line").putArray("overrides");
        for (int i = 0; i < 500; i++) {
            overrides.addObject().put("from", "2026-01-" + i).put("amount", i);
        }
        String before = line.toString();
        ((ObjectNode) overrides.get(250)).put("amount", -1);
        ArrayNode log = NODES.arrayNode();
        LoggedEffect.of(new Effect(UndoableStore.Kind.LINE, "x", before, line.toString()))
                .write(log);
        assertThat(log.get(0).get("changes").toString()).isEqualTo("""
            [{"at":["line","overrides"],"from":250,\
            "was":[{"from":"2026-01-250","amount":250}],"is":[{"from":"2026-01-250","amount":-1}]}]""");
    }

    /** Notes are what somebody typed, which may look like anything; logs of before hold both states. */
    @Test
    void logged_wordsAndLogsOfBefore_areTakenAsTheyStand() {
        Effect note = new Effect(UndoableStore.Kind.NOTE, "n", "{ about the harbour", "{\"a\":1}");
        assertThat(readBack(note).on(note.after(), true).after()).isEqualTo(note.before());
        JsonNode old = new JsonMapper().readTree("""
            {"kind":"LINE","id":"x","before":"{\\"a\\":1}","after":"{\\"a\\":2}"}""");
        LoggedEffect read = LoggedEffect.read(old);
        assertThat(read.begins()).isFalse();
        assertThat(read.on("{\"a\":2}", true).after()).isEqualTo("{\"a\":1}");
        assertThat(read.on("{\"a\":1}", false).after()).isEqualTo("{\"a\":2}");
        assertThat(readBack(new Effect(UndoableStore.Kind.LINE, "x", null, "{}"))
                        .begins())
                .isTrue();
    }

    private static LoggedEffect readBack(Effect effect) {
        ArrayNode log = NODES.arrayNode();
        LoggedEffect.of(effect).write(log);
        return LoggedEffect.read(new JsonMapper().readTree(log.toString()).get(0));
    }

    private static ObjectNode object(Random random, int depth) {
        ObjectNode object = NODES.objectNode();
        for (int i = random.nextInt(5); i > 0; i--) {
            object.set("f" + random.nextInt(9), value(random, depth - 1));
        }
        return object;
    }

    private static JsonNode value(Random random, int depth) {
        return switch (depth > 0 ? random.nextInt(6) : random.nextInt(4)) {
            case 0 -> NODES.numberNode(random.nextInt(3));
            case 1 -> NODES.stringNode("0." + random.nextInt(3) + "0");
            case 2 -> NODES.nullNode();
            case 3 -> NODES.booleanNode(random.nextBoolean());
            case 4 -> object(random, depth);
            default -> {
                ArrayNode list = NODES.arrayNode();
                for (int i = random.nextInt(6); i > 0; i--) {
                    list.add(value(random, depth - 1));
                }
                yield list;
            }
        };
    }

    /** Fields that stay keep their order, as what is written by one program does. */
    private static JsonNode altered(Random random, JsonNode was) {
        if (was instanceof ObjectNode object) {
            List<Map.Entry<String, JsonNode>> fields = new ArrayList<>(object.properties());
            fields.removeIf(field -> random.nextInt(4) == 0);
            for (int i = random.nextInt(3); i > 0; i--) {
                String name = "f" + random.nextInt(20);
                if (!object.has(name)) {
                    fields.add(random.nextInt(fields.size() + 1), Map.entry(name, value(random, 2)));
                }
            }
            ObjectNode other = NODES.objectNode();
            fields.forEach(field -> other.set(field.getKey(), altered(random, field.getValue())));
            return other;
        }
        if (was instanceof ArrayNode list) {
            List<JsonNode> some = new ArrayList<>();
            list.forEach(one -> some.add(random.nextInt(3) == 0 ? value(random, 2) : one));
            Collections.rotate(some, random.nextInt(3) == 0 ? 1 : 0);
            if (random.nextBoolean()) {
                some.add(random.nextInt(some.size() + 1), value(random, 2));
            }
            return NODES.arrayNode().addAll(some);
        }
        return random.nextInt(3) == 0 ? value(random, 2) : was;
    }
}

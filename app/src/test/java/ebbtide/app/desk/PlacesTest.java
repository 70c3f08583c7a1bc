package ebbtide.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.formats.plan.PlanReader;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Where two states of a thing differ, and what two hands that changed it elsewhere leave together. */
class PlacesTest {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    static LongStream seeds() {
        return LongStream.range(0, 400);
    }

    /** Whatever two hands change apart from each other, both hold in what is made of the two, and nothing else. */
    @ParameterizedTest
    @MethodSource("seeds")
    void changes_thatDoNotMeet_bothHold_andThoseThatDoAreSeenFromEitherSide(long seed) {
        Random random = new Random(seed);
        ObjectNode was = object(random, 3);
        ObjectNode mine = was.deepCopy();
        ObjectNode theirs = was.deepCopy();
        for (int i = 0; i <= random.nextInt(3); i++) {
            change(mine, random);
            change(theirs, random);
        }
        Places my = between(was, mine);
        Places their = between(was, theirs);
        assertThat(my.all().isEmpty()).isEqualTo(was.equals(mine));
        assertThat(my.meet(their)).isEqualTo(their.meet(my));
        if (!my.meet(their)) {
            JsonNode both = Places.merged(was, mine, theirs);
            assertThat(between(theirs, both)).isEqualTo(my);
            assertThat(between(mine, both)).isEqualTo(their);
            assertThat(between(both, Places.merged(was, theirs, mine)).all())
                    .as("whoever comes first")
                    .isEmpty();
        }
    }

    private static Places between(JsonNode one, JsonNode other) {
        return Places.between(one.toString(), other.toString());
    }

    private static ObjectNode object(Random random, int depth) {
        ObjectNode object = NODES.objectNode();
        for (int i = 0; i < 4; i++) {
            int kind = random.nextInt(depth > 0 ? 4 : 1);
            object.set(
                    "f" + i,
                    kind == 1
                            ? object(random, depth - 1)
                            : kind == 2 ? list(random) : NODES.stringNode("v" + random.nextInt(9)));
        }
        return object;
    }

    private static ArrayNode list(Random random) {
        ArrayNode list = NODES.arrayNode();
        for (int i = 0; i < random.nextInt(5); i++) {
            list.addObject().put("from", "2026-0" + (1 + 2 * i) + "-01").put("value", random.nextInt(9));
        }
        return list;
    }

    /** Changes something somewhere: a field, or an element of a list that comes, goes or is another. */
    private static void change(ObjectNode object, Random random) {
        String field = "f" + random.nextInt(4);
        JsonNode at = object.path(field);
        if (at instanceof ObjectNode deeper && random.nextInt(4) > 0) {
            change(deeper, random);
        } else if (at instanceof ArrayNode list && random.nextInt(4) > 0) {
            change(object, field, list, random);
        } else if (random.nextInt(4) == 0) {
            object.remove(field);
        } else {
            object.put(field, "w" + random.nextInt(99));
        }
    }

    private static void change(ObjectNode object, String field, ArrayNode list, Random random) {
        String from = "2026-0" + (1 + random.nextInt(9)) + "-01";
        ArrayNode other = NODES.arrayNode();
        list.valueStream()
                .filter(one -> !one.get("from").asString().equals(from) || random.nextBoolean())
                .forEach(other::add);
        boolean there =
                other.valueStream().anyMatch(one -> one.get("from").asString().equals(from));
        if (!there && random.nextInt(3) > 0) {
            int place = (int) other.valueStream()
                    .filter(one -> one.get("from").asString().compareTo(from) < 0)
                    .count();
            other.insert(place, NODES.objectNode().put("from", from).put("value", random.nextInt(99)));
        }
        object.set(field, other);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"a\":1,\"b\":2} | {\"a\":9,\"b\":2} | {\"a\":1,\"b\":8} | false",
                "{\"a\":1} | {\"a\":9} | {\"a\":9} | true",
                "{\"a\":{\"b\":1,\"c\":1}} | {} | {\"a\":{\"b\":2,\"c\":1}} | true",
                "{\"m\":{\"kind\":\"fixed\",\"x\":1}} | {\"m\":{\"kind\":\"typed\",\"y\":1}} | {\"m\":{\"kind\":\"fixed\",\"x\":1,\"z\":1}} | true",
                "{\"l\":[1,2]} | {\"l\":[1,3]} | {\"l\":[0,2]} | true",
                "{\"l\":[{\"id\":\"a\",\"v\":1}]} | {\"l\":[{\"id\":\"a\",\"v\":2}]} | {\"l\":[{\"id\":\"a\",\"v\":1},{\"id\":\"b\",\"v\":1}]} | false",
                "{\"l\":[{\"id\":\"a\",\"v\":1,\"w\":1}]} | {\"l\":[]} | {\"l\":[{\"id\":\"a\",\"v\":1,\"w\":2}]} | true",
            })
    void places_ofTwoHands_meetWhereBothChangeTheSame(String was, String mine, String theirs, boolean meet) {
        assertThat(Places.between(was, mine).meet(Places.between(was, theirs))).isEqualTo(meet);
    }

    @Test
    void steps_addedByTwoHands_standInTheirOrder() {
        assertThat(Places.merged(
                                PlanReader.parse("[{\"from\":\"2026-01-01\"},{\"from\":\"2026-07-01\"}]"),
                                PlanReader.parse(
                                        "[{\"from\":\"2026-01-01\"},{\"from\":\"2026-05-01\"},{\"from\":\"2026-07-01\"}]"),
                                PlanReader.parse(
                                        "[{\"from\":\"2026-01-01\"},{\"from\":\"2026-03-01\"},{\"from\":\"2026-07-01\"}]"))
                        .toString())
                .isEqualTo(
                        "[{\"from\":\"2026-01-01\"},{\"from\":\"2026-03-01\"},{\"from\":\"2026-05-01\"},{\"from\":\"2026-07-01\"}]");
    }

    @Test
    void thing_thatComesOrGoes_differsAsAWhole() {
        assertThat(Places.between(null, "{\"a\":1}").meet(Places.between("{\"a\":1}", "{\"a\":2}")))
                .isTrue();
        assertThat(Places.between("active", null).all()).hasSize(1);
        assertThat(Places.between(null, null)).isEqualTo(Places.NONE);
    }
}

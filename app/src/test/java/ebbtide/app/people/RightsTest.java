package ebbtide.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import ebbtide.app.Ebbtide;
import ebbtide.app.access.HandOfRequest;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.storage.MemberStore;
import ebbtide.app.storage.MemberStore.Member;
import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.formats.plan.PlanReader;
import jakarta.servlet.http.Cookie;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every endpoint of the api's description is asked by each who may come: whom it answers stands in a table, from which
 * none may be missing.
 */
@SpringBootTest(
        classes = Ebbtide.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:rights;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=4",
            "ebbtide.people=true"
        })
@AutoConfigureMockMvc
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class RightsTest {
    /** Who may come, each with what those before it have, but for the last two: they are in no plan. */
    private enum Comer {
        NOBODY,
        GUEST,
        ONLOOKER,
        VIEWER,
        COMMENTER,
        EDITOR,
        OWNER,
        STRANGER,
        STEWARD
    }

    /** By the word that the table says: all whom an endpoint answers. */
    private static final Map<String, Set<Comer>> ANSWERED = Map.of(
            "anybody", EnumSet.allOf(Comer.class),
            "onlooker", EnumSet.range(Comer.GUEST, Comer.OWNER),
            "member", EnumSet.range(Comer.ONLOOKER, Comer.OWNER),
            "viewer", EnumSet.range(Comer.VIEWER, Comer.OWNER),
            "commenter", EnumSet.range(Comer.COMMENTER, Comer.OWNER),
            "editor", EnumSet.range(Comer.EDITOR, Comer.OWNER),
            "owner", EnumSet.of(Comer.OWNER),
            "known", EnumSet.complementOf(EnumSet.of(Comer.NOBODY)),
            "person", EnumSet.complementOf(EnumSet.of(Comer.NOBODY, Comer.GUEST)),
            "steward", EnumSet.of(Comer.STEWARD));

    @Autowired
    private MockMvc mvc;

    @Autowired
    private WholePlans whole;

    @Autowired
    private PersonStore people;

    @Autowired
    private MemberStore members;

    @Autowired
    private SignIns signIns;

    @Autowired
    private ViewerLinks links;

    private final Map<Comer, Person> persons = new EnumMap<>(Comer.class);

    @BeforeAll
    void makePeople() {
        for (Comer one : EnumSet.range(Comer.ONLOOKER, Comer.STEWARD)) {
            String name = one.name().toLowerCase(Locale.ROOT);
            Person person = new Person(name, name, name + "@example.org", "none", one == Comer.STEWARD, false, null, 0);
            people.add(person);
            persons.put(one, person);
        }
    }

    /** A small one: who may do what does not hang on what it holds. */
    private String makePlan() throws IOException {
        String plan = whole.add(PlanReader.read(Files.newInputStream(Path.of("../docs/examples/pattern.json"))));
        for (Comer one : EnumSet.range(Comer.ONLOOKER, Comer.OWNER)) {
            members.put(new Member(plan, persons.get(one).id(), one.name()));
        }
        return plan;
    }

    /** What shows who asks; signed in anew, as a request may have signed out, or shut the person out. */
    private @Nullable Cookie cookie(Comer comer, String plan) {
        Person person = persons.get(comer);
        if (person != null) {
            people.putStanding(person.id(), person.steward(), false);
            return new Cookie(HandOfRequest.SIGN_IN, signIns.begin(person, new SignIns.From("10.0.0.1", "a test")));
        }
        return comer == Comer.GUEST ? new Cookie(HandOfRequest.LINK, links.make(plan, "", 1)) : null;
    }

    private static Map<String, String> table() throws Exception {
        return Files.readAllLines(Path.of("src/test/resources/rights.txt")).stream()
                .filter(line -> !line.isBlank() && !line.startsWith("#"))
                .collect(Collectors.toMap(
                        line -> line.substring(0, line.lastIndexOf(' ')).strip(),
                        line -> line.substring(line.lastIndexOf(' ') + 1),
                        (one, other) -> {
                            throw new IllegalStateException("twice in the table: " + one + ", " + other);
                        },
                        TreeMap::new));
    }

    @Test
    void everyEndpoint_answersThoseItIsFor_andNobodyElse() throws Exception {
        Map<String, String> table = table();
        JsonNode paths =
                new JsonMapper().readTree(Path.of("../web/api.json").toFile()).get("paths");
        Set<String> endpoints = new TreeSet<>();
        List<String> wrong = new ArrayList<>();
        String read = makePlan();
        for (Map.Entry<String, JsonNode> path : paths.properties()) {
            for (Map.Entry<String, JsonNode> operation : path.getValue().properties()) {
                String endpoint = operation.getKey().toUpperCase(Locale.ROOT) + " " + path.getKey();
                endpoints.add(endpoint);
                Set<Comer> answered = ANSWERED.get(table.getOrDefault(endpoint, ""));
                if (answered == null) {
                    wrong.add(endpoint + " has no row in the table");
                    continue;
                }
                String plan = operation.getKey().equals("get") ? read : makePlan();
                for (Comer comer : Comer.values()) {
                    MockHttpServletResponse response =
                            ask(operation.getKey(), path.getKey(), plan, comer, operation.getValue());
                    if (isAnswered(response) != answered.contains(comer)) {
                        wrong.add(endpoint + " " + comer + ": " + response.getStatus() + " "
                                + response.getContentAsString());
                    }
                }
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(table.keySet()).isEqualTo(endpoints);
    }

    /** A fault or a refusal of what was sent is an answer too: who asked was let in. */
    private static boolean isAnswered(MockHttpServletResponse response) throws Exception {
        return response.getStatus() != 401
                && response.getStatus() != 403
                && !response.getContentAsString().contains("There is no plan '");
    }

    private MockHttpServletResponse ask(String method, String path, String plan, Comer comer, JsonNode operation)
            throws Exception {
        String type = operation.path("requestBody").path("content").properties().stream()
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse("");
        HttpMethod verb = HttpMethod.valueOf(method.toUpperCase(Locale.ROOT));
        URI address = URI.create(path.replace("{plan}", plan).replaceAll("\\{\\w+}", "1"));
        AbstractMockHttpServletRequestBuilder<?> request = type.startsWith("multipart")
                ? MockMvcRequestBuilders.multipart(verb, address).file("file", new byte[] {1})
                : MockMvcRequestBuilders.request(verb, address);
        request.with(csrf());
        Cookie cookie = cookie(comer, plan);
        if (cookie != null) {
            request.cookie(cookie);
        }
        operation.path("parameters").forEach(one -> {
            if (one.get("in").asString().equals("query") && one.path("required").asBoolean(false)) {
                request.queryParam(one.get("name").asString(), "1");
            }
        });
        if (operation.has("requestBody") && !type.startsWith("multipart")) {
            request.contentType(MediaType.APPLICATION_JSON).content("{}");
        }
        return mvc.perform(request).andReturn().getResponse();
    }
}

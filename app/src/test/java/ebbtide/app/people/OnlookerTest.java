package ebbtide.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.Everywhere;
import ebbtide.app.Ebbtide;
import ebbtide.app.access.HandOfRequest;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.storage.MemberStore;
import ebbtide.app.storage.MemberStore.Member;
import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.formats.plan.PlanReader;
import jakarta.servlet.http.Cookie;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Whoever looks on, as by a link, finds what each is paid nowhere, whatever they ask for; the sums they see. */
@SpringBootTest(
        classes = Ebbtide.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:onlooker;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=4",
            "ebbtide.people=true"
        })
@AutoConfigureMockMvc
class OnlookerTest {
    private static final JsonMapper JSON = new JsonMapper();
    /**
     * Roles and what they are paid: a year, in pounds and pence, with a comma or without; a month, two times a month.
     */
    private static final List<String> SECRETS =
            List.of("Qzdrivers", "Qzoffice", "24681.35", "24,681", "2468135", "205678", "25792.46", "25,792", "214937");

    private static final List<String> STATEMENTS = List.of("income", "balance", "cash-direct", "cash-indirect");
    private static final List<String> ROLL_FORWARDS = List.of("pay-owed", "payables", "prepaid", "profit-tax");

    @Autowired
    private MockMvc mvc;

    @Autowired
    private WholePlans whole;

    @Autowired
    private ViewerLinks links;

    @Autowired
    private PersonStore people;

    @Autowired
    private MemberStore members;

    @Autowired
    private SignIns signIns;

    private String plan;
    private Cookie link;
    private Cookie owner;
    private final Set<String> found = new TreeSet<>();

    @BeforeEach
    void makePlan() throws Exception {
        String file = Files.readString(Path.of("../docs/examples/every-kind.json"))
                .replace("Drivers", "Qzdrivers")
                .replace("Office", "Qzoffice")
                .replace("\"24000\"", "\"24681.35\"");
        plan = whole.add(PlanReader.read(new ByteArrayInputStream(file.getBytes(StandardCharsets.UTF_8))));
        Person ada = new Person("ada", "Ada", "ada@example.org", "none", false, false, null, 0);
        people.add(ada);
        members.put(new Member(plan, ada.id(), Role.OWNER.name()));
        owner = new Cookie(HandOfRequest.SIGN_IN, signIns.begin(ada, new SignIns.From("10.0.0.1", "a test")));
        link = new Cookie(HandOfRequest.LINK, links.make(plan, "", 1));
        // A snapshot, then a rise that the log and the scenario say in words.
        own(post(path("/snapshots?version=1")).content("{\"name\":\"before\",\"note\":\"\"}"));
        ObjectNode pay =
                (ObjectNode) JSON.readTree(own(get(path("/lines/pay")))).get("line");
        String raised = pay.toString().replace("24681.35", "25792.46");
        assertThat(raised).contains("25792.46");
        own(put(path("/lines/pay?version=2&words=a rise")).content(raised));
    }

    private String path(String rest) {
        return "/api/plans/" + plan + rest;
    }

    private String own(MockHttpServletRequestBuilder request) throws Exception {
        MockHttpServletResponse answer = mvc.perform(
                        request.with(csrf()).cookie(owner).contentType(MediaType.APPLICATION_JSON))
                .andReturn()
                .getResponse();
        String said = answer.getContentAsString(StandardCharsets.UTF_8);
        assertThat(answer.getStatus()).as(said).isEqualTo(200);
        return said;
    }

    /** Asks for something, as whoever has the link, or as its owner; returns where a secret stands in it. */
    private Set<String> asked(String address, boolean onlooker) throws Exception {
        MockHttpServletRequestBuilder request = get(URI.create(address.replace(" ", "%20")));
        request.cookie(onlooker ? link : owner);
        String said = mvc.perform(request).andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8);
        Set<String> in = new TreeSet<>();
        for (String secret : SECRETS) {
            if (said.contains(secret)) {
                in.add(secret + " in " + address.replace(plan, "{plan}"));
            }
        }
        return in;
    }

    private List<String> addresses() throws Exception {
        Set<String> ids = new TreeSet<>(List.of("pay", "closing", "opening", "net", "receipts", "payments"));
        String range = "from=2026-03-01&to=2026-12-31";
        for (String table : List.of("/forecast?by=MONTH&", "/funding?by=MONTH&", "/roll-forwards?by=MONTH&")) {
            ids(JSON.readTree(own(get(path(table + range)))), ids);
        }
        for (String kind : STATEMENTS) {
            ids(JSON.readTree(own(get(path("/statements?by=MONTH&kind=" + kind + "&" + range)))), ids);
        }
        String snapshot =
                JSON.readTree(own(get(path("/snapshots")))).get(0).get("id").asString();
        List<String> all = new ArrayList<>();
        for (String id : ids) {
            String row = "row=" + id + "&from=2026-04-01&to=2026-04-30";
            all.addAll(List.of(path("/workings?" + row), path("/funding/workings?" + row)));
            STATEMENTS.forEach(kind -> all.add(path("/statements/workings?kind=" + kind + "&" + row)));
            for (String kind : ROLL_FORWARDS) {
                all.add(path("/roll-forwards/workings?kind=" + kind + "&" + row));
                all.add(path("/roll-forwards/workings?kind=" + kind + "&line=pay&" + row));
            }
        }
        for (String shape : List.of("wide", "long")) {
            all.add(path("/forecast.csv?by=MONTH&shape=" + shape + "&" + range));
        }
        for (String way : List.of("WEEK", "MONTH", "TO_DATE")) {
            all.add(path("/snapshots/" + snapshot + "/variance/pay?from=2026-03-01&by=" + way));
            all.add(path("/snapshots/" + snapshot + "/variance?by=" + way));
        }
        JsonNode paths = JSON.readTree(Path.of("../web/api.json").toFile()).get("paths");
        for (Map.Entry<String, JsonNode> one : paths.properties()) {
            if (one.getKey().startsWith("/api/plans/{plan}") && one.getValue().has("get")) {
                all.add(filled(one.getKey(), one.getValue().get("get"), snapshot));
            }
        }
        return all;
    }

    private static void ids(JsonNode node, Set<String> into) {
        if (node.isObject() && node.path("id").isString()) {
            into.add(node.get("id").asString());
        }
        node.forEach(part -> ids(part, into));
    }

    /** An address with something that has sense for each of its parts. */
    private String filled(String template, JsonNode operation, String snapshot) {
        UnaryOperator<String> sense = name -> switch (name) {
            case "plan" -> plan;
            case "id" -> template.contains("/snapshots/") ? snapshot : "pay";
            case "line", "row", "of" -> "pay";
            case "from" -> "2026-03-01";
            case "to" -> "2026-12-31";
            case "kind" -> "income";
            case "direction" -> "PAYMENT";
            case "futures" -> "base";
            default -> "1";
        };
        String address = template;
        List<String> query = new ArrayList<>();
        for (JsonNode parameter : operation.path("parameters")) {
            String name = parameter.get("name").asString();
            JsonNode among = parameter.get("schema").path("enum");
            String value = among.isEmpty() ? sense.apply(name) : among.get(0).asString();
            if (parameter.get("in").asString().equals("path")) {
                address = address.replace("{" + name + "}", value);
            } else if (parameter.path("required").asBoolean(false)) {
                query.add(name + "=" + value);
            }
        }
        return address + (query.isEmpty() ? "" : "?" + String.join("&", query));
    }

    @Test
    @Everywhere
    void pay_isSeenInSums_andNowhereByWhatEachIsPaid() throws Exception {
        Set<String> toOthers = new TreeSet<>();
        for (String address : addresses()) {
            toOthers.addAll(asked(address, false));
            found.addAll(asked(address, true));
        }
        assertThat(found).isEmpty();
        assertThat(toOthers).as("where a viewer sees it").hasSizeGreaterThan(20);
        String forecast = mvc.perform(get(path("/forecast?by=MONTH&from=2026-03-01&to=2026-12-31"))
                        .cookie(link))
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
        assertThat(forecast).isEqualTo(own(get(path("/forecast?by=MONTH&from=2026-03-01&to=2026-12-31"))));
        assertThat(forecast).contains("\"pay\"");
        String refused = mvc.perform(get(path("/lines/pay")).cookie(link))
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
        assertThat(refused).contains("whoever looks on sees pay in sums alone");
    }
}

package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import ebbtide.Everywhere;
import ebbtide.app.InMemory;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.storage.PlanStore;
import ebbtide.sim.DemoCompany;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Whatever is asked of any endpoint of the api's description, with ids, days, numbers and bodies out of all sense: it
 * is answered or refused in words, and never a fault of the program.
 */
@InMemory
@Order(1)
class SenselessRequestsTest {
    private static final List<String> BODIES = List.of(
            "",
            "null",
            "[]",
            "{}",
            "{\"a\":",
            "[null]",
            "7",
            "\"x\"",
            "[[[[]]]]",
            "{\"id\":1e1000000000,\"amount\":1e1000000000,\"lines\":1e-999999999,\"name\":1e1000000000}",
            "{\"name\":\"" + "x".repeat(200_000) + "\",\"note\":\"" + "x".repeat(200_000) + "\"}");

    @Autowired
    private MockMvc mvc;

    @Autowired
    private WholePlans whole;

    @Autowired
    private PlanStore plans;

    private final List<String> faults = new ArrayList<>();

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private static List<String> senseless(JsonNode parameter) {
        JsonNode schema = parameter.get("schema");
        return switch (schema.path("type").asString("") + " "
                + schema.path("format").asString("")) {
            case "integer int32" -> List.of("-1", "0", "2147483647", "-2147483648", "99999999999", "x", "");
            case "integer int64" -> List.of("-1", "9223372036854775807", "99999999999999999999", "x", "");
            case "string date" ->
                List.of("0001-01-01", "9999-12-31", "2026-02-30", "+999999999-12-31", "-999999999-01-01", "x", "");
            case "boolean " -> List.of("maybe", "");
            default ->
                List.of(
                        "",
                        "x",
                        "null",
                        "'; drop table plan",
                        "\u0000",
                        "\ud83d\ude80",
                        "1e1000000000",
                        "x".repeat(9_000));
        };
    }

    /** Something that has sense where it can, so that what is senseless beside it is reached. */
    private static String sensible(String plan, JsonNode parameter) {
        JsonNode schema = parameter.get("schema");
        if (schema.has("enum")) {
            return schema.get("enum").get(0).asString();
        }
        return switch (parameter.get("name").asString()) {
            case "plan" -> plan;
            case "from" -> "2026-03-02";
            case "to" -> "2026-06-30";
            case "version" -> "1";
            case "id", "line" -> "shop";
            default ->
                switch (schema.path("type").asString("") + " "
                        + schema.path("format").asString("")) {
                    case "integer int32", "integer int64" -> "1";
                    case "string date" -> "2026-04-01";
                    case "boolean " -> "true";
                    default -> "shop";
                };
        };
    }

    @Test
    @Everywhere
    void everyEndpoint_askedWithoutSense_isNeverAFault() throws Exception {
        JsonNode paths =
                new JsonMapper().readTree(Path.of("../web/api.json").toFile()).get("paths");
        int asked = 0;
        String plan = whole.add(DemoCompany.document());
        for (Map.Entry<String, JsonNode> path : paths.properties()) {
            for (Map.Entry<String, JsonNode> operation : path.getValue().properties()) {
                if (!isUntouched(plan)) {
                    // What one takes out of a plan is not missed by the next.
                    plan = whole.add(DemoCompany.document());
                }
                asked += ask(plan, path.getKey(), operation.getKey(), operation.getValue());
            }
        }
        assertThat(faults).isEmpty();
        assertThat(asked).isGreaterThan(2_000);
    }

    private boolean isUntouched(String plan) {
        return plans.isThere(plan) && plans.version(plan) == 1;
    }

    private int ask(String plan, String path, String method, JsonNode operation) throws Exception {
        List<JsonNode> parameters = new ArrayList<>();
        operation.path("parameters").forEach(parameters::add);
        Map<String, String> usual = new LinkedHashMap<>();
        parameters.forEach(one -> usual.put(one.get("name").asString(), sensible(plan, one)));
        boolean withBody = operation.has("requestBody");
        int asked = 0;
        for (JsonNode parameter : parameters) {
            String name = parameter.get("name").asString();
            for (String value : senseless(parameter)) {
                if (parameter.get("in").asString().equals("path") && value.isEmpty()) {
                    continue;
                }
                Map<String, String> one = new LinkedHashMap<>(usual);
                one.put(name, value);
                send(method, path, parameters, one, withBody ? "{}" : null);
                asked++;
            }
        }
        for (String body : withBody ? BODIES : List.<String>of()) {
            send(method, path, parameters, usual, body);
            asked++;
        }
        return asked;
    }

    private void send(String method, String path, List<JsonNode> parameters, Map<String, String> values, String body)
            throws Exception {
        String filled = path;
        for (JsonNode one : parameters) {
            if (one.get("in").asString().equals("path")) {
                String name = one.get("name").asString();
                filled = filled.replace("{" + name + "}", encoded(values.get(name)));
            }
        }
        String query = parameters.stream()
                .filter(one -> one.get("in").asString().equals("query"))
                .map(one -> one.get("name").asString())
                .map(name -> name + "=" + encoded(values.get(name)))
                .collect(Collectors.joining("&"));
        URI address = URI.create(filled + (query.isEmpty() ? "" : "?" + query));
        String said = method + " " + (address + " " + body);
        said = said.substring(0, Math.min(300, said.length()));
        try {
            int status = status(HttpMethod.valueOf(method.toUpperCase(Locale.ROOT)), address, body);
            if (status >= 500) {
                faults.add(status + " " + said);
            }
        } catch (Exception e) {
            faults.add(e + " " + said);
        }
    }

    private int status(HttpMethod method, URI address, String body) throws Exception {
        boolean files = address.getPath().matches(".*/(bank-files|budget|look|item-lists/take|opening/read)");
        if (files && body != null) {
            return status(multipart(method, address)
                    .file(new MockMultipartFile("file", "f.csv", "text/csv", body.getBytes(StandardCharsets.UTF_8))));
        }
        return body == null
                ? status(request(method, address))
                : status(request(method, address)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body));
    }

    private <B extends AbstractMockHttpServletRequestBuilder<B>> int status(B request) throws Exception {
        return mvc.perform(request.with(csrf())).andReturn().getResponse().getStatus();
    }
}

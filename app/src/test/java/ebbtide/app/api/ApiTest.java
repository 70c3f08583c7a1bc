package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.WholePlans;
import ebbtide.sim.DemoCompany;
import ebbtide.sim.DemoFiles;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import tools.jackson.core.PrettyPrinter;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.core.util.Separators;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The api as the web meets it: what it answers, what it refuses and in which words. */
@InMemory
class ApiTest {
    private static final JsonMapper JSON = new JsonMapper();
    private static final DefaultIndenter INDENT = new DefaultIndenter(" ", "\n");
    private static final PrettyPrinter INDENTED = new DefaultPrettyPrinter(Separators.createDefaultInstance()
                    .withObjectNameValueSpacing(Separators.Spacing.AFTER)
                    .withObjectEmptySeparator("")
                    .withArrayEmptySeparator(""))
            .withObjectIndenter(INDENT)
            .withArrayIndenter(INDENT);

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Edits edits;

    @Autowired
    private WholePlans whole;

    private String plan;

    @BeforeEach
    void addDemo() {
        plan = whole.add(DemoCompany.document());
    }

    private <B extends AbstractMockHttpServletRequestBuilder<B>> MockHttpServletResponse send(B request)
            throws Exception {
        return mvc.perform(request.with(csrf())).andReturn().getResponse();
    }

    private JsonNode json(MockHttpServletResponse response) throws Exception {
        return JSON.readTree(response.getContentAsString(StandardCharsets.UTF_8));
    }

    private JsonNode get200(String path) throws Exception {
        MockHttpServletResponse response = send(get("/api/plans/" + plan + path));
        assertThat(response.getStatus()).as(path).isEqualTo(200);
        return json(response);
    }

    private MockHttpServletRequestBuilder putJson(String path, Object body) {
        return put("/api/plans/" + plan + path)
                .contentType(MediaType.APPLICATION_JSON)
                .content(body.toString());
    }

    @Test
    void description_isTheOneTheWebsTypesAreMadeOf() throws Exception {
        Path file = Path.of("../web/api.json");
        JsonNode now = json(send(get("/api/description")));
        if (Boolean.getBoolean("api.write")) {
            Files.writeString(file, JSON.writer().with(INDENTED).writeValueAsString(now));
        }
        assertThat(now)
                .as("web/api.json is out of date: run the tests of app once with -Dapi.write=true")
                .isEqualTo(JSON.readTree(Files.readString(file)));
    }

    @Test
    void change_withoutTheTokenOrUnderAForeignName_isForbidden() throws Exception {
        assertThat(mvc.perform(post("/api/plans/" + plan + "/undo"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(403);
        assertThat(mvc.perform(get("/api/plans").with(request -> {
                            request.setServerName("elsewhere.example");
                            return request;
                        }))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(403);
    }

    @Test
    void forecast_ofEveryLength_closesAlike() throws Exception {
        String last = get200("").get("tide").get("horizonEnd").asString();
        for (String by : new String[] {"DAY", "WEEK", "MONTH", "QUARTER", "YEAR"}) {
            String from =
                    by.equals("DAY") ? LocalDate.parse(last).minusDays(399).toString() : "2025-09-01";
            JsonNode table = get200("/forecast?by=" + by + "&from=" + from + "&to=" + last);
            for (JsonNode row : table.get("rows")) {
                if (row.get("kind").asString().equals("closing")) {
                    JsonNode cells = row.get("cells");
                    assertThat(cells.get(cells.size() - 1).get("amount").asLong())
                            .as(by)
                            .isEqualTo(get200("")
                                    .get("tide")
                                    .get("marks")
                                    .get("closing")
                                    .asLong());
                }
            }
        }
        assertThat(json(send(get("/api/plans/" + plan + "/forecast?by=DAY&from=2025-09-01&to=" + last)))
                        .get("detail")
                        .asString())
                .contains("more than can stand side by side, which are 400");
        assertThat(send(get("/api/plans/" + plan + "/forecast.csv?by=DAY&from=2025-09-01&to=" + last))
                        .getContentAsString())
                .contains(last);
        assertThat(send(get("/api/plans/" + plan + "/forecast.csv?by=MONTH&from=2026-03-01&to=2026-05-31"))
                        .getContentAsString())
                .startsWith("line,2026-03-01,2026-04-01,2026-05-01");
    }

    @Test
    void pattern_thatMissesHundred_isRefusedWithPlaceAndMiss() throws Exception {
        String line = get200("/lines/restaurants").get("line").toString().replace("\"53\"", "\"50\"");
        MockHttpServletResponse response = send(putJson("/lines/restaurants?version=1&words=x", line));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentType()).isEqualTo("application/problem+json");
        JsonNode problem = json(response).get("problems").get(0);
        assertThat(problem.get("place").asString()).isEqualTo("/assumption/pattern");
        assertThat(problem.get("sentence").asString()).endsWith("is 97%: 3% is missing");
        assertThat(get200("").get("version").asLong()).isEqualTo(1);
    }

    @Test
    void edit_thenStaleEdit_isAnsweredWithWhatChanged() throws Exception {
        String line = get200("/lines/diesel").get("line").toString();
        assertThat(json(send(putJson("/lines/diesel?version=1&words=Dearer", line.replace("17800.00", "19000.00"))))
                        .get("became")
                        .get("closing")
                        .asLong())
                .isLessThan(get200("").get("tide").get("cashNow").asLong() * 20);
        MockHttpServletResponse stale =
                send(putJson("/lines/diesel?version=1&words=late", line.replace("17800.00", "18000.00")));
        assertThat(stale.getStatus()).isEqualTo(409);
        assertThat(json(stale).get("changedSince").get(0).asString())
                .isEqualTo("Diesel: base a month 17,800 → 19,000 GBP");
        // Nobody takes back what another has done since.
        MockHttpServletResponse undo = send(post("/api/plans/" + plan + "/undo?version=1"));
        assertThat(undo.getStatus()).isEqualTo(409);
        assertThat(send(post("/api/plans/" + plan + "/undo?version=2")).getStatus())
                .isEqualTo(200);
        assertThat(send(post("/api/plans/" + plan + "/redo?version=2")).getStatus())
                .isEqualTo(409);
        assertThat(send(post("/api/plans/" + plan + "/redo?version=3")).getStatus())
                .isEqualTo(200);
        List<String> log = new ArrayList<>();
        get200("/changes").forEach(one -> log.add(one.get("words").asString()));
        String edit = "Diesel: base a month 17,800 \u2192 19,000 GBP";
        assertThat(log).containsExactly("Redone: " + edit, "Undone: " + edit, edit);
    }

    @Test
    void edit_thatChangesMoreThanIsListed_isSaidInTheWordsOfWhoMadeIt() throws Exception {
        ObjectNode line = (ObjectNode) get200("/lines/diesel").get("line");
        ((ObjectNode) line.get("assumption")).put("basis", "books");
        String dearer = line.toString().replace("17800.00", "19000.00");
        MockHttpServletResponse edit = send(putJson("/lines/diesel?version=1&words=Dearer, by invoice", dearer));
        assertThat(edit.getStatus()).as(edit.getContentAsString()).isEqualTo(200);
        assertThat(get200("/changes").get(0).get("words").asString()).isEqualTo("Dearer, by invoice");
    }

    @Test
    void line_movedIntoAGroupAndDeleted_undoBringsItBackToItsPlace() throws Exception {
        JsonNode before = get200("").get("lines");
        assertThat(send(post("/api/plans/" + plan + "/lines/vat/move?version=1&group=group-people&before=pay"))
                        .getStatus())
                .isEqualTo(200);
        JsonNode moved = get200("").get("lines");
        int at = 0;
        while (!moved.get(at).get("id").asString().equals("vat")) {
            at++;
        }
        assertThat(moved.get(at + 1).get("id").asString()).isEqualTo("pay");
        assertThat(moved.get(at).get("group").asString()).isEqualTo("group-people");
        send(post("/api/plans/" + plan + "/undo"));
        assertThat(get200("").get("lines")).isEqualTo(before);
    }

    @Test
    void unknownThings_areAnsweredInASentence() throws Exception {
        for (String path : new String[] {
            "/api/plans/none", "/api/plans/" + plan + "/lines/none", "/api/plans/" + plan + "/snapshots/none/variance"
        }) {
            MockHttpServletResponse response = send(get(path));
            assertThat(response.getStatus()).as(path).isEqualTo(404);
            assertThat(json(response).get("detail").asString()).startsWith("There is no ");
        }
        assertThat(send(post("/api/plans")
                                .contentType(MediaType.APPLICATION_JSON)
                                .content("{"))
                        .getStatus())
                .isEqualTo(422);
        assertThat(send(post("/api/plans/" + plan + "/undo")).getStatus()).isEqualTo(422);
    }

    @Test
    void bankFiles_ofFourWeeks_tieToTheirOwnRunningBalance() throws Exception {
        for (var file : DemoFiles.texts().entrySet().stream()
                .filter(one ->
                        one.getKey().startsWith("current") || one.getKey().startsWith("shop"))
                .toList()) {
            String account = file.getKey().startsWith("shop") ? "shop-takings" : "current";
            JsonNode held = json(send(multipart("/api/plans/" + plan + "/bank-files?account=" + account)
                    .file(new MockMultipartFile(
                            "file", file.getKey(), "text/csv", file.getValue().getBytes(StandardCharsets.UTF_8)))));
            assertThat(held.get("problems")).isEmpty();
            JsonNode job = take(held, "false");
            assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
            assertThat(job.get("alreadyThere").asInt()).isZero();
        }
        String text = DemoFiles.texts().get("current-account-2026-03-29.csv").strip();
        String last = text.substring(text.lastIndexOf(',') + 1);
        JsonNode balances = get200("/position?from=2026-03-29&to=2026-03-29")
                .get("accounts")
                .get(0)
                .get("balances");
        assertThat(balances.get(0).asLong())
                .isEqualTo(new java.math.BigDecimal(last).movePointRight(2).longValueExact());
    }

    @Test
    void bankFile_withABadRow_waitsForAWordAndLeavesItOut() throws Exception {
        String csv = "Date,Description,Amount\n02/03/2026,TEA,-3.00\n31/02/2026,NO DAY,-4.00\n";
        JsonNode held = json(send(multipart("/api/plans/" + plan + "/bank-files?account=current")
                .file(new MockMultipartFile("file", "bad.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8)))));
        JsonNode job = take(held, "false");
        assertThat(job.get("state").asString()).isEqualTo("BAD_ROWS");
        assertThat(job.get("problems").get(0).get("line").asInt()).isEqualTo(3);
        assertThat(get200("").get("version").asLong()).isEqualTo(1);
        assertThat(take(held, "true").get("added").asInt()).isEqualTo(1);
        assertThat(get200("/movements?unassigned=true")
                        .get("movements")
                        .get(0)
                        .get("text")
                        .asString())
                .isEqualTo("TEA");
    }

    private JsonNode take(JsonNode held, String leaveBadRows) throws Exception {
        String base = "/api/plans/" + plan + "/bank-files/";
        JsonNode job = json(send(post(base + held.get("id").asString() + "/take?leaveBadRows=" + leaveBadRows)
                .contentType(MediaType.APPLICATION_JSON)
                .content(held.get("dialect").toString())));
        while (job.get("state").asString().equals("READING")
                || job.get("state").asString().equals("KEEPING")) {
            Thread.sleep(20);
            job = json(send(get(base + "jobs/" + job.get("id").asString())));
        }
        return job;
    }
}

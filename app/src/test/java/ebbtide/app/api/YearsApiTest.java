package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.plan.Plan;
import ebbtide.sim.DemoCompany;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Years asked of the api (rules 9.4): begun, driven, opened, and a last year brought in. */
@InMemory
class YearsApiTest extends ApiJourney {
    @BeforeEach
    void addDemoWithoutYears() {
        PlanDocument demo = DemoCompany.document();
        Plan its = demo.plan();
        plan = whole.add(new PlanDocument(
                new Plan(its.settings().withYears(null), its.lines(), its.buoys()),
                demo.accounts(),
                demo.rules(),
                demo.movements(),
                demo.items(),
                demo.scenarios(),
                demo.actual(),
                demo.past()));
    }

    private JsonNode begun() throws Exception {
        send(200, post(path("/years?version=" + version() + "&count=5")));
        return send(200, get(path("/years")));
    }

    private JsonNode typed(String what, int status, String body) throws Exception {
        return send(
                status,
                put(path("/years/" + what + "?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body));
    }

    private static Stream<JsonNode> rows(JsonNode view) {
        return view.get("rows").valueStream();
    }

    private static JsonNode row(JsonNode view, String id) {
        return rows(view)
                .filter(one -> one.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void yearsAfterTheMonths_begunDrivenAndOpened_balanceAndAddUp() throws Exception {
        assertThat(send(200, get(path("/years"))).get("there").asBoolean()).isFalse();
        assertThat(send(422, get(path("/statements/csv?show=years")))
                        .get("detail")
                        .asString())
                .isEqualTo("The plan has no years yet: begin them first");
        JsonNode begun = begun();
        assertThat(begun.get("years").size()).isEqualTo(6);
        assertThat(row(begun, "sales").get("amounts").get(1))
                .as("as the last year was")
                .isEqualTo(row(begun, "sales").get("amounts").get(0));
        JsonNode edit = typed(
                "values",
                200,
                "[{\"row\":\"sales\",\"part\":\"growth\",\"year\":2028,\"text\":\"10%\"},"
                        + "{\"row\":\"spending\",\"part\":\"amount\",\"year\":2028,\"text\":\"4000000\"}]");
        assertThat(edit.get("words").asString()).isEqualTo("2 values of drivers set");
        JsonNode driven = send(200, get(path("/years")));
        assertThat(row(driven, "difference").get("amounts").valueStream().mapToLong(JsonNode::asLong))
                .containsOnly(0L);
        for (JsonNode year : driven.get("years")) {
            assertThat(sum(year.get("uses")) - sum(year.get("sources")))
                    .isEqualTo(year.get("needed").asLong());
        }
        assertThat(driven.get("years").get(1).get("sentence").asString()).contains("is needed from outside");
        for (String id : List.of("sales", "gross", "ebitda", "interest", "assets", "short-term", "cash closing")) {
            JsonNode parts = send(200, get(path("/years/workings?row={row}&year=1"), id));
            assertThat(sum(parts))
                    .as(id)
                    .isEqualTo(row(driven, id).get("amounts").get(1).asLong());
        }
        assertThat(send(200, get(path("/years/workings?row=sales&year=1")))
                        .get(0)
                        .get("because")
                        .asString())
                .isEqualTo("the year before and 10%");
        send(422, get(path("/years/workings?row={row}&year=0"), "cash closing"));
        send(422, get(path("/years/workings?row=moon&year=1")));
    }

    @Test
    void driversProposedAnew_leaveWhatHappensInSingleYears_notesAndRules() throws Exception {
        begun();
        ObjectNode settings = (ObjectNode) send(200, get(path(""))).get("settings");
        settings.withObject("/years").put("meanBalance", false);
        settings.withObject("/years")
                .putArray("equity")
                .addObject()
                .put("year", 2028)
                .put("amount", "5000");
        send(
                200,
                put(path("/settings?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(settings.toString()));
        typed("note", 200, "{\"row\":\"sales\",\"note\":\"as the board said\"}");
        assertThat(begun().get("years").get(1).get("sources").toString()).contains("Equity in");
        JsonNode years = send(200, get(path(""))).get("settings").get("years");
        assertThat(years.get("meanBalance").asBoolean()).isFalse();
        assertThat(years.toString()).contains("as the board said");
    }

    private static long sum(JsonNode parts) {
        return parts.valueStream().mapToLong(one -> one.get("minor").asLong()).sum();
    }

    @Test
    void driverThatCannotBe_isRefusedInASentence_andAnotherWayBeginsWithWhatTheLastYearCameTo() throws Exception {
        begun();
        assertThat(typed("values", 422, "[{\"row\":\"sales\",\"part\":\"share\",\"year\":2028,\"text\":\"1\"}]")
                        .get("detail")
                        .asString())
                .isEqualTo("'sales' has no %: choose first what it follows from");
        assertThat(typed("values", 422, "[{\"row\":\"sales\",\"part\":\"growth\",\"year\":2028,\"text\":\"lots\"}]")
                        .get("detail")
                        .asString())
                .contains("'lots'");
        send(200, put(path("/years/method?version=" + version() + "&row=overheads&method=share")));
        JsonNode driver = send(200, get(path("/years")))
                .get("drivers")
                .valueStream()
                .filter(one -> one.get("id").asString().equals("overheads"))
                .findFirst()
                .orElseThrow();
        JsonNode cells = driver.get("values").get(0).get("cells");
        assertThat(cells.get(1).get("typed")).isEqualTo(cells.get(0).get("cameTo"));
        typed("note", 200, "{\"row\":\"overheads\",\"note\":\"as the board said\"}");
        assertThat(send(200, get(path("/years"))).toString()).contains("as the board said");
        send(422, put(path("/years/method?version=" + version() + "&row=overheads&method=moon")));
        assertThat(send(200, post(path("/undo?version=" + version())))
                        .get("words")
                        .asString())
                .startsWith("Undone: Note on the driver");
    }

    @Test
    void lastYearBroughtIn_saysWhatItCannotRead_isKept_andLacksNothingOncePlaced() throws Exception {
        String rows = "Sales,840000\nCost of sales,-579600\nGross profit,260400\nOverheads,168000\nCash,40000\n"
                + "Trade debtors,92055\nMoon dust,5";
        JsonNode read = read(rows);
        assertThat(read.get("problems").size()).isEqualTo(1);
        assertThat(read.get("problems").get(0).get("sentence").asString())
                .startsWith("'Moon dust' does not say what it is");
        JsonNode last = read(rows.replace("Moon dust", "Capital paid in")).get("lastYear");
        assertThat(last.get("rows").size()).isEqualTo(6);
        assertThat(last.get("rows").get(1).get("amount").asString()).isEqualTo("579600.00");
        ObjectNode settings = (ObjectNode) send(200, get(path(""))).get("settings");
        settings.putObject("years").put("count", 2).set("lastYear", last);
        settings.withObject("/years").putArray("drivers");
        send(
                200,
                put(path("/settings?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(settings.toString()));
        JsonNode view = send(200, get(path("/years")));
        assertThat(view.get("unplaced").asLong()).isEqualTo(40_000_00 + 92_055_00 - 5_00);
        assertThat(view.get("placed").asString()).isEqualTo("132050.00");
        assertThat(row(view, "difference").get("amounts").get(0).asLong()).isZero();
    }

    private JsonNode read(String rows) throws Exception {
        return send(
                200,
                multipart(path("/years/read?end=2025-12-31"))
                        .file(new MockMultipartFile(
                                "file", "last.csv", "text/csv", rows.getBytes(StandardCharsets.UTF_8))));
    }
}

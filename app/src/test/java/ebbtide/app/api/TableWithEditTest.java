package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.app.access.HandOfRequest;
import ebbtide.sim.DemoCompany;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;

/** What an edit tells of the forecast that is shown, put to what was there, is the forecast that one would ask for. */
@InMemory
class TableWithEditTest extends ApiJourney {
    private static final String MONTHS = "MONTH 2026-02-01 2027-01-31";
    private static final String WEEKS = "WEEK 2026-02-23 2026-06-28";

    @BeforeEach
    void addDemo() {
        plan = whole.add(DemoCompany.document());
    }

    private JsonNode asked(String table, String scenario) throws Exception {
        String[] words = table.split(" ");
        return send(
                200,
                get(path("/forecast?by=" + words[0] + "&from=" + words[1] + "&to=" + words[2]))
                        .header(HandOfRequest.SCENARIO, scenario));
    }

    /**
     * Makes an edit while a forecast is shown, and holds what it tells against what is asked; returns how many rows
     * came.
     */
    private int edit(MockHttpServletRequestBuilder request, String table, String scenario) throws Exception {
        JsonNode before = asked(table, scenario);
        long version = version();
        JsonNode told = send(
                        200, request.header(HandOfRequest.SCENARIO, scenario).header("Ebbtide-Table", table))
                .get("table");
        JsonNode after = asked(table, scenario);
        assertThat(told.get("asked").asString()).isEqualTo(table);
        assertThat(told.get("since").asLong()).isEqualTo(version);
        assertThat(told.get("periods")).isEqualTo(after.get("periods"));
        List<JsonNode> rows = new ArrayList<>();
        int sent = 0;
        for (JsonNode kept : told.get("kept")) {
            rows.add(
                    kept.asInt() < 0
                            ? told.get("rows").get(sent++)
                            : before.get("rows").get(kept.asInt()));
        }
        assertThat(rows).isEqualTo(List.copyOf(after.get("rows").values()));
        assertThat(sent).isEqualTo(told.get("rows").size());
        return sent;
    }

    private MockHttpServletRequestBuilder line(String id, String from, String to, String scenario) throws Exception {
        JsonNode line = send(200, get(path("/lines/" + id)).header(HandOfRequest.SCENARIO, scenario))
                .get("line");
        assertThat(line.toString()).contains(from);
        return put(path("/lines/" + id + "?version=" + version() + "&words=x"))
                .contentType(MediaType.APPLICATION_JSON)
                .content(line.toString().replace(from, to));
    }

    @Test
    void toldOfEveryKindOfEdit_isTheForecastAsked_inTheBaseAndInAScenario() throws Exception {
        int all = asked(MONTHS, "").get("rows").size();
        for (String table : List.of(MONTHS, WEEKS)) {
            for (String scenario : List.of("", "late-grocers")) {
                assertThat(edit(line("diesel", "17800.00", "19000.00", scenario), table, scenario))
                        .as("rows of one line, its sums and levels")
                        .isBetween(2, all / 2);
                // Another edit of the same, and one of the name alone.
                edit(line("diesel", "19000.00", "20000.00", scenario), table, scenario);
                edit(post(path("/undo")), table, scenario);
                edit(post(path("/undo")), table, scenario);
                edit(post(path("/redo")), table, scenario);
                edit(post(path("/undo")), table, scenario);
            }
            assertThat(edit(line("diesel", "\"Diesel\"", "\"Fuel\"", ""), table, ""))
                    .isEqualTo(1);
            edit(post(path("/lines/diesel/move?version=" + version())), table, "");
            edit(delete(path("/lines/rent?version=" + version())), table, "");
            edit(post(path("/undo")), table, "");
            edit(post(path("/undo")), table, "");
            edit(post(path("/undo")), table, "");
        }
    }

    @Test
    void tableThatIsNone_isNotTold_andTheEditStands() throws Exception {
        for (String none : List.of("FORTNIGHT 2026-02-23 2026-03-01", "WEEK 2026-99-99 2026-03-01", "WEEK")) {
            long version = version();
            JsonNode told = send(200, line("diesel", "17800.00", "19000.00", "").header("Ebbtide-Table", none));
            assertThat(told.get("table").isNull()).as(none).isTrue();
            assertThat(version()).as(none).isGreaterThan(version);
            send(200, post(path("/undo")));
        }
    }
}

package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.app.access.HandOfRequest;
import ebbtide.app.storage.Stores;
import ebbtide.sim.DemoCompany;
import ebbtide.track.Snapshot;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A scenario over the api: made, shown, edited while it is shown, made the base, undone. */
@InMemory
class ScenarioJourneyTest extends ApiJourney {
    @Autowired
    private Stores stores;

    private static final String SLOW = """
      {"id": "slow", "name": "Slow spring", "standsOn": [], "changes": [
        {"id": "c1", "target": {"kind": "line", "line": "restaurants"}, "act": {"kind": "scale", "to": "90"},
         "from": "2026-11-01", "to": "2026-12-31"}]}""";

    @BeforeEach
    void addDemo() {
        plan = whole.add(DemoCompany.document());
    }

    private MockHttpServletRequestBuilder json(MockHttpServletRequestBuilder request, Object body) {
        return request.contentType(MediaType.APPLICATION_JSON).content(body.toString());
    }

    private MockHttpServletRequestBuilder putScenario(String id, String body) throws Exception {
        return json(put(path("/scenarios/" + id + "?version=" + version())), body);
    }

    private String text(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request).andReturn().getResponse().getContentAsString();
    }

    private static JsonNode slow(JsonNode listed) {
        return StreamSupport.stream(listed.get("scenarios").spliterator(), false)
                .filter(one -> one.get("scenario").get("id").asString().equals("slow"))
                .findFirst()
                .orElseThrow();
    }

    private static MockHttpServletRequestBuilder shown(MockHttpServletRequestBuilder request) {
        return request.header(HandOfRequest.SCENARIO, "slow");
    }

    private JsonNode cell(boolean shown, String row) throws Exception {
        MockHttpServletRequestBuilder request = get(path("/forecast?by=MONTH&from=2026-12-01&to=2026-12-31"));
        return find(send(200, shown ? shown(request) : request).get("rows"), row)
                .get("cells")
                .get(0);
    }

    private static JsonNode find(JsonNode all, String id) {
        return StreamSupport.stream(all.spliterator(), false)
                .filter(one -> one.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void scenario_shownEditedAndMadeTheBase() throws Exception {
        long base = cell(false, "restaurants").get("amount").asLong();
        send(200, putScenario("slow", SLOW));
        JsonNode less = cell(true, "restaurants");
        assertThat(less.get("amount").asLong()).isLessThan(base);
        assertThat(less.get("base").asLong()).isEqualTo(base);
        assertThat(cell(false, "restaurants").get("amount").asLong()).isEqualTo(base);
        assertThat(cell(true, "diesel").has("base")).isFalse();

        // A link says in a parameter what it looks at; a snapshot is the base's, and says so.
        String csv = "/forecast.csv?by=MONTH&from=2026-12-01&to=2026-12-31&shape=long";
        String ofBase = mvc.perform(get(path(csv))).andReturn().getResponse().getContentAsString();
        assertThat(mvc.perform(get(path(csv + "&scenario=slow")))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .isNotEqualTo(ofBase);
        assertThat(send(
                                422,
                                shown(json(
                                        post(path("/snapshots?version=" + version())),
                                        "{\"name\": \"S\", \"note\": \"\"}")))
                        .get("detail")
                        .asString())
                .contains("a snapshot keeps the base");

        // What is edited while it is shown becomes its change.
        JsonNode line = send(200, shown(get(path("/lines/diesel")))).get("line");
        JsonNode done = send(
                200,
                shown(json(
                        put(path("/lines/diesel?version=" + version() + "&words=x")),
                        line.toString().replace("17800.00", "19000.00"))));
        assertThat(done.get("words").asString())
                .isEqualTo("In 'Slow spring': Diesel: base a month 17,800 → 19,000 GBP");
        assertThat(done.get("view").get("shown").get("name").asString()).isEqualTo("Slow spring");
        assertThat(cell(true, "diesel").has("base")).isTrue();
        assertThat(send(200, get(path("/lines/diesel"))).get("line").toString()).contains("17800.00");
        JsonNode listed = send(200, get(path("/scenarios")));
        JsonNode changes = slow(listed).get("changes");
        assertThat(changes.get(0).get("act").asString()).isEqualTo("at 90%");
        assertThat(changes.get(1).get("target").asString()).isEqualTo("Diesel: base a month");
        assertThat(changes.get(1).get("act").asString()).isEqualTo("is 19,000 GBP");
        JsonNode difference = slow(listed).get("difference");
        assertThat(difference.get("closing").asLong())
                .isEqualTo(slow(listed).get("figures").get("closing").asLong()
                        - listed.get("base").get("closing").asLong());

        // Made the base in one edit, undone as one.
        long scenarios = cell(true, "restaurants").get("amount").asLong();
        send(200, shown(post(path("/scenarios/slow/base?version=" + version() + "&changes=c1"))));
        assertThat(cell(false, "restaurants").get("amount").asLong()).isEqualTo(scenarios);
        assertThat(cell(true, "restaurants").has("base")).isFalse();
        send(200, post(path("/undo")));
        assertThat(cell(false, "restaurants").get("amount").asLong()).isEqualTo(base);
        assertThat(cell(true, "restaurants").get("base").asLong()).isEqualTo(base);
    }

    private JsonNode item(boolean inScenario, String id) throws Exception {
        MockHttpServletRequestBuilder request = get(path("/items?direction=RECEIPT&limit=2000"));
        return find(send(200, inScenario ? shown(request) : request).get("items"), id);
    }

    private MockHttpServletRequestBuilder putItem(String item) throws Exception {
        return json(put(path("/items?words=typed&version=" + version())), "[" + item + "]");
    }

    /** An item has another day in the scenario alone, then in the base; what it comes to is the books'. */
    @Test
    void openItem_redatedInAScenario_andMadeTheBase() throws Exception {
        send(200, putScenario("slow", SLOW));
        String id = send(200, get(path("/items?direction=RECEIPT")))
                .get("items")
                .get(0)
                .get("id")
                .asString();
        JsonNode before = item(false, id);
        ObjectNode later = ((ObjectNode) before.get("item")).deepCopy().put("expected", "2026-06-15");
        assertThat(send(200, shown(putItem(later.toString()))).get("words").asString())
                .isEqualTo("In 'Slow spring': typed");
        assertThat(item(true, id).get("expected").asString()).isEqualTo("2026-06-15");
        assertThat(item(true, id).get("because").asString()).endsWith("as 'Slow spring' has it");
        assertThat(item(true, id).get("base").get("standing").asString()).isEqualTo("normal");
        assertThat(item(false, id)).isEqualTo(before);
        assertThat(slow(send(200, get(path("/scenarios"))))
                        .get("changes")
                        .get(1)
                        .get("act")
                        .asString())
                .isEqualTo("is 15 June 2026");
        ObjectNode other = later.deepCopy().put("due", "2026-05-30");
        assertThat(send(422, shown(putItem(other.toString()))).get("detail").asString())
                .contains("Show the base to change them");
        assertThat(send(
                                422,
                                shown(putItem(later.deepCopy()
                                        .put("id", "more")
                                        .put("number", "N-1")
                                        .toString())))
                        .get("detail")
                        .asString())
                .contains("show the base to add one");

        send(200, shown(post(path("/scenarios/slow/base?version=" + version() + "&changes=c2"))));
        assertThat(item(false, id).get("expected").asString()).isEqualTo("2026-06-15");
        send(200, post(path("/undo")));
        assertThat(item(false, id)).isEqualTo(before);
        send(200, shown(putItem(before.get("item").toString())));
        assertThat(slow(send(200, get(path("/scenarios")))).get("changes")).hasSize(1);
    }

    @Test
    void whatCannotBe_isSaidInASentence() throws Exception {
        send(200, putScenario("slow", SLOW));
        assertThat(send(422, putScenario("bad", SLOW.replace("slow\"", "bad\"").replace("\"restaurants\"", "\"gone\"")))
                        .get("detail")
                        .asString())
                .isEqualTo("The plan has no line 'gone' any more");
        assertThat(send(422, putScenario("slow", SLOW.replace("\"standsOn\": []", "\"standsOn\": [\"slow\"]")))
                        .get("detail")
                        .asString())
                .contains("stands on 'Slow spring', which stands on it again");
        send(
                200,
                putScenario(
                        "bad",
                        SLOW.replace("slow\"", "bad\"").replace("\"standsOn\": []", "\"standsOn\": [\"slow\"]")));
        assertThat(send(422, delete(path("/scenarios/slow?version=" + version())))
                        .get("detail")
                        .asString())
                .contains("stands on 'Slow spring'");
        String account = "{'id': 'current', 'name': 'C', 'country': 'GB', 'balanceDate': '2025-01-01', 'balance': '1'}";
        assertThat(send(
                                422,
                                shown(json(
                                        put(path("/accounts/current?version=" + version())),
                                        account.replace('\'', '"'))))
                        .get("detail")
                        .asString())
                .contains("belongs to the books");

        // A target that goes makes its change find nothing, and says so.
        send(200, putScenario("slow", SLOW.replace("restaurants", "diesel")));
        send(200, delete(path("/lines/diesel?version=" + version())));
        JsonNode lost = slow(send(200, get(path("/scenarios")))).get("changes").get(0);
        assertThat(lost.get("findsNothing").asString()).isEqualTo("The plan has no line 'diesel' any more");
        assertThat(send(200, shown(get(path("")))).get("shown").get("lost").asInt())
                .isEqualTo(1);
    }

    /** What the sheet, the breakwater, the runs and the tables side by side say hangs together (rules 11.5 to 11.9). */
    @Test
    void futures_areTypedComparedAndDrawn() throws Exception {
        JsonNode typed = send(200, json(post(path("/case-sheet?version=" + version())), """
                        [{"scenario": "late-grocers", "says": "DAYS_LATER", "of": "grocery", "text": "30"},
                         {"scenario": "lost-export", "says": "SHARE", "of": "shop", "text": "80"}]"""));
        assertThat(typed.get("words").asString()).isEqualTo("2 scenarios: 2 cells of the sheet");
        JsonNode sheet = send(200, get(path("/case-sheet?more=VALUE:diesel/method/growth")));
        assertThat(sheet.get("rows").toString())
                .contains("\"value\":\"30\"", "\"value\":\"80\"", "Diesel: growth a month");
        send(422, get(path("/case-sheet?more=nothing")));

        JsonNode held = send(200, get(path("/breakwater"))).get("held");
        assertThat(held.get("id").asString()).isEqualTo("both-bad");
        assertThat(held.get("headroom").asLong()).isNegative();
        assertThat(held.get("sentence").asString()).contains("does not hold");
        JsonNode survived = send(200, get(path("/scenarios/both-bad/survived")));
        assertThat(survived.get("sentence").asString()).startsWith("Funding survives ");
        assertThat(survived.get("points").get(0).get("value").asString()).isEqualTo("0");

        String window = "&by=MONTH&from=2026-10-01&to=2027-03-31";
        JsonNode beside =
                send(200, get(path("/side-by-side?future=base&future=scenario:both-bad&table=CASH" + window)));
        long difference = 0;
        for (JsonNode row : beside.get("rows")) {
            if (row.get("id").asString().equals("closing")) {
                difference = row.get("futures").get(1).get("differences").get(5).asLong();
            }
        }
        long sum = 0;
        for (JsonNode change : send(
                200,
                get(
                        path(
                                "/side-by-side/changes?scenario=both-bad&table=CASH&row=closing&from=2027-03-01&to=2027-03-31")))) {
            sum += change.get("moves").asLong();
        }
        assertThat(sum).isEqualTo(difference).isNegative();
        send(422, get(path("/side-by-side?future=moon" + window)));
        send(404, get(path("/side-by-side?future=scenario:moon" + window)));
        assertThat(text(get(path("/side-by-side/csv?future=base&future=scenario:both-bad&table=INCOME" + window))))
                .startsWith("row,future,period_start,period_end,amount,more_than_reference");

        JsonNode runs = send(200, get(path("/simulation?runs=50&weeks=8&seed=3")));
        assertThat(runs.get("weeks")).hasSize(8);
        assertThat(send(200, get(path("/simulation?runs=50&weeks=8&seed=3"))))
                .as("the same again")
                .isEqualTo(runs);
        assertThat(send(200, get(path("/simulation?runs=50&weeks=8&seed=4")))).isNotEqualTo(runs);
        assertThat(text(get(path("/simulation/csv?runs=20&weeks=4")))).startsWith("week_end,forecast,percentile_5");
        assertThat(send(200, get(path("/simulation/trial?runs=20&weeks=4"))).get("leads"))
                .isNotNull();
        send(422, get(path("/simulation?runs=0")));
    }

    /** Approved, it is kept beside its base and out of the record of forecasts; a change of it is asked how far. */
    @Test
    void scenario_isApprovedAndTurned() throws Exception {
        send(200, putScenario("slow", SLOW));
        JsonNode done = send(200, post(path("/snapshots/approved?of=slow&version=" + version())));
        assertThat(done.get("words").asString()).isEqualTo("Scenario 'Slow spring' approved, to be tracked");
        assertThat(done.get("view").get("shown").isNull())
                .as("the base is shown as before")
                .isTrue();
        send(200, post(path("/undo")));
        send(200, shown(post(path("/snapshots/approved?of=slow&version=" + version()))));
        JsonNode kept = send(200, get(path("/snapshots")));
        assertThat(kept).hasSize(2);
        assertThat(kept.get(0).get("scenario").isNull()).isTrue();
        assertThat(kept.get(1).get("scenario").asString()).isEqualTo("Slow spring");
        assertThat(kept.get(1).get("closingCash").asLong())
                .isLessThan(kept.get(0).get("closingCash").asLong());
        send(200, get(path("/snapshots/" + kept.get(1).get("id").asString() + "/variance?by=MONTH")));
        List<Snapshot> recorded = new ArrayList<>();
        stores.snapshots().each(plan, 400, recorded::add);
        assertThat(recorded).as("the base's alone").hasSize(1);
        send(200, post(path("/undo")));
        assertThat(send(200, get(path("/snapshots")))).isEmpty();

        JsonNode turned =
                send(200, get(path("/break-even?ofScenario=slow&change=c1&measure=LEAST_HEADROOM&bound=-100000000")));
        assertThat(turned.get("sentence").asString()).startsWith("Now, at 100%, least headroom is ");
        assertThat(send(422, get(path("/break-even?ofScenario=slow&change=c9&measure=LEAST_HEADROOM&bound=0")))
                        .get("detail")
                        .asString())
                .isEqualTo("'Slow spring' has no such change any more");
        JsonNode levers = send(200, shown(get(path("/levers"))));
        JsonNode first = levers.get(0).get("scenario");
        assertThat(first.get("standsOn").get(0).asString()).isEqualTo("slow");
        send(200, putScenario(first.get("id").asString(), first.toString()));
    }
}

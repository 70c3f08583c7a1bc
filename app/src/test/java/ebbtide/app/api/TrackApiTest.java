package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.app.storage.Fingerprint;
import ebbtide.app.storage.Stores;
import ebbtide.forecast.Forecast;
import ebbtide.sim.DemoCompany;
import ebbtide.sim.DemoPast;
import ebbtide.track.Snapshot;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The demo's 26 snapshots over the api: kept as they were made, compared, measured, written about. */
@InMemory
@Order(1)
class TrackApiTest extends ApiJourney {
    @Autowired
    private Stores stores;

    @Autowired
    private JdbcClient client;

    private List<JsonNode> snapshots;

    @BeforeEach
    void addDemo() throws Exception {
        plan = whole.add(DemoCompany.document(), DemoPast.forecasts());
        snapshots = send(200, get(path("/snapshots"))).valueStream().toList();
    }

    private String id(int from) {
        return snapshots.get(from).get("id").asString();
    }

    private String atVersion() {
        return "version=" + plans.current(plan).version();
    }

    private static void addsUp(JsonNode figure) {
        long reasons =
                figure.get("why").valueStream().mapToLong(JsonNode::asLong).sum();
        assertThat(reasons)
                .as(figure.toString())
                .isEqualTo(figure.get("variance").asLong());
    }

    /** Made anew from each past week's books, every one of them is what was kept. */
    @Test
    void snapshots_ofTheDemo_areTheForecastsOfItsPastWeeks() {
        List<Forecast> past = DemoPast.forecasts();
        assertThat(snapshots).hasSize(26);
        for (int i = 0; i < past.size(); i++) {
            Forecast forecast = past.get(25 - i);
            Snapshot kept = stores.snapshots().get(plan, id(i), LocalDate.MAX);
            assertThat(kept)
                    .isEqualTo(Snapshot.of(
                            forecast,
                            line -> Fingerprint.of(
                                    line, forecast.plan().settings().currency())));
            assertThat(snapshots.get(i).get("closingCash").asLong()).isEqualTo(forecast.closing(forecast.lastDay()));
        }
        // A week's changes cost a fraction of the whole.
        assertThat(snapshots.get(24).get("size").asLong())
                .isLessThan(snapshots.get(25).get("size").asLong() / 2);
    }

    @Test
    void variance_inEveryLength_addsUpToItsReasonsAndItems() throws Exception {
        for (String by : List.of("WEEK", "MONTH", "QUARTER", "YEAR", "TO_DATE")) {
            JsonNode view = send(200, get(path("/snapshots/" + id(9) + "/variance?by=" + by + "&from=2026-01-20")));
            JsonNode closing = null;
            JsonNode net = null;
            for (JsonNode row : view.get("rows")) {
                switch (row.get("kind").asString()) {
                    case "closing" -> closing = row;
                    case "net" -> net = row;
                    default -> addsUp(row);
                }
                if (row.get("kind").asString().equals("line")) {
                    JsonNode details = send(
                            200,
                            get(path("/snapshots/" + id(9) + "/variance/"
                                    + row.get("id").asString() + "?by=" + by + "&from="
                                    + view.get("window").get("from").asString())));
                    details.forEach(TrackApiTest::addsUp);
                    for (JsonNode party : details) {
                        party.get("items").forEach(TrackApiTest::addsUp);
                        assertThat(party.get("items")
                                        .valueStream()
                                        .mapToLong(one -> one.get("variance").asLong())
                                        .sum())
                                .isEqualTo(party.get("variance").asLong());
                    }
                    assertThat(details.valueStream()
                                    .mapToLong(one -> one.get("variance").asLong())
                                    .sum())
                            .as(row.toString())
                            .isEqualTo(row.get("variance").asLong());
                }
            }
            if (by.equals("TO_DATE")) {
                assertThat(closing.get("variance")).isEqualTo(net.get("variance"));
            }
        }
        JsonNode month = send(200, get(path("/snapshots/" + id(9) + "/variance?by=MONTH")));
        assertThat(month.get("window").get("from").asString())
                .as("the last month that is over, not the first of March alone")
                .isEqualTo("2026-02-01");
        assertThat(send(200, get(path("/snapshots/" + id(9) + "/variance?by=TO_DATE")))
                        .get("window")
                        .get("to")
                        .asString())
                .isEqualTo("2026-03-01");
        assertThat(send(404, get(path("/snapshots/none/variance")))
                        .get("detail")
                        .asString())
                .contains("snapshot");
    }

    @Test
    void whatMoved_addsUpCauseByCause() throws Exception {
        JsonNode moved = send(200, get(path("/snapshots/" + id(4) + "/bridge?day=2026-04-30")));
        JsonNode last = moved.get("causes").get(moved.get("causes").size() - 1);
        assertThat(last.get("to")).isEqualTo(moved.get("after"));
        assertThat(moved.get("rows")
                        .valueStream()
                        .mapToLong(row -> row.get("moved").asLong())
                        .sum())
                .isEqualTo(moved.get("after").asLong() - moved.get("before").asLong());
        JsonNode between = send(200, get(path("/snapshots/" + id(4) + "/bridge?to=" + id(2))));
        assertThat(between.get("rows")
                        .valueStream()
                        .noneMatch(row -> row.get("id").asString().isEmpty()))
                .as("cash of both ties to the books")
                .isTrue();
        assertThat(send(422, get(path("/snapshots/" + id(2) + "/bridge?to=" + id(4))))
                        .get("detail")
                        .asString())
                .contains("the other way round");
    }

    @Test
    void accuracy_ofTheDemo_beatsDueDatesAndItsBandHolds() throws Exception {
        JsonNode accuracy = send(200, get(path("/accuracy?row=restaurants&lead=2")));
        assertThat(accuracy.get("snapshots").asInt()).isEqualTo(26);
        assertThat(accuracy.get("record").size()).isEqualTo(25);
        JsonNode receipts = accuracy.get("rows")
                .valueStream()
                .filter(row -> row.get("id").asString().equals("receipts"))
                .findFirst()
                .orElseThrow();
        assertThat(receipts.get("errors").get(0).asLong())
                .isLessThan(receipts.get("dueDates").asLong());
        assertThat(accuracy.get("chosen").get("errors").get(0).get("periods").asInt())
                .isEqualTo(26);
        assertThat(receipts.get("lastYear").isNull())
                .as("the books do not reach back a year")
                .isTrue();
        assertThat(accuracy.get("parties").valueStream().map(row -> row.get("name")
                        .asString()))
                .contains("Gullrock Hotels", "Penhallow Hatchery");
        assertThat(accuracy.get("covered").asDouble() / accuracy.get("tried").asDouble())
                .isBetween(0.65, 0.95);
        JsonNode months = send(200, get(path("/accuracy?by=MONTH")));
        assertThat(months.get("leads").asInt()).isEqualTo(6);
        JsonNode band = send(200, get(path("/band")));
        assertThat(band.get("points").size()).isGreaterThan(12);
        band.get("points").forEach(point -> assertThat(point.get("low").asLong())
                .isLessThanOrEqualTo(point.get("high").asLong()));
        assertThat(send(200, get(path("/band")))).as("kept until a fact comes").isEqualTo(band);
    }

    @Test
    void snapshot_isSpokenOfButNeverChanged() throws Exception {
        Snapshot kept = stores.snapshots().get(plan, id(0), LocalDate.MAX);
        String said =
                "{\"name\": \"For the bank\", \"note\": \"n\", \"locked\": true, \"commentary\": \"Late customers.\"}";
        send(
                200,
                put(path("/snapshots/" + id(0) + "?" + atVersion()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(said));
        assertThat(send(422, delete(path("/snapshots/" + id(0) + "?" + atVersion())))
                        .get("detail")
                        .asString())
                .contains("'For the bank' is protected");
        assertThat(send(
                                422,
                                put(path("/snapshots/" + id(0) + "?" + atVersion()))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content(said.replace("For the bank", " ")))
                        .get("detail")
                        .asString())
                .contains("Name of the snapshot must not be empty");
        assertThat(stores.snapshots().get(plan, id(0), LocalDate.MAX)).isEqualTo(kept);
        send(200, post(path("/undo")));
        assertThat(stores.snapshots().said(plan, id(0)).commentary()).isEmpty();
        send(200, delete(path("/snapshots/" + id(1) + "?" + atVersion())));
        assertThat(send(200, get(path("/snapshots"))).size()).isEqualTo(25);
        assertThat(stores.snapshots().get(plan, id(0), LocalDate.MAX))
                .as("those after it lean on it still")
                .isEqualTo(kept);
        send(200, post(path("/undo")));
        String noting =
                "{\"row\": \"export\", \"from\": \"2026-02-23\", \"to\": \"2026-03-01\", \"note\": \"Paid on the tenth.\"}";
        send(
                200,
                put(path("/snapshots/" + id(0) + "/note?" + atVersion()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(noting));
        assertThat(send(200, get(path("/snapshots/" + id(0) + "/variance")))
                        .get("explained")
                        .asInt())
                .isEqualTo(1);
        assertThat(send(200, get(path("/snapshots/" + id(0) + "/draft")))
                        .get("text")
                        .asString())
                .contains("Paid on the tenth.");
    }

    /** What was kept row by row, before snapshots leaned on each other, is compared as before. */
    @Test
    void snapshot_keptRowByRow_isReadFromItsRows() throws Exception {
        client.sql("""
        insert into snapshot (plan_id, id, name, note, taken_at, as_of, horizon_end, cash, low_water_day, low_water_cash, active)
        values (?, 'old', 'Old', '', current_timestamp, date '2026-02-21', date '2026-12-31', 1000, date '2026-05-01', 5, true)""").param(plan).update();
        client.sql(
                        "insert into snapshot_line (snapshot_id, position, line_id, name, group_path, direction) values ('old', 0, 'pay', 'Wages', 'People', 'PAYMENT')")
                .update();
        client.sql(
                        "insert into snapshot_flow (snapshot_id, line_id, flow_day, part, minor) values ('old', 'pay', date '2026-02-27', 'ESTIMATED', -700)")
                .update();
        JsonNode view = send(200, get(path("/snapshots/old/variance?by=TO_DATE")));
        JsonNode pay = view.get("rows")
                .valueStream()
                .filter(row -> row.get("id").asString().equals("pay"))
                .findFirst()
                .orElseThrow();
        assertThat(pay.get("forecast").asLong()).isEqualTo(-700);
        assertThat(view.get("moved").valueStream().map(JsonNode::asString)).contains("'Wages' is now called 'Pay'");
        assertThat(send(200, get(path("/accuracy"))).get("snapshots").asInt()).isEqualTo(27);
    }

    @Test
    void actuals_replaceEachOtherAndAreRefusedInSentences() throws Exception {
        String typing =
                "{\"from\": \"2026-03-02\", \"to\": \"2026-03-08\", \"figures\": [{\"line\": \"shop\", \"amount\": \"%s\"}]}";
        for (String amount : List.of("4500", "4700.25", "4700.25")) {
            send(
                    200,
                    put(path("/actuals?" + atVersion()))
                            .contentType(MediaType.APPLICATION_JSON)
                            .content(typing.formatted(amount)));
        }
        assertThat(stores.log().latest(plan, 10))
                .as("the same again is no edit")
                .hasSize(2);
        JsonNode shop = send(200, get(path("/actuals")))
                .get("rows")
                .valueStream()
                .filter(row -> row.get("line").asString().equals("shop"))
                .findFirst()
                .orElseThrow();
        assertThat(shop.get("typed").asLong()).isEqualTo(470_025);
        assertThat(plans.current(plan).books().byLine().get("shop").stream()
                        .filter(day -> day.day().equals(LocalDate.of(2026, 3, 8)))
                        .mapToLong(day -> day.minor())
                        .sum())
                .isEqualTo(470_025);
        assertThat(send(
                                422,
                                put(path("/actuals?" + atVersion()))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content(typing.formatted("lots")))
                        .get("detail")
                        .asString())
                .contains("lots");
        assertThat(send(
                                422,
                                put(path("/actuals?" + atVersion()))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content(typing.formatted("5").replace("shop", "moon")))
                        .get("detail")
                        .asString())
                .contains("no line 'moon'");
        assertThat(send(422, get(path("/actuals?from=2026-03-08&to=2026-03-02")))
                        .get("detail")
                        .asString())
                .contains("before they begin");
        send(
                200,
                put(path("/actuals?" + atVersion()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(typing.formatted("")));
        assertThat(plans.current(plan).books().byAccount())
                .isEqualTo(DemoCompany.document().books().byAccount());
        assertThat(plans.current(plan).books().byLine())
                .isEqualTo(DemoCompany.document().books().byLine());
    }
}

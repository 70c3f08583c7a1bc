package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.sim.DemoCompany;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Statements over the api: they balance, agree and add up; an opening is read, proposed and placed; what is tried
 * changes nothing.
 */
@InMemory
class StatementsApiTest extends ApiJourney {
    @BeforeEach
    void addDemo() {
        plan = whole.add(DemoCompany.document());
    }

    private JsonNode statement(String kind, String by) throws Exception {
        return send(200, get(path("/statements?kind=" + kind + "&by=" + by + "&common=true")));
    }

    private static JsonNode row(JsonNode statement, String id) {
        return statement
                .get("rows")
                .valueStream()
                .filter(one -> one.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** A fiscal year, from April, beside its months in a line's editor and among all lines by month. */
    private List<String> months(String line, String from, String of) throws Exception {
        return send(200, get(path("/lines/" + line + "?from=" + from + "&history=0&months=3")))
                .get(of)
                .valueStream()
                .map(one -> one.get("month").asString())
                .toList();
    }

    @Test
    void fiscalYear_besideTheMonthsOfALine_isWhatTheyComeTo() throws Exception {
        JsonNode line = send(200, get(path("/lines/grocery?from=2026-04&history=2&months=12")));
        JsonNode year = line.get("years").get(0);
        assertThat(year.get("year").get("from").asString()).isEqualTo("2026-04");
        assertThat(year.get("year").get("after").asInt()).isEqualTo(14);
        assertThat(line.get("strip")
                        .valueStream()
                        .skip(2)
                        .mapToLong(one -> one.get("amount").asLong())
                        .sum())
                .isEqualTo(year.get("amount").asLong());
        JsonNode all = send(200, get(path("/months?direction=RECEIPT&from=2026-04-01&to=2027-03-31")));
        assertThat(all.get("rows")
                        .valueStream()
                        .filter(one -> one.get("id").asString().equals("grocery"))
                        .findFirst()
                        .orElseThrow()
                        .get("years")
                        .get(0))
                .isEqualTo(year.get("amount"));
        assertThat(send(200, get(path("/lines/grocery?from=2020-01&history=0&months=6")))
                        .get("years"))
                .as("of months that are all past none of the years stands among them")
                .allMatch(one -> one.get("year").get("after").asInt() > 6);
        assertThat(months("grocery", "2026-06", "left")).containsExactly("2026-06", "2026-07", "2026-08");
        assertThat(months("grocery", "2020-01", "left")).startsWith("2026-03");
        assertThat(months("packaging", "2026-06", "stock")).containsExactly("2026-06", "2026-07", "2026-08");
    }

    @Test
    void statements_inEveryLength_balanceAgreeAndAddUpToTheirWorkings() throws Exception {
        for (String by : List.of("MONTH", "QUARTER", "YEAR")) {
            JsonNode balance = statement("balance", by);
            assertThat(row(balance, "assets").get("amounts"))
                    .isEqualTo(row(balance, "liabilities-and-equity").get("amounts"));
            assertThat(row(balance, "assets").get("amounts").size())
                    .isEqualTo(balance.get("periods").size() + 1);
            assertThat(row(balance, "assets").get("shares").get(1).asString()).isEqualTo("100.0");
            JsonNode direct = statement("cash-direct", by);
            JsonNode indirect = statement("cash-indirect", by);
            for (String section : List.of("operating", "investing", "financing", "cash-at-end")) {
                assertThat(row(direct, section).get("amounts"))
                        .as(section)
                        .isEqualTo(row(indirect, section).get("amounts"));
            }
            // One that is forecast whole, after the months of the ledger and the opening.
            int at = balance.get("beforeOpening").asInt();
            while (balance.get("periods").get(at).get("from").asString().compareTo("2026-04-01") < 0) {
                at++;
            }
            JsonNode second = balance.get("periods").get(at);
            String days = "&from=" + second.get("from").asString() + "&to="
                    + second.get("to").asString();
            long parts = send(200, get(path("/statements/workings?kind=balance&row=row receivables" + days)))
                    .valueStream()
                    .mapToLong(one -> one.get("minor").asLong())
                    .sum();
            assertThat(parts)
                    .isEqualTo(row(balance, "row receivables")
                            .get("amounts")
                            .get(at + 1)
                            .asLong());
            JsonNode bridge = send(200, get(path("/statements/bridge?" + days.substring(1))));
            assertThat(bridge.get("steps").get(bridge.get("steps").size() - 1).get("level"))
                    .isEqualTo(bridge.get("closing"));
        }
        assertThat(send(422, get(path("/statements?kind=moon&by=MONTH")))
                        .get("detail")
                        .asString())
                .contains("There is no statement 'moon'");
        assertThat(send(422, get(path("/statements?kind=income&by=WEEK")))
                        .get("detail")
                        .asString())
                .contains("by month, quarter or year");
        assertThat(send(200, get(path("/statements/ratios?by=YEAR")))
                        .get("ratios")
                        .valueStream()
                        .map(one -> one.get("id").asString()))
                .contains("current-ratio", "runway");
    }

    private void keep(String field, JsonNode value) throws Exception {
        ObjectNode settings = new JsonMapper()
                .convertValue(
                        PlanView.plain(ebbtide.formats.plan.PlanWriter.json(
                                plans.current(plan).plan().settings())),
                        ObjectNode.class);
        settings.set(field, value);
        send(
                200,
                put(path("/settings?version=" + plans.current(plan).version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(settings.toString()));
    }

    @Test
    void opening_readFromRows_saysWhatItLacks_isFilledInAndPlaced() throws Exception {
        assertThat(send(200, get(path("/statements/opening"))).get("findings").isEmpty())
                .isTrue();
        MockMultipartFile bad = new MockMultipartFile(
                "file", "o.csv", "text/csv", "Things,5\nTrade debtors,700000".getBytes(StandardCharsets.UTF_8));
        JsonNode read = send(200, multipart(path("/statements/opening/read")).file(bad));
        assertThat(read.get("problems").get(0).get("sentence").asString())
                .startsWith("'Things' does not say what it is");
        assertThat(read.get("sheet").get("entries").size()).isEqualTo(1);
        keep("openingSheet", read.get("sheet"));
        JsonNode opening = send(200, get(path("/statements/opening")));
        assertThat(opening.get("unplaced").asLong()).isNotZero();
        assertThat(opening.get("findings").valueStream().map(one -> one.get("sentence")
                        .asString()))
                .anyMatch(one -> one.startsWith("Nothing clears Trade debtors"));
        keep("openingSheet", send(200, get(path("/statements/opening/proposed"))));
        keep("openingSheet", send(200, get(path("/statements/opening/placed"))));
        assertThat(send(200, get(path("/statements/opening"))).get("unplaced").asLong())
                .isZero();
    }

    @Test
    void whatIsShown_isGivenOutAsCsv() throws Exception {
        for (String show : List.of("income", "balance", "cash-indirect", "ratios", "rolls", "assets", "years")) {
            String csv = mvc.perform(get(path("/statements/csv?by=YEAR&show=" + show)))
                    .andReturn()
                    .getResponse()
                    .getContentAsString(StandardCharsets.UTF_8);
            assertThat(csv.lines()).as(show).hasSizeGreaterThan(5);
        }
        send(422, get(path("/statements/csv?show=moon")));
    }

    @Test
    void paymentTriedOnAnotherDay_changesNothing_untilItIsMoved() throws Exception {
        JsonNode one = send(200, get(path("/funding/movables")))
                .valueStream()
                .filter(some -> some.get("name").asString().startsWith("Lease"))
                .findFirst()
                .orElseThrow();
        long version = plans.current(plan).version();
        JsonNode trial = send(
                200,
                get(path("/funding/movables/trial?to=2026-06-30&id="
                        + one.get("id").asString())));
        assertThat(trial.get("marks").get("lowWaterDay").asString()).isNotEqualTo("2026-05-22");
        assertThat(plans.current(plan).version()).isEqualTo(version);
        send(
                200,
                post(path("/funding/movables/move?version=" + version + "&to=2026-06-30&id="
                        + one.get("id").asString())));
        assertThat(send(200, get(path("/funding/movables"))).toString()).contains("2026-06-30");
        assertThat(send(
                                422,
                                get(path("/funding/movables/trial?to=2020-01-01&id="
                                        + one.get("id").asString())))
                        .get("detail")
                        .asString())
                .contains("moves to a day after");
        assertThat(send(200, get(path("/funding/costs"))).valueStream().map(cost -> cost.get("allIn")
                        .asString()))
                .contains("6.53");
    }
}

package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.books.ActualLedger;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanPast;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.sim.DemoCompany;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import tools.jackson.databind.JsonNode;

/** Months with a trial balance asked of the api (rules 9.5): brought in, placed, shown, undone, and given out. */
@InMemory
class LedgerApiTest extends ApiJourney {
    @BeforeEach
    void addDemoWithoutItsLedger() {
        PlanDocument demo = DemoCompany.document();
        plan = whole.add(new PlanDocument(
                demo.plan(),
                demo.accounts(),
                demo.rules(),
                demo.movements(),
                demo.items(),
                demo.scenarios(),
                ActualLedger.NONE,
                PlanPast.NONE));
    }

    private JsonNode brought(String month, int status, String rows) throws Exception {
        return send(
                status,
                multipart(path("/ledger/months/" + month + "?version=" + version()))
                        .file(new MockMultipartFile(
                                "file", "ledger.csv", "text/csv", rows.getBytes(StandardCharsets.UTF_8))));
    }

    private JsonNode said(int status, String body) throws Exception {
        return send(
                status,
                put(path("/ledger/accounts?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body));
    }

    private JsonNode sales() throws Exception {
        JsonNode view = send(200, get(path("/statements?kind=income&by=MONTH")));
        return view.get("rows")
                .valueStream()
                .filter(row -> row.get("id").asString().equals("beside sales"))
                .findFirst()
                .map(row -> row.get("amounts"))
                .orElse(null);
    }

    @Test
    void trialBalances_arePlaced_shownBeforeTheForecast_undone_andGivenOutWithThePlan() throws Exception {
        brought("2026-01", 200, "Account,Name,Debit,Credit\n4000,Sales,,\"38,000.00\"\n1000,Bank,\"38,000.00\",\n");
        JsonNode second = brought("2026-02", 200, "4000\tSales\t-77,000\n1000\tBank\t77,000\n");
        assertThat(second.get("accounts").asInt()).isEqualTo(2);
        JsonNode view = send(200, get(path("/ledger")));
        assertThat(view.get("remarks").get(0).asString()).contains("accounts 4000 Sales, 1000 Bank");
        JsonNode edit = said(
                200,
                "[{\"account\":\"4000\",\"row\":\"sales\"},{\"account\":\"1000\",\"row\":\"cash\",\"line\":null}]");
        assertThat(edit.get("words").asString()).isEqualTo("2 accounts placed");
        assertThat(sales().get(0).asLong()).isEqualTo(3_800_000);
        assertThat(sales().get(1).asLong()).isEqualTo(3_900_000);
        JsonNode balance = send(200, get(path("/statements?kind=balance&by=MONTH")));
        assertThat(balance.get("beforeOpening").asInt()).isEqualTo(2);
        assertThat(balance.get("actual").get(1).get("months").asInt()).isEqualTo(1);
        said(200, "[{\"account\":\"4000\",\"line\":\"insurance\"}]");
        send(200, delete(path("/lines/insurance?version=" + version())));
        whole.add(PlanReader.read(written(whole.document(plan))));
        send(200, post(path("/undo?version=" + version())));
        send(200, post(path("/undo?version=" + version())));
        String again = whole.add(whole.document(plan));
        assertThat(whole.document(again).actual())
                .isEqualTo(whole.document(plan).actual());
        send(200, delete(path("/ledger/months/2026-02?version=" + version())));
        assertThat(sales().get(1).asLong()).isZero();
        send(200, post(path("/undo?version=" + version())));
        assertThat(sales().get(1).asLong()).isEqualTo(3_900_000);
    }

    /** A plan is opened again from its file, whatever was taken out of it. */
    private static ByteArrayInputStream written(PlanDocument document) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PlanWriter.write(document, out);
        return new ByteArrayInputStream(out.toByteArray());
    }

    @Test
    void whatCannotBeRead_isSaid_andNothingIsKept() throws Exception {
        JsonNode read = brought("2026-01", 200, "4000,Sales,-38000\n4000,Sales,1\n1000,Bank,many\n");
        assertThat(read.get("problems").valueStream().map(one -> one.get("sentence")
                        .asString()))
                .hasSize(2)
                .anySatisfy(sentence -> assertThat(sentence).contains("there twice"));
        assertThat(send(200, get(path("/ledger"))).get("months").size()).isZero();
        assertThat(brought("2026-13", 422, "4000,Sales,1\n").get("detail").asString())
                .contains("A month is written 2026-03");
        assertThat(said(422, "[{\"account\":\"4000\",\"row\":\"turnover\"}]")
                        .get("detail")
                        .asString())
                .contains("There is no row 'turnover'");
        assertThat(said(422, "[{\"account\":\"4000\",\"line\":\"nobody\"}]")
                        .get("detail")
                        .asString())
                .contains("There is no such line");
        send(404, delete(path("/ledger/months/2026-01?version=" + version())));
    }
}

package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.Everywhere;
import ebbtide.app.InMemory;
import ebbtide.app.jobs.BankFiles;
import ebbtide.app.jobs.BringingIn;
import ebbtide.app.jobs.StatementJob;
import ebbtide.app.storage.Stores;
import ebbtide.formats.bank.CsvProposal;
import ebbtide.money.Money;
import ebbtide.sim.DemoCompany;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import tools.jackson.databind.JsonNode;

/** What is done with the bank and with snapshots over the api, and what is refused on the way. */
@InMemory
class JourneyTest extends ApiJourney {
    @Autowired
    private Stores stores;

    @Autowired
    private BankFiles files;

    @BeforeEach
    void addDemoWithThreeOpenMovements() throws Exception {
        plan = whole.add(DemoCompany.document());
        bring("Date,Description,Counterparty,Amount\n02/03/2026,BILL 1,Icehouse Supplies,-100.00\n"
                + "03/03/2026,BILL 2,Icehouse Supplies,-50.00\n04/03/2026,TOLL BRIDGE,,-7.50\n");
    }

    /** The web knows by these words that it is what itself has asked for (bringing.svelte.ts). */
    @Test
    void statementBroughtIn_isCalledByItsFileInTheLog() throws Exception {
        assertThat(send(200, get(path("/changes"))).get(0).get("words").asString())
                .isEqualTo("Statement bank.csv brought in");
    }

    private List<Long> open() throws Exception {
        List<Long> ids = new ArrayList<>();
        send(200, get(path("/movements?unassigned=true")))
                .get("movements")
                .forEach(m -> ids.add(m.get("id").asLong()));
        return ids;
    }

    private JsonNode assign(int status, String ids, String line) throws Exception {
        return send(
                status,
                post(path("/assign?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"movements\": " + ids + ", \"line\": " + line + "}"));
    }

    @Test
    void movements_severalAtOnce_areOneEditAndOneUndo() throws Exception {
        assertThat(open()).hasSize(3);
        assign(200, open().subList(1, 3).toString(), "\"packaging\"");
        assertThat(open()).hasSize(1);
        JsonNode assigned = send(200, get(path("/movements?line=packaging&from=2026-03-02")))
                .get("movements");
        assertThat(assigned).hasSize(2);
        send(200, post(path("/undo")));
        assertThat(open()).hasSize(3);
    }

    @Test
    void suggestions_comeFromEarlierAssignments() throws Exception {
        JsonNode movements = send(200, get(path("/movements?unassigned=true"))).get("movements");
        assertThat(movements.get(2).get("counterparty").asString()).isEqualTo("Icehouse Supplies");
        assertThat(movements.get(2).get("suggestions").get(0).asString()).isEqualTo("packaging");
    }

    @Test
    void movement_dividedOverLines_tiesAndRefusesTooMuch() throws Exception {
        long toll = open().get(0);
        String parts = path("/movements/" + toll + "/parts?version=");
        JsonNode refused = send(
                422,
                put(parts + version())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"parts\": [{\"line\": \"diesel\", \"minor\": -800}]}"));
        assertThat(refused.get("detail").asString())
                .isEqualTo("The parts add up to more than the movement: lower one of them");
        send(
                200,
                put(parts + version())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(
                                "{\"parts\": [{\"line\": \"diesel\", \"minor\": -500}, {\"line\": null, \"minor\": -100}]}"));
        JsonNode left =
                send(200, get(path("/movements?words=toll"))).get("movements").get(0);
        assertThat(left.get("unassigned").asLong()).isEqualTo(-150);
        assertThat(left.get("parts").get(1).get("line").isNull()).isTrue();
        JsonNode cell = send(200, get(path("/workings?row=diesel&from=2026-03-04&to=2026-03-04")));
        assertThat(cell.get("committed").asLong()).isEqualTo(-500);
    }

    @Test
    void assigning_toAGroupOrToNothing_isRefused() throws Exception {
        assertThat(assign(404, open().toString(), "\"group-goods\"")
                        .get("detail")
                        .asString())
                .startsWith("There is no line to assign to 'group-goods'");
        assertThat(assign(404, "[987654321]", "\"diesel\"").get("detail").asString())
                .startsWith("There is no bank movement");
        assertThat(open()).hasSize(3);
    }

    @Test
    void rule_remembered_assignsWhatIsOpenNowAndWhatComesLater() throws Exception {
        String rule = """
        {"id": "ice", "text": "", "counterparty": "icehouse", "direction": "payment", "line": "packaging"}""";
        send(
                200,
                put(path("/rules/ice?apply=true&version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(rule));
        assertThat(open()).hasSize(1);
        bring(
                "Date,Description,Counterparty,Amount\n09/03/2026,BILL 3,ICEHOUSE SUPPLIES LTD,-20.00\n09/03/2026,OTHER,,-1.00\n");
        assertThat(open()).hasSize(2);
        send(200, delete(path("/rules/ice?version=" + version())));
        assertThat(send(200, get(path("/rules")))).hasSize(5);
    }

    @Test
    void snapshot_savedThenBankIn_comparesByWeekMonthAndToDate() throws Exception {
        send(
                200,
                post(path("/snapshots?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"name\": \"Before\", \"note\": \"\"}"));
        String id = send(200, get(path("/snapshots"))).get(0).get("id").asString();
        JsonNode early = send(200, get(path("/snapshots/" + id + "/variance")));
        assertThat(early.get("window").isNull()).as("no facts after it yet").isTrue();
        String settings = send(200, get(path(""))).get("settings").toString().replace("2026-03-01", "2026-03-12");
        send(
                200,
                put(path("/settings?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(settings));
        JsonNode week = send(200, get(path("/snapshots/" + id + "/variance?by=WEEK&from=2026-03-03")));
        assertThat(week.get("window").get("to").asString()).isEqualTo("2026-03-08");
        assertThat(week.get("windows")).hasSize(2);
        JsonNode toDate = send(200, get(path("/snapshots/" + id + "/variance?by=TO_DATE")));
        assertThat(toDate.get("window").get("to").asString()).isEqualTo("2026-03-12");
        for (JsonNode variance : List.of(week, toDate)) {
            JsonNode closing = variance.get("rows").get(variance.get("rows").size() - 1);
            assertThat(closing.get("variance").asLong())
                    .isEqualTo(closing.get("actual").asLong()
                            - closing.get("forecast").asLong());
        }
        send(200, delete(path("/snapshots/" + id + "?version=" + version())));
        assertThat(send(200, get(path("/snapshots")))).isEmpty();
        send(200, post(path("/undo")));
        assertThat(send(200, get(path("/snapshots")))).hasSize(1);
    }

    @Test
    void accountsAndSettings_thatCannotBe_areRefusedInASentence() throws Exception {
        assertThat(send(422, delete(path("/accounts/current?version=" + version())))
                        .get("detail")
                        .asString())
                .isEqualTo(
                        "Current account has bank movements and cannot be taken out: mark it restricted, and it stands outside the forecast");
        String settings = send(200, get(path(""))).get("settings").toString().replace("GBP", "EUR");
        assertThat(send(
                                422,
                                put(path("/settings?version=" + version()))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content(settings))
                        .get("detail")
                        .asString())
                .startsWith("The currency of a plan stays GBP");
        assertThat(send(
                                422,
                                post(path("/snapshots?version=" + version()))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content("{\"name\": \"  \"}"))
                        .get("detail")
                        .asString())
                .startsWith("Name of the snapshot must not be empty");
    }

    /** A file of more rows than are held is read a second time as it is laid down: the same as if it were not. */
    @Test
    @Everywhere
    void bankFile_ofManyRows_bringsInEachOnce_butThoseThatCannotBeRead() throws Exception {
        StringBuilder csv = new StringBuilder("Date,Description,Amount\n");
        int rows = 100_200;
        for (int i = 0; i < rows; i++) {
            csv.append(
                    i % 1000 == 7
                            ? "30/02/2026,NO SUCH DAY,-1.00\n"
                            : "0" + (2 + i / 20_000) + "/03/2026,ROW " + i + ",-1.01\n");
        }
        byte[] bytes = csv.toString().getBytes(StandardCharsets.UTF_8);
        BankFiles.HeldFile held =
                files.hold(plan, "current", "many.csv", bytes.length, path -> Files.write(path, bytes));
        long before = plans.current(plan).books().cash(LocalDate.of(2026, 3, 31));
        StatementJob job = new StatementJob(
                held,
                StatementJob.csv("current", CsvProposal.of(bytes).dialect().orElseThrow(), Money.currency("GBP")),
                true,
                List.of(),
                edits,
                stores.statements());
        job.run();
        assertThat(job.standing().progress().sentence()).isEqualTo("100099 movements brought in.");
        assertThat(job.standing().progress().badRows()).isEqualTo(101);
        assertThat(plans.current(plan).books().cash(LocalDate.of(2026, 3, 31))).isEqualTo(before - 100_099L * 101);
    }

    @Test
    void bankFile_stoppedOrUnreadable_bringsInNothing() throws Exception {
        byte[] csv = "Date,Description,Amount\n02/03/2026,TEA,-3.00\n".getBytes(StandardCharsets.UTF_8);
        BankFiles.HeldFile held = files.hold(plan, "current", "tea.csv", csv.length, path -> Files.write(path, csv));
        long before = version();
        StatementJob job = new StatementJob(
                held,
                StatementJob.csv("current", CsvProposal.of(csv).dialect().orElseThrow(), Money.currency("GBP")),
                false,
                List.of(),
                edits,
                stores.statements());
        job.stop();
        assertThat(job.standing().progress().sentence()).startsWith("Stopping");
        job.run();
        assertThat(job.standing().progress().state()).isEqualTo(BringingIn.State.STOPPED);
        assertThat(version()).isEqualTo(before);
        JsonNode words = send(
                200,
                multipart(path("/bank-files?account=current"))
                        .file(new MockMultipartFile(
                                "file",
                                "words.csv",
                                "text/csv",
                                "no dates\nat all\n".getBytes(StandardCharsets.UTF_8))));
        assertThat(words.get("dialect").isNull()).isTrue();
        assertThat(send(
                                422,
                                multipart(path("/bank-files"))
                                        .file(new MockMultipartFile(
                                                "file",
                                                "letter.pdf",
                                                "application/pdf",
                                                "%PDF-1.4".getBytes(StandardCharsets.UTF_8))))
                        .get("detail")
                        .asString())
                .isEqualTo(
                        "The file 'letter.pdf' is neither camt.053, MT940 nor OFX, and no CSV: export the statement from the bank as one of these");
        assertThat(send(
                                422,
                                multipart(path("/bank-files?account=current"))
                                        .file(new MockMultipartFile("file", "empty.csv", "text/csv", new byte[0])))
                        .get("detail")
                        .asString())
                .isEqualTo("The file 'empty.csv' is empty: export it from the bank again");
    }

    private JsonNode hand(String name, String text) throws Exception {
        return send(
                200,
                multipart(path("/bank-files"))
                        .file(new MockMultipartFile(
                                "file", name, "text/plain", text.getBytes(StandardCharsets.UTF_8))));
    }

    private JsonNode taken(String file, String accounts) throws Exception {
        JsonNode job = send(
                200,
                post(path("/bank-files/" + file + "/statements/take"))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(accounts));
        String id = job.get("id").asString();
        for (int i = 0; i < 200 && !job.get("state").asString().equals("DONE"); i++) {
            Thread.sleep(20);
            job = send(200, get(path("/bank-files/jobs/" + id)));
        }
        return job;
    }

    /**
     * A statement of a day on which the demo's account moves nothing else: its balances follow on, are held to the
     * books, and undone.
     */
    @Test
    void standardStatement_findsItsAccountAgain_andSaysWhatIsAmiss() throws Exception {
        String mt940 =
                ":20:X\n:25:0000-9\n:28C:1\n:60F:C260301GBP1000,00\n:61:2603290329C5,00NTRFNONREF\n:86:INTEREST\n:62F:C260329GBP1005,00\n-\n";
        JsonNode held = hand("a.sta", mt940);
        assertThat(held.get("format").asString()).isEqualTo("MT940");
        assertThat(held.get("statements").get(0).get("account").isNull()).isTrue();
        String file = held.get("id").asString();
        assertThat(send(
                                422,
                                post(path("/bank-files/" + file + "/statements/take"))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content("{}"))
                        .get("detail")
                        .asString())
                .isEqualTo("Say which account the number '0000-9' is");
        JsonNode said = send(
                200,
                post(path("/bank-files/" + file + "/accounts"))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"0000-9\": \"reserve\"}"));
        assertThat(said.get("statements").get(0).get("amiss").asString())
                .startsWith("It opens with 1,000, but the books hold");
        assertThat(taken(file, "{\"0000-9\": \"reserve\"}").get("sentence").asString())
                .isEqualTo("1 movement brought in.");
        JsonNode statements =
                send(200, get(path("/position?from=2026-03-01&to=2026-03-30"))).get("statements");
        JsonNode last = statements
                .valueStream()
                .filter(one -> one.get("fileName").asString().equals("a.sta"))
                .findFirst()
                .orElseThrow();
        assertThat(last.get("closing").asLong()).isEqualTo(100_500);
        assertThat(last.get("amiss").asString()).contains("It opens with 1,000");
        JsonNode again = hand("a.sta", mt940).get("statements").get(0);
        assertThat(again.get("account").asString()).isEqualTo("reserve");
        assertThat(again.get("isThere").asBoolean()).isTrue();
        assertThat(send(
                                422,
                                multipart(path("/bank-files"))
                                        .file(new MockMultipartFile(
                                                "file",
                                                "b.sta",
                                                "text/plain",
                                                mt940.replace("GBP", "EUR").getBytes(StandardCharsets.UTF_8))))
                        .get("detail")
                        .asString())
                .isEqualTo("Statement 1 is in EUR, but the plan is in GBP: bring it into a plan of its own currency");
        send(200, post(path("/undo")));
    }

    @Test
    void planFile_takenOutAndBroughtIn_isTheSamePlanAgain() throws Exception {
        byte[] file = mvc.perform(get(path("/file"))).andReturn().getResponse().getContentAsByteArray();
        String copy = send(
                        200,
                        post("/api/plans")
                                .contentType(MediaType.APPLICATION_JSON)
                                .content(file))
                .get("id")
                .asString();
        assertThat(whole.document(copy).plan()).isEqualTo(whole.document(plan).plan());
        assertThat(whole.document(copy).rules()).isEqualTo(whole.document(plan).rules());
        assertThat(whole.document(copy).movements())
                .containsExactlyInAnyOrderElementsOf(whole.document(plan).movements());
        assertThat(plans.current(copy).forecast().lowWater())
                .isEqualTo(plans.current(plan).forecast().lowWater());
    }
}

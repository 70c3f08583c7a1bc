package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import ebbtide.app.InMemory;
import ebbtide.app.storage.Stores;
import ebbtide.money.Money;
import ebbtide.sim.DemoCompany;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import tools.jackson.databind.JsonNode;

/** What is done with open items over the api: settled by movements, taken over from a ledger's list, opened again. */
@InMemory
class ItemJourneyTest extends ApiJourney {
    @Autowired
    private Stores stores;

    @BeforeEach
    void addDemoWithThreeOpenMovements() throws Exception {
        plan = whole.add(DemoCompany.document());
        bring("Date,Description,Counterparty,Amount\n02/03/2026,BILL 1,Icehouse Supplies,-100.00\n"
                + "03/03/2026,BILL 2,Icehouse Supplies,-50.00\n04/03/2026,TOLL BRIDGE,,-7.50\n");
    }

    private MockMultipartFile list(String text) {
        return new MockMultipartFile("file", "list.csv", "text/csv", text.getBytes(StandardCharsets.UTF_8));
    }

    private String itemOn(String line, String number, String counterparty, String open) throws Exception {
        tools.jackson.databind.node.ObjectNode assumed = (tools.jackson.databind.node.ObjectNode)
                send(200, get(path("/lines/" + line))).get("line");
        ((tools.jackson.databind.node.ObjectNode) assumed.get("assumption")).put("basis", "books");
        send(
                200,
                put(path("/lines/" + line + "?words=kept&version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(assumed.toString()));
        String json = "{\"id\": \"" + number + "\", \"kind\": \"invoice\", \"number\": \"" + number
                + "\", \"counterparty\": \"" + counterparty + "\", \"line\": \"" + line
                + "\", \"issued\": \"2026-02-10\", \"due\": \"2026-03-05\", \"amount\": \"" + open + "\"}";
        send(
                200,
                put(path("/items?words=typed&version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("[" + json + "]"));
        return number;
    }

    /**
     * A movement settles a bill by one proposal, what is over stays open or to assign; unassigning opens it again, and
     * undo takes all back.
     */
    @Test
    void movement_settlesABill_andOpensItAgainWhenItIsUnassigned() throws Exception {
        String item = itemOn("diesel", "BILL-1", "Icehouse Supplies", "130.00");
        String twin = send(200, get(path("/items?direction=PAYMENT&words=BILL-1")))
                .get("items")
                .get(0)
                .get("item")
                .toString()
                .replace("\"id\":\"BILL-1\"", "\"id\":\"twin\"");
        assertThat(send(
                                422,
                                put(path("/items?words=typed&version=" + version()))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content("[" + twin.replace("BILL-1", "BILL-2") + "," + twin + "]"))
                        .get("detail")
                        .asString())
                .startsWith("'BILL-1' of Icehouse Supplies is there already");
        assertThat(send(200, get(path("/items?direction=PAYMENT&words=BILL-2"))).get("items"))
                .as("refused with the one that is there")
                .isEmpty();
        JsonNode movement = send(200, get(path("/movements?unassigned=true")))
                .get("movements")
                .valueStream()
                .filter(one -> one.get("text").asString().equals("BILL 1"))
                .findFirst()
                .orElseThrow();
        assertThat(movement.get("settles").get("words").asString()).isEqualTo("BILL-1");
        assertThat(movement.get("settles").get("because").asString()).isEqualTo("named in the bank's text, in part");
        String base = "/movements/" + movement.get("id").asLong();
        assertThat(send(200, get(path(base + "/settlements")))
                        .get(0)
                        .get("parts")
                        .get(0)
                        .get("minor")
                        .asLong())
                .isEqualTo(10_000);
        String settle = base + "/settle?version=";
        assertThat(send(
                                422,
                                post(path(settle + version()))
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content(
                                                "{\"parts\": [{\"item\": \"BILL-1\", \"minor\": 10000, \"less\": 5000}]}"))
                        .get("detail")
                        .asString())
                .isEqualTo("Only 130 is open of BILL-1 of Icehouse Supplies: settle no more than that");
        long before = plans.current(plan)
                .forecast()
                .closing(plans.current(plan).forecast().lastDay());
        send(
                200,
                post(path(settle + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"parts\": [{\"item\": \"BILL-1\", \"minor\": 10000, \"less\": 500}]}"));
        assertThat(open(item)).isEqualTo(2_500);
        assertThat(plans.current(plan)
                        .forecast()
                        .closing(plans.current(plan).forecast().lastDay()))
                .as("counted once: the discount is saved")
                .isEqualTo(before + 10_000 + 500);
        assertThat(whole.document(plan).movements())
                .anyMatch(m -> m.parts().stream().anyMatch(part -> item.equals(part.itemId()) && part.less() == 500));
        assertThat(plans.current(plan).books()).isEqualTo(reloaded());
        send(
                200,
                put(path(base + "/parts?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"parts\": []}"));
        assertThat(open(item)).isEqualTo(13_000);
        String paid = twin.replace("\"id\":\"twin\"", "\"id\":\"BILL-1\"")
                .replaceFirst("\"open\":\"[^\"]+\"", "\"open\":\"0\",\"listed\":\"0\",\"paid\":\"2026-02-28\"");
        send(
                200,
                put(path("/items?words=paid&version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("[" + paid + "]"));
        send(
                200,
                post(path(settle + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"parts\": [{\"item\": \"BILL-1\", \"minor\": 10000, \"less\": 3000}]}"));
        send(
                200,
                put(path(base + "/parts?version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"parts\": []}"));
        assertThat(open(item))
                .as("the ledger has it as paid: taking the movement back opens nothing")
                .isZero();
        for (int i = 0; i < 3; i++) {
            send(200, post(path("/undo")));
        }
        send(200, post(path("/undo")));
        assertThat(open(item)).isEqualTo(2_500);
        send(200, post(path("/undo")));
        assertThat(open(item)).isEqualTo(13_000);
        assertThat(plans.current(plan).books()).isEqualTo(reloaded());
    }

    private long open(String item) {
        return plans.current(plan).books().items().all().stream()
                .filter(one -> one.id().equals(item))
                .findFirst()
                .orElseThrow()
                .amount()
                .open();
    }

    /** The books as the database has them, added up anew. */
    private Object reloaded() {
        return ebbtide.books.Books.of(
                        whole.document(plan).accounts(), whole.document(plan).movements())
                .with(plans.current(plan)
                        .books()
                        .items()
                        .settled(ebbtide.books.BankMovement.settled(
                                whole.document(plan).movements())))
                .with(whole.document(plan).actual());
    }

    /**
     * A list taken over, edited, brought in again with a change and a gap, and all of it undone: the forecast is as it
     * was.
     */
    @Test
    void ledgerList_takenOverEditedAndUndone_leavesThePlanAsItWas() throws Exception {
        Object before = plans.current(plan).forecast().lowWater();
        String text =
                "Number,Customer,Date,Due,Amount,Open,Paid on\nA-1,Brisemer Distribution,2026-02-02,2026-03-04,100.00,100.00,\n"
                        + "A-2,Brisemer Distribution,2026-02-09,2026-03-11,50.00,50.00,\nA-3,Brisemer Distribution,2026-01-02,2026-02-01,10.00,0.00,2026-02-06\n";
        JsonNode look =
                send(200, multipart(path("/item-lists/look?line=export")).file(list(text)));
        assertThat(look.get("added").asInt()).isEqualTo(3);
        assertThat(send(200, multipart(path("/item-lists/look?line=export")).file(list("Customer,Town\nA,B\n")))
                        .get("refusal")
                        .asString())
                .startsWith("Say which column holds the number");
        String chosen = java.net.URLEncoder.encode(look.get("columns").toString(), StandardCharsets.UTF_8)
                .replace("+", "%20");
        send(
                200,
                multipart(java.net.URI.create(
                                path("/item-lists/take?line=export&version=" + version() + "&chosen=" + chosen)))
                        .file(list(text)));
        assertThat(send(200, get(path("/items?direction=RECEIPT&words=A-"))).get("items"))
                .as("items count only where they are kept")
                .isEmpty();
        assertThat(send(200, get(path(""))).get("missing").toString())
                .contains("has 2 open items, but is planned by its pattern alone");
        tools.jackson.databind.node.ObjectNode line = (tools.jackson.databind.node.ObjectNode)
                send(200, get(path("/lines/export"))).get("line");
        ((tools.jackson.databind.node.ObjectNode) line.get("assumption")).put("basis", "books");
        send(
                200,
                put(path("/lines/export?words=kept&version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(line.toString()));
        JsonNode items = send(200, get(path("/items?direction=RECEIPT&words=A-")));
        assertThat(items.get("items")
                        .valueStream()
                        .mapToLong(
                                one -> Money.minor(one.get("item").get("open").asString(), Money.currency("GBP")))
                        .sum())
                .isEqualTo(15_000);
        assertThat(items.get("items").get(0).get("because").asString())
                .isEqualTo("due 2026-03-04, usually 5 days late (1 paid before)");
        assertThat(send(200, get(path("/items/habits?direction=RECEIPT")))
                        .get("counterparties")
                        .valueStream()
                        .filter(one -> one.get("counterparty").asString().equals("Brisemer Distribution"))
                        .findFirst()
                        .orElseThrow()
                        .get("days")
                        .asInt())
                .isEqualTo(5);
        assertThat(numbers("order=OPEN")).containsExactly("A-2", "A-1");
        assertThat(numbers("order=NUMBER&descending=true")).containsExactly("A-2", "A-1");
        assertThat(numbers("show=LATE")).isEmpty();
        tools.jackson.databind.node.ObjectNode item = (tools.jackson.databind.node.ObjectNode)
                items.get("items").get(0).get("item");
        item.put("expected", "2026-04-20");
        send(
                200,
                put(path("/items?words=later&version=" + version()))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("[" + item + "]"));
        assertThat(numbers("show=SAID")).containsExactly("A-1");
        JsonNode again = send(
                200,
                multipart(path("/item-lists/look?line=export"))
                        .file(list(text.replace("100.00,100.00", "100.00,40.00")
                                .replace("A-2,Brisemer Distribution,2026-02-09,2026-03-11,50.00,50.00,\n", ""))));
        assertThat(again.get("remembered").asBoolean()).isTrue();
        assertThat(java.util.List.of(
                        again.get("added").asInt(),
                        again.get("changed").asInt(),
                        again.get("same").asInt(),
                        again.get("vanished").asInt()))
                .containsExactly(0, 1, 1, 1);
        assertThat(send(422, delete(path("/lines/export?version=" + version())))
                        .get("detail")
                        .asString())
                .startsWith("The line has 3 open or paid items");
        for (int i = 0; i < 3; i++) {
            send(200, post(path("/undo")));
        }
        assertThat(plans.current(plan).forecast().lowWater()).isEqualTo(before);
        assertThat(plans.current(plan).books().items().of("export")).isEmpty();
    }

    private java.util.List<String> numbers(String query) throws Exception {
        return send(200, get(path("/items?direction=RECEIPT&words=A-&" + query)))
                .get("items")
                .valueStream()
                .map(one -> one.get("item").get("number").asString())
                .toList();
    }
}

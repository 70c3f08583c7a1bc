package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import ebbtide.Everywhere;
import ebbtide.app.InMemory;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.books.BankMovement;
import ebbtide.books.OpenItem;
import ebbtide.money.Money;
import ebbtide.sim.DemoCompany;
import ebbtide.sim.StandIns;
import ebbtide.time.Period;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** The demo rolled forward week by week with what its banks and ledger issue: everything ties to the penny. */
@Everywhere
// It takes the longest: the others run beside it.
@Order(1)
@InMemory
class RollTest extends ApiJourney {
    private static final StandIns STAND_INS = StandIns.start();
    private static final String ACCOUNTS =
            "{\"0000-current\": \"current\", \"0000-shop-takings\": \"shop-takings\", \"0000-reserve\": \"reserve\"}";
    private static final Map<String, String> SURPRISES = Map.of(
            "PONTOON CHAIN EMERGENCY", "repairs", "COLD STORE COMPRESSOR", "repairs", "BANK CHARGES", "marketing");
    private int ahead;

    @DynamicPropertySource
    static void issued(DynamicPropertyRegistry registry) {
        registry.add("ebbtide.issued", STAND_INS::address);
    }

    @AfterAll
    static void end() {
        STAND_INS.close();
    }

    @BeforeEach
    void addDemo() {
        plan = whole.add(DemoCompany.document());
    }

    private JsonNode act(int status, String rest, String body) throws Exception {
        String at = rest + (rest.contains("?") ? "&" : "?") + "version="
                + plans.current(plan).version();
        return send(
                status, post(path(at)).contentType(MediaType.APPLICATION_JSON).content(body));
    }

    private MockMultipartFile file(JsonNode issued) {
        return new MockMultipartFile(
                "file",
                issued.get("name").asString(),
                "text/plain",
                issued.get("text").asString().getBytes(StandardCharsets.UTF_8));
    }

    private void statement(JsonNode issued) throws Exception {
        JsonNode held = send(200, multipart(path("/bank-files")).file(file(issued)));
        held.get("statements")
                .forEach(one ->
                        assertThat(one.get("amiss").isNull()).as(one.toString()).isTrue());
        JsonNode job = send(
                200,
                post(path("/bank-files/" + held.get("id").asString() + "/statements/take"))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(ACCOUNTS));
        for (int i = 0; i < 500 && !job.get("state").asString().equals("DONE"); i++) {
            Thread.sleep(5);
            job = send(200, get(path("/bank-files/jobs/" + job.get("id").asString())));
        }
        assertThat(job.get("state").asString()).isEqualTo("DONE");
    }

    /** Takes a list over; returns by how many items the bank is ahead of it. */
    private int list(JsonNode issued) throws Exception {
        String line = issued.get("line").asString();
        JsonNode look =
                send(200, multipart(path("/item-lists/look?line=" + line)).file(file(issued)));
        assertThat(look.get("vanished").asInt()).isZero();
        String chosen = URLEncoder.encode(look.get("columns").toString(), StandardCharsets.UTF_8)
                .replace("+", "%20");
        send(
                200,
                multipart(URI.create(path("/item-lists/take?line=" + line + "&version="
                                + plans.current(plan).version() + "&chosen=" + chosen)))
                        .file(file(issued)));
        return look.get("ahead").asInt();
    }

    private JsonNode unassigned() throws Exception {
        return send(200, get(path("/movements?unassigned=true&limit=500"))).get("movements");
    }

    /** Settles and assigns as a person would: what is named, then the likeliest proposal, then the likeliest line. */
    private void settleAndAssign() throws Exception {
        List<Long> plain = new ArrayList<>();
        unassigned().forEach(one -> {
            if (one.get("plain").asBoolean()) {
                plain.add(one.get("id").asLong());
            }
        });
        if (!plain.isEmpty()) {
            act(200, "/movements/settle-named", "{\"movements\": " + plain + "}");
        }
        for (JsonNode before : unassigned()) {
            String base = "/movements/" + before.get("id").asLong();
            JsonNode first = send(200, get(path(base + "/settlements"))).path(0);
            if (first.path("left").asLong(1) == 0
                    && !first.get("because").asString().contains("another name")) {
                act(
                        200,
                        base + "/settle",
                        "{\"parts\": "
                                + first.get("parts")
                                        .valueStream()
                                        .map(part -> "{\"item\": " + part.get("item") + ", \"minor\": "
                                                + part.get("minor") + ", \"less\": " + part.get("less") + "}")
                                        .toList()
                                + "}");
            } else {
                String line = SURPRISES.getOrDefault(
                        before.get("text").asString(),
                        before.get("suggestions").path(0).asString("shop"));
                act(200, "/assign", "{\"movements\": [" + before.get("id").asLong() + "], \"line\": \"" + line + "\"}");
            }
        }
        assertThat(unassigned()).isEmpty();
    }

    /** Rolls forward by a week: carries the largest difference, drops the rest. Returns the lists that came in. */
    private List<JsonNode> week() throws Exception {
        act(200, "/roll/begin", "");
        LocalDate from = plans.current(plan).plan().settings().asOf();
        JsonNode issued = send(200, get(path("/roll/issued?step=WEEK")));
        for (JsonNode one : issued) {
            if (one.get("line").isNull()) {
                statement(one);
            }
        }
        act(200, "/roll/to?day=" + from.plusWeeks(1), "");
        List<JsonNode> lists =
                issued.valueStream().filter(one -> !one.get("line").isNull()).toList();
        // Whichever comes first, the bank's word or the ledger's: a payment is one payment.
        boolean bankFirst = from.getDayOfYear() % 2 == 0;
        if (bankFirst) {
            settleAndAssign();
        }
        for (JsonNode one : lists) {
            ahead += list(one);
        }
        if (!bankFirst) {
            settleAndAssign();
        }
        JsonNode differences = send(200, get(path("/roll"))).get("differences");
        if (!differences.isEmpty()) {
            assertThat(act(422, "/roll/done", "").get("detail").asString()).contains("neither carried nor dropped");
            String line = differences.get(0).get("line").asString();
            long before = ahead(line);
            act(200, "/roll/decide", "{\"key\": " + differences.get(0).get("key") + ", \"carry\": true}");
            assertThat(ahead(line))
                    .as("carried: %s", differences.get(0))
                    .isEqualTo(before - differences.get(0).get("open").asLong());
            act(200, "/roll/drop-rest", "");
        }
        act(200, "/roll/done", "");
        return lists;
    }

    /**
     * What a line still brings up to the horizon: cash as a whole would bear the interest of what is drawn for it, too.
     */
    private long ahead(String line) {
        PlanAtVersion now = plans.current(plan);
        return now.forecast()
                .cell(
                        now.plan().findLine(line).orElseThrow(),
                        new Period(
                                now.plan().settings().asOf().plusDays(1),
                                now.forecast().lastDay().plusDays(1)))
                .amount();
    }

    /** What a list says is outstanding, in minor units, without orders. */
    private static long outstanding(JsonNode list) {
        return list.get("text")
                .asString()
                .lines()
                .skip(1)
                .map(line -> line.split(",", -1))
                .filter(row -> row[2].equals("Invoice"))
                .mapToLong(row -> Money.minor(row[8], Money.currency("GBP")))
                .sum();
    }

    @Test
    void twentySixWeeks_rolledForward_tieToThePenny() throws Exception {
        for (int week = 0; week < 26; week++) {
            List<JsonNode> lists = week();
            PlanAtVersion now = plans.current(plan);
            LocalDate sunday = now.plan().settings().asOf();
            JsonNode roll = send(200, get(path("/roll")));
            long bank = 0;
            for (JsonNode account : roll.get("accounts")) {
                assertThat(account.get("balance").asLong())
                        .as("%s on %s", account.get("name"), sunday)
                        .isEqualTo(account.get("closing").asLong());
                assertThat(account.get("statementTo").asString()).isEqualTo(sunday.toString());
                bank += account.get("closing").asLong();
            }
            assertThat(now.forecast().closing(sunday)).isEqualTo(bank);
            Map<String, Long> settled = new HashMap<>();
            for (BankMovement movement : whole.document(plan).movements()) {
                assertThat(movement.unassigned()).isZero();
                LocalDate day = movement.bookingDate();
                movement.parts().stream()
                        .filter(part -> part.itemId() != null)
                        .forEach(part -> settled.merge(
                                part.itemId() + (day.isAfter(lastEntered(sunday)) ? " late" : ""),
                                Math.abs(part.minor()) + part.less(),
                                Long::sum));
            }
            for (JsonNode list : lists) {
                long open = 0;
                for (OpenItem item : now.books().items().of(list.get("line").asString())) {
                    open += item.kind() == OpenItem.Kind.ORDER
                            ? 0
                            : item.amount().open() + settled.getOrDefault(item.id() + " late", 0L);
                }
                assertThat(open)
                        .as(
                                "%s on %s: open here, and settled after what the ledger has entered",
                                list.get("line"), sunday)
                        .isEqualTo(outstanding(list));
            }
        }
        assertThat(ahead)
                .as("items that the bank had settled before the ledger entered it")
                .isPositive();
        assertThat(plans.current(plan).plan().settings().asOf()).isEqualTo("2026-08-30");
        assertThat(send(422, get(path("/roll/issued?step=DAY"))).get("detail").asString())
                .contains("from 2026-03-02 to 2026-08-30");
    }

    /**
     * The ledger enters a payment on the business day after it was booked: those of the last business day are not in
     * its list.
     */
    private static LocalDate lastEntered(LocalDate sunday) {
        LocalDate friday = sunday.minusDays(sunday.getDayOfWeek().getValue() - DayOfWeek.FRIDAY.getValue());
        ebbtide.time.BusinessDays days = ebbtide.time.BusinessDays.ofCountry("GB");
        return days.previousOrSame(days.previousOrSame(friday).minusDays(1));
    }

    @Test
    void rollForward_begunLeftAndUndone_leavesThePlanAsItWas() throws Exception {
        Object before = whole.document(plan);
        week();
        assertThat(send(200, get(path("/roll"))).get("done").asBoolean()).isTrue();
        assertThat(act(422, "/roll/to?day=2026-03-12", "").get("detail").asString())
                .isEqualTo("No roll forward is under way: begin one");
        act(200, "/roll/begin", "");
        assertThat(act(422, "/roll/begin", "").get("detail").asString())
                .contains("is still under way: finish it, or undo it");
        assertThat(act(422, "/roll/to?day=2026-03-08", "").get("detail").asString())
                .contains("comes after 8 Mar 2026");
        assertThat(act(422, "/roll/done", "").get("detail").asString()).startsWith("Bring in statements");
        send(200, post(path("/roll/undo")));
        JsonNode roll = send(200, get(path("/roll")));
        assertThat(roll.get("number").asInt()).isEqualTo(1);
        assertThat(roll.get("edits").asInt()).isGreaterThan(10);
        send(200, post(path("/roll/undo")));
        assertThat(whole.document(plan)).isEqualTo(before);
        assertThat(send(200, get(path("/roll"))).get("number").asInt()).isZero();
        assertThat(send(200, get(path("/snapshots")))).isEmpty();
        assertThat(send(422, post(path("/roll/undo"))).get("detail").asString())
                .isEqualTo("Nothing was rolled forward");
    }
}

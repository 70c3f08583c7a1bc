package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Everywhere;
import java.io.ByteArrayOutputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Isolated;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Files as large as may be sent, made to take as much memory as they can: each is taken or refused in words by a
 * program with the memory it always has, and others are answered meanwhile and after.
 */
@Everywhere
@Isolated
@Order(2)
class HostileTest {
    private static final JsonMapper JSON = new JsonMapper();
    private static final Duration PATIENCE = Duration.ofMinutes(3);
    private static final int PLAN = 48 << 20;
    private static final int STANDARD = 49_900_000;
    private static final int LIST = (30 << 20) - 1_000;
    private static final int SHEET = (20 << 20) - 1_000;
    private static final int LINE = 95 << 20;
    private static final String HEAD = "{\"format\":\"ebbtide-plan\",\"version\":1,";

    private final HttpClient client = HttpClient.newHttpClient();
    private final List<String> told = new ArrayList<>();

    @TempDir
    private Path folder;

    private Running running;
    private String plan;

    /** So much of a text between two others, again and again, each time told how often it was before. */
    private static byte[] filled(String before, IntFunction<String> part, String after, int size) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(size);
        out.writeBytes(before.getBytes(StandardCharsets.UTF_8));
        int room = size - after.length();
        for (int i = 0; ; i++) {
            byte[] next = part.apply(i).getBytes(StandardCharsets.UTF_8);
            if (out.size() + next.length > room) {
                break;
            }
            out.writeBytes(next);
        }
        out.writeBytes(after.getBytes(StandardCharsets.UTF_8));
        return out.toByteArray();
    }

    private static byte[] filled(String before, String part, String after, int size) {
        return filled(before, i -> part, after, size);
    }

    /** A demo's statement with its entries, from one mark to another, as often as there is room. */
    private static byte[] statement(String name, String from, String to, int size) throws Exception {
        String whole = Files.readString(Path.of("../demo/standard", name));
        int at = whole.indexOf(from);
        int end = whole.lastIndexOf(to) + (to.startsWith("<") ? to.length() : 0);
        return filled(whole.substring(0, at), whole.substring(at, end), whole.substring(end), size);
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(running.url() + path))
                .timeout(PATIENCE)
                .header("Cookie", "XSRF-TOKEN=a")
                .header("X-XSRF-TOKEN", "a");
    }

    private HttpResponse<String> send(String path, byte[] file) throws Exception {
        HttpRequest.Builder request = request(path);
        if (path.equals("/api/plans")) {
            request.header("Content-Type", "application/json").POST(BodyPublishers.ofByteArray(file));
        } else {
            // Not in parts: how long it is is said beforehand.
            ByteArrayOutputStream body = new ByteArrayOutputStream(file.length + 200);
            body.writeBytes(("--cut\r\nContent-Disposition: form-data; name=\"file\"; filename=\"f.csv\"\r\n"
                            + "Content-Type: text/plain\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            body.writeBytes(file);
            body.writeBytes("\r\n--cut--\r\n".getBytes(StandardCharsets.US_ASCII));
            request.header("Content-Type", "multipart/form-data; boundary=cut")
                    .POST(BodyPublishers.ofByteArray(body.toByteArray()));
        }
        return client.send(request.build(), BodyHandlers.ofString());
    }

    /** Sends a file while somebody asks for the plan again and again; it is answered, and so is everybody. */
    private HttpResponse<String> attack(String what, String path, byte[] file) throws Exception {
        long begun = System.nanoTime();
        CompletableFuture<HttpResponse<String>> sent = CompletableFuture.supplyAsync(() -> {
            try {
                return send(path, file);
            } catch (Exception e) {
                throw new IllegalStateException(what, e);
            }
        });
        long longest = 0;
        do {
            long asked = System.nanoTime();
            assertThat(client.send(request("/api/plans").build(), BodyHandlers.ofString())
                            .statusCode())
                    .as(what)
                    .isEqualTo(200);
            longest = Math.max(longest, System.nanoTime() - asked);
            Thread.sleep(50);
        } while (!sent.isDone());
        HttpResponse<String> answer = sent.get();
        String said = answer.body().length() > 140 ? answer.body().substring(0, 140) : answer.body();
        told.add(what + ": " + answer.statusCode() + " after "
                + Duration.ofNanos(System.nanoTime() - begun).toMillis() + " ms, others at most "
                + Duration.ofNanos(longest).toMillis() + " ms; " + said);
        assertThat(answer.statusCode()).as(what + ": " + said).isIn(200, 400, 413, 422, 507);
        return answer;
    }

    private String of(String rest) {
        return "/api/plans/" + plan + rest;
    }

    @Test
    void filesMadeToFillTheMemory_areTakenOrRefused_andOthersAreAnsweredMeanwhile() throws Exception {
        running = Running.start(folder.resolve("output"), "", "demo");
        try {
            plan = JSON.readTree(running.get("/api/plans")).get(0).get("id").asString();
            planFiles();
            standardStatements();
            String bank = of("/bank-files?account=current");
            attack("a line of 95 MB", bank, filled("Date,Text,Amount\n2026-03-02,", "x", ",1.00\n", LINE));
            attack("95 MB of commas", bank, filled("Date,Text,Amount\n", ",", "\n", LINE));
            attack("a quote that never ends", bank, filled("Date,Text,Amount\n\"", "a\n", "", LINE));
            String list = of("/item-lists/look?line=grocery");
            attack("a list of one cell", list, filled("Number,Date,Due,Amount\n\"", "x", "\"\n", LIST));
            attack("a list of commas", list, filled("Number,Date,Due,Amount\n", ",", "\n", LIST));
            attack("a list of empty rows", list, filled("Number,Date,Due,Amount\n", ",,,\n", "", LIST));
            attack(
                    "a long list",
                    list,
                    filled(
                            "Number,Customer,Invoice date,Due date,Open amount\n",
                            i -> i + ",Brisemer " + i % 977 + ",2026-02-01,2026-03-15,12.50\n",
                            "",
                            LIST));
            for (String sheet : List.of(of("/budget"), of("/statements/opening/read"))) {
                attack("a sheet of one cell", sheet, filled("\"", "x", "\"\n", SHEET));
                attack("a sheet of commas", sheet, filled("", ",", "\n", SHEET));
                attack("a sheet of lines", sheet, filled("", "\n", "", SHEET));
                attack("a sheet of small cells", sheet, filled("Account,Jan 2026\n", "a,1,2,3,4,5,6,7\n", "", SHEET));
            }
        } finally {
            told.forEach(System.out::println);
            running.close();
        }
        assertThat(Files.readString(folder.resolve("output")))
                .doesNotContain("Ebbtide ended")
                .doesNotContain("\tat ");
    }

    private void planFiles() throws Exception {
        attack("blanks", "/api/plans", filled("", " ", "", PLAN));
        attack("a name of 47 MB", "/api/plans", filled(HEAD + "\"settings\":{\"name\":\"", "x", "\"}}", PLAN));
        attack("deep", "/api/plans", filled("", "[", "", PLAN));
        attack("deep in the settings", "/api/plans", filled(HEAD + "\"settings\":", "{\"a\":", "", PLAN));
        attack("many names", "/api/plans", filled(HEAD, i -> "\"n" + i + "\":0,", "\"z\":0}", PLAN));
        attack("numbers without end", "/api/plans", filled(HEAD + "\"lines\":[", "1e1000000000,", "0]}", PLAN));
        attack("a plan of half a million movements", "/api/plans", movements(PLAN));
        byte[] many = movements(18 << 20);
        CompletableFuture<HttpResponse<String>> other = CompletableFuture.supplyAsync(() -> {
            try {
                return send("/api/plans", many);
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        assertThat(attack("two plans at once, each of the most movements", "/api/plans", many)
                        .statusCode())
                .isEqualTo(200);
        assertThat(other.get().statusCode()).isEqualTo(200);
    }

    private static byte[] movements(int size) {
        String movement =
                "{\"account\":\"a\",\"bookingDate\":\"2026-01-05\",\"amount\":\"1.00\",\"text\":\"CARD\",\"parts\":[]}";
        return filled(
                HEAD
                        + "\"settings\":{\"name\":\"Many\",\"currency\":\"GBP\",\"asOf\":\"2026-03-31\"},\"accounts\":[{\"id\":\"a\","
                        + "\"name\":\"A\",\"country\":\"--\",\"balanceDate\":\"2025-12-31\",\"balance\":\"0\"}],\"movements\":[",
                movement + ",",
                movement + "]}",
                size);
    }

    private void standardStatements() throws Exception {
        take("camt", statement("current-account-2026-03-08.xml", "      <Ntry>", "</Ntry>", STANDARD));
        take("MT940", statement("shop-takings-2026-03-08.sta", ":61:", ":62F:", STANDARD));
        attack(
                "camt, deep",
                of("/bank-files"),
                filled(
                        "<?xml version=\"1.0\"?><Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\">",
                        "<a>",
                        "",
                        STANDARD));
        attack(
                "OFX, one text",
                of("/bank-files"),
                filled(
                        "<?OFX OFXHEADER=\"200\" VERSION=\"211\"?><OFX><BANKMSGSRSV1>",
                        "x",
                        "</BANKMSGSRSV1></OFX>",
                        STANDARD));
    }

    /** A statement whose entries are many and do not come to its balance is refused once it is read whole. */
    private void take(String what, byte[] file) throws Exception {
        HttpResponse<String> held = attack("the largest " + what, of("/bank-files"), file);
        if (held.statusCode() == 200) {
            JsonNode got = JSON.readTree(held.body());
            told.add(what + " is held: " + got.get("id").asString());
        }
    }
}

package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import ebbtide.Everywhere;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The program as a process: what stands in the way of its start is a sentence, and a kill loses nothing acknowledged.
 */
@Order(8)
class ProcessTest {
    private static final JsonMapper JSON = new JsonMapper();

    @TempDir
    private Path folder;

    private String refusal(String... arguments) throws Exception {
        Path output = Files.createTempFile(folder, "out", ".log");
        Process process = Running.launch(output, List.of(arguments));
        assertThat(process.waitFor(30, TimeUnit.SECONDS))
                .as("it ends by itself")
                .isTrue();
        assertThat(process.exitValue()).isNotZero();
        String said = Files.readString(output);
        assertThat(said).doesNotContain("\tat ").doesNotContain("Exception");
        return said.strip();
    }

    @Test
    void start_whatStandsInTheWay_isSaidInASentence() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, java.net.InetAddress.getByName("127.0.0.1"))) {
            assertThat(refusal(
                            "start",
                            "--data",
                            folder.resolve("a").toString(),
                            "--port",
                            Integer.toString(taken.getLocalPort())))
                    .isEqualTo("The port " + taken.getLocalPort()
                            + " on 127.0.0.1 is taken by another program: choose another with --port N.");
        }
        Path file = Files.createFile(folder.resolve("no-folder"));
        assertThat(refusal("start", "--data", file.toString(), "--port", "1"))
                .isEqualTo("The folder '" + file + "' cannot be written: choose another with --data DIR.");
        assertThat(refusal("start", "--port", "99999"))
                .isEqualTo("A port is a number from 1 to 65535, or 0 for any that is free, but was '99999'.");
        assertThat(refusal("demo", "--colour", "blue"))
                .startsWith("The option --colour is not known here; known are --behind-proxy, --host, --names");
        assertThat(refusal("dance")).startsWith("'dance' is not a command here:");
    }

    /** What no limit foresees ends the program at once, and never hangs it; nothing that was answered is lost. */
    @Test
    void moreThanTheMemoryHolds_endsItWithASentence_andAllIsThereAgain() throws Exception {
        Path output = folder.resolve("memory.log");
        String data = folder.resolve("memory").toString();
        String row = "{\"account\":\"a\",\"bookingDate\":\"2026-01-01\",\"amount\":\"1.00\",\"parts\":[]},";
        try (Running running = Running.start(output, "-Xmx80m", "start", "--data", data)) {
            Programs.plan(running, Files.readString(Path.of("../docs/examples/pattern.json")));
            String much = "{\"format\":\"ebbtide-plan\",\"version\":1,\"movements\":[" + row.repeat(400_000) + "{}]}";
            assertThatThrownBy(() -> running.post("/api/plans", much)).isInstanceOf(IllegalStateException.class);
            assertThat(running.hasEnded(Duration.ofSeconds(30))).isTrue();
        }
        assertThat(Files.readString(output))
                .contains("Ebbtide ended: what was asked of it takes more memory than it may have.");
        try (Running again = Running.start("start", "--data", data)) {
            assertThat(JSON.readTree(again.get("/api/plans"))).hasSize(1);
        }
    }

    @Test
    void start_dataInUse_isSaidInASentence() throws Exception {
        Path data = folder.resolve("used");
        try (Running running = Running.start("start", "--data", data.toString())) {
            assertThat(running.url()).isNotEmpty();
            assertThat(refusal("start", "--data", data.toString(), "--port", "0"))
                    .isEqualTo(
                            "The data in '" + data
                                    + "' is in use by another Ebbtide: end that one, or choose another folder with --data DIR.");
        }
    }

    @Test
    @Everywhere
    void killedDuringWrites_nothingAcknowledgedIsLost() throws IOException {
        Path data = folder.resolve("killed");
        String planFile = Files.readString(Path.of("../docs/examples/pattern.json"));
        AtomicInteger acknowledged = new AtomicInteger();
        Semaphore enough = new Semaphore(0);
        String plan;
        try (Chromium chromium = new Chromium()) {
            Running running = Running.start("start", "--data", data.toString());
            Page page = chromium.open(running.url() + "/api/plans");
            plan = JSON.readTree((String)
                            page.evaluate(SEND, Map.of("method", "POST", "path", "/api/plans", "body", planFile)))
                    .get("id")
                    .asString();
            Thread killer = new Thread(() -> {
                enough.acquireUninterruptibly(60);
                running.kill();
            });
            killer.start();
            write(page, plan, acknowledged, enough);
        }
        try (Running again = Running.start("start", "--data", data.toString())) {
            JsonNode now = JSON.readTree(again.get("/api/plans/" + plan));
            assertThat(now.get("version").asInt()).isBetween(acknowledged.get() + 1, acknowledged.get() + 2);
            JsonNode changes = JSON.readTree(again.get("/api/plans/" + plan + "/changes"));
            assertThat(changes).hasSize(now.get("version").asInt() - 1);
            JsonNode lines = now.get("lines");
            assertThat(lines.get(0).get("name").asString())
                    .isEqualTo(changes.get(0).get("words").asString());
        }
    }

    private static final String SEND = """
      async ({method, path, body}) => {
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');
        const reply = await fetch(path, {method, body, headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token}});
        if (!reply.ok) throw new Error(await reply.text());
        return await reply.text();
      }""";

    /** Renames the line again and again until the server is gone; counts what it acknowledged. */
    private static void write(Page page, String plan, AtomicInteger acknowledged, Semaphore enough) {
        String line = """
        {"id":"sales","name":"%s","direction":"receipt","assumption":{"kind":"items","items":[]}}""";
        for (int i = 1; i < 100_000; i++) {
            String path = "/api/plans/" + plan + "/lines/sales?version=" + i + "&words=name" + i;
            try {
                page.evaluate(SEND, Map.of("method", "PUT", "path", path, "body", line.formatted("name" + i)));
            } catch (com.microsoft.playwright.PlaywrightException gone) {
                return;
            }
            acknowledged.set(i);
            enough.release();
        }
    }
}

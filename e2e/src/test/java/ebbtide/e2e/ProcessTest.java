package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Everywhere;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** The program as a process: what stands in the way of its start, and what ends it, is a sentence. */
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
    @Everywhere
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
    @Everywhere
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
}

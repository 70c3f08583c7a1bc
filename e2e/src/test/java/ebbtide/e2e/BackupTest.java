package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Everywhere;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.KeyStore;
import java.time.LocalDate;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** All data copied while the program runs, put in the place of what was lost, and damage said in a sentence. */
@Everywhere
@Order(9)
class BackupTest {
    private static final JsonMapper JSON = new JsonMapper();

    @TempDir
    private Path folder;

    /** Runs a command to its end and returns what it said; whether it did what it should is its exit code. */
    private String said(int code, String... arguments) throws IOException, InterruptedException {
        Path output = Files.createTempFile(folder, "out", ".log");
        Process process = Running.launch(output, List.of(arguments));
        assertThat(process.waitFor(60, TimeUnit.SECONDS))
                .as("it ends by itself")
                .isTrue();
        String words = Files.readString(output).strip();
        assertThat(process.exitValue()).as(words).isEqualTo(code);
        assertThat(words).doesNotContain("\tat ").doesNotContain("Exception");
        return words;
    }

    private static void leaveBuoy(Running running, String plan, String name) {
        JsonNode view = JSON.readTree(running.get("/api/plans/" + plan));
        String day = view.get("tide").get("asOf").asString();
        running.send(
                "PUT",
                "/api/plans/" + plan + "/buoys/" + name + "?version="
                        + view.get("version").asLong(),
                "{\"id\":\"" + name + "\",\"row\":\"closing\",\"from\":\"" + day
                        + "\",\"to\":\"2026-12-31\",\"note\":\"" + name + "\"}",
                "application/json");
    }

    /** Everything that can be asked of a plan and its past. */
    private static Map<String, String> all(Running running, String plan) {
        Map<String, String> answers = new LinkedHashMap<>();
        for (String part :
                List.of("", "/file", "/snapshots", "/scenarios", "/statements", "/items?direction=RECEIPT")) {
            answers.put(part, running.get("/api/plans/" + plan + part));
        }
        // What is taken out here is noted, with its time.
        for (JsonNode one : JSON.readTree(running.get("/api/plans/" + plan + "/changes"))) {
            if (!one.get("kind").asString().equals("export")) {
                answers.put("change " + one.get("seq"), one.toString());
            }
        }
        answers.put("undone", undo(running, plan, "undo"));
        answers.put("undone again", undo(running, plan, "undo"));
        answers.put("redone", undo(running, plan, "redo"));
        return answers;
    }

    private static String undo(Running running, String plan, String way) {
        return running.send("POST", "/api/plans/" + plan + "/" + way, "", "application/json");
    }

    @Test
    void backupOfARunningProgram_restored_isTheSameInEverything() throws Exception {
        Path data = folder.resolve("data");
        Path backup = folder.resolve("all.zip");
        Map<String, String> before;
        String plan;
        try (Running running = Running.start("start", "--data", data.toString())) {
            plan = Programs.plan(running, Programs.shippedFile());
            leaveBuoy(running, plan, "first");
            long version = JSON.readTree(running.get("/api/plans/" + plan))
                    .get("version")
                    .asLong();
            running.post("/api/plans/" + plan + "/snapshots?version=" + version, "{\"name\":\"kept\",\"note\":\"\"}");
            leaveBuoy(running, plan, "second");
            leaveBuoy(running, plan, "third");
            assertThat(said(0, "backup", backup.toString(), "--data", data.toString()))
                    .isEqualTo("All data is in '" + backup + "', checked: 1 plan, 4 edits.");
            before = all(running, plan);
            leaveBuoy(running, plan, "lost");
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(backup)))
                    .isEqualTo("rw-------");
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data.resolve("ebbtide.mv.db"))))
                    .isEqualTo("rw-------");
            assertThat(said(1, "restore", backup.toString(), "--data", data.toString()))
                    .contains("is in use");
            assertThat(running.get("/api/backup")).as("without the key").contains("\"status\":404");
        }
        assertThat(said(0, "restore", backup.toString(), "--data", data.toString()))
                .contains("what was there before lies beside it as 'before-restore-");
        try (Running again = Running.start("start", "--data", data.toString())) {
            assertThat(all(again, plan)).isEqualTo(before);
        }
    }

    /** Writes a certificate of our own and its key as the program takes them. */
    private static String certificate(Path folder) throws Exception {
        Path store = folder.resolve("store.p12");
        Process made = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "keytool")
                                .toString(),
                        "-genkeypair",
                        "-alias",
                        "one",
                        "-keyalg",
                        "RSA",
                        "-dname",
                        "CN=cash.example.org",
                        "-storepass",
                        "secret",
                        "-keystore",
                        store.toString())
                .inheritIO()
                .start();
        assertThat(made.waitFor()).isZero();
        KeyStore keys = KeyStore.getInstance(store.toFile(), "secret".toCharArray());
        Path certificate = pem(
                folder.resolve("cert.pem"),
                "CERTIFICATE",
                keys.getCertificate("one").getEncoded());
        Path key = pem(
                folder.resolve("key.pem"),
                "PRIVATE KEY",
                keys.getKey("one", "secret".toCharArray()).getEncoded());
        return certificate + "," + key;
    }

    private static Path pem(Path file, String kind, byte[] bytes) throws IOException {
        return Files.writeString(
                file,
                "-----BEGIN " + kind + "-----\n"
                        + Base64.getMimeEncoder(64, new byte[] {'\n'}).encodeToString(bytes) + "\n-----END " + kind
                        + "-----\n");
    }

    @Test
    void programReachedEncrypted_isBackedUpWhileItRuns_andTheDoctorFindsItWell() throws Exception {
        Path data = folder.resolve("reached");
        Path backup = folder.resolve("reached.zip");
        try (Running running =
                Running.start("start", "--data", data.toString(), "--log", "debug", "--tls", certificate(folder))) {
            assertThat(running.url()).startsWith("https://");
            assertThat(said(0, "backup", backup.toString(), "--data", data.toString()))
                    .endsWith("checked: 0 plans, 0 edits.");
            Files.createDirectories(data.resolve("backups"));
            said(
                    0,
                    "backup",
                    data.resolve("backups/ebbtide-" + LocalDate.now() + ".zip").toString(),
                    "--data",
                    data.toString());
            assertThat(said(0, "doctor", "--data", data.toString()))
                    .contains("it runs on " + running.url() + " and is ready")
                    .doesNotContain("LOOK");
        }
        assertThat(Files.readString(data.resolve("log/ebbtide.log")))
                .contains("Ready with 0 plans")
                .contains("GET /api/backup answered 200");
    }

    @Test
    void damage_isSaidInASentence_withTheWayToTheLatestBackup() throws Exception {
        Path data = folder.resolve("damaged");
        Path database = data.resolve("ebbtide.mv.db");
        Path backups = Files.createDirectories(folder.resolve("backups"));
        Path latest = backups.resolve("ebbtide-2026-03-08.zip");
        try (Running running = Running.start("start", "--data", data.toString())) {
            Programs.plan(running, Programs.shippedFile());
        }
        String[] start = {"start", "--data", data.toString(), "--port", "0", "--backups", backups.toString()};
        byte[] whole = Files.readAllBytes(database);
        Files.write(database, new byte[0]);
        assertThat(said(1, start))
                .isEqualTo("The database '" + database + "' is empty, of no bytes at all. There is no backup in '"
                        + backups + "'.");
        Files.write(database, whole);
        said(0, "backup", latest.toString(), "--data", data.toString());
        try (RandomAccessFile file = new RandomAccessFile(database.toFile(), "rw")) {
            byte[] noise = new byte[64];
            Random random = new Random(1);
            for (long at = 8192; at < file.length(); at += 4096) {
                random.nextBytes(noise);
                file.seek(at);
                file.write(noise);
            }
        }
        assertThat(said(1, start))
                .isEqualTo("The database '" + database
                        + "' is damaged, or is none of Ebbtide: it cannot be read whole. The latest backup is put in its place by ./ebbtide restore "
                        + latest + " --data " + data + ".");
        assertThat(said(1, "backup", folder.resolve("no.zip").toString(), "--data", data.toString()))
                .contains("could not be written");
        assertThat(folder.resolve("no.zip")).doesNotExist();
        Path half = folder.resolve("half.zip");
        Files.write(half, java.util.Arrays.copyOf(Files.readAllBytes(latest), 5000));
        assertThat(said(1, "restore", half.toString(), "--data", data.toString()))
                .isEqualTo("The file '" + half + "' is no backup that is whole: it is no zip file.");
        said(0, "restore", latest.toString(), "--data", data.toString());
        try (Running again = Running.start("start", "--data", data.toString())) {
            assertThat(JSON.readTree(again.get("/api/plans"))).hasSize(1);
        }
        assertThat(said(1, "start", "--data", folder.resolve("a;b").toString(), "--port", "0"))
                .contains("has a semicolon in its name");
    }
}

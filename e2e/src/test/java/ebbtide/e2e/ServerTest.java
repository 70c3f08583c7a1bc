package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.link;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import ebbtide.ServerForTests;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** Two programs on one database server: what one writes the other shows, and nobody misses the one that is killed. */
class ServerTest {
    private static final JsonMapper JSON = new JsonMapper();

    @TempDir
    private Path folder;

    private String[] command(String what, String database, String data, String... more) throws Exception {
        Path login = folder.resolve("login");
        Files.writeString(login, "user=" + ServerForTests.user() + "\n");
        List<String> all = new ArrayList<>(List.of(what));
        all.addAll(List.of(more));
        if (!data.isEmpty()) {
            all.addAll(List.of("--data", folder.resolve(data).toString()));
        }
        all.addAll(List.of("--database", database, "--database-login", login.toString()));
        return all.toArray(String[]::new);
    }

    private String said(int code, String... arguments) throws Exception {
        Path output = Files.createTempFile(folder, "out", ".log");
        Process process = Running.launch(output, List.of(arguments));
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        String words = Files.readString(output).strip();
        assertThat(process.exitValue()).as(words).isEqualTo(code);
        return words;
    }

    private static long version(Running running, String plan) {
        return JSON.readTree(running.get("/api/plans/" + plan)).get("version").asLong();
    }

    /** What is kept of the past, and what a snapshot of it is held to. */
    private static String all(Running running, String plan) {
        String snapshots = running.get("/api/plans/" + plan + "/snapshots");
        assertThat(JSON.readTree(snapshots)).isNotEmpty();
        return snapshots + running.get("/api/plans/" + plan + "/file?past=true");
    }

    private static void note(Running running, String plan, String id, String day) {
        String answer = running.send(
                "PUT",
                "/api/plans/" + plan + "/buoys/" + id + "?version=" + version(running, plan),
                "{\"id\":\"" + id + "\",\"row\":\"closing\",\"from\":\"" + day + "\",\"to\":\"" + day + "\",\"note\":\""
                        + id + "\"}",
                "application/json");
        assertThat(answer).as(id).contains("\"words\":\"Buoy left: " + id);
    }

    @Test
    @Everywhere
    void planMovesToAServer_twoProgramsWorkOnIt_oneIsKilled_andItMovesBack() throws Exception {
        Path backup = folder.resolve("all.zip");
        String plan;
        String before;
        try (Running file =
                Running.start("start", "--data", folder.resolve("file").toString())) {
            plan = Programs.plan(file, Programs.shippedFile());
            file.post(
                    "/api/plans/" + plan + "/snapshots?version=" + version(file, plan),
                    "{\"name\":\"kept\",\"note\":\"\"}");
            note(file, plan, "made-on-the-file", "2026-03-02");
            before = all(file, plan);
        }
        said(0, "backup", backup.toString(), "--data", folder.resolve("file").toString());
        String database = ServerForTests.database("two_programs");
        assertThat(said(0, command("restore", database, "", backup.toString()))).contains("is on '" + database + "'");
        assertThat(said(1, command("start", database.replaceAll("/two_programs", "/nowhere"), "x", "--port", "0")))
                .contains("is not reached")
                .doesNotContain("\tat ");
        try (Running one = Running.start(command("start", database, "one"));
                Running two = Running.start(command("start", database, "two"));
                Chromium chromium = new Chromium()) {
            assertThat(all(two, plan)).isEqualTo(before);
            Page page = chromium.open(two.url() + "/#/plan/" + plan + "/setup");
            assertThat(page.getByLabel("Changes")).containsText("Buoy left: made-on-the-file");
            long begun = System.nanoTime();
            note(one, plan, "made-on-one", "2026-03-03");
            assertThat(page.getByLabel("Changes")).containsText("Buoy left: made-on-one");
            assertThat(Duration.ofNanos(System.nanoTime() - begun)).isLessThan(Duration.ofSeconds(10));
            List<String> done = together(one, two, plan);
            assertThat(JSON.readTree(two.get("/api/plans/" + plan)).get("buoys"))
                    .extracting(buoy -> buoy.get("id").asString())
                    .containsAll(done);
            filesGoToEither(one, two, plan);
            BankFile left = BankFile.hand(one, plan, "current", movements(3, 100));
            one.kill();
            assertThat(BankFile.added(two, left.take(two)))
                    .as("handed to the one that was killed")
                    .isEqualTo(100);
            note(two, plan, "after-the-kill", "2026-03-04");
            assertThat(page.getByLabel("Changes")).containsText("Buoy left: after-the-kill");
            link(page, "Forecast").click();
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Forecast")))
                    .isVisible();
            assertThat(chromium.faults()).isEmpty();
            assertThat(said(
                            0,
                            command(
                                    "backup",
                                    database,
                                    "",
                                    folder.resolve("back.zip").toString())))
                    .contains("checked: 1 plan");
        }
        String back = folder.resolve("back").toString();
        said(0, "restore", folder.resolve("back.zip").toString(), "--data", back);
        try (Running file = Running.start("start", "--data", back)) {
            assertThat(file.get("/api/plans/" + plan)).contains("after-the-kill", "made-on-one", "made-on-the-file");
            assertThat(file.send("POST", "/api/plans/" + plan + "/undo", "", "application/json"))
                    .contains("Undone: Buoy left: after-the-kill");
            note(file, plan, "on-the-file-again", "2026-03-05");
        }
    }

    private static String name(Running running, String plan) {
        return URLEncoder.encode(
                JSON.readTree(running.get("/api/plans/" + plan))
                        .get("settings")
                        .get("name")
                        .asString(),
                StandardCharsets.UTF_8);
    }

    private static String movements(int month, int rows) {
        StringBuilder text = new StringBuilder("Date,Text,Amount\n");
        for (int i = 0; i < rows; i++) {
            text.append("2026-0%d-%02d,CARD %d,%d.10\n".formatted(month, 1 + i % 28, i, 1 + i % 90));
        }
        return text.toString();
    }

    /** A person's requests go to whichever program there is: a file to one, all else to the other. */
    private static void filesGoToEither(Running one, Running two, String plan) throws Exception {
        BankFile handed = BankFile.hand(one, plan, "current", movements(1, 2_000));
        String job = handed.take(two);
        assertThat(BankFile.added(one, job)).isEqualTo(2_000);
        assertThat(JSON.readTree(one.get(job)).get("outcome"))
                .isEqualTo(JSON.readTree(two.get(job)).get("outcome"));
        assertThatThrownBy(() -> handed.take(one)).hasMessageContaining("404");

        String stopped =
                BankFile.hand(two, plan, "current", movements(2, 200_000)).take(one);
        assertThatThrownBy(() ->
                        two.send("DELETE", "/api/plans/" + plan + "?name=" + name(two, plan), "", "application/json"))
                .hasMessageContaining("is being brought into the plan");
        two.send("DELETE", stopped, "", "application/json");
        long begun = System.nanoTime();
        while (List.of("READING", "KEEPING").contains(BankFile.state(two, stopped))) {
            Thread.sleep(20);
            assertThat(Duration.ofNanos(System.nanoTime() - begun)).isLessThan(Duration.ofSeconds(30));
        }
        assertThat(BankFile.state(two, stopped)).isEqualTo("STOPPED");
        assertThat(BankFile.state(one, stopped)).isEqualTo("STOPPED");
    }

    /** Writers on both, at the same time: every edit that was answered is there. */
    private static List<String> together(Running one, Running two, String plan) throws Exception {
        ConcurrentLinkedQueue<String> done = new ConcurrentLinkedQueue<>();
        ConcurrentLinkedQueue<Throwable> failed = new ConcurrentLinkedQueue<>();
        List<Thread> writers = new ArrayList<>();
        for (int writer = 0; writer < 5; writer++) {
            Running at = writer % 2 == 0 ? one : two;
            String name = "w" + writer + "-";
            Thread thread = new Thread(() -> {
                try {
                    for (int i = 0; i < 6; i++) {
                        note(at, plan, name + i, "2026-03-0" + (i + 1));
                        done.add(name + i);
                    }
                } catch (RuntimeException | AssertionError e) {
                    failed.add(e);
                }
            });
            writers.add(thread);
            thread.start();
        }
        for (Thread thread : writers) {
            thread.join();
        }
        assertThat(failed).isEmpty();
        return List.copyOf(done);
    }

    @Test
    void serverThatIsNone_orALoginThatIsNotSaid_isRefusedInASentence() throws Exception {
        assertThat(said(
                        1,
                        "start",
                        "--database",
                        "jdbc:postgresql://127.0.0.1:1/x",
                        "--data",
                        folder.resolve("d").toString()))
                .contains("Say who the program is on the server");
        assertThat(said(1, command("start", "mysql://x", "d"))).contains("--database takes the address of a server");
    }
}

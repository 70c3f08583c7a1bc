package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Everywhere;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The program killed time and again while it is worked on, and worked on for long: what was acknowledged is there, a
 * bank's file is in whole or not at all, and neither memory nor file grow without bound. With {@code -Dattack=long} as
 * often as the product was attacked by hand (docs/operating.md).
 */
@Everywhere
@Order(2)
class AttackTest {
    private static final JsonMapper JSON = new JsonMapper();
    /** Whether it is attacked as long as it was by hand, not within a minute. */
    static final boolean LONG = "long".equals(System.getProperty("attack"));

    private static final int ROWS = 110_000;
    private static final int KILLS = LONG ? 100 : 10;
    private static final int EDITS = LONG ? 5_000 : 300;
    private static final int IMPORTS = LONG ? 500 : 30;
    private static final List<String> LINES = List.of("one", "two", "three");
    private static final String LINE = """
      {"id": "%s", "name": "%s", "direction": "receipt", "note": "%s", "assumption": {"kind": "items", "items": []}}""";
    private static final String PLAN = """
      {"format": "ebbtide-plan", "version": 1, "settings": {"name": "Killed", "currency": "GBP", "asOf": "2026-03-31"},
       "accounts": [{"id": "bank", "name": "Bank", "country": "--", "balanceDate": "2025-12-31", "balance": "0"}],
       "lines": [%s]}""".formatted(
                    LINES.stream().map(line -> LINE.formatted(line, line, "")).collect(Collectors.joining(", ")));

    @TempDir
    private Path folder;

    private Running running;

    /** What somebody was told of their edits of a line, made one after the other until the program was gone. */
    private record Told(String line, int first, AtomicInteger latest) {}

    /** A row every so many seconds over ninety days, each of another amount; in pence, what they come to. */
    private static long statement(StringBuilder text, int number) {
        long sum = 0;
        text.append("Date,Description,Amount\n");
        for (int i = 0; i < ROWS; i++) {
            long minor = 100 + i % 997;
            sum += minor;
            text.append(LocalDate.of(2026, 1, 1).plusDays(i * 90L / ROWS))
                    .append(",CARD ")
                    .append(number)
                    .append('-')
                    .append(i)
                    .append(',')
                    .append(minor / 100)
                    .append('.')
                    .append(String.format("%02d", minor % 100))
                    .append('\n');
        }
        return sum;
    }

    /** Hands the file over and begins to bring it in; returns the address of the job. */
    private static String bring(Running running, String plan, String text) {
        return BankFile.hand(running, plan, "bank", text).take(running);
    }

    /** Edits a line's note again and again, with a number that grows, until the program is gone. */
    private static Thread edit(Running running, String plan, Told told) {
        Thread thread = new Thread(() -> {
            try {
                for (int i = told.first(); ; i++) {
                    edit(running, plan, told.line(), String.valueOf(i));
                    told.latest().set(i);
                }
            } catch (IllegalStateException gone) {
                assertThat(gone).hasRootCauseInstanceOf(IOException.class);
            }
        });
        thread.start();
        return thread;
    }

    private static void edit(Running running, String plan, String line, String note) {
        long version =
                JSON.readTree(running.get("/api/plans/" + plan)).get("version").asLong();
        running.send(
                "PUT",
                "/api/plans/" + plan + "/lines/" + line + "?words=noted&version=" + version,
                LINE.formatted(line, line, note),
                "application/json");
    }

    private static int note(Running running, String plan, String line) {
        String note = JSON.readTree(running.get("/api/plans/" + plan + "/lines/" + line))
                .get("line")
                .path("note")
                .asString("");
        return note.isEmpty() ? 0 : Integer.parseInt(note);
    }

    /** A folder as people say it, from where they stand. */
    private static String fromHere(Path folder) {
        return Path.of("").toAbsolutePath().relativize(folder.toAbsolutePath()).toString();
    }

    /** Starts the program where all of it is kept. */
    Running start(Path data) {
        return Running.start("start", "--data", fromHere(data));
    }

    @AfterEach
    void end() {
        if (running != null) {
            running.close();
        }
    }

    @Test
    void killedTimeAndAgain_allThatWasAcknowledgedIsThere_andAFileIsInWholeOrNotAtAll() throws InterruptedException {
        Random random = new Random(60);
        StringBuilder text = new StringBuilder();
        long sum = statement(text, 1);
        running = start(folder);
        String plan = Programs.plan(running, PLAN);
        boolean in = false;
        int cutOff = 0;
        int acknowledged = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            if (in) {
                // It was through before the kill: the next kill has a plan of its own to cut off.
                plan = Programs.plan(running, PLAN);
            }
            String job = bring(running, plan, text.toString());
            List<Told> all = new ArrayList<>();
            List<Thread> hands = new ArrayList<>();
            for (String line : LINES) {
                int last = note(running, plan, line);
                all.add(new Told(line, last + 1, new AtomicInteger(last)));
                hands.add(edit(running, plan, all.get(all.size() - 1)));
            }
            for (String state = BankFile.state(running, job);
                    state.equals("READING");
                    state = BankFile.state(running, job)) {
                Thread.sleep(20);
            }
            Thread.sleep(random.nextInt(500));
            running.kill();
            for (Thread hand : hands) {
                hand.join();
            }
            running = start(folder);
            in = isWhole(running, plan, sum);
            cutOff += in ? 0 : 1;
            for (Told one : all) {
                // One that was under way when the program was killed may stand or not.
                assertThat(note(running, plan, one.line()) - one.latest().get()).isBetween(0, 1);
                acknowledged += one.latest().get() - one.first() + 1;
            }
            long version = JSON.readTree(running.get("/api/plans/" + plan))
                    .get("version")
                    .asLong();
            assertThat(running.get("/api/plans/" + plan + "/changes.csv")
                            .lines()
                            .filter(row -> row.contains(",edit,")))
                    .as("each version has its edit in the log")
                    .hasSize((int) version - 1);
        }
        System.out.println(KILLS + " kills, " + cutOff + " of them while a file was kept, " + acknowledged
                + " edits acknowledged before them");
        assertThat(cutOff).as("kills that were in time").isGreaterThan(KILLS / 2);
        assertThat(acknowledged).isGreaterThan(KILLS);
        if (!in) {
            String job = bring(running, plan, text.toString());
            assertThat(BankFile.added(running, job))
                    .as("nothing of it counts as there already")
                    .isEqualTo(ROWS);
            assertThat(isWhole(running, plan, sum)).isTrue();
        }
    }

    @Test
    void workedOnForLong_neitherMemoryNorFileGrowWithoutBound() throws Exception {
        running = start(folder);
        String plan = Programs.plan(running, PLAN);
        work(plan, 0, EDITS / 10);
        long early = running.heapInUse();
        work(plan, EDITS / 10, EDITS);
        long late = running.heapInUse();
        System.out.println(EDITS + " edits and " + IMPORTS + " files: " + (early >> 10) + " kB of memory in use early, "
                + (late >> 10) + " kB late");
        assertThat(late).isLessThan(early + (24L << 20));
        Path database = folder.resolve("ebbtide.mv.db");
        if (Files.exists(database)) {
            long bytes = Files.size(database);
            running.close();
            running = start(folder);
            running.close();
            long compacted = Files.size(database);
            System.out.println((bytes >> 10) + " kB on disk, " + (compacted >> 10) + " kB after a start");
            assertThat(bytes).isLessThan(3 * compacted + (1L << 20));
        }
    }

    private void work(String plan, int from, int edits) throws InterruptedException {
        for (int i = from; i < edits; i++) {
            edit(running, plan, LINES.get(i % LINES.size()), String.valueOf(i));
            if (i % (EDITS / IMPORTS) == 0) {
                String job =
                        bring(running, plan, "Date,Description,Amount\n2026-01-05,CARD " + i + "," + (i + 1) + ".00\n");
                assertThat(BankFile.added(running, job)).isEqualTo(1);
            }
        }
    }

    /**
     * Returns whether all of it is there, else that nothing is and that it is said; cash is what the bank has either
     * way.
     */
    private static boolean isWhole(Running running, String plan, long sum) {
        JsonNode view = JSON.readTree(running.get("/api/plans/" + plan));
        long cash = view.get("accounts").get(0).get("balanceNow").asLong();
        JsonNode movements =
                JSON.readTree(running.get("/api/plans/" + plan + "/movements?which=ALL&words=&limit=1&offset=0"));
        boolean said = view.get("missing").toString().contains("The bringing in of 'bank.csv' was cut off");
        if (cash == sum) {
            assertThat(movements.toString()).contains("CARD");
            assertThat(said).isFalse();
            return true;
        }
        assertThat(cash).as("nothing of it").isZero();
        assertThat(movements.toString()).doesNotContain("CARD");
        assertThat(said).isTrue();
        return false;
    }
}

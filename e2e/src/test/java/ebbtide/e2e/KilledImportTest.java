package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Everywhere;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Random;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A bank's file comes in whole or not at all, whenever the program is killed while it is kept, and cash is what the
 * bank says.
 */
@Everywhere
@Order(2)
class KilledImportTest {
    private static final JsonMapper JSON = new JsonMapper();
    private static final int ROWS = 110_000;
    private static final int KILLS = 10;
    private Running running;
    private static final String PLAN = """
      {"format": "ebbtide-plan", "version": 1, "settings": {"name": "Killed", "currency": "GBP", "asOf": "2026-03-31"},
       "accounts": [{"id": "bank", "name": "Bank", "country": "--", "balanceDate": "2025-12-31", "balance": "0"}]}""";

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
        String files = "/api/plans/" + plan + "/bank-files";
        JsonNode held = JSON.readTree(running.send(
                "POST",
                files + "?account=bank",
                "--cut\r\nContent-Disposition: form-data; name=\"file\"; "
                        + "filename=\"bank.csv\"\r\nContent-Type: text/csv\r\n\r\n" + text + "\r\n--cut--\r\n",
                "multipart/form-data; boundary=cut"));
        return files + "/jobs/"
                + JSON.readTree(running.post(
                                files + "/" + held.get("id").asString() + "/take",
                                held.get("dialect").toString()))
                        .get("id")
                        .asString();
    }

    private static String state(Running running, String job) {
        return JSON.readTree(running.get(job)).get("state").asString();
    }

    /** A folder as people say it, from where they stand. */
    private static String fromHere(Path folder) {
        return Path.of("").toAbsolutePath().relativize(folder.toAbsolutePath()).toString();
    }

    @AfterEach
    void end() {
        if (running != null) {
            running.close();
        }
    }

    @Test
    void killedWhileRowsAreKept_timeAndAgain_allOfThemAreThereOrNone(@TempDir Path data) throws InterruptedException {
        Random random = new Random(60);
        StringBuilder text = new StringBuilder();
        long sum = statement(text, 1);
        running = Running.start("start", "--data", fromHere(data));
        String plan = Programs.plan(running, PLAN);
        boolean in = false;
        int cutOff = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            if (in) {
                // It was through before the kill: the next kill has a plan of its own to cut off.
                plan = Programs.plan(running, PLAN);
            }
            String job = bring(running, plan, text.toString());
            for (String state = state(running, job); state.equals("READING"); state = state(running, job)) {
                Thread.sleep(20);
            }
            Thread.sleep(random.nextInt(500));
            running.kill();
            running = Running.start("start", "--data", fromHere(data));
            in = isWhole(running, plan, sum);
            cutOff += in ? 0 : 1;
        }
        assertThat(cutOff).as("kills that were in time").isGreaterThan(KILLS / 2);
        if (!in) {
            String job = bring(running, plan, text.toString());
            for (String state = state(running, job); !state.equals("DONE"); state = state(running, job)) {
                assertThat(state).isIn("READING", "KEEPING");
                Thread.sleep(50);
            }
            assertThat(JSON.readTree(running.get(job)).get("added").asInt())
                    .as("nothing of it counts as there already")
                    .isEqualTo(ROWS);
            assertThat(isWhole(running, plan, sum)).isTrue();
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

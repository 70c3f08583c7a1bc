package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Everywhere;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Twenty who read and five who write at the same time, each on the version seen last: no write that touches another
 * line is refused, none is lost, nothing fails; and where each of them pauses for half a second in the mean, as nobody
 * reads a view in less, 95 of 100 answers come within 300 ms. Nothing else runs beside, but those who ask.
 */
@Everywhere
@Isolated
class CrowdTest {
    private static final int READERS = 20;
    private static final long SECONDS = AttackTest.LONG ? 60 : 15;
    /** A program that has just started is still being compiled. */
    private static final long WARMING = 10;

    private static final long MOST_MILLIS = 300;
    private static final List<String> LINES = List.of("diesel", "rent", "restaurants", "grocery", "export");
    private static final List<String> READ = List.of(
            "",
            "/forecast?by=WEEK&from=2026-02-16&to=2026-05-31",
            "/items?direction=RECEIPT",
            "/funding?by=MONTH&from=2026-02-01&to=2026-12-31&cushion=0",
            "/changes");
    private static final JsonMapper JSON = new JsonMapper();

    private final HttpClient client = HttpClient.newHttpClient();
    private final ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<Long> reads = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<Long> writes = new ConcurrentLinkedQueue<>();
    private Running running;
    private int pause;

    /** The program as users have it, not as one is started that ends after minutes. */
    @BeforeEach
    void start() throws IOException {
        running = Running.start(
                Files.createTempFile("ebbtide-crowd", ".log"),
                "-XX:TieredStopAtLevel=4 -XX:-UseSerialGC -XX:+UseParallelGC",
                "demo");
    }

    @AfterEach
    void end() {
        running.close();
    }

    private void pause(Random random) throws InterruptedException {
        if (pause > 0) {
            Thread.sleep(random.nextInt(2 * pause));
        }
    }

    private HttpResponse<String> ask(HttpRequest.Builder request, ConcurrentLinkedQueue<Long> took) throws Exception {
        long begun = System.nanoTime();
        HttpResponse<String> answer = client.send(
                request.header("Cookie", "XSRF-TOKEN=a")
                        .header("X-XSRF-TOKEN", "a")
                        .build(),
                BodyHandlers.ofString());
        took.add(Duration.ofNanos(System.nanoTime() - begun).toMillis());
        if (answer.statusCode() != 200) {
            wrong.add(answer.statusCode() + " " + answer.body());
        }
        return answer;
    }

    private void read(String plan, long until, Random random) throws Exception {
        while (System.nanoTime() < until) {
            ask(HttpRequest.newBuilder(URI.create(plan + READ.get(random.nextInt(READ.size())))), reads);
            pause(random);
        }
    }

    /** Writes the note of a line of its own, time after time; returns the last. */
    private String write(String plan, String line, long until) throws Exception {
        Random random = new Random(line.hashCode());
        ObjectNode own =
                (ObjectNode) JSON.readTree(ask(HttpRequest.newBuilder(URI.create(plan + "/lines/" + line)), reads)
                                .body())
                        .get("line");
        long version = version(ask(HttpRequest.newBuilder(URI.create(plan)), reads));
        String note = "";
        for (int i = 0; System.nanoTime() < until; i++) {
            note = line + " " + i;
            HttpResponse<String> answer = ask(
                    HttpRequest.newBuilder(URI.create(plan + "/lines/" + line + "?words=noted&version=" + version))
                            .header("Content-Type", "application/json")
                            .PUT(HttpRequest.BodyPublishers.ofString(
                                    own.put("note", note).toString())),
                    writes);
            pause(random);
            if (answer.statusCode() == 200) {
                version =
                        JSON.readTree(answer.body()).get("view").get("version").asLong();
            }
        }
        return note;
    }

    private static long version(HttpResponse<String> answer) {
        return JSON.readTree(answer.body()).get("version").asLong();
    }

    private interface Work {
        void run() throws Exception;
    }

    private Thread thread(Work work) {
        Thread thread = new Thread(() -> {
            try {
                work.run();
            } catch (Exception e) {
                wrong.add(String.valueOf(e));
            }
        });
        thread.start();
        return thread;
    }

    /** Has all of them at work for some seconds; what they wrote last is there. */
    private void crowd(String plan, long seconds) throws Exception {
        reads.clear();
        writes.clear();
        long until = System.nanoTime() + Duration.ofSeconds(seconds).toNanos();
        ConcurrentLinkedQueue<String> last = new ConcurrentLinkedQueue<>();
        List<Thread> threads = new ArrayList<>();
        for (int i = 0; i < READERS; i++) {
            Random random = new Random(i);
            threads.add(thread(() -> read(plan, until, random)));
        }
        for (String line : LINES) {
            threads.add(thread(() -> last.add(line + "=" + write(plan, line, until))));
        }
        for (Thread one : threads) {
            one.join();
        }
        System.out.println("In " + seconds + " s with pauses of " + pause + " ms: " + told("reads", reads) + "; "
                + told("writes", writes));
        assertThat(wrong).isEmpty();
        assertThat(writes).hasSizeGreaterThan(LINES.size());
        for (String one : last) {
            String[] parts = one.split("=", 2);
            JsonNode line = JSON.readTree(client.send(
                            HttpRequest.newBuilder(URI.create(plan + "/lines/" + parts[0]))
                                    .build(),
                            BodyHandlers.ofString())
                    .body());
            assertThat(line.get("line").get("note").asString()).isEqualTo(parts[1]);
        }
    }

    private String madePlan() {
        String shipped =
                JSON.readTree(running.get("/api/plans")).get(0).get("id").asString();
        return running.url() + "/api/plans/" + Programs.plan(running, running.get("/api/plans/" + shipped + "/file"));
    }

    @Test
    void manyAtOnce_withoutAPause_loseNothing_andNoneIsRefusedForWhatAnotherDid() throws Exception {
        crowd(madePlan(), SECONDS);
    }

    @Test
    void manyAtOnce_pausingAsPeopleDo_areAnsweredAtOnce() throws Exception {
        String plan = madePlan();
        pause = 500;
        crowd(plan, WARMING);
        crowd(plan, SECONDS);
        assertThat(within95(Stream.concat(reads.stream(), writes.stream()))).isLessThan(MOST_MILLIS);
        if (AttackTest.LONG) {
            // Those who write wait for each other too, which a program that has just started takes longer for.
            assertThat(within95(writes.stream())).isLessThan(MOST_MILLIS);
        }
    }

    private static long within95(Stream<Long> took) {
        List<Long> sorted = took.sorted().toList();
        return sorted.get(sorted.size() * 95 / 100);
    }

    private static String told(String what, ConcurrentLinkedQueue<Long> took) {
        List<Long> sorted = took.stream().sorted().toList();
        return sorted.size() + " " + what + ", the median " + sorted.get(sorted.size() / 2) + " ms, 95% within "
                + within95(took.stream()) + " ms";
    }
}

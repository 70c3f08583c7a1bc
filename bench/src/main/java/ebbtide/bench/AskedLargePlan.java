package ebbtide.bench;

import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import java.io.ByteArrayOutputStream;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What the largest plan answers over the api of a running program: edits while its forecast is shown, scenarios, and
 * the questions of what-if. Arguments: the command, an empty folder, how many items.
 */
public final class AskedLargePlan {
    private static final int EDITS = 40;
    private static final int WARM = 5;
    private final Program program;
    private String plan = "";
    private JsonNode view = PlanReader.parse("{}");

    private AskedLargePlan(String command, Path folder) {
        this.program = new Program(command, folder);
    }

    public static void main(String[] args) throws Exception {
        new AskedLargePlan(args[0], Files.createDirectories(Path.of(args[1]))).run(Integer.parseInt(args[2]));
    }

    private void run(int items) throws Exception {
        program.start();
        try {
            // A file as long as this is not sent twice: what it takes to be let in is asked for first.
            program.send("GET", "/api/plans", "application/json", BodyPublishers.noBody());
            ByteArrayOutputStream file = new ByteArrayOutputStream();
            PlanWriter.write(LargePlan.document(items), file);
            plan = Program.found(
                    program.send(
                            "POST", "/api/plans", "application/json", BodyPublishers.ofByteArray(file.toByteArray())),
                    "\"id\":\"([^\"]+)\"");
            view = get("");
            List<String> lines = lines();
            edits(lines.get(1), "");
            for (int scenario = 0; scenario < 5; scenario++) {
                addScenario("s" + scenario, lines, scenario);
            }
            Program.time("a scenario's view", () -> get("?scenario=s1").toString());
            Program.time("a scenario's forecast by week", () -> get("/forecast?by=WEEK&" + window() + "&scenario=s1")
                    .toString());
            edits(lines.get(1), "s1");
            Program.time(
                    "effects of ten changes", () -> get("/scenarios/s1/effects").toString());
            String futures = IntStream.range(0, 5)
                    .mapToObj(one -> "future=scenario:s" + one)
                    .collect(Collectors.joining("&"));
            Program.time("six side by side by month over the horizon", () -> get("/side-by-side?future=base&" + futures
                            + "&by=MONTH&from=" + asOf() + "&to="
                            + view.get("tide").get("horizonEnd").asString())
                    .toString());
            Program.time("200 assumptions down and up, in parts of 24, two at a time", this::sensitivity);
            Program.time("100 runs", () -> get("/simulation?runs=100").toString());
            Program.time("1,000 runs", () -> get("/simulation?runs=1000").toString());
        } finally {
            program.end();
        }
    }

    /** Lines with activity of their own, which a scenario may scale. */
    private List<String> lines() {
        List<String> found = new ArrayList<>();
        for (JsonNode line : view.get("lines")) {
            if (line.get("kind").asString().equals("stream")) {
                found.add(line.get("id").asString());
            }
        }
        return found;
    }

    private LocalDate asOf() {
        return LocalDate.parse(view.get("tide").get("asOf").asString());
    }

    private String window() {
        return "from=" + asOf().minusDays(13) + "&to=" + asOf().plusWeeks(14);
    }

    /** Ten changes; those that a line refuses are put to the next. */
    private void addScenario(String id, List<String> lines, int from) throws Exception {
        List<String> changes = new ArrayList<>();
        for (int at = from * 37; changes.size() < 10; at++) {
            String change = "{\"id\":\"c" + at + "\",\"target\":{\"kind\":\"line\",\"line\":\""
                    + lines.get(at % lines.size()) + "\"},\"act\":{\"kind\":\"scale\",\"to\":\"" + (80 + from) + "\"}}";
            List<String> tried = new ArrayList<>(changes);
            tried.add(change);
            try {
                view = send(
                                "PUT",
                                "/scenarios/" + id,
                                "{\"id\":\"" + id + "\",\"name\":\"" + id + "\",\"standsOn\":[],\"changes\":" + tried
                                        + "}")
                        .get("view");
                changes = tried;
            } catch (IllegalStateException refused) {
                if (!String.valueOf(refused.getMessage()).contains(": 422 ")) {
                    throw refused;
                }
            }
        }
    }

    private void edits(String line, String scenario) throws Exception {
        List<Long> times = new ArrayList<>();
        JsonNode read = get("/lines/" + line + (scenario.isEmpty() ? "" : "?scenario=" + scenario));
        ObjectNode edited = (ObjectNode) read.get("line").deepCopy();
        for (int i = 0; i < EDITS; i++) {
            edited.set(
                    "overrides",
                    PlanReader.parse("[{\"from\":\"" + asOf().plusDays(8) + "\",\"to\":\"" + asOf().plusDays(14)
                            + "\",\"amount\":\"" + (3000 + i) + "\",\"reason\":\"measured\"}]"));
            long began = System.nanoTime();
            view = send(
                            "PUT",
                            "/lines/" + line,
                            edited.toString(),
                            "Ebbtide-Table",
                            "WEEK " + asOf().minusDays(13) + " " + asOf().plusWeeks(14),
                            "Ebbtide-Scenario",
                            scenario)
                    .get("view");
            times.add((System.nanoTime() - began) / 1_000_000);
        }
        List<Long> warm = new ArrayList<>(times.subList(WARM, EDITS));
        Collections.sort(warm);
        System.out.println("  a cash override put " + (scenario.isEmpty() ? "in the base" : "in a scenario")
                + ", view and what changed of the forecast answered: median " + warm.get(warm.size() / 2)
                + " ms, 95th percentile " + warm.get(warm.size() * 95 / 100) + " ms");
    }

    /** Asked for as the view does: two parts at a time. */
    private String sensitivity() throws Exception {
        AtomicInteger next = new AtomicInteger();
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            Callable<String> askOn = () -> {
                StringBuilder all = new StringBuilder();
                for (int from = next.getAndAdd(24); from < 200; from = next.getAndAdd(24)) {
                    all.append(get(
                            "/sensitivity?measure=LEAST_HEADROOM&from=" + from + "&count=" + Math.min(24, 200 - from)));
                }
                return all.toString();
            };
            StringBuilder both = new StringBuilder();
            for (Future<String> one : two.invokeAll(List.of(askOn, askOn))) {
                both.append(one.get());
            }
            return both.toString();
        } finally {
            two.shutdown();
        }
    }

    private JsonNode get(String rest) throws Exception {
        return PlanReader.parse(
                program.send("GET", "/api/plans/" + plan + rest, "application/json", BodyPublishers.noBody()));
    }

    private JsonNode send(String method, String rest, String body, String... headers) throws Exception {
        String path =
                "/api/plans/" + plan + rest + "?version=" + view.get("version").asLong() + "&words=x";
        return PlanReader.parse(program.send(method, path, "application/json", BodyPublishers.ofString(body), headers));
    }
}

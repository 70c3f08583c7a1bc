package ebbtide.bench;

import ebbtide.books.Account;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.io.ByteArrayOutputStream;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What many snapshots cost: rolls the large plan on week by week on a running program, with actuals typed on every
 * line, keeps a snapshot each week, and times keeping, comparing and measuring them over the api. Arguments: the
 * command, the folder, the number of weeks.
 */
public final class StoredSnapshots {
    private final Program program;
    private final Random random = new Random(7);
    private final Plan large = ForecastBench.large(true);
    private String plan = "";
    private long version;
    private JsonNode settings = MissingNode.getInstance();

    private StoredSnapshots(String command, Path folder) {
        this.program = new Program(command, folder);
    }

    public static void main(String[] args) throws Exception {
        new StoredSnapshots(args[0], Files.createDirectories(Path.of(args[1]))).run(Integer.parseInt(args[2]));
    }

    private void run(int weeks) throws Exception {
        program.start();
        try {
            ByteArrayOutputStream file = new ByteArrayOutputStream();
            PlanWriter.write(
                    new PlanDocument(
                            large,
                            List.of(new Account(
                                    "a", "A", "GB", false, large.settings().asOf(), 100_000_000L)),
                            List.of(),
                            List.of(),
                            List.of()),
                    file);
            plan = Program.found(
                    program.send(
                            "POST", "/api/plans", "application/json", BodyPublishers.ofByteArray(file.toByteArray())),
                    "\"id\":\"([^\"]+)\"");
            take(get(""));
            List<Long> saved = new ArrayList<>();
            for (int week = 0; week < weeks; week++) {
                long began = System.nanoTime();
                take(edit("POST", "/snapshots", "{\"name\":\"Week " + week + "\",\"note\":\"\"}")
                        .get("view"));
                saved.add((System.nanoTime() - began) / 1_000_000);
                LocalDate next =
                        LocalDate.parse(settings.get("asOf").asString()).plusWeeks(1);
                type(next);
                take(edit(
                                "PUT",
                                "/settings",
                                ((ObjectNode) settings.deepCopy())
                                        .put("asOf", next.toString())
                                        .toString())
                        .get("view"));
            }
            Collections.sort(saved);
            System.out.println("a snapshot saved: median " + saved.get(saved.size() / 2) + " ms, 95th percentile "
                    + saved.get(saved.size() * 95 / 100) + " ms");
            measure();
        } finally {
            program.end();
        }
    }

    private void type(LocalDate last) throws Exception {
        StringBuilder figures = new StringBuilder();
        for (Line line : large.lines()) {
            figures.append(figures.length() == 0 ? "" : ",")
                    .append("{\"line\":\"")
                    .append(line.id())
                    .append("\",\"amount\":\"")
                    .append(500 + random.nextInt(9_000))
                    .append("\"}");
        }
        take(edit(
                        "PUT",
                        "/actuals",
                        "{\"from\":\"" + last.minusDays(6) + "\",\"to\":\"" + last + "\",\"figures\":[" + figures
                                + "]}")
                .get("view"));
    }

    private void measure() throws Exception {
        List<String> ids = new ArrayList<>();
        long size = 0;
        for (JsonNode one : get("/snapshots")) {
            ids.add(one.get("id").asString());
            size += one.get("size").asLong();
        }
        System.out.println(ids.size() + " snapshots keep " + size / 1024 + " kB");
        for (String by : List.of("WEEK", "MONTH", "YEAR", "TO_DATE")) {
            Program.time("a snapshot of a year ago compared by " + by, () -> get("/snapshots/"
                            + ids.get(Math.min(ids.size() - 1, 52)) + "/variance?by=" + by)
                    .toString());
            Program.time("the first of all compared by " + by, () -> get("/snapshots/" + ids.get(ids.size() - 1)
                            + "/variance?by=" + by)
                    .toString());
        }
        Program.time("what moved since the last", () -> get("/snapshots/" + ids.get(0) + "/bridge")
                .toString());
        Program.time("accuracy by week", () -> get("/accuracy").toString());
        Program.time("accuracy by month", () -> get("/accuracy?by=MONTH").toString());
        Program.time("the band", () -> get("/band").toString());
    }

    private void take(JsonNode view) {
        version = view.get("version").asLong();
        settings = view.get("settings");
    }

    private JsonNode get(String rest) throws Exception {
        return PlanReader.parse(
                program.send("GET", "/api/plans/" + plan + rest, "application/json", BodyPublishers.noBody()));
    }

    private JsonNode edit(String method, String rest, String body) throws Exception {
        return PlanReader.parse(program.send(
                method,
                "/api/plans/" + plan + rest + "?version=" + version,
                "application/json",
                BodyPublishers.ofString(body)));
    }
}

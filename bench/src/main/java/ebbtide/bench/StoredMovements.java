package ebbtide.bench;

import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.sim.DemoCompany;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Random;

/**
 * What many stored movements cost: brings files of a million rows into the demo company on a running program, over its
 * api, and times each, a start after them, and the views. Arguments: the command that starts the program, the folder
 * for its data, the number of files.
 */
public final class StoredMovements {
    private static final int ROWS = 1_000_000;
    private final Path folder;
    private final Program program;
    private String plan = "";

    private StoredMovements(String command, Path folder) {
        this.folder = folder;
        this.program = new Program(command, folder);
    }

    public static void main(String[] args) throws Exception {
        new StoredMovements(args[0], Files.createDirectories(Path.of(args[1]))).run(Integer.parseInt(args[2]));
    }

    private void run(int files) throws Exception {
        program.start();
        try {
            PlanDocument demo = DemoCompany.document();
            ByteArrayOutputStream file = new ByteArrayOutputStream();
            PlanWriter.write(demo, file);
            plan = Program.found(
                    program.send(
                            "POST", "/api/plans", "application/json", BodyPublishers.ofByteArray(file.toByteArray())),
                    "\"id\":\"([^\"]+)\"");
            for (int i = 1; i <= files; i++) {
                bring(i);
            }
            views("after bringing in");
        } finally {
            program.end();
        }
        program.start();
        try {
            Program.time("first view after a start", () -> get(""));
            views("after a start");
        } finally {
            program.end();
        }
    }

    /** A file of a million rows over a year, its words by a hundred counterparties. */
    private Path csv(int number) throws IOException {
        Path file = folder.resolve("rows.csv");
        Random random = new Random(number);
        try (OutputStream out = new java.io.BufferedOutputStream(Files.newOutputStream(file), 1 << 20)) {
            out.write("Date,Description,Counterparty,Amount\n".getBytes(StandardCharsets.UTF_8));
            for (int i = 0; i < ROWS; i++) {
                LocalDate day = LocalDate.of(2025, 3, 1).plusDays((long) i * 365 / ROWS);
                int party = random.nextInt(100);
                out.write((day + "," + (party < 80 ? "CARD TAKINGS " : "ORDER ") + number + "-" + i + ",Party " + party
                                + "," + (100 + random.nextInt(90_000)) / 100.0 + "\n")
                        .getBytes(StandardCharsets.UTF_8));
            }
        }
        return file;
    }

    private void bring(int number) throws Exception {
        Path file = csv(number);
        long began = System.nanoTime();
        String boundary = "rows" + number;
        BodyPublisher body = BodyPublishers.concat(
                BodyPublishers.ofString(
                        "--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"rows-" + number
                                + ".csv\"\r\nContent-Type: text/csv\r\n\r\n"),
                BodyPublishers.ofFile(file),
                BodyPublishers.ofString("\r\n--" + boundary + "--\r\n"));
        String held = program.send(
                "POST",
                "/api/plans/" + plan + "/bank-files?account=current",
                "multipart/form-data; boundary=" + boundary,
                body);
        String id = Program.found(held, "\"id\":\"([^\"]+)\"");
        String dialect = PlanReader.parse(held).get("dialect").toString();
        String job = program.send(
                "POST",
                "/api/plans/" + plan + "/bank-files/" + id + "/take",
                "application/json",
                BodyPublishers.ofString(dialect));
        String jobId = Program.found(job, "\"id\":\"([^\"]+)\"");
        while (!job.contains("\"state\":\"DONE\"")) {
            if (job.contains("FAILED") || job.contains("BAD_ROWS")) {
                throw new IllegalStateException(job);
            }
            Thread.sleep(50);
            job = get("/bank-files/jobs/" + jobId);
        }
        System.out.printf("file %d of a million rows: %.1f s%n", number, (System.nanoTime() - began) / 1e9);
    }

    private void views(String when) throws Exception {
        System.out.println(when + ":");
        Program.time("the plan", () -> get(""));
        Program.time("forecast by week", () -> get("/forecast?by=WEEK&from=2026-03-02&to=2026-05-31"));
        Program.time("position", () -> get("/position?from=2026-02-16&to=2026-03-01"));
        Program.time("movements to assign", () -> get("/movements?unassigned=true"));
        Program.time("all movements", () -> get("/movements"));
        Program.time("movements by words", () -> get("/movements?words=ORDER%201-4711"));
        Program.time("receivables", () -> get("/items?direction=RECEIPT"));
        Program.time("undo and redo", () -> {
            program.send("POST", "/api/plans/" + plan + "/undo", "application/json", BodyPublishers.noBody());
            return program.send("POST", "/api/plans/" + plan + "/redo", "application/json", BodyPublishers.noBody());
        });
    }

    private String get(String rest) throws Exception {
        return program.send("GET", "/api/plans/" + plan + rest, "application/json", BodyPublishers.noBody());
    }
}

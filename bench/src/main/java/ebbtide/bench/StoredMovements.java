package ebbtide.bench;

import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.sim.DemoCompany;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLDecoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What many stored movements cost: brings files of a million rows into the demo company on a running program, over its api, and times
 * each, a start after them, and the views. Arguments: the command that starts the program, the folder for its data, the number of files.
 */
public final class StoredMovements {
  private static final int ROWS = 1_000_000;
  private static final int PORT = 18_477;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final Path folder;
  private final String command;
  private String plan;

  private StoredMovements(String command, Path folder) {
    this.command = command;
    this.folder = folder;
  }

  public static void main(String[] args) throws Exception {
    new StoredMovements(args[0], Files.createDirectories(Path.of(args[1]))).run(Integer.parseInt(args[2]));
  }

  private void run(int files) throws Exception {
    Process program = start();
    try {
      PlanDocument demo = DemoCompany.document();
      ByteArrayOutputStream file = new ByteArrayOutputStream();
      PlanWriter.write(demo, file);
      plan = found(send("POST", "/api/plans", "application/json", BodyPublishers.ofByteArray(file.toByteArray())), "\"id\":\"([^\"]+)\"");
      for (int i = 1; i <= files; i++) {
        bring(i);
      }
      views("after bringing in");
    } finally {
      end(program);
    }
    Process again = start();
    try {
      time("first view after a start", () -> get(""));
      views("after a start");
    } finally {
      end(again);
    }
  }

  private Process start() throws Exception {
    long began = System.nanoTime();
    Path log = folder.resolve("log.txt");
    Process program = new ProcessBuilder(command, "start", "--data", folder.resolve("data").toString(), "--port", Integer.toString(PORT))
        .redirectErrorStream(true).redirectOutput(log.toFile()).start();
    while (!Files.readString(log).contains("is ready on")) {
      if (!program.isAlive()) {
        throw new IllegalStateException(Files.readString(log));
      }
      Thread.sleep(20);
    }
    System.out.printf("start: %.1f s%n", (System.nanoTime() - began) / 1e9);
    return program;
  }

  private static void end(Process program) throws InterruptedException {
    program.destroy();
    program.waitFor();
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
        out.write((day + "," + (party < 80 ? "CARD TAKINGS " : "ORDER ") + number + "-" + i + ",Party " + party + "," + (100 + random.nextInt(90_000)) / 100.0 + "\n")
            .getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }

  private void bring(int number) throws Exception {
    Path file = csv(number);
    long began = System.nanoTime();
    String boundary = "rows" + number;
    BodyPublisher body = BodyPublishers.concat(BodyPublishers.ofString("--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"rows-" + number
        + ".csv\"\r\nContent-Type: text/csv\r\n\r\n"), BodyPublishers.ofFile(file), BodyPublishers.ofString("\r\n--" + boundary + "--\r\n"));
    String held = send("POST", "/api/plans/" + plan + "/bank-files?account=current", "multipart/form-data; boundary=" + boundary, body);
    String id = found(held, "\"id\":\"([^\"]+)\"");
    String dialect = PlanReader.parse(held).get("dialect").toString();
    String job = send("POST", "/api/plans/" + plan + "/bank-files/" + id + "/take", "application/json", BodyPublishers.ofString(dialect));
    String jobId = found(job, "\"id\":\"([^\"]+)\"");
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
    time("the plan", () -> get(""));
    time("forecast by week", () -> get("/forecast?by=WEEK&from=2026-03-02&to=2026-05-31"));
    time("position", () -> get("/position?from=2026-02-16&to=2026-03-01"));
    time("movements to assign", () -> get("/movements?unassigned=true"));
    time("all movements", () -> get("/movements"));
    time("movements by words", () -> get("/movements?words=ORDER%201-4711"));
    time("receivables", () -> get("/items?direction=RECEIPT"));
    time("undo and redo", () -> {
      send("POST", "/api/plans/" + plan + "/undo", "application/json", BodyPublishers.noBody());
      return send("POST", "/api/plans/" + plan + "/redo", "application/json", BodyPublishers.noBody());
    });
  }

  /** Something that is timed. */
  private interface Act {
    String run() throws Exception;
  }

  private static void time(String what, Act act) throws Exception {
    List<Long> times = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      long began = System.nanoTime();
      act.run();
      times.add((System.nanoTime() - began) / 1_000_000);
    }
    System.out.println("  " + what + ": first " + times.get(0) + " ms, then " + times.subList(1, 5));
  }

  private String get(String rest) throws Exception {
    return send("GET", "/api/plans/" + plan + rest, "application/json", BodyPublishers.noBody());
  }

  private String send(String method, String path, String type, BodyPublisher body) throws Exception {
    String token = cookies.getCookieStore().getCookies().stream().filter(one -> one.getName().equals("XSRF-TOKEN")).map(HttpCookie::getValue).findFirst().orElse("");
    HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + PORT + path)).header("Content-Type", type)
        .header("X-XSRF-TOKEN", URLDecoder.decode(token, StandardCharsets.UTF_8)).method(method, body).build();
    HttpResponse<String> answer = client.send(request, HttpResponse.BodyHandlers.ofString());
    if (answer.statusCode() == 403 && token.isEmpty()) {
      client.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + PORT + "/api/plans")).build(), HttpResponse.BodyHandlers.ofString());
      return send(method, path, type, body);
    }
    if (answer.statusCode() != 200) {
      throw new IllegalStateException(path + ": " + answer.statusCode() + " " + answer.body());
    }
    return answer.body();
  }

  private static String found(String text, String pattern) {
    Matcher matcher = Pattern.compile(pattern).matcher(text);
    if (!matcher.find()) {
      throw new IllegalStateException(pattern + " is not in " + text.substring(0, Math.min(400, text.length())));
    }
    return matcher.group(1);
  }
}

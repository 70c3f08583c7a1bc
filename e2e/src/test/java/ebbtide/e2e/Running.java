package ebbtide.e2e;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The packaged program started by its command, as users do, as a process of its own on a free port. */
final class Running implements AutoCloseable {
    private static final HttpClient PLAIN = HttpClient.newHttpClient();
    private static final Pattern READY = Pattern.compile("is ready on (https?://[\\d.:]+) with");
    private static final Duration LONGEST_START = Duration.ofMinutes(3);

    private final Process process;
    private final String url;

    private Running(Process process, String url) {
        this.process = process;
        this.url = url;
    }

    /**
     * Starts the program and waits until it says that it is ready; one at a time, since the first one unpacks what was
     * built.
     */
    static synchronized Running start(String... command) {
        try {
            return start(Files.createTempFile("ebbtide-e2e", ".log"), "", command);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Starts the program with its output in a file, and with more options for Java. */
    static synchronized Running start(Path output, String options, String... command) throws IOException {
        List<String> all = new ArrayList<>(List.of(command));
        all.addAll(List.of("--port", "0"));
        Process process = launch(output, all, options);
        return new Running(process, awaitReady(process, output));
    }

    /** Launches the program with its output in a file, without waiting. */
    static Process launch(Path output, List<String> arguments) throws IOException {
        return launch(output, arguments, "");
    }

    private static Process launch(Path output, List<String> arguments, String options) throws IOException {
        List<String> command = new ArrayList<>(List.of("../ebbtide"));
        command.addAll(arguments);
        ProcessBuilder program =
                new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(output.toFile());
        // It lives for minutes beside others: what pays off over days, or with more cores, costs more than it gives
        // back.
        program.environment()
                .put("EBBTIDE_JAVA_OPTIONS", "-XX:TieredStopAtLevel=1 -XX:-UseParallelGC -XX:+UseSerialGC " + options);
        return program.start();
    }

    /** Waits until the program says that it is ready, and returns where. */
    private static String awaitReady(Process process, Path output) throws IOException {
        for (long until = System.nanoTime() + LONGEST_START.toNanos(); System.nanoTime() < until; ) {
            Matcher ready = READY.matcher(Files.readString(output));
            if (ready.find()) {
                return ready.group(1);
            }
            if (!process.isAlive()) {
                break;
            }
            pause();
        }
        throw new IllegalStateException("The program did not start: " + Files.readString(output));
    }

    private static void pause() {
        try {
            Thread.sleep(50);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    String url() {
        return url;
    }

    /** Returns whether the program has ended by itself, waiting for that a while. */
    boolean hasEnded(Duration patience) throws InterruptedException {
        return process.waitFor(patience.toMillis(), TimeUnit.MILLISECONDS);
    }

    /** Tells the program to end; returns whether it has after a while at most. */
    boolean ends(Duration patience) throws InterruptedException {
        process.destroy();
        return hasEnded(patience);
    }

    /** Returns the body of what a path answers. */
    String get(String path) {
        try {
            return PLAIN.send(
                            HttpRequest.newBuilder(URI.create(url() + path)).build(),
                            HttpResponse.BodyHandlers.ofString())
                    .body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Sends a body to a path as a page of the program would, and returns what it answers. */
    String post(String path, String body) {
        return send("POST", path, body, "application/json");
    }

    /** Sends a body to a path as a page of the program would, and returns what it answers. */
    String send(String method, String path, String body, String type) {
        try {
            CookieManager cookies = new CookieManager();
            HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).build();
            client.send(
                    HttpRequest.newBuilder(URI.create(url() + "/api/plans")).build(),
                    HttpResponse.BodyHandlers.discarding());
            String token = cookies.getCookieStore().getCookies().stream()
                    .filter(one -> one.getName().equals("XSRF-TOKEN"))
                    .findFirst()
                    .orElseThrow()
                    .getValue();
            HttpResponse<String> answer = client.send(
                    HttpRequest.newBuilder(URI.create(url() + path))
                            .header("Content-Type", type)
                            .header("X-XSRF-TOKEN", token)
                            .method(method, HttpRequest.BodyPublishers.ofString(body))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() != 200) {
                throw new IllegalStateException(
                        path + " was answered with " + answer.statusCode() + ": " + answer.body());
            }
            return answer.body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Returns how many bytes of its memory the program has in use, once what nothing holds has been collected. */
    long heapInUse() throws IOException {
        ask("GC.run");
        Matcher used = Pattern.compile("generation +total \\d+K, used (\\d+)K").matcher(ask("GC.heap_info"));
        long bytes = 0;
        while (used.find()) {
            bytes += Long.parseLong(used.group(1)) << 10;
        }
        return bytes;
    }

    private String ask(String command) throws IOException {
        Process asked = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "jcmd").toString(),
                        String.valueOf(process.pid()),
                        command)
                .start();
        return new String(asked.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    /** Ends the process at once, as a failing machine would. */
    void kill() {
        process.destroyForcibly();
        await();
    }

    @Override
    public void close() {
        process.destroy();
        await();
    }

    private void await() {
        try {
            if (!process.waitFor(20, TimeUnit.SECONDS)) {
                process.destroyForcibly();
            }
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}

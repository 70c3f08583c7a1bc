package ebbtide.bench;

import static java.util.Objects.requireNonNull;

import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLDecoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** The program as it is started by its command, measured over its api. */
final class Program {
    private static final int PORT = 18_477;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private final String command;
    private final Path folder;
    private @Nullable Process process;

    Program(String command, Path folder) {
        this.command = command;
        this.folder = folder;
    }

    void start() throws Exception {
        long began = System.nanoTime();
        Path log = folder.resolve("log.txt");
        Process started = new ProcessBuilder(
                        command, "start", "--data", folder.resolve("data").toString(), "--port", Integer.toString(PORT))
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        process = started;
        while (!Files.readString(log).contains("is ready on")) {
            if (!started.isAlive()) {
                throw new IllegalStateException(Files.readString(log));
            }
            Thread.sleep(20);
        }
        System.out.printf("start: %.1f s%n", (System.nanoTime() - began) / 1e9);
    }

    void end() throws InterruptedException {
        Process running = requireNonNull(process);
        running.destroy();
        running.waitFor();
    }

    /** Something that is timed. */
    interface Act {
        String run() throws Exception;
    }

    static void time(String what, Act act) throws Exception {
        List<Long> times = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            long began = System.nanoTime();
            act.run();
            times.add((System.nanoTime() - began) / 1_000_000);
        }
        System.out.println("  " + what + ": first " + times.get(0) + " ms, then " + times.subList(1, 5));
    }

    /** Sends a body to a path, with headers as names and values by turns, and returns what is answered. */
    String send(String method, String path, String type, BodyPublisher body, String... headers) throws Exception {
        String token = cookies.getCookieStore().getCookies().stream()
                .filter(one -> one.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + PORT + path))
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", URLDecoder.decode(token, StandardCharsets.UTF_8))
                .method(method, body);
        if (headers.length > 0) {
            request.headers(headers);
        }
        HttpResponse<String> answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() == 403 && token.isEmpty()) {
            client.send(
                    HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + PORT + "/api/plans"))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            return send(method, path, type, body, headers);
        }
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(path + ": " + answer.statusCode() + " " + answer.body());
        }
        return answer.body();
    }

    static String found(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        if (!matcher.find()) {
            throw new IllegalStateException(pattern + " is not in " + text.substring(0, Math.min(400, text.length())));
        }
        return matcher.group(1);
    }
}

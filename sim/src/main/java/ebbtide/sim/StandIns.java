package ebbtide.sim;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * The demo's banks and ledger behind a local address, as real ones would stand behind theirs.
 * {@code /issued?after=DAY&upTo=DAY} names the files of some days, a line each: the line of the plan that a list is of,
 * or nothing for a statement, then the path to fetch it by.
 */
public final class StandIns implements AutoCloseable {
    private final HttpServer server;

    private StandIns(HttpServer server) {
        this.server = server;
    }

    /**
     * Starts on a free port of this machine alone.
     *
     * @throws UncheckedIOException where no port can be had
     */
    public static StandIns start() {
        try {
            StandIns standIns =
                    new StandIns(HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0));
            standIns.server.createContext("/", standIns::answer);
            standIns.server.start();
            return standIns;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Returns the address under which it answers. */
    public String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        int status = 200;
        String text;
        try {
            Map<String, String> asked = asked(exchange.getRequestURI().getRawQuery());
            text = text(
                    exchange.getRequestURI().getPath(),
                    LocalDate.parse(asked.getOrDefault("after", "")),
                    LocalDate.parse(asked.getOrDefault("upTo", "")));
        } catch (DateTimeParseException e) {
            status = 400;
            text = "Say which days: ?after=2026-03-01&upTo=2026-03-08";
        } catch (IllegalArgumentException e) {
            status = 404;
            text = String.valueOf(e.getMessage());
        }
        byte[] body = text.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", "text/plain; charset=utf-8");
        exchange.sendResponseHeaders(status, body.length);
        exchange.getResponseBody().write(body);
        exchange.close();
    }

    private static String text(String path, LocalDate after, LocalDate upTo) {
        Map<String, String> statements = Issued.between(after, upTo);
        if (path.equals("/issued")) {
            String query = "?after=" + after + "&upTo=" + upTo;
            return statements.keySet().stream()
                            .map(name -> "\t/" + name + query + "\n")
                            .collect(Collectors.joining())
                    + DemoLedger.LINES.stream()
                            .map(line -> line + "\t/ledger/" + line + "-" + upTo + ".csv" + query + "\n")
                            .collect(Collectors.joining());
        }
        String name = path.substring(1);
        for (String line : DemoLedger.LINES) {
            if (name.equals("ledger/" + line + "-" + upTo + ".csv")) {
                return Issued.list(line, upTo);
            }
        }
        if (!statements.containsKey(name)) {
            throw new IllegalArgumentException("Nothing is issued under '" + name + "'");
        }
        return statements.get(name);
    }

    private static Map<String, String> asked(String query) {
        return query == null
                ? Map.of()
                : java.util.Arrays.stream(query.split("&"))
                        .map(one -> one.split("=", 2))
                        .filter(one -> one.length == 2)
                        .collect(Collectors.toMap(one -> one[0], one -> one[1], (first, second) -> second));
    }
}

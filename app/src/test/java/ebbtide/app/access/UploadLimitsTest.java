package ebbtide.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.app.Ebbtide;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * What is sent is refused by its length before it is read, and what never comes to its end is nobody else's trouble.
 */
class UploadLimitsTest {
    private ConfigurableApplicationContext running;
    private int port;

    @BeforeEach
    void start() {
        running = new SpringApplicationBuilder(Ebbtide.class)
                .properties("spring.datasource.url=jdbc:h2:mem:limits", "server.port=0")
                .run();
        port = Integer.parseInt(running.getEnvironment().getRequiredProperty("local.server.port"));
    }

    @AfterEach
    void end() {
        running.close();
    }

    private Socket begin(String path, String length) throws IOException {
        Socket socket = new Socket("127.0.0.1", port);
        socket.getOutputStream()
                .write(("POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1:" + port
                                + "\r\nCookie: XSRF-TOKEN=a\r\nX-XSRF-TOKEN: a\r\nContent-Type: application/json\r\n"
                                + length
                                + "\r\n\r\n{")
                        .getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    private String answer(String path, String length) throws IOException {
        try (Socket socket = begin(path, length)) {
            socket.setSoTimeout(5_000);
            byte[] head = new byte[2_000];
            int read = socket.getInputStream().read(head);
            return new String(head, 0, read, StandardCharsets.UTF_8);
        }
    }

    @Test
    void tooMuch_isRefusedByItsLength_withTheLimitOfItsPlace() throws IOException {
        assertThat(answer("/api/plans", "Content-Length: 50331649"))
                .startsWith("HTTP/1.1 413")
                .contains("What was sent is larger than 48 MB, the most that is taken here: export the plan without");
        assertThat(answer("/api/plans/x/budget", "Content-Length: 20971521")).contains("larger than 20 MB");
        assertThat(answer("/api/plans/x/item-lists/look", "Content-Length: 31457281"))
                .contains("larger than 30 MB");
        assertThat(answer("/api/plans/x/bank-files", "Content-Length: 536870913"))
                .contains("larger than 512 MB");
        assertThat(answer("/api/plans/x/lines/y", "Content-Length: 8388609")).contains("larger than 8 MB");
        assertThat(answer("/api/plans", "Transfer-Encoding: chunked")).startsWith("HTTP/1.1 411");
    }

    @Test
    void requestsThatNeverEnd_keepNobodyFromReading_andAreSoonSaidToBeTooMany() throws Exception {
        List<Socket> never = new ArrayList<>();
        try {
            for (int i = 0; i < 300; i++) {
                never.add(begin("/api/plans", "Content-Length: 1000"));
            }
            HttpClient client = HttpClient.newHttpClient();
            HttpRequest plans = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/plans"))
                    .timeout(Duration.ofSeconds(5))
                    .build();
            assertThat(client.send(plans, BodyHandlers.ofString()).body()).isEqualTo("[]");
            Socket last = never.get(never.size() - 1);
            last.setSoTimeout(5_000);
            assertThat(new String(last.getInputStream().readNBytes(12), StandardCharsets.US_ASCII))
                    .isEqualTo("HTTP/1.1 503");
        } finally {
            for (Socket one : never) {
                one.close();
            }
        }
    }
}

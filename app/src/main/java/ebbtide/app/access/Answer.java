package ebbtide.app.access;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import tools.jackson.databind.json.JsonMapper;

/** The answer to a request that is refused before it reaches the application: a problem as all others (RFC 9457). */
final class Answer {
    private static final JsonMapper JSON = new JsonMapper();

    private Answer() {}

    static void problem(HttpServletResponse response, HttpStatus status, String sentence) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream()
                .write(JSON.createObjectNode()
                        .put("status", status.value())
                        .put("detail", sentence)
                        .set("problems", JSON.createArrayNode())
                        .toString()
                        .getBytes(StandardCharsets.UTF_8));
    }
}

package ebbtide.app.api;

import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A CSV that is saved as a file. */
final class CsvFile {
    private CsvFile() {}

    /** Begins an answer that a browser saves under a name, and returns what its text is written to as it is made. */
    static Writer begin(HttpServletResponse response, String name) throws IOException {
        response.setContentType("text/csv;charset=UTF-8");
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, disposition(name));
        return new BufferedWriter(new OutputStreamWriter(response.getOutputStream(), StandardCharsets.UTF_8));
    }

    private static String disposition(String name) {
        return "attachment; filename=\"" + name + ".csv\"";
    }

    /** Returns the answer that a browser saves under a name. */
    static ResponseEntity<byte[]> of(String name, String csv) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, disposition(name))
                .body(csv.getBytes(StandardCharsets.UTF_8));
    }
}

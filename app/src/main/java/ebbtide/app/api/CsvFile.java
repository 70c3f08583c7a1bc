package ebbtide.app.api;

import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A CSV that is saved as a file. */
final class CsvFile {
    private CsvFile() {}

    /** Returns the answer that a browser saves under a name. */
    static ResponseEntity<byte[]> of(String name, String csv) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + ".csv\"")
                .body(csv.getBytes(StandardCharsets.UTF_8));
    }
}

package ebbtide.app.api;

import ebbtide.app.jobs.DailyBackups;
import ebbtide.app.storage.BackupFile;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.Passphrase;
import io.swagger.v3.oas.annotations.Hidden;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Copies of all data: how those made each day stand, and one made for the command of whoever owns the data. */
@RestController
@RequestMapping("/api")
class BackupsController {
    private final DailyBackups daily;
    private final DataSource dataSource;
    private final String key;
    private final String folder;
    private final Passphrase passphrase;

    BackupsController(
            DailyBackups daily,
            DataSource dataSource,
            @Value("${ebbtide.key:}") String key,
            @Value("${ebbtide.data:}") String folder,
            @Value("${ebbtide.passphrase:}") String passphrase) {
        this.passphrase = new Passphrase(passphrase);
        this.daily = daily;
        this.dataSource = dataSource;
        this.key = key;
        this.folder = folder;
    }

    @GetMapping("/backups")
    @AllowedTo(AllowedTo.Who.STEWARD)
    DailyBackups.BackupStanding standing() {
        return daily.standing();
    }

    /** Only the command knows the key, which lies in the folder of the data: to any other there is nothing here. */
    @Hidden
    @GetMapping(path = "/backup", produces = "application/zip")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    @Exports("a copy of all data")
    ResponseEntity<StreamingResponseBody> backup(@RequestHeader(name = "Ebbtide-Key", defaultValue = "") String said)
            throws IOException {
        if (key.isEmpty() || !MessageDigest.isEqual(bytes(key), bytes(said))) {
            throw new NotFound("backup", "this");
        }
        Path file = Files.createTempDirectory(Path.of(folder), ".backup").resolve("all.zip");
        try {
            new BackupFile(file, passphrase).write(dataSource);
        } catch (IOException | RuntimeException e) {
            Files.delete(file.getParent());
            throw e;
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .body(out -> {
                    try (InputStream in = Files.newInputStream(file)) {
                        in.transferTo(out);
                    } finally {
                        Files.delete(file);
                        Files.delete(file.getParent());
                    }
                });
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}

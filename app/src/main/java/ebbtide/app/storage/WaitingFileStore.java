package ebbtide.app.storage;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The bank's files that wait on a server, where each program that works on it finds what was handed to another. */
@Repository
public class WaitingFileStore {
    private static final int PART_BYTES = 1 << 20;
    private static final int LONGEST_NAME = 1_000;
    /** Nobody takes a file up again on the day after. */
    private static final Duration LEFT_AFTER = Duration.ofDays(1);

    private final JdbcClient client;
    private final Clock clock;

    WaitingFileStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** A file that waits: of which plan and account (null: not known yet), its name, and how many bytes it has. */
    public record WaitingFile(
            String id, String planId, @Nullable String account, String name, long bytes) {}

    /** Puts a file there, its bytes read from a path; those that have waited for a day go. */
    @Transactional(rollbackFor = IOException.class)
    public void put(WaitingFile file, Path bytes) throws IOException {
        OffsetDateTime now = OffsetDateTime.now(clock);
        client.sql("delete from waiting_file where put_at < ?")
                .param(now.minus(LEFT_AFTER))
                .update();
        client.sql("insert into waiting_file (id, plan_id, account, name, bytes, put_at) values (?, ?, ?, ?, ?, ?)")
                .param(file.id())
                .param(file.planId())
                .param(file.account())
                .param(file.name()
                        .substring(0, Math.min(LONGEST_NAME, file.name().length())))
                .param(file.bytes())
                .param(now)
                .update();
        try (InputStream in = Files.newInputStream(bytes)) {
            byte[] part = in.readNBytes(PART_BYTES);
            for (int i = 0; part.length > 0; i++) {
                client.sql("insert into waiting_file_part (file_id, part, content) values (?, ?, ?)")
                        .params(file.id(), i, part)
                        .update();
                part = in.readNBytes(PART_BYTES);
            }
        }
    }

    public Optional<WaitingFile> find(String planId, String id) {
        return client.sql("select id, plan_id, account, name, bytes from waiting_file where plan_id = ? and id = ?")
                .params(planId, id)
                .query(WaitingFile.class)
                .optional();
    }

    /**
     * Lays the bytes of a file down in a folder, under a name of their own, which is returned.
     *
     * @throws NotFound where it was let go meanwhile
     */
    public Path fetch(WaitingFile file, Path folder) throws IOException {
        Path fetched = Files.createTempFile(folder, "fetched", "");
        try (OutputStream out = Files.newOutputStream(fetched)) {
            long left = file.bytes();
            for (int i = 0; left > 0; i++) {
                byte[] part = client.sql("select content from waiting_file_part where file_id = ? and part = ?")
                        .params(file.id(), i)
                        .query((row, n) -> row.getBytes(1))
                        .optional()
                        .orElseThrow(() -> new NotFound("bank file waiting to be brought in", file.id()));
                out.write(part);
                left -= part.length;
            }
            return fetched;
        } catch (IOException | RuntimeException e) {
            Files.deleteIfExists(fetched);
            throw e;
        }
    }

    public void drop(String id) {
        client.sql("delete from waiting_file where id = ?").param(id).update();
    }
}

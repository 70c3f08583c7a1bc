package ebbtide.app.storage;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;

/** The programs that work on one database server, and the tasks of a day that one of them has taken on. */
@Repository
public class ProcessStore {
    private static final Duration GONE_AFTER = Duration.ofSeconds(60);

    private final JdbcClient client;
    private final Clock clock;
    private final Engine engine;
    private final String id;

    public ProcessStore(JdbcClient client, Clock clock, Engine engine, @Value("${ebbtide.data:}") String data) {
        this.client = client;
        this.clock = clock;
        this.engine = engine;
        this.id = engine.isServer() && !data.isEmpty() ? kept(Path.of(data).resolve("program")) : ShortId.next();
    }

    /** One program at a time has a folder: what was begun by it before is of one that has ended. */
    private static String kept(Path file) {
        try {
            if (!Files.exists(file)) {
                Files.writeString(file, ShortId.next());
            }
            return Files.readString(file).strip();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Returns by what this program is known to the others. */
    public String id() {
        return id;
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }

    /**
     * Says that this program is there, and lets go of those that were not seen for long; alone on a file it need not.
     */
    @Scheduled(fixedDelay = 10_000)
    public void stay() {
        if (!engine.isServer()) {
            return;
        }
        if (client.sql("update process set seen_at = ? where id = ?")
                        .params(now(), id)
                        .update()
                == 0) {
            client.sql("insert into process (id, seen_at) values (?, ?)")
                    .params(id, now())
                    .update();
        }
        client.sql("delete from process where seen_at < ?")
                .param(now().minus(GONE_AFTER))
                .update();
    }

    /** Takes a task of a day on; returns whether no other program has: alone on a file, none has. */
    public boolean take(String task, LocalDate day) {
        if (!engine.isServer()) {
            return true;
        }
        try {
            client.sql("insert into task_taken (name, on_day) values (?, ?)")
                    .params(task, day)
                    .update();
            return true;
        } catch (DuplicateKeyException e) {
            return false;
        }
    }

    /** Leaves a task of a day to others. */
    public void leave(String task, LocalDate day) {
        client.sql("delete from task_taken where name = ? and on_day = ?")
                .params(task, day)
                .update();
    }
}

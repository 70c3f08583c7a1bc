package ebbtide.app.storage;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Gives room in the database's file back that edits have left behind, in the pauses between them: the file stays about
 * as large as what is in it, without a restart (decisions/0027).
 */
@Component
public class FileSpace {
    /** What nothing needs any more is overwritten no sooner: by then what took its place is on the disk. */
    private static final Duration RETENTION = Duration.ofSeconds(2);

    private static final Duration PAUSE = Duration.ofSeconds(3);
    private static final Duration AT_MOST = Duration.ofMillis(200);
    private static final Logger LOG = LoggerFactory.getLogger(FileSpace.class);
    private final DataSource dataSource;
    private final ForcedTransactions transactions;
    private final DiskRoom room;
    private final Engine engine;
    private long compacted;

    FileSpace(DataSource dataSource, ForcedTransactions transactions, DiskRoom room, Engine engine) {
        this.engine = engine;
        this.room = room;
        this.dataSource = dataSource;
        this.transactions = transactions;
    }

    /** Returns the address of a database in a file, its name without what it ends with. */
    public static String url(String file) {
        return "jdbc:h2:" + file + ";COMPRESS=TRUE;TRACE_LEVEL_FILE=0;RETENTION_TIME=" + RETENTION.toMillis();
    }

    @Scheduled(fixedDelay = 1000)
    void giveBack() {
        long committed = transactions.count();
        if (engine.isServer()
                || committed == compacted
                || transactions.quietFor().compareTo(PAUSE) < 0
                || room.bytes() < 0) {
            return;
        }
        try (Connection connection = dataSource.getConnection()) {
            MVStore store = connection.unwrap(JdbcConnection.class).getSession() instanceof SessionLocal session
                    ? session.getDatabase().getStore().getMvStore()
                    : null;
            // What is in memory alone has no file.
            compacted = store == null || store.getFileStore() == null || compact(store) ? committed : compacted;
        } catch (SQLException e) {
            LOG.warn("The database's file was not compacted: {}", e.getMessage());
        }
    }

    /** Returns whether there is no more to be had of much use, else it goes on in the next pause. */
    private static boolean compact(MVStore store) {
        long before = store.getFileStore().size();
        store.compactFile((int) AT_MOST.toMillis());
        store.setRetentionTime((int) RETENTION.toMillis());
        return store.getFileStore().size() >= before - before / 10;
    }
}

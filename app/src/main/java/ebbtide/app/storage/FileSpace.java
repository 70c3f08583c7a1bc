package ebbtide.app.storage;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Gives room in the database's file back that edits have left behind, in the pauses between them: the file stays about
 * as large as what is in it, without a restart (decisions/0027). What it gives back may be written over: so nothing is
 * given back that a file cut off by a power cut is still read from (decisions/0036).
 */
@Component
public class FileSpace {
    /**
     * So many versions of the file stay whole in it. H2 writes its header, from which it finds the latest, at least
     * every twenty; and what it says in one that nothing needs may still be needed by the one before.
     */
    private static final int VERSIONS = 24;

    /** What nothing needs any more is overwritten no sooner. */
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
        OrderedWrites.register();
        return "jdbc:h2:" + OrderedWrites.SCHEME + ":" + file + ";COMPRESS=TRUE;TRACE_LEVEL_FILE=0;RETENTION_TIME="
                + RETENTION.toMillis();
    }

    /** Keeps the latest versions of a database's file whole, from now until it is closed. */
    static void keepVersions(Connection connection) throws SQLException {
        MVStore store = store(connection);
        if (store != null) {
            store.setVersionsToKeep(VERSIONS);
        }
    }

    /** Returns what is written to the file of a database, {@code null} for one that is in no file. */
    private static @Nullable MVStore store(Connection connection) throws SQLException {
        MVStore store = connection.unwrap(JdbcConnection.class).getSession() instanceof SessionLocal session
                ? session.getDatabase().getStore().getMvStore()
                : null;
        return store == null || store.getFileStore() == null ? null : store;
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
        compacted = compact() ? committed : compacted;
    }

    /** Returns whether there is no more to be had of much use, else it goes on in the next pause. */
    boolean compact() {
        try (Connection connection = dataSource.getConnection()) {
            MVStore store = store(connection);
            return store == null || compact(store);
        } catch (SQLException e) {
            LOG.warn("The database's file was not compacted: {}", e.getMessage());
            return false;
        }
    }

    private static boolean compact(MVStore store) {
        long before = store.getFileStore().size();
        store.setVersionsToKeep(VERSIONS);
        for (int round = 0; round < 2; round++) {
            // The second round gives back what the first has written anew.
            age(store);
            store.compactFile((int) AT_MOST.toMillis());
            store.setRetentionTime((int) RETENTION.toMillis());
        }
        return store.getFileStore().size() >= before - before / 10;
    }

    /** Writes as many versions, of next to nothing, as are kept: the room of those before may be given back then. */
    private static void age(MVStore store) {
        for (int version = 0; version <= VERSIONS; version++) {
            store.setStoreVersion(store.getStoreVersion() + 1);
            store.commit();
        }
    }
}

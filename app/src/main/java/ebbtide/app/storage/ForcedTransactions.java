package ebbtide.app.storage;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicLong;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.ConnectionHolder;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.DefaultTransactionStatus;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Transactions that lie on the disk once they are committed, so that what was answered outlives a power cut
 * (decisions/0004). Those that only read force nothing.
 */
@Component
@SuppressWarnings("serial") // no transaction manager is ever written down
final class ForcedTransactions extends JdbcTransactionManager {
    private final DiskRoom room;
    /** A server answers a commit once it is on its disk. */
    private final boolean forcedByItself;

    private final AtomicLong count = new AtomicLong();
    private volatile long latest = System.nanoTime();

    ForcedTransactions(DataSource dataSource, DiskRoom room, Engine engine) {
        super(dataSource);
        this.forcedByItself = engine.isServer();
        this.room = room;
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
        if (!definition.isReadOnly()) {
            room.require(0);
        }
        super.doBegin(transaction, definition);
        if (!definition.isReadOnly() && !forcedByItself) {
            try {
                FileSpace.keepVersions(bound());
            } catch (SQLException e) {
                throw translateException("keeping versions", e);
            }
        }
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
        super.doCommit(status);
        if (!status.isReadOnly() && !forcedByItself) {
            force();
            count.incrementAndGet();
            latest = System.nanoTime();
        }
    }

    /** Returns how many transactions were forced since the start. */
    long count() {
        return count.get();
    }

    /** Returns how long ago the latest was. */
    Duration quietFor() {
        return Duration.ofNanos(System.nanoTime() - latest);
    }

    /** Returns the connection of the transaction. */
    private Connection bound() {
        return ((ConnectionHolder)
                        Objects.requireNonNull(TransactionSynchronizationManager.getResource(obtainDataSource())))
                .getConnection();
    }

    private void force() {
        try (Statement statement = bound().createStatement()) {
            statement.execute("checkpoint sync");
        } catch (SQLException e) {
            throw translateException("forcing to disk", e);
        }
    }
}

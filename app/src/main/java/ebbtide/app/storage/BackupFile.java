package ebbtide.app.storage;

import ebbtide.money.Refused;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;

/** A copy of all data in one file: a zip with the database in it, as it stood at one moment. */
public record BackupFile(Path path, Passphrase passphrase) {
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss");

    /** Makes that of a database that is not encrypted. */
    public BackupFile(Path path) {
        this(path, Passphrase.NONE);
    }

    /**
     * Copies a database while others go on with it, and opens the copy to see that it is whole; it comes to its place
     * only then, and takes that of a file that is there.
     *
     * @throws NoRoom where there is none for it and for what it is unpacked to
     * @throws IOException where the folder cannot be written
     */
    public DatabaseFile.Contents write(DataSource live) throws IOException {
        try (Connection connection = live.getConnection()) {
            return write(connection);
        } catch (SQLException e) {
            throw cannotWrite(e);
        }
    }

    /** Copies a database that no program has open. */
    public DatabaseFile.Contents write(DatabaseFile closed) throws IOException {
        try (Connection connection = closed.open()) {
            return write(connection);
        } catch (SQLException e) {
            throw cannotWrite(e);
        }
    }

    /** Copies what is on a server, while others go on with it. */
    public DatabaseFile.Contents write(DatabaseServer server) throws IOException {
        try (Connection connection = server.open()) {
            return write(connection);
        } catch (SQLException e) {
            throw cannotWrite(e);
        }
    }

    /** What is on a server is laid into a file first, as it stood at one moment. */
    private DatabaseFile.Contents writeOf(Connection server) throws SQLException, IOException {
        DatabaseFile copy = copyIn(path.toAbsolutePath().getParent());
        try {
            server.setAutoCommit(false);
            server.setReadOnly(true);
            server.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
            copy.make();
            try (Connection to = copy.open()) {
                to.setAutoCommit(false);
                new TableCopy(server, to).copy();
                to.commit();
                return write(to);
            } finally {
                server.rollback();
            }
        } finally {
            empty(copy);
        }
    }

    private DatabaseFile.Contents write(Connection connection) throws SQLException, IOException {
        if (Engine.isServer(connection.getMetaData().getURL())) {
            return writeOf(connection);
        }
        Path part = path.resolveSibling(path.getFileName() + ".part");
        new DiskRoom(String.valueOf(path.toAbsolutePath().getParent())).require(2 * size(connection));
        try {
            try (Statement statement = connection.createStatement()) {
                statement.execute(
                        "backup to '" + part.toAbsolutePath().toString().replace("'", "''") + "'");
            }
            DatabaseFile.Contents found = verified(part);
            Files.move(part, path, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            return found;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** A full disk is the end of a database that goes on beside: it is never let come to that. */
    private static long size(Connection connection) throws SQLException {
        try (ResultSet row = connection
                .createStatement()
                .executeQuery(
                        "select setting_value from information_schema.settings where setting_name = 'info.FILE_SIZE'")) {
            row.next();
            return row.getLong(1);
        }
    }

    /** A copy that is not whole is one of a database that is not. */
    private DatabaseFile.Contents verified(Path part) throws IOException {
        try {
            return new BackupFile(part, passphrase).verify();
        } catch (Refused e) {
            throw new IOException(
                    "The backup '" + path + "' could not be written: the database is damaged and cannot be read whole",
                    e);
        }
    }

    private IOException cannotWrite(SQLException e) {
        return new IOException("The backup '" + path + "' could not be written: " + e.getMessage(), e);
    }

    /**
     * Opens a copy of it and reads all that is in it.
     *
     * @throws Refused where it is no backup, or is not whole, in a sentence
     */
    public DatabaseFile.Contents verify() throws IOException {
        DatabaseFile copy = copyIn(path.toAbsolutePath().getParent());
        try {
            return unpackWhole(copy);
        } finally {
            empty(copy);
        }
    }

    /** A copy in a folder of its own, always the same, so that none is left behind by a program that was killed. */
    private DatabaseFile copyIn(@Nullable Path folder) throws IOException {
        return new DatabaseFile(
                Files.createDirectories(
                        Path.of(String.valueOf(folder)).resolve("." + path.getFileName() + ".unpacked")),
                passphrase);
    }

    private static void empty(DatabaseFile copy) throws IOException {
        try (Stream<Path> left = Files.list(copy.folder())) {
            for (Path one : left.toList()) {
                Files.delete(one);
            }
        }
        Files.delete(copy.folder());
    }

    private DatabaseFile.Contents unpackWhole(DatabaseFile copy) throws IOException {
        try {
            unpack(copy.path());
            return copy.look(true).orElseThrow(() -> new Refused("The backup '" + path + "' is empty"));
        } catch (Refused e) {
            throw new Refused(
                    "The file '" + path + "' is no backup that is whole: "
                            + String.valueOf(e.getMessage())
                                    .replace("The database '" + copy.path() + "'", "the database in it"),
                    e);
        }
    }

    private void unpack(Path to) throws IOException {
        try (ZipFile zip = new ZipFile(path.toFile())) {
            ZipEntry entry = zip.getEntry(DatabaseFile.fileName());
            if (entry == null) {
                throw new Refused("it has no '" + DatabaseFile.fileName() + "' in it");
            }
            try (InputStream in = zip.getInputStream(entry)) {
                Files.copy(in, to, StandardCopyOption.REPLACE_EXISTING);
            }
        } catch (java.util.zip.ZipException e) {
            throw new Refused("it is no zip file", e);
        }
    }

    /**
     * Puts it in the place of what is on a server, once it has been seen to be whole: all of it or, where that fails,
     * nothing. What was there is first copied into a file, which is returned.
     *
     * @throws Refused where it is no backup, or is not whole, in a sentence
     */
    public Optional<Path> restore(DatabaseServer to, Clock clock) throws IOException {
        Path folder = path.toAbsolutePath().getParent();
        DatabaseFile copy = copyIn(folder);
        try {
            unpackWhole(copy).requireKnown("'" + path + "'");
            copy.migrate();
            Optional<Path> before = Optional.empty();
            if (to.look().filter(one -> one.plans() > 0).isPresent()) {
                Path aside = path.resolveSibling("before-restore-" + MOMENT.format(LocalDateTime.now(clock)) + ".zip");
                new BackupFile(aside, passphrase).write(to);
                before = Optional.of(aside);
            }
            to.migrate();
            try (Connection from = copy.open();
                    Connection into = to.open()) {
                into.setAutoCommit(false);
                new TableCopy(from, into).copy();
                into.commit();
            }
            return before;
        } catch (SQLException e) {
            throw new IOException(
                    "The backup '" + path + "' could not be put onto the server, which is as it was: " + e.getMessage(),
                    e);
        } finally {
            empty(copy);
        }
    }

    /**
     * Puts it in the place of the database of a folder, once it has been seen to be whole; returns where the database
     * that was there lies now, beside it.
     *
     * @throws Refused where it is no backup, or is not whole, in a sentence
     */
    public Optional<Path> restore(DatabaseFile to, Clock clock) throws IOException {
        DatabaseFile copy = copyIn(to.folder());
        try {
            unpackWhole(copy).requireKnown("'" + path + "'");
            Optional<Path> before = Optional.empty();
            if (Files.exists(to.path())) {
                Path aside = to.path()
                        .resolveSibling("before-restore-" + MOMENT.format(LocalDateTime.now(clock)) + ".mv.db");
                Files.move(to.path(), aside);
                before = Optional.of(aside);
            }
            Files.move(copy.path(), to.path(), StandardCopyOption.ATOMIC_MOVE);
            return before;
        } finally {
            empty(copy);
        }
    }
}

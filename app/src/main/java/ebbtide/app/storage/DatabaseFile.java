package ebbtide.app.storage;

import ebbtide.money.Refused;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.h2.tools.ChangeFileEncryption;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/** The file in a folder that all data is in: its address, and what it is before a start changes it. */
public record DatabaseFile(Path folder, Passphrase passphrase) {
    private static final String NAME = "ebbtide";
    private static final String ENDING = ".mv.db";

    /** What an encrypted file begins with. */
    private static final byte[] ENCRYPTED = "H2encrypt\n".getBytes(StandardCharsets.US_ASCII);

    /** What H2 says where a file does not open with a passphrase. */
    private static final int WRONG_PASSPHRASE = 90049;

    /** Makes that of a folder whose database is not encrypted. */
    public DatabaseFile(Path folder) {
        this(folder, Passphrase.NONE);
    }

    /**
     * What can be told of a database that opens: the version of its schema, its plans, and the edits of all of them.
     */
    public record Contents(int schema, int plans, long edits) {
        /**
         * Requires a schema that this program knows.
         *
         * @throws Refused where it is that of a later one, in a sentence
         */
        public void requireKnown(String of) {
            if (schema > schemaOfProgram()) {
                throw new Refused("The data in " + of + " is of a later Ebbtide (schema " + schema + ", this one has "
                        + schemaOfProgram() + "): start that one");
            }
        }
    }

    /** Thrown where a database is whole for all that is known, and no passphrase for it was said, or another one. */
    public static final class Locked extends Refused {
        private static final long serialVersionUID = 1L;

        Locked(String sentence) {
            super(sentence);
        }
    }

    /** The name of the database's file, the same in every folder. */
    static String fileName() {
        return NAME + ENDING;
    }

    public Path path() {
        return folder.resolve(fileName());
    }

    /** Returns how large it is, in bytes. */
    public long bytes() throws IOException {
        return Files.exists(path()) ? Files.size(path()) : 0;
    }

    /**
     * Returns the address by which the program opens it.
     *
     * @throws Refused for a folder that cannot be said in an address
     */
    public String url() {
        String place = folder.toAbsolutePath().resolve(NAME).toString();
        if (place.contains(";")) {
            throw new Refused(
                    "The folder '" + folder
                            + "' has a semicolon in its name, which a database's address cannot have: choose another with --data DIR.");
        }
        return FileSpace.url(place) + (opensEncrypted() ? ";CIPHER=AES" : "");
    }

    /** Returns the password by which the program opens it, with no user. */
    public String password() {
        return opensEncrypted() ? passphrase.password() : "";
    }

    /** One that is not there yet is made encrypted where there is a passphrase; one that is there opens as it is. */
    private boolean opensEncrypted() {
        return passphrase.isThere() && (!Files.exists(path()) || isEncrypted());
    }

    /** Returns whether the file is encrypted. */
    public boolean isEncrypted() {
        try (InputStream in = Files.newInputStream(path())) {
            return Arrays.equals(in.readNBytes(ENCRYPTED.length), ENCRYPTED);
        } catch (IOException e) {
            return false;
        }
    }

    /** Makes an empty one of this program's schema, in the place of one that is there. */
    void make() throws IOException {
        Files.deleteIfExists(path());
        migrate();
    }

    /** Brings it to the schema of this program. */
    void migrate() {
        Flyway.configure().dataSource(url(), "", password()).load().migrate();
    }

    /** Opens it where it is, while no program has it. */
    Connection open() throws SQLException {
        return DriverManager.getConnection(url() + ";IFEXISTS=TRUE;LAZY_QUERY_EXECUTION=TRUE", "", password());
    }

    /**
     * Encrypts a database that is not, by its passphrase: the encrypted one is made beside it, read through, and put in
     * its place.
     *
     * @throws NoRoom where there is none for it
     */
    public void encrypt() throws IOException {
        new DiskRoom(folder.toString()).require(2 * bytes());
        DatabaseFile made = new DatabaseFile(Files.createDirectories(folder.resolve(".encrypting")), passphrase);
        try {
            Files.copy(path(), made.path(), StandardCopyOption.REPLACE_EXISTING);
            String password = passphrase.password().strip();
            ChangeFileEncryption.execute(made.folder().toString(), NAME, "AES", null, password.toCharArray(), true);
            made.look(true);
            Files.move(made.path(), path(), StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (SQLException e) {
            throw new IOException("The data in '" + folder + "' could not be encrypted: " + e.getMessage(), e);
        } finally {
            Files.deleteIfExists(made.path());
            Files.delete(made.folder());
        }
    }

    /** Returns the version of the schema that this program has. */
    public static int schemaOfProgram() {
        try {
            return Arrays.stream(
                            new PathMatchingResourcePatternResolver().getResources("classpath:db/migration/V*.sql"))
                    .map(one -> Optional.ofNullable(one.getFilename()).orElse(""))
                    .mapToInt(name -> Integer.parseInt(name.substring(1, name.indexOf("__"))))
                    .max()
                    .orElse(0);
        } catch (IOException e) {
            throw new IllegalStateException("The program's own files cannot be read", e);
        }
    }

    /**
     * Returns what is in it, nothing where there is no database yet. Where it is to be read whole, every row is.
     *
     * @throws Refused where the file is no database, or a damaged one, in a sentence
     */
    public Optional<Contents> look(boolean whole) {
        if (!Files.exists(path())) {
            return Optional.empty();
        }
        try {
            if (bytes() == 0) {
                throw new Refused("The database '" + path() + "' is empty, of no bytes at all");
            }
        } catch (IOException e) {
            throw new Refused("The database '" + path() + "' cannot be read", e);
        }
        if (isEncrypted() && !passphrase.isThere()) {
            throw new Locked("The database '" + path() + "' is encrypted: say --encrypt, and its passphrase");
        }
        return Optional.of(read(whole));
    }

    private Contents read(boolean whole) {
        try (Connection connection = open();
                Statement statement = connection.createStatement()) {
            if (whole) {
                readAll(connection);
            }
            try (ResultSet row = statement.executeQuery("""
                select (select max(cast("version" as int)) from "flyway_schema_history" where "success"),
                       (select count(*) from plan), (select count(*) from change_log)""")) {
                row.next();
                return new Contents(row.getInt(1), row.getInt(2), row.getLong(3));
            }
        } catch (SQLException e) {
            if (e.getErrorCode() == WRONG_PASSPHRASE) {
                throw new Locked("The passphrase is not that of the database '" + path() + "'");
            }
            throw new Refused(
                    "The database '" + path() + "' is damaged, or is none of Ebbtide: it cannot be read whole", e);
        }
    }

    /** Damage shows here, and not on the day that a row is wanted. */
    private static void readAll(Connection connection) throws SQLException {
        try (ResultSet tables = connection.getMetaData().getTables(null, "PUBLIC", null, new String[] {"BASE TABLE"});
                Statement statement = connection.createStatement()) {
            while (tables.next()) {
                try (ResultSet rows =
                        statement.executeQuery("select * from \"" + tables.getString("TABLE_NAME") + "\"")) {
                    int columns = rows.getMetaData().getColumnCount();
                    while (rows.next()) {
                        for (int i = 1; i <= columns; i++) {
                            rows.getObject(i);
                        }
                    }
                }
            }
        }
    }
}

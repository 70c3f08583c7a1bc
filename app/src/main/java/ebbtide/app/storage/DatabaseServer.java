package ebbtide.app.storage;

import ebbtide.app.storage.DatabaseFile.Contents;
import ebbtide.money.Refused;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import org.flywaydb.core.Flyway;

/** A database server that all data is in: its address, and who the program is there. */
public record DatabaseServer(String url, String user, String password) {
    /** What the server has for the names of types that its standard has not. */
    private static final String OWN_TYPES = "classpath:db/postgresql";

    private static final String MIGRATIONS = "classpath:db/migration";

    public DatabaseServer {
        if (!Engine.isServer(url)) {
            throw new Refused(
                    "--database takes the address of a server, as in jdbc:postgresql://HOST:5432/NAME, but was '" + url
                            + "'");
        }
    }

    /** Returns where its migrations lie: the same as of a file, and before them what the server has for some types. */
    public static String migrations() {
        return OWN_TYPES + "," + MIGRATIONS;
    }

    Connection open() throws SQLException {
        return DriverManager.getConnection(url, user, password);
    }

    /**
     * Returns what is in it, nothing where there is none of Ebbtide's yet.
     *
     * @throws Refused where it is not reached, in a sentence
     */
    public Optional<Contents> look() {
        try (Connection connection = open();
                Statement statement = connection.createStatement()) {
            try (ResultSet there = statement.executeQuery("select to_regclass('flyway_schema_history') is not null")) {
                there.next();
                if (!there.getBoolean(1)) {
                    return Optional.empty();
                }
            }
            try (ResultSet row = statement.executeQuery(
                    "select coalesce(max(cast(version as int)), 0) from flyway_schema_history where success and version not like '0%'")) {
                row.next();
                int schema = row.getInt(1);
                return schema == 0
                        ? Optional.empty()
                        : Optional.of(new Contents(schema, count(connection, "plan"), count(connection, "change_log")));
            }
        } catch (SQLException e) {
            throw new Refused(
                    "The database '" + url + "' is not reached: "
                            + String.valueOf(e.getMessage()).replace('\n', ' ')
                            + ". See that the server runs, and who the program is there",
                    e);
        }
    }

    private static int count(Connection connection, String table) throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("select count(*) from " + table)) {
            row.next();
            return row.getInt(1);
        }
    }

    /** Brings it to the schema of this program. */
    void migrate() {
        Flyway.configure()
                .dataSource(url, user, password)
                .locations(OWN_TYPES, MIGRATIONS)
                .load()
                .migrate();
    }
}

package ebbtide.app.storage;

import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** All rows of a database copied into another of the same schema, whatever engines they are. */
final class TableCopy {
    /** What others refer to comes first. */
    private static final List<String> FIRST = List.of("person", "plan");
    /** What is about one engine's own schema, and what is gone with the programs that wrote it. */
    private static final List<String> LEFT_OUT =
            List.of("flyway_schema_history", "present", "waiting_file", "waiting_file_part", "bringing_in");
    /** Each sequence with what gives the highest of its values that is used, and by how much it goes up. */
    private static final Map<String, String> HIGHEST = Map.of(
            "movement_id", "select coalesce(max(id), 0) from movement",
            "snapshot_seq", "select coalesce(max(seq), 0) from snapshot");

    private static final int BATCH = 1_000;

    private final Connection from;
    private final Connection to;

    TableCopy(Connection from, Connection to) {
        this.from = from;
        this.to = to;
    }

    /** Empties the one and fills it from the other; the caller's transactions say what holds of it. */
    void copy() throws SQLException {
        List<String> tables = tables(from);
        List<String> backwards = new ArrayList<>(tables);
        java.util.Collections.reverse(backwards);
        try (Statement statement = to.createStatement()) {
            for (String table : backwards) {
                statement.executeUpdate("delete from " + table);
            }
        }
        for (String table : tables) {
            copy(table);
        }
        for (Map.Entry<String, String> sequence : HIGHEST.entrySet()) {
            restart(sequence.getKey(), sequence.getValue());
        }
    }

    /** Returns the tables of a database, those that others refer to first. */
    static List<String> tables(Connection of) throws SQLException {
        List<String> tables = new ArrayList<>();
        DatabaseMetaData data = of.getMetaData();
        try (ResultSet found = data.getTables(null, of.getSchema(), null, new String[] {"TABLE", "BASE TABLE"})) {
            while (found.next()) {
                tables.add(found.getString("TABLE_NAME").toLowerCase(Locale.ROOT));
            }
        }
        tables.removeAll(LEFT_OUT);
        tables.sort(Comparator.comparing((String table) -> FIRST.contains(table) ? FIRST.indexOf(table) : FIRST.size())
                .thenComparing(table -> table));
        return tables;
    }

    private void copy(String table) throws SQLException {
        try (Statement reading = from.createStatement()) {
            reading.setFetchSize(BATCH);
            try (ResultSet rows = reading.executeQuery("select * from " + table)) {
                List<Column> columns = Column.of(rows.getMetaData());
                String names = columns.stream().map(Column::name).collect(Collectors.joining(", "));
                String marks = columns.stream().map(one -> "?").collect(Collectors.joining(", "));
                try (PreparedStatement writing =
                        to.prepareStatement("insert into " + table + " (" + names + ") values (" + marks + ")")) {
                    int waiting = 0;
                    while (rows.next()) {
                        for (int i = 0; i < columns.size(); i++) {
                            writing.setObject(i + 1, columns.get(i).value(rows, i + 1));
                        }
                        writing.addBatch();
                        if (++waiting == BATCH) {
                            writing.executeBatch();
                            waiting = 0;
                        }
                    }
                    writing.executeBatch();
                }
            }
        }
    }

    /** A column by its name, and how its values are read so that any engine takes them. */
    private record Column(String name, int type, String typeName) {
        static List<Column> of(ResultSetMetaData data) throws SQLException {
            List<Column> columns = new ArrayList<>();
            for (int i = 1; i <= data.getColumnCount(); i++) {
                columns.add(new Column(
                        data.getColumnName(i).toLowerCase(Locale.ROOT),
                        data.getColumnType(i),
                        data.getColumnTypeName(i).toLowerCase(Locale.ROOT)));
            }
            return columns;
        }

        @Nullable
        Object value(ResultSet rows, int at) throws SQLException {
            if (type == Types.CLOB || typeName.equals("clob")) {
                return rows.getString(at);
            }
            if (type == Types.BLOB || type == Types.BINARY || typeName.equals("blob")) {
                return rows.getBytes(at);
            }
            if (type == Types.TIMESTAMP_WITH_TIMEZONE || typeName.equals("timestamptz")) {
                return rows.getObject(at, OffsetDateTime.class);
            }
            return type == Types.DATE ? rows.getObject(at, LocalDate.class) : rows.getObject(at);
        }
    }

    /** A sequence goes on after the highest value that is used, in runs of its own length. */
    private void restart(String sequence, String highest) throws SQLException {
        try (Statement statement = to.createStatement()) {
            long used;
            try (ResultSet row = statement.executeQuery(highest)) {
                row.next();
                used = row.getLong(1);
            }
            long run = sequence.equals("movement_id") ? MovementRows.BATCH : 1;
            long next = used == 0 ? 1 : (used - 1) / run * run + run + 1;
            statement.execute("alter sequence " + sequence + " restart with " + next);
        }
    }
}

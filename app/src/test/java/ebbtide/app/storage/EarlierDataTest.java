package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import ebbtide.app.Ebbtide;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WholePlans;
import ebbtide.plan.Buoy;
import ebbtide.plan.Line;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Remark;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Data of every schema there was opens in this one: a plan of each, with rows in every table that it had, written into
 * it before the next. A new schema brings the rows of its own (src/test/resources/rows).
 */
class EarlierDataTest {
    private static final Path ROWS = Path.of("src/test/resources/rows");
    private static final LocalDate AS_OF = LocalDate.of(2026, 3, 1);

    @TempDir
    private Path folder;

    @Test
    void planOfEverySchema_opens_isUndone_andIsTakenOutWithoutATrace() throws Exception {
        String url = new DatabaseFile(folder).url();
        int own = DatabaseFile.schemaOfProgram();
        for (int schema = 1; schema <= own; schema++) {
            Flyway.configure()
                    .dataSource(url, "", "")
                    .target(Integer.toString(schema))
                    .load()
                    .migrate();
            writeRows(url, schema);
        }
        // Few rows are many to a database that holds two at a time.
        try (ConfigurableApplicationContext running = new SpringApplicationBuilder(Ebbtide.class)
                .properties(
                        "spring.datasource.url=" + url + ";MAX_MEMORY_ROWS=2",
                        "server.port=0",
                        "ebbtide.data=" + folder)
                .run()) {
            for (int schema = 1; schema <= own; schema++) {
                assertThat(running.getBean(DialectStore.class).find("v" + schema, "bank"))
                        .isPresent();
                opens(running, schema);
            }
        }
        assertThat(rowsByTable(url, "v").values()).as("of deleted plans").containsOnly(0);
    }

    /** Runs the scripts of the schemas up to one, those that a later one has put an end to left out. */
    private static void writeRows(String url, int schema) throws Exception {
        try (Connection connection = DriverManager.getConnection(url, "", "");
                Statement statement = connection.createStatement()) {
            for (Path script : scripts(schema)) {
                statement.execute(
                        Files.readString(script).replace(":plan", "v" + schema).replace("#", Integer.toString(schema)));
            }
        }
        Map<String, Integer> rows = rowsByTable(url, "v" + schema);
        assertThat(rows).hasSizeGreaterThan(12);
        assertThat(rows.values()).as("in schema %d: %s", schema, rows).doesNotContain(0);
    }

    private static List<Path> scripts(int schema) {
        List<Path> scripts = new ArrayList<>();
        for (int since = 1; since <= schema; since++) {
            assertThat(ROWS.resolve("since-" + since + ".sql")).exists();
            scripts.add(ROWS.resolve("since-" + since + ".sql"));
            for (int until = schema; until <= DatabaseFile.schemaOfProgram(); until++) {
                scripts.add(ROWS.resolve("since-" + since + "-until-" + until + ".sql"));
            }
        }
        scripts.removeIf(script -> !Files.exists(script));
        return scripts;
    }

    /** Counts the rows of plans whose ids begin so, by table; those that name none count by what they belong to. */
    private static Map<String, Integer> rowsByTable(String url, String plan) throws Exception {
        Map<String, Integer> rows = new TreeMap<>();
        try (Connection connection = DriverManager.getConnection(url, "", "")) {
            List<String> tables = new ArrayList<>();
            try (ResultSet found =
                    connection.getMetaData().getTables(null, "PUBLIC", null, new String[] {"BASE TABLE"})) {
                while (found.next()) {
                    tables.add(found.getString("TABLE_NAME"));
                }
            }
            tables.remove("flyway_schema_history");
            // They are there for all plans, and stay.
            tables.removeAll(List.of(
                    "PERSON",
                    "PASSKEY",
                    "RECOVERY_CODE",
                    "SIGN_IN",
                    "HAPPENING",
                    "PROVIDER_NAME",
                    "PROCESS",
                    "TASK_TAKEN"));
            for (String table : tables) {
                String of =
                        switch (table) {
                            case "PLAN" -> "id";
                            case "SNAPSHOT_LINE", "SNAPSHOT_FLOW" -> "snapshot_id";
                            case "WAITING_FILE_PART" -> "file_id";
                            case "MOVEMENT_PART" -> "'" + plan + "'";
                            default -> "plan_id";
                        };
                try (ResultSet count = connection
                        .createStatement()
                        .executeQuery("select count(*) from " + table + " where " + of + " like '" + plan + "%'")) {
                    count.next();
                    rows.put(table, count.getInt(1));
                }
            }
        }
        return rows;
    }

    private static void opens(ApplicationContext running, int schema) {
        Edits edits = running.getBean(Edits.class);
        Plans plans = running.getBean(Plans.class);
        WholePlans whole = running.getBean(WholePlans.class);
        Stores stores = running.getBean(Stores.class);
        String plan = "v" + schema;
        PlanAtVersion now = plans.current(plan);
        assertThat(now.plan().lines()).extracting(Line::id).containsExactly("trade", "sales", "rent", "tax");
        assertThat(now.plan().findLine("tax").orElseThrow().assumption())
                .isInstanceOfSatisfying(
                        ProfitTax.class, tax -> assertThat(tax.profit()).isEqualTo(ProfitTax.MonthlyProfit.OPERATING));
        assertThat(now.books().cash(AS_OF)).isEqualTo(1_000_000 - 90_000 + 45_000 + 7_000);
        assertThat(now.unassigned()).isEqualTo(2);
        assertThat(now.books()).isEqualTo(whole.document(plan).books());
        assertThat(now.books().items().all()).hasSize(schema >= 5 ? 1 : 0);
        assertThat(now.scenarios().all()).hasSize(schema >= 13 ? 1 : 0);
        assertThat(stores.rolls().all(plan)).hasSize(schema >= 7 ? 1 : 0);
        // Half of April's rent is not due; what February fell short of comes with schema 7.
        assertThat(stores.snapshots()
                        .get(plan, plan + "-rows", LocalDate.MAX)
                        .flows()
                        .get("rent")
                        .estimated()
                        .sum(0, 365))
                .isEqualTo(-135_000);
        if (schema >= 11) {
            assertThat(stores.snapshots()
                            .get(plan, plan + "-whole", LocalDate.MAX)
                            .closing(LocalDate.of(2026, 12, 31)))
                    .isEqualTo(53_480_445);
        }
        stores.plans().archive(plan, false);
        assertThat(edits.undo(plan).words()).isEqualTo("Undone: Minimum cash");
        assertThat(plans.current(plan).plan().settings().minimumCash().isEmpty())
                .isTrue();
        edits.undo(plan);
        List<Buoy> buoys = edits.redo(plan).became().plan().buoys();
        assertThat(buoys).extracting(Buoy::id).contains("b1");
        if (schema >= 19) {
            assertThat(buoys.get(1).answers())
                    .extracting(Remark::author, Remark::words)
                    .containsExactly(tuple("Ben", "the loan comes on Friday"));
        }
        edits.edit(plan, "without the rent", draft -> draft.removeLine("rent"));
        assertThat(plans.current(plan).unassigned()).isEqualTo(3);
        edits.undo(plan);
        assertThat(plans.current(plan).books()).isEqualTo(now.books());
        whole.remove(plan, plans.current(plan).version());
    }
}

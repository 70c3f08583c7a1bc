package ebbtide.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.app.storage.BackupFile;
import ebbtide.app.storage.DatabaseFile;
import java.nio.file.Files;
import java.nio.file.Path;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a start does before the database is opened for good. */
class StartupTest {
    @TempDir
    private Path folder;

    @Test
    void databaseOfAnEarlierSchema_isCopiedBeforeItIsBroughtUp() throws Exception {
        DatabaseFile database = new DatabaseFile(Files.createDirectory(folder.resolve("data")));
        Path backups = folder.resolve("backups");
        int own = DatabaseFile.schemaOfProgram();
        StartData.requireWhole(database, backups);
        assertThat(backups).as("there is nothing to copy").doesNotExist();
        Flyway.configure()
                .dataSource(database.url(), "", "")
                .target(Integer.toString(own - 1))
                .load()
                .migrate();
        StartData.requireWhole(database, backups);
        BackupFile copy = new BackupFile(backups.resolve("before-schema-" + own + ".zip"));
        assertThat(copy.verify()).isEqualTo(new DatabaseFile.Contents(own - 1, 0, 0));
        Files.delete(copy.path());
        Flyway.configure().dataSource(database.url(), "", "").load().migrate();
        StartData.requireWhole(database, backups);
        assertThat(copy.path()).as("it is of this schema").doesNotExist();
    }
}

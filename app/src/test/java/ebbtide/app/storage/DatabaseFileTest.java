package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.time.Clock;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a database's file is, before a start changes it. */
class DatabaseFileTest {
    @TempDir
    private Path folder;

    private final int own = DatabaseFile.schemaOfProgram();

    @Test
    void earlierSchema_isTold_aLaterOneIsRefused() throws Exception {
        DatabaseFile file = new DatabaseFile(folder);
        assertThat(file.look(true)).as("there is none yet").isEmpty();
        String earlier = Integer.toString(own - 1);
        Flyway.configure().dataSource(file.url(), "", "").target(earlier).load().migrate();
        assertThat(file.look(true)).contains(new DatabaseFile.Contents(own - 1, 0, 0));
        Flyway.configure().dataSource(file.url(), "", "").load().migrate();
        assertThat(file.look(false)).contains(new DatabaseFile.Contents(own, 0, 0));
        try (Connection connection = DriverManager.getConnection(file.url(), "", "")) {
            connection
                    .createStatement()
                    .execute("update \"flyway_schema_history\" set \"version\" = '99' where \"version\" = '" + own
                            + "'");
        }
        assertThatThrownBy(() -> file.look(false).orElseThrow().requireKnown("it"))
                .hasMessage(
                        "The data in it is of a later Ebbtide (schema 99, this one has " + own + "): start that one");
        BackupFile later = new BackupFile(folder.resolve("later.zip"));
        later.write(file);
        DatabaseFile elsewhere = new DatabaseFile(folder.resolve("elsewhere"));
        assertThatThrownBy(() -> later.restore(elsewhere, Clock.systemUTC())).hasMessageContaining("later Ebbtide");
        assertThat(elsewhere.path()).doesNotExist();
    }

    @Test
    void fileThatIsNoDatabase_isNeverTakenForAnEmptyOne() throws Exception {
        DatabaseFile file = new DatabaseFile(folder);
        Files.writeString(file.path(), "a list of shopping");
        assertThatThrownBy(() -> file.look(false)).hasMessageContaining("is damaged, or is none of Ebbtide");
        assertThat(Files.readString(file.path())).isEqualTo("a list of shopping");
        try (Connection other = DriverManager.getConnection(
                new DatabaseFile(Files.createDirectory(folder.resolve("other"))).url(), "", "")) {
            other.createStatement().execute("create table plan (id int)");
        }
        assertThatThrownBy(() -> new DatabaseFile(folder.resolve("other")).look(false))
                .hasMessageContaining("is none of Ebbtide");
        assertThatThrownBy(() -> new DatabaseFile(Path.of("a;b")).url()).hasMessageContaining("semicolon");
    }

    @Test
    void encrypted_holdsNothingToRead_opensByItsPassphraseAlone_inBackupsToo() throws Exception {
        Passphrase words = new Passphrase("seven seals on a skerry");
        DatabaseFile plain = new DatabaseFile(folder);
        Flyway.configure().dataSource(plain.url(), "", "").load().migrate();
        try (Connection connection = plain.open()) {
            connection.createStatement().execute("""
                insert into plan (id, name, version, settings, made_at)
                values ('p', 'Limpet Rock', 1, 'the secret harbour', current_timestamp)""");
        }
        assertThat(holds(plain.path(), "Limpet Rock")).as("as it was").isTrue();
        DatabaseFile encrypted = new DatabaseFile(folder, words);
        assertThat(encrypted.isEncrypted()).isFalse();
        encrypted.encrypt();
        assertThat(holds(plain.path(), "Limpet Rock")).isFalse();
        assertThat(encrypted.look(true)).contains(new DatabaseFile.Contents(own, 1, 0));
        assertThatThrownBy(() -> plain.look(false))
                .hasMessage("The database '" + plain.path() + "' is encrypted: say --encrypt, and its passphrase");
        assertThatThrownBy(() -> new DatabaseFile(folder, new Passphrase("eight seals on a skerry")).look(false))
                .hasMessage("The passphrase is not that of the database '" + plain.path() + "'");

        BackupFile backup = new BackupFile(folder.resolve("all.zip"), words);
        assertThat(backup.write(encrypted)).isEqualTo(new DatabaseFile.Contents(own, 1, 0));
        DatabaseFile elsewhere = new DatabaseFile(Files.createDirectory(folder.resolve("elsewhere")), words);
        backup.restore(elsewhere, Clock.systemUTC());
        assertThat(elsewhere.look(true)).isEqualTo(encrypted.look(true));
        assertThat(elsewhere.isEncrypted()).isTrue();
        assertThatThrownBy(() -> new BackupFile(backup.path()).verify()).hasMessageContaining("is encrypted");
        DatabaseFile fresh = new DatabaseFile(Files.createDirectory(folder.resolve("fresh")), words);
        DriverManager.getConnection(fresh.url(), "", fresh.password()).close();
        assertThat(fresh.isEncrypted()).as("from its first moment").isTrue();
        assertThatThrownBy(() -> new Passphrase("too short")).hasMessageContaining("at least 12 letters");
        assertThat(words.toString()).doesNotContain("seal");
    }

    private static boolean holds(Path file, String words) throws Exception {
        return new String(Files.readAllBytes(file), java.nio.charset.StandardCharsets.ISO_8859_1).contains(words);
    }
}

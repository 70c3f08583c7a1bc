package ebbtide.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.app.Fault;
import ebbtide.app.storage.DatabaseFile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.LocalDate;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What whoever runs the program is told: what is not well and how to mend it, and in the log nothing of the data. */
class DoctorTest {
    @TempDir
    private Path folder;

    private record Said(int code, String text) {}

    private Said doctor(String... more) {
        String[] args = new String[more.length + 2];
        args[0] = "--data";
        args[1] = folder.toString();
        System.arraycopy(more, 0, args, 2, more.length);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int code = Doctor.run(args, new PrintStream(out, true, StandardCharsets.UTF_8));
        return new Said(code, out.toString(StandardCharsets.UTF_8));
    }

    @Test
    void whatIsNotWell_isSaidWithHowToMendIt_andWhatIs_isGood() throws IOException {
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
        Files.writeString(folder.resolve("ebbtide.mv.db"), "no database");
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Said said = doctor("--port", Integer.toString(taken.getLocalPort()));
            assertThat(said.code()).isEqualTo(1);
            assertThat(said.text())
                    .contains("good   Java")
                    .contains("can be read by others (rwxr-xr-x): chmod -R go=")
                    .contains("LOOK   Port         " + taken.getLocalPort() + " is taken by another program")
                    .contains("LOOK   Database")
                    .contains("is damaged, or is none of Ebbtide")
                    .contains("LOOK   Backups      there is none");
        }
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        Files.delete(folder.resolve("ebbtide.mv.db"));
        Flyway.configure()
                .dataSource(new DatabaseFile(folder).url(), "", "")
                .load()
                .migrate();
        Path backups = Files.createDirectories(folder.resolve("backups"));
        Files.createFile(backups.resolve("ebbtide-" + LocalDate.now().minusDays(9) + ".zip"));
        assertThat(doctor("--port", "abc").code()).isEqualTo(1);
        assertThat(doctor("--port", "0").text()).contains("9 days old: the program makes one each day");
        Files.createFile(backups.resolve("ebbtide-" + LocalDate.now() + ".zip"));
        Said said = doctor("--port", "0");
        assertThat(said.text())
                .doesNotContain("LOOK")
                .contains("is its owner's alone")
                .contains("0 plans, 0 edits, schema " + DatabaseFile.schemaOfProgram());
        assertThat(said.code()).isZero();
    }

    @Test
    void fault_tellsKindsAndPlaces_andNoMessage() {
        RuntimeException inner = new IllegalStateException("Northshore Foods owes 84,000.37");
        String told = new Fault(new IllegalArgumentException("for Northshore Foods", inner)).toString();
        assertThat(told)
                .contains("IllegalArgumentException at ebbtide.app.access.DoctorTest.fault")
                .contains("caused by java.lang.IllegalStateException at ")
                .doesNotContain("Northshore", "84,000");
    }
}

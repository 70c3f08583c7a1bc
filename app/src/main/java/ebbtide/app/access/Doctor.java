package ebbtide.app.access;

import ebbtide.app.CommandLine;
import ebbtide.app.jobs.DailyBackups;
import ebbtide.app.storage.DatabaseFile;
import ebbtide.money.Refused;
import java.io.IOException;
import java.io.PrintStream;
import java.net.http.HttpResponse;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Looks at what a program needs to run well, and says what is not as it should be and how to mend it. */
public final class Doctor {
    private static final long LEAST_MB = 1_024;
    private static final int OLD_DAYS = 2;

    private final CommandLine line;
    private final DataFolder data;
    private final List<Found> found = new ArrayList<>();

    private Doctor(CommandLine line) {
        this.line = line;
        this.data = Startup.data(line);
    }

    /** One thing that was looked at: whether it is as it should be, and a sentence. */
    record Found(boolean good, String of, String sentence) {}

    /** Prints what is found; returns 0 where all is as it should be, else 1. */
    public static int run(String[] args, PrintStream out) {
        int[] code = {0};
        int refused = Startup.guarded(() -> {
            Doctor doctor =
                    new Doctor(CommandLine.of(args, Set.of("--data", "--port", "--backups"), Set.of(Startup.ENCRYPT)));
            try {
                doctor.look();
            } finally {
                doctor.data.release();
            }
            for (Found one : doctor.found) {
                out.printf("%-7s%-13s%s.%n", one.good() ? "good" : "LOOK", one.of(), one.sentence());
                code[0] = one.good() ? code[0] : 1;
            }
        });
        return refused == 0 ? code[0] : refused;
    }

    private void good(String of, String sentence) {
        found.add(new Found(true, of, sentence));
    }

    private void bad(String of, String sentence) {
        found.add(new Found(false, of, sentence));
    }

    private void look() throws IOException {
        java();
        boolean isThere = Files.isDirectory(data.path());
        Optional<Running> running = Optional.empty();
        if (isThere) {
            folder();
            running = running();
        } else {
            good("Data", "there is none in '" + data.path() + "' yet: a start makes the folder");
        }
        if (running.isEmpty()) {
            port();
        }
        disk(isThere ? data.path() : Path.of(System.getProperty("user.home")));
        if (isThere) {
            database(running.isPresent());
            backups();
        }
    }

    private void java() {
        Runtime.Version version = Runtime.version();
        String words = "version " + version + " of " + System.getProperty("java.vendor");
        if (version.feature() < 17) {
            bad("Java", words + ": version 17 or later is needed");
        } else {
            good("Java", words);
        }
    }

    private void folder() throws IOException {
        if (!Files.isWritable(data.path())) {
            bad(
                    "Data",
                    "'" + data.path() + "' cannot be written by " + System.getProperty("user.name")
                            + ": start as its owner, or choose another with --data DIR");
            return;
        }
        PosixFileAttributeView view = Files.getFileAttributeView(data.path(), PosixFileAttributeView.class);
        String permissions = view == null
                ? ""
                : PosixFilePermissions.toString(view.readAttributes().permissions());
        if (permissions.isEmpty() || permissions.endsWith("------")) {
            good("Data", "'" + data.path() + "' is its owner's alone");
        } else {
            bad(
                    "Data",
                    "'" + data.path() + "' can be read by others (" + permissions + "): chmod -R go= '" + data.path()
                            + "'");
        }
    }

    private Optional<Running> running() throws IOException {
        Optional<Running> running = data.reachOrClaim();
        if (running.isPresent()) {
            String address = running.get().address();
            try {
                HttpResponse<String> ready =
                        running.get().ask("/health/readiness", HttpResponse.BodyHandlers.ofString());
                if (ready.statusCode() == 200) {
                    good("Program", "it runs on " + address + " and is ready");
                } else {
                    bad("Program", "it runs on " + address + " and is not ready: its log says why");
                }
            } catch (IOException e) {
                bad("Program", "it has the data, and does not answer on " + address + ": its log says why");
            }
        } else {
            good("Program", "none runs on these data");
        }
        return running;
    }

    private void port() {
        int port = Startup.port(line.options().getOrDefault("--port", "8080"));
        try {
            Startup.requireFree("127.0.0.1", port);
            good("Port", port + " is free");
        } catch (Refused e) {
            bad("Port", port + " is taken by another program: choose another with --port N");
        }
    }

    private void disk(Path folder) throws IOException {
        FileStore store = Files.getFileStore(folder);
        long free = store.getUsableSpace() >> 20;
        if (free < LEAST_MB) {
            bad("Disk", free + " MB are free for '" + folder + "': make room for " + LEAST_MB + " MB at least");
        } else {
            good("Disk", free + " MB are free for '" + folder + "'");
        }
    }

    private void database(boolean inUse) {
        DatabaseFile file = new DatabaseFile(data.path(), Startup.passphrase(line));
        if (inUse) {
            good("Database", "it is open in the program that runs");
            return;
        }
        try {
            Optional<DatabaseFile.Contents> contents = file.look(false);
            contents.ifPresent(one -> one.requireKnown("'" + data.path() + "'"));
            good(
                    "Database",
                    contents.map(one -> one.plans() + " plans, " + one.edits() + " edits, schema "
                                    + one.schema()
                                    + (one.schema() < DatabaseFile.schemaOfProgram()
                                            ? ", which the next start brings to " + DatabaseFile.schemaOfProgram()
                                            : "")
                                    + (file.isEncrypted() ? ", encrypted" : ""))
                            .orElse("there is none yet"));
        } catch (Refused e) {
            bad("Database", String.valueOf(e.getMessage()));
        }
    }

    private void backups() {
        Path folder = Path.of(line.options()
                .getOrDefault("--backups", data.path().resolve("backups").toString()));
        Optional<LocalDate> latest = DailyBackups.latestDayIn(folder);
        if (latest.isEmpty()) {
            bad(
                    "Backups",
                    "there is none in '" + folder + "': one is made soon after a start, or by ./ebbtide backup FILE");
            return;
        }
        long days = ChronoUnit.DAYS.between(latest.get(), LocalDate.now());
        String words = "the latest in '" + folder + "' is of " + latest.get();
        if (days > OLD_DAYS) {
            bad("Backups", words + ", " + days + " days old: the program makes one each day that it runs");
        } else {
            good("Backups", words);
        }
    }
}

package ebbtide.app.access;

import ebbtide.app.CommandLine;
import ebbtide.app.storage.BackupFile;
import ebbtide.app.storage.DatabaseFile;
import ebbtide.app.storage.DatabaseServer;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Refused;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;

/** The commands that copy all data into a file, while a program runs or none does, and put such a file in its place. */
public final class BackupCommand {
    private static final Set<String> OPTIONS = Set.of("--data", ServerOption.DATABASE, ServerOption.LOGIN);

    private BackupCommand() {}

    /** Makes a backup; returns 0, else 1 after saying why not. */
    public static int backup(String[] args) {
        return Startup.guarded(() -> {
            CommandLine line = CommandLine.of(args, OPTIONS, Set.of(Startup.ENCRYPT));
            BackupFile file = file(line, "backup");
            Optional<DatabaseServer> server = ServerOption.of(line);
            if (server.isPresent()) {
                said(file, file.write(server.get()));
                return;
            }
            DataFolder folder = Startup.data(line);
            DatabaseFile database = new DatabaseFile(folder.path(), file.passphrase());
            if (!Files.exists(database.path())) {
                throw new Refused("There is no data in '" + folder.path() + "' yet: say where it is with --data DIR.");
            }
            Optional<Running> running = folder.reachOrClaim();
            DatabaseFile.Contents found = running.isPresent() ? fetch(running.get(), file) : file.write(database);
            said(file, found);
        });
    }

    private static void said(BackupFile file, DatabaseFile.Contents found) {
        System.out.println("All data is in '" + file.path() + "', checked: " + words(found) + ".");
    }

    private static BackupFile file(CommandLine line, String command) {
        if (line.words().size() != 1) {
            throw new Refused("Say one file: ./ebbtide " + command + " FILE [--data DIR] [--encrypt].");
        }
        Path path = Path.of(line.words().get(0)).toAbsolutePath();
        Path folder = path.getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new Refused("There is no folder '" + folder + "': choose another file.");
        }
        return new BackupFile(path, Startup.passphrase(line));
    }

    private static String words(DatabaseFile.Contents found) {
        return found.plans()
                + (found.plans() == 1 ? " plan, " : " plans, ")
                + found.edits()
                + (found.edits() == 1 ? " edit" : " edits");
    }

    private static DatabaseFile.Contents fetch(Running running, BackupFile file) throws IOException {
        Path part = file.path().resolveSibling(file.path().getFileName() + ".part");
        try {
            HttpResponse<Path> got = running.ask("/api/backup", HttpResponse.BodyHandlers.ofFile(part));
            if (got.statusCode() != 200) {
                throw new IOException("The running program made no backup: "
                        + PlanReader.parse(Files.readString(part))
                                .path("detail")
                                .asString());
            }
            DatabaseFile.Contents found = new BackupFile(part, file.passphrase()).verify();
            Files.move(part, file.path(), StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            return found;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** Puts a backup in the place of the data; returns 0, else 1 after saying why not. */
    public static int restore(String[] args) {
        return Startup.guarded(() -> {
            CommandLine line = CommandLine.of(args, OPTIONS, Set.of(Startup.ENCRYPT));
            BackupFile file = file(line, "restore");
            if (!Files.isRegularFile(file.path())) {
                throw new Refused("There is no file '" + file.path() + "'.");
            }
            Optional<DatabaseServer> server = ServerOption.of(line);
            if (server.isPresent()) {
                Optional<Path> aside = file.restore(server.get(), Clock.systemDefaultZone());
                System.out.println("The data of '" + file.path() + "' is on '"
                        + server.get().url() + "'"
                        + aside.map(before -> "; what was there before is in '" + before + "'")
                                .orElse("") + ".");
                return;
            }
            DataFolder folder = Startup.data(line);
            folder.claim();
            Optional<Path> before =
                    file.restore(new DatabaseFile(folder.path(), file.passphrase()), Clock.systemDefaultZone());
            System.out.println("The data of '" + file.path() + "' is in '" + folder.path() + "'"
                    + before.map(aside -> "; what was there before lies beside it as '" + aside.getFileName() + "'")
                            .orElse("")
                    + ".");
        });
    }
}

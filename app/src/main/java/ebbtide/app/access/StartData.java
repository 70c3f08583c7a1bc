package ebbtide.app.access;

import ebbtide.app.jobs.DailyBackups;
import ebbtide.app.storage.BackupFile;
import ebbtide.app.storage.DatabaseFile;
import ebbtide.app.storage.DatabaseServer;
import ebbtide.app.storage.Passphrase;
import ebbtide.money.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The data that a start opens, in a file of a folder or on a server: what can stand in the way is looked for first, and
 * data of an earlier version are kept as they were.
 */
record StartData(DatabaseFile file, Optional<DatabaseServer> server) {
    /** The setting that says in words where the data are. */
    static final String WHERE = "ebbtide.where";

    /** Requires a folder that can be said in an address. */
    StartData {
        file.url();
    }

    /**
     * Returns the settings by which the program opens them; backups go into a folder.
     *
     * @throws Refused in a sentence for data that do not open, or are of a later version
     */
    Map<String, Object> open(Path backups) throws IOException {
        Map<String, Object> settings = new LinkedHashMap<>();
        settings.put("ebbtide.passphrase", file.passphrase().words());
        if (server.isPresent()) {
            requireReached(server.get(), backups);
            settings.put("spring.datasource.url", server.get().url());
            settings.put("spring.datasource.username", server.get().user());
            settings.put("spring.datasource.password", server.get().password());
            settings.put("spring.flyway.locations", DatabaseServer.migrations());
            settings.put(WHERE, server.get().url());
        } else {
            requireWhole(file, backups);
            requireEncrypted();
            settings.put("spring.datasource.url", file.url());
            settings.put("spring.datasource.password", file.password());
            settings.put(WHERE, file.folder().toString());
        }
        return settings;
    }

    private void requireReached(DatabaseServer at, Path backups) throws IOException {
        Optional<DatabaseFile.Contents> found = at.look();
        found.ifPresent(contents -> contents.requireKnown("'" + at.url() + "'"));
        if (isEarlier(found)) {
            before(backups, file.passphrase()).write(at);
        }
    }

    private static boolean isEarlier(Optional<DatabaseFile.Contents> found) {
        return found.isPresent() && found.get().schema() < DatabaseFile.schemaOfProgram();
    }

    private static BackupFile before(Path backups, Passphrase passphrase) throws IOException {
        Files.createDirectories(backups);
        return new BackupFile(backups.resolve("before-schema-" + DatabaseFile.schemaOfProgram() + ".zip"), passphrase);
    }

    /** A database that does not open is never taken for none. */
    static void requireWhole(DatabaseFile database, Path backups) throws IOException {
        Optional<DatabaseFile.Contents> found;
        try {
            found = database.look(false);
        } catch (DatabaseFile.Locked e) {
            throw e;
        } catch (Refused e) {
            throw new Refused(
                    e.getMessage() + "."
                            + DailyBackups.latestIn(backups)
                                    .map(latest -> " The latest backup is put in its place by ./ebbtide restore "
                                            + latest + " --data " + database.folder() + ".")
                                    .orElse(" There is no backup in '" + backups + "'."),
                    e);
        }
        found.ifPresent(contents -> contents.requireKnown("'" + database.folder() + "'"));
        if (isEarlier(found)) {
            before(backups, database.passphrase()).write(database);
        }
    }

    /** Data that were not encrypted so far are from here on. */
    private void requireEncrypted() throws IOException {
        if (!file.passphrase().equals(Passphrase.NONE) && Files.exists(file.path()) && !file.isEncrypted()) {
            file.encrypt();
            System.out.println("The data in '" + file.folder()
                    + "' are encrypted now. Backups made before are not: delete those that nobody else may read.");
        }
    }
}

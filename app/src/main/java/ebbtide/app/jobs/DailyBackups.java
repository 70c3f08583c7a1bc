package ebbtide.app.jobs;

import ebbtide.app.storage.BackupFile;
import ebbtide.app.storage.NoRoom;
import ebbtide.app.storage.Passphrase;
import ebbtide.app.storage.ProcessStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The backups that the program makes by itself, one each day that it runs, into a folder of choice. */
@Component
public class DailyBackups {
    private static final Logger LOG = LoggerFactory.getLogger(DailyBackups.class);
    private static final Pattern NAME = Pattern.compile("ebbtide-(\\d{4}-\\d{2}-\\d{2})\\.zip");
    private static final String TASK = "backup";
    private final DataSource dataSource;
    private final ProcessStore processes;
    private final String folder;
    private final String data;
    private final Passphrase passphrase;
    private final Clock clock;
    private volatile @Nullable String fault;

    /**
     * Where they lie, the latest, how many there are, and why the latest that was due was not made; no folder where
     * none are made.
     */
    public record BackupStanding(
            @Nullable String folder,
            @Nullable LocalDate latest,
            int kept,
            @Nullable String fault) {}

    DailyBackups(
            DataSource dataSource,
            ProcessStore processes,
            @Value("${ebbtide.backups:}") String folder,
            @Value("${ebbtide.data:}") String data,
            @Value("${ebbtide.passphrase:}") String passphrase,
            Clock clock) {
        this.processes = processes;
        this.passphrase = new Passphrase(passphrase);
        this.dataSource = dataSource;
        this.folder = folder;
        this.data = data;
        this.clock = clock;
    }

    /** Makes that of today unless it is there, and takes out those that are not kept. */
    @Scheduled(initialDelay = 20_000, fixedDelay = 600_000)
    public void make() {
        if (folder.isEmpty()) {
            return;
        }
        try {
            Path into = folder();
            LocalDate today = LocalDate.now(clock);
            if (!days(into).contains(today) && processes.take(TASK, today)) {
                write(into, today);
                SortedSet<LocalDate> all = days(into);
                all.removeAll(BackupsKept.of(all));
                for (LocalDate gone : all) {
                    Files.delete(file(into, gone));
                }
            }
            fault = null;
        } catch (IOException | IllegalArgumentException | NoRoom e) {
            if (fault == null) {
                LOG.warn("Today's backup was not made: {}", e.getMessage());
            }
            fault = e.getMessage();
        }
    }

    /** One that fails is left to another program, or to the next time. */
    private void write(Path into, LocalDate day) throws IOException {
        boolean made = false;
        try {
            new BackupFile(file(into, day), passphrase).write(dataSource);
            made = true;
        } finally {
            if (!made) {
                processes.leave(TASK, day);
            }
        }
    }

    /**
     * Makes one before a plan is taken out, beside those of the days or, where none are made, beside the data; it is
     * kept until somebody takes it away. Returns where it lies.
     *
     * @throws IOException where it cannot be written
     */
    public Path beforeDeleting(String planId) throws IOException {
        Path into = folder.isEmpty() ? Path.of(data) : folder();
        Path file = into.resolve("before-deleting-" + planId + ".zip");
        new BackupFile(file, passphrase).write(dataSource);
        return file;
    }

    private Path folder() throws IOException {
        try {
            return Files.createDirectories(Path.of(folder));
        } catch (IOException e) {
            throw new IOException("The folder '" + folder + "' cannot be written", e);
        }
    }

    private static Path file(Path folder, LocalDate day) {
        return folder.resolve("ebbtide-" + day + ".zip");
    }

    /** Returns the latest backup in a folder, if there is one. */
    public static Optional<Path> latestIn(Path folder) {
        return latestDayIn(folder).map(day -> file(folder, day));
    }

    /** Returns of which day the latest backup in a folder is, if there is one. */
    public static Optional<LocalDate> latestDayIn(Path folder) {
        try {
            SortedSet<LocalDate> all = days(folder);
            return all.isEmpty() ? Optional.empty() : Optional.of(all.last());
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    private static SortedSet<LocalDate> days(Path folder) throws IOException {
        SortedSet<LocalDate> days = new TreeSet<>();
        if (Files.isDirectory(folder)) {
            try (Stream<Path> files = Files.list(folder)) {
                for (Path file : files.toList()) {
                    Matcher name = NAME.matcher(file.getFileName().toString());
                    if (name.matches()) {
                        readDay(name.group(1)).ifPresent(days::add);
                    }
                }
            }
        }
        return days;
    }

    /** A file of somebody else's may have a name like ours with a day that there is not. */
    private static Optional<LocalDate> readDay(String text) {
        try {
            return Optional.of(LocalDate.parse(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** Returns how they stand. */
    public BackupStanding standing() {
        if (folder.isEmpty()) {
            return new BackupStanding(null, null, 0, null);
        }
        try {
            SortedSet<LocalDate> all = days(Path.of(folder));
            return new BackupStanding(folder, all.isEmpty() ? null : all.last(), all.size(), fault);
        } catch (IOException e) {
            return new BackupStanding(folder, null, 0, "The folder cannot be read");
        }
    }
}

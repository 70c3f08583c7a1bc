package ebbtide.app.access;

import ebbtide.money.Refused;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The folder that all data is in, which one program at a time has for itself, and where that one can be reached. */
final class DataFolder {
    private static final String LOCK = "in-use";
    private static final String REACHED = "reached-at";

    /** Held until the process ends: a channel that is collected lets its lock go. */
    private static @Nullable FileLock held;

    private final Path path;

    DataFolder(Path path) {
        this.path = path;
    }

    Path path() {
        return path;
    }

    /**
     * Takes the folder for this process, making it where it is not there.
     *
     * @throws Refused where it cannot be written, or another program has it
     */
    void claim() {
        try {
            Files.createDirectories(path);
            Files.delete(Files.createTempFile(path, "try", ""));
        } catch (IOException e) {
            throw new Refused("The folder '" + path + "' cannot be written: choose another with --data DIR.", e);
        }
        if (!tryLock()) {
            throw new Refused("The data in '" + path
                    + "' is in use by another Ebbtide: end that one, or choose another folder with --data DIR.");
        }
    }

    /** The lock lives as long as the process; H2's own would answer with a stack trace. */
    private boolean tryLock() {
        try {
            held = new RandomAccessFile(path.resolve(LOCK).toFile(), "rw")
                    .getChannel()
                    .tryLock();
            return held != null;
        } catch (IOException e) {
            throw new Refused("The folder '" + path + "' cannot be written: choose another with --data DIR.", e);
        }
    }

    /** Leaves the folder to others. */
    void release() throws IOException {
        if (held != null) {
            held.channel().close();
            held = null;
        }
    }

    /** Says where this program answers, to commands of whoever owns the folder. */
    void announce(Running at) throws IOException {
        Files.writeString(
                path.resolve(REACHED),
                at.address() + "\n" + at.key() + "\n" + (at.certificate() == null ? "" : at.certificate()) + "\n");
    }

    /**
     * Returns where the program that has the folder answers; nothing where none has it, and it is this process's now.
     */
    Optional<Running> reachOrClaim() throws IOException {
        if (tryLock()) {
            return Optional.empty();
        }
        if (!Files.exists(path.resolve(REACHED))) {
            throw new IOException("Another Ebbtide has the data in '" + path
                    + "' and is not reached yet: try again once it has started, or has ended.");
        }
        List<String> lines = Files.readAllLines(path.resolve(REACHED));
        String certificate = lines.size() > 2 ? lines.get(2) : "";
        return Optional.of(
                new Running(lines.get(0), lines.get(1), certificate.isEmpty() ? null : Path.of(certificate)));
    }
}

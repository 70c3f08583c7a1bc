package ebbtide.app.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Refuses to write while the disk has little room left. A database that meets a full disk closes itself, and with it
 * all reading; so it is never let come to that, and goes on by itself once there is room.
 */
@Component
public class DiskRoom {
    /** More than a transaction and the database's own work in the background ever take. */
    private static final long KEPT_FREE = 32L << 20;

    private static final Logger LOG = LoggerFactory.getLogger(DiskRoom.class);
    private final String folder;
    private final AtomicBoolean full = new AtomicBoolean();

    public DiskRoom(@Value("${ebbtide.data:}") String folder) {
        this.folder = folder;
    }

    /** Returns the bytes that may still be written in the folder of the data; without one, as many as there are. */
    long bytes() {
        try {
            return folder.isEmpty()
                    ? Long.MAX_VALUE
                    : Files.getFileStore(Path.of(folder)).getUsableSpace() - KEPT_FREE;
        } catch (IOException e) {
            // Whoever writes there will say what is wrong with it.
            return Long.MAX_VALUE;
        }
    }

    /**
     * Requires room for so many bytes beside what is kept free.
     *
     * @throws NoRoom where there is less, in a sentence that says where
     */
    public void require(long wanted) {
        long bytes = bytes();
        if (bytes >= wanted) {
            if (full.compareAndSet(true, false)) {
                LOG.warn("There is room again on the disk of '{}': edits are taken.", folder);
            }
            return;
        }
        long left = Math.max(0, bytes + KEPT_FREE) >> 20;
        String sentence =
                "The disk of '" + folder + "' is full but for " + left + " MB: nothing was changed. Make at least "
                        + ((wanted - bytes >> 20) + 1) + " MB of room there, and do it again";
        if (full.compareAndSet(false, true)) {
            LOG.warn("{}. Until then edits are refused; reading goes on.", sentence);
        }
        throw new NoRoom(sentence);
    }
}

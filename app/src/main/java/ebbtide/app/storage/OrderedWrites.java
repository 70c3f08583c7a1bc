package ebbtide.app.storage;

import java.io.IOException;
import java.nio.channels.FileChannel;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;

/**
 * A way to files on which a write lies on the disk before the next one begins, so that a power cut leaves what was
 * written up to some moment, and never a later part without an earlier one (decisions/0036). Names of files on it begin
 * with {@code ordered:}.
 */
public final class OrderedWrites extends FilePathWrapper {
    static final String SCHEME = "ordered";

    /** Makes the database know the way. */
    static void register() {
        FilePath.register(new OrderedWrites());
    }

    @Override
    public String getScheme() {
        return SCHEME;
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        return getBase().open(mode.equals("rw") ? "rwd" : mode);
    }
}

package ebbtide.app.storage;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;

/**
 * A disk that keeps for certain only what was forced onto it: when the power is cut, of what was written since any part
 * may be there, and any may be missing. Databases on it have names that begin with {@code forgetful:}.
 */
public final class ForgetfulDisk extends FilePathWrapper {
    private static final String SCHEME = "forgetful";

    /** The latest file that was opened to be written. */
    private static volatile Written latest;

    @Override
    public String getScheme() {
        return SCHEME;
    }

    static void insert() {
        FilePath.register(new ForgetfulDisk());
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        FileChannel file = getBase().open(mode);
        if (mode.equals("r") || !name.endsWith(".mv.db")) {
            return file;
        }
        latest = new Written(file, Path.of(getBase().toString()));
        return latest;
    }

    /**
     * Returns a copy of the file as it would be found if the power were cut now, and how often it was forced so far.
     */
    static int cutPower(Path to, Random random) throws IOException {
        return latest.cutPower(to, random);
    }

    /** A write, or without bytes the file's end, that was not forced yet. */
    private record Pending(long position, byte[] bytes) {
        void play(FileChannel file) throws IOException {
            if (bytes == null) {
                file.truncate(position);
            } else {
                file.write(ByteBuffer.wrap(bytes), position);
            }
        }
    }

    /** A file, and beside it what of it is on the disk for certain. */
    private static final class Written extends FileBaseDefault {
        private final FileChannel file;
        private final Path certain;
        private final List<Pending> pending = new ArrayList<>();
        private int forced;

        Written(FileChannel file, Path path) throws IOException {
            this.file = file;
            this.certain = path.resolveSibling("certain");
            Files.copy(path, certain, StandardCopyOption.REPLACE_EXISTING);
        }

        synchronized int cutPower(Path to, Random random) throws IOException {
            Files.copy(certain, to, StandardCopyOption.REPLACE_EXISTING);
            try (FileChannel copy = FileChannel.open(to, StandardOpenOption.WRITE)) {
                for (Pending one : pending) {
                    if (random.nextBoolean()) {
                        one.play(copy);
                    }
                }
            }
            return forced;
        }

        @Override
        public synchronized void force(boolean metaData) throws IOException {
            file.force(metaData);
            try (FileChannel onDisk = FileChannel.open(certain, StandardOpenOption.WRITE)) {
                for (Pending one : pending) {
                    one.play(onDisk);
                }
            }
            pending.clear();
            forced++;
        }

        @Override
        public synchronized int write(ByteBuffer from, long position) throws IOException {
            byte[] bytes = new byte[from.remaining()];
            from.duplicate().get(bytes);
            int written = file.write(from, position);
            pending.add(new Pending(position, bytes));
            return written;
        }

        @Override
        protected synchronized void implTruncate(long size) throws IOException {
            file.truncate(size);
            pending.add(new Pending(size, null));
        }

        @Override
        public int read(ByteBuffer to, long position) throws IOException {
            return file.read(to, position);
        }

        @Override
        public long size() throws IOException {
            return file.size();
        }

        @Override
        public FileLock tryLock(long position, long size, boolean shared) throws IOException {
            return file.tryLock(position, size, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            file.close();
        }
    }
}

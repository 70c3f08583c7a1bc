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
 * A disk that keeps for certain only what was forced onto it, or written in a way that forces each write: when the
 * power is cut, of what was written since any part may be there, a write by halves too, and any may be missing. The
 * power is cut in the midst of writes, so often as is asked for. Databases on it have names that begin with
 * {@code forgetful:}.
 */
public final class ForgetfulDisk extends FilePathWrapper {
    private static final String SCHEME = "forgetful";
    private static final int BLOCK = 4096;

    /** When the power is cut, and what is done with the file as it would be found after it. */
    record Cuts(Random random, double share, AfterCut after) {}

    /** What is done with a file found after a power cut, before anything more is written to the one that goes on. */
    interface AfterCut {
        void found(Path file) throws IOException;
    }

    private static volatile Cuts cuts = new Cuts(new Random(), 0, file -> {});

    @Override
    public String getScheme() {
        return SCHEME;
    }

    static void insert(Cuts asked) {
        cuts = asked;
        FilePath.register(new ForgetfulDisk());
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        boolean forced = mode.equals("rwd");
        FileChannel file = getBase().open(forced ? "rw" : mode);
        return mode.equals("r") || !name.endsWith(".mv.db")
                ? file
                : new Written(file, Path.of(getBase().toString()), forced);
    }

    /** A write, or without bytes the file's end, that was not forced yet. */
    private record Pending(long position, byte[] bytes) {
        void play(FileChannel file, int length) throws IOException {
            if (bytes == null) {
                file.truncate(position);
            } else {
                file.write(ByteBuffer.wrap(bytes, 0, length), position);
            }
        }

        void play(FileChannel file) throws IOException {
            play(file, bytes == null ? 0 : bytes.length);
        }

        /** All of it, its first blocks, or nothing. */
        void playSome(FileChannel file, Random random) throws IOException {
            int part = random.nextInt(3);
            if (part == 0) {
                play(file);
            } else if (part == 1 && bytes != null) {
                play(file, BLOCK * random.nextInt(1 + bytes.length / BLOCK));
            }
        }
    }

    /** A file, and beside it what of it is on the disk for certain. */
    private static final class Written extends FileBaseDefault {
        private final FileChannel file;
        private final Path certain;
        private final boolean forcesEach;
        private final List<Pending> pending = new ArrayList<>();

        Written(FileChannel file, Path path, boolean forcesEach) throws IOException {
            this.file = file;
            this.certain = path.resolveSibling("certain");
            this.forcesEach = forcesEach;
            Files.copy(path, certain, StandardCopyOption.REPLACE_EXISTING);
        }

        private void perhapsCutPower() throws IOException {
            if (cuts.random.nextDouble() >= cuts.share) {
                return;
            }
            Path found = certain.resolveSibling("found.mv.db");
            Files.copy(certain, found, StandardCopyOption.REPLACE_EXISTING);
            try (FileChannel copy = FileChannel.open(found, StandardOpenOption.WRITE)) {
                for (Pending one : pending) {
                    one.playSome(copy, cuts.random);
                }
            }
            cuts.after.found(found);
        }

        @Override
        public synchronized void force(boolean metaData) throws IOException {
            try (FileChannel onDisk = FileChannel.open(certain, StandardOpenOption.WRITE)) {
                for (Pending one : pending) {
                    one.play(onDisk);
                }
            }
            pending.clear();
        }

        @Override
        public synchronized int write(ByteBuffer from, long position) throws IOException {
            byte[] bytes = new byte[from.remaining()];
            from.duplicate().get(bytes);
            int written = file.write(from, position);
            pending.add(new Pending(position, bytes));
            perhapsCutPower();
            if (forcesEach) {
                force(false);
            }
            return written;
        }

        @Override
        protected synchronized void implTruncate(long size) throws IOException {
            file.truncate(size);
            pending.add(new Pending(size, null));
            perhapsCutPower();
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

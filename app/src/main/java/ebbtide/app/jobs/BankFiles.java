package ebbtide.app.jobs;

import ebbtide.app.storage.DiskRoom;
import ebbtide.app.storage.Engine;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.WaitingFileStore;
import ebbtide.app.storage.WaitingFileStore.WaitingFile;
import ebbtide.formats.bank.BankCsvReader;
import ebbtide.formats.bank.BankRow;
import ebbtide.formats.bank.CsvDialect;
import ebbtide.formats.bank.CsvProposal;
import ebbtide.formats.bank.RowProblem;
import ebbtide.formats.statement.DeclaredStatement;
import ebbtide.formats.statement.StatementFormat;
import ebbtide.money.Refused;
import jakarta.annotation.PreDestroy;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The bank's files that were handed in and wait to be confirmed; the oldest go when there are many. On a server they
 * wait there too, and a program that is asked for one that another has taken in fetches it.
 */
@Component
public class BankFiles {
    /** Where in the folder of the data they lie, and what is handed over arrives. */
    public static final String FOLDER = "incoming";

    private static final int HEAD = 64 * 1024;
    private static final int KEPT = 20;
    /** Two files of the largest. */
    private static final long MOST_BYTES = 1L << 30;

    private final Path folder;
    private final DiskRoom room;
    private final Engine engine;
    private final WaitingFileStore shared;
    private final Map<String, HeldFile> held = new LinkedHashMap<>();
    private final Set<String> claimed = new HashSet<>();

    /** Files that a killed program left behind go. */
    BankFiles(@Value("${ebbtide.data:}") String data, DiskRoom room, Engine engine, WaitingFileStore shared)
            throws IOException {
        // What arrives is moved to its place by a path that means the same to everybody.
        this.folder = (data.isEmpty()
                        ? Files.createTempDirectory("ebbtide")
                        : Files.createDirectories(Path.of(data).resolve(FOLDER)))
                .toAbsolutePath();
        this.room = room;
        this.engine = engine;
        this.shared = shared;
        dropAll();
    }

    /**
     * A file that waits: the account it is said to be for (null where that is not known yet), its name, and where its
     * bytes are.
     */
    public record HeldFile(
            String id, String planId, @Nullable String account, String name, Path path, long size) {
        WaitingFile shared() {
            return new WaitingFile(id, planId, account, name, size);
        }
    }

    /** What a dialect makes of the first lines: the rows it reads, and those it can't. */
    public record Preview(List<BankRow> rows, List<RowProblem> problems) {}

    /** What lays the bytes of a file down at a path. */
    @FunctionalInterface
    public interface Bytes {
        void layAt(Path path) throws IOException;
    }

    /**
     * Takes a file in.
     *
     * @throws Refused for an empty file
     * @throws ebbtide.app.storage.NoRoom where the disk has none for it
     */
    public HeldFile hold(String planId, @Nullable String account, String name, long size, Bytes bytes) {
        if (size == 0) {
            throw new Refused("The file '" + name + "' is empty: export it from the bank again");
        }
        String id = UUID.randomUUID().toString();
        HeldFile file = new HeldFile(id, planId, account, name, folder.resolve(id), size);
        try {
            hold(file, bytes);
            if (engine.isServer()) {
                shared.put(file.shared(), file.path());
            }
            return file;
        } catch (IOException e) {
            dropHere(id);
            throw new UncheckedIOException(e);
        } catch (RuntimeException e) {
            dropHere(id);
            throw e;
        }
    }

    private synchronized void hold(HeldFile file, Bytes bytes) throws IOException {
        letGo(file.size());
        room.require(file.size());
        bytes.layAt(file.path());
        held.put(file.id(), file);
    }

    /** The oldest go that nobody is bringing in, until one more has its place; those on a server go after a day. */
    private void letGo(long size) {
        for (HeldFile oldest : List.copyOf(held.values())) {
            long bytes = held.values().stream().mapToLong(HeldFile::size).sum();
            if (held.size() < KEPT && bytes + size <= MOST_BYTES) {
                return;
            }
            if (!claimed.contains(oldest.id())) {
                dropHere(oldest.id());
            }
        }
    }

    /** Keeps a file from being let go. */
    synchronized void claim(String id) {
        claimed.add(id);
    }

    synchronized void release(String id) {
        claimed.remove(id);
    }

    /**
     * Returns a file that waits.
     *
     * @throws NotFound for an id that is not there
     */
    public HeldFile get(String planId, String id) {
        return (engine.isServer() ? fetched(planId, id) : here(id))
                .filter(file -> file.planId().equals(planId))
                .orElseThrow(() -> new NotFound("bank file waiting to be brought in", id));
    }

    private synchronized Optional<HeldFile> here(String id) {
        return Optional.ofNullable(held.get(id));
    }

    /** What is on the server holds: a file that another program has let go is gone here too. */
    private Optional<HeldFile> fetched(String planId, String id) {
        Optional<WaitingFile> there = shared.find(planId, id);
        if (there.isEmpty() || here(id).isPresent()) {
            return there.flatMap(file -> here(id));
        }
        WaitingFile file = there.get();
        HeldFile fetched =
                new HeldFile(id, planId, file.account(), file.name(), folder.resolve(file.id()), file.bytes());
        try {
            room.require(file.bytes());
            Path arrived = shared.fetch(file, folder);
            hold(fetched, path -> Files.move(arrived, path, StandardCopyOption.REPLACE_EXISTING));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Optional.of(fetched);
    }

    /** Lets a file go. */
    public void drop(String id) {
        dropHere(id);
        if (engine.isServer()) {
            shared.drop(id);
        }
    }

    private synchronized void dropHere(String id) {
        HeldFile file = held.remove(id);
        if (file != null) {
            file.path().toFile().delete();
        }
    }

    @PreDestroy
    final synchronized void dropAll() throws IOException {
        held.clear();
        try (Stream<Path> left = Files.list(folder)) {
            for (Path one : left.toList()) {
                Files.deleteIfExists(one);
            }
        }
    }

    /** Returns what the first lines of a file suggest. */
    public CsvProposal propose(HeldFile file) {
        return CsvProposal.of(head(file));
    }

    /** Returns what the first lines suggest when encoding and separator are chosen by hand. */
    public CsvProposal propose(HeldFile file, CsvDialect.Encoding encoding, char separator) {
        return CsvProposal.of(head(file), encoding, separator);
    }

    /** Returns what a dialect makes of the first lines, at most so many rows. */
    public Preview preview(HeldFile file, CsvDialect dialect, Currency currency, int most) {
        byte[] head = head(file);
        int whole = head.length;
        while (file.size() > head.length && whole > 0 && head[whole - 1] != '\n') {
            whole--;
        }
        List<BankRow> rows = new ArrayList<>();
        List<RowProblem> problems = new ArrayList<>();
        new BankCsvReader(dialect, currency).read(new ByteArrayInputStream(head, 0, whole), new BankCsvReader.Sink() {
            @Override
            public void row(BankRow row) {
                if (rows.size() < most) {
                    rows.add(row);
                }
            }

            @Override
            public void problem(RowProblem problem) {
                if (problems.size() < most) {
                    problems.add(problem);
                }
            }
        });
        return new Preview(rows, problems);
    }

    /**
     * Returns the standard format that a file is in, none if it is some bank's CSV.
     *
     * @throws Refused for what can be neither
     */
    public Optional<StatementFormat> format(HeldFile file) {
        if (StatementFormat.isOtherDocument(head(file))) {
            throw new Refused("The file '" + file.name()
                    + "' is neither camt.053, MT940 nor OFX, and no CSV: export the statement from "
                    + "the bank as one of these");
        }
        return StatementFormat.find(head(file));
    }

    /**
     * Returns the statements of a file in a standard format.
     *
     * @throws Refused for a damaged file and one in another currency, in a sentence
     */
    public List<DeclaredStatement> statements(HeldFile file, Currency currency) {
        try (InputStream in = Files.newInputStream(file.path())) {
            return statements(file.name(), in, currency);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Returns the statements of a file's bytes.
     *
     * @throws Refused as {@link #statements(HeldFile, Currency)} does
     */
    public static List<DeclaredStatement> statements(String name, InputStream in, Currency currency)
            throws IOException {
        List<DeclaredStatement> statements = whole(name, in);
        Set<List<Object>> seen = new HashSet<>();
        for (DeclaredStatement one : statements) {
            if (!one.currency().equals(currency)) {
                throw new Refused("Statement " + one.number() + " is in "
                        + one.currency().getCurrencyCode() + ", but the plan is in " + currency.getCurrencyCode()
                        + ": bring it into a plan of its own currency");
            }
            if (!seen.add(List.of(one.accountNumber(), one.number(), one.to()))) {
                throw new Refused(
                        "Statement " + one.number() + " of " + one.to() + " stands in the file twice: export it again");
            }
        }
        return statements;
    }

    /** One at a time: each may take a good part of the memory. */
    private static synchronized List<DeclaredStatement> whole(String name, InputStream in) throws IOException {
        byte[] bytes = in.readNBytes(StatementFormat.MOST_BYTES + 1);
        return StatementFormat.find(bytes)
                .orElseThrow(() -> new Refused("The file '" + name + "' is in no standard format of bank statements"))
                .read(bytes);
    }

    private static byte[] head(HeldFile file) {
        try (InputStream in = Files.newInputStream(file.path())) {
            return in.readNBytes(HEAD);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

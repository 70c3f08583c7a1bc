package ebbtide.app.storage;

import ebbtide.plan.Basis;
import ebbtide.plan.Direction;
import ebbtide.time.DaySeries;
import ebbtide.track.KeptFlows;
import ebbtide.track.Snapshot;
import ebbtide.track.Snapshot.KeptItem;
import ebbtide.track.Snapshot.KeptLine;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import org.jspecify.annotations.Nullable;

/**
 * Writes what a snapshot keeps: all of it, or what differs from the one before it, so that it costs what changed
 * ({@link SnapshotReader}).
 */
final class SnapshotWriter {
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private final Deflater deflater = new Deflater(Deflater.BEST_SPEED);
    private final OutputStream out;
    private final Snapshot now;
    private final @Nullable Snapshot before;

    private SnapshotWriter(@Nullable Snapshot before, Snapshot now) {
        this.before = before;
        this.now = now;
        this.out = new BufferedOutputStream(new DeflaterOutputStream(bytes, deflater, 1 << 14), 1 << 16);
    }

    /** Returns what a snapshot keeps beyond the one before it; all of it where that is null. */
    static byte[] content(@Nullable Snapshot before, Snapshot now) {
        SnapshotWriter writer = new SnapshotWriter(before, now);
        try {
            writer.write();
            return writer.bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.deflater.end();
        }
    }

    private void write() throws IOException {
        number(now.asOf().toEpochDay());
        number(now.horizonEnd().toEpochDay());
        signed(now.cashAtAsOf());
        boolean others = before == null || !before.lines().equals(now.lines());
        flag(others);
        if (others) {
            number(now.lines().size());
            for (KeptLine line : now.lines()) {
                text(line.id());
                text(line.name());
                text(line.group());
                out.write(flags(line));
                text(line.mark());
            }
        }
        int shift = before == null
                ? 0
                : (int) (now.asOf().toEpochDay() - before.asOf().toEpochDay());
        for (KeptLine line : now.lines()) {
            KeptFlows was = before == null ? KeptFlows.NONE : before.flows().getOrDefault(line.id(), KeptFlows.NONE);
            KeptFlows is = now.flows().getOrDefault(line.id(), KeptFlows.NONE);
            days(was.committed(), is.committed(), shift);
            days(was.estimated(), is.estimated(), shift);
        }
        items();
        out.close();
    }

    /** How many days differ, and of each how many days on it is, and what it is now. */
    private void days(DaySeries was, DaySeries is, int shift) throws IOException {
        int length = (int) (now.horizonEnd().toEpochDay() - now.asOf().toEpochDay());
        int changes = 0;
        for (int day = 0; day < length; day++) {
            changes += is.on(day) == was.on(day + shift) ? 0 : 1;
        }
        number(changes);
        int last = -1;
        for (int day = 0; changes > 0 && day < length; day++) {
            if (is.on(day) != was.on(day + shift)) {
                number(day - last);
                signed(is.on(day));
                last = day;
            }
        }
    }

    private void items() throws IOException {
        Map<String, KeptItem> was = new HashMap<>();
        Set<String> gone = new HashSet<>();
        if (before != null) {
            before.items().forEach(item -> was.put(item.id(), item));
            gone.addAll(was.keySet());
            now.items().forEach(item -> gone.remove(item.id()));
        }
        number(gone.size());
        for (String id : gone) {
            text(id);
        }
        List<KeptItem> changed = now.items().stream()
                .filter(item -> !item.equals(was.get(item.id())))
                .toList();
        number(changed.size());
        for (KeptItem item : changed) {
            text(item.id());
            text(item.lineId());
            text(item.number());
            text(item.counterparty());
            flag(item.order());
            signed(item.due().toEpochDay());
            flag(item.day() != null);
            if (item.day() != null) {
                signed(item.day().toEpochDay());
            }
            signed(item.minor());
            signed(item.open());
        }
    }

    /** What a line is in bits, the last of which was all there was at first: received, on books, the basis noted. */
    private static int flags(KeptLine line) {
        int received = line.direction() == Direction.RECEIPT ? SnapshotReader.RECEIVED : 0;
        return line.basis() == null
                ? received
                : received | SnapshotReader.NOTED | (line.basis() == Basis.BOOKS ? SnapshotReader.ON_BOOKS : 0);
    }

    private void flag(boolean set) throws IOException {
        out.write(set ? 1 : 0);
    }

    private void text(String text) throws IOException {
        byte[] utf8 = text.getBytes(StandardCharsets.UTF_8);
        number(utf8.length);
        out.write(utf8);
    }

    private void number(long number) throws IOException {
        long left = number;
        while ((left & ~0x7fL) != 0) {
            out.write((int) (left & 0x7f | 0x80));
            left >>>= 7;
        }
        out.write((int) left);
    }

    private void signed(long number) throws IOException {
        number((number << 1) ^ (number >> 63));
    }
}

package ebbtide.app.storage;

import static java.util.Objects.requireNonNull;

import ebbtide.plan.Basis;
import ebbtide.plan.Direction;
import ebbtide.time.DaySeries;
import ebbtide.track.KeptFlows;
import ebbtide.track.Snapshot;
import ebbtide.track.Snapshot.KeptItem;
import ebbtide.track.Snapshot.KeptLine;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.zip.InflaterInputStream;

/**
 * Reads snapshots one after another from what each kept ({@link SnapshotWriter}): the first is a whole one, each other
 * is what differs from the one before. Days are kept by their number from the first one's on, so that what did not
 * change is not touched.
 */
final class SnapshotReader {
    static final int RECEIVED = 1;
    static final int ON_BOOKS = 2;
    static final int NOTED = 4;

    private List<KeptLine> lines = List.of();
    private final Map<String, long[][]> days = new HashMap<>();
    private final TreeMap<String, KeptItem> items = new TreeMap<>();
    private long epoch;
    private LocalDate asOf = LocalDate.EPOCH;
    private LocalDate horizonEnd = LocalDate.EPOCH;
    private long cash;

    /** Takes what the next snapshot kept; a whole one begins anew. */
    void take(byte[] content, boolean whole) {
        if (whole) {
            lines = List.of();
            days.clear();
            items.clear();
        }
        try (InflaterInputStream inflated = new InflaterInputStream(new ByteArrayInputStream(content))) {
            ByteBuffer in = ByteBuffer.wrap(inflated.readAllBytes());
            LocalDate before = asOf;
            asOf = LocalDate.ofEpochDay(number(in));
            horizonEnd = LocalDate.ofEpochDay(number(in));
            cash = signed(in);
            if (whole) {
                epoch = asOf.toEpochDay() + 1;
            } else if (asOf.isBefore(before)) {
                goBack(before);
            }
            if (in.get() != 0) {
                readLines(in);
            }
            readFlows(in);
            readItems(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Of days that the snapshot before did not forecast, nothing is known; those before the first make everything move
     * along.
     */
    private void goBack(LocalDate before) {
        int by = (int) Math.max(0, epoch - asOf.toEpochDay() - 1);
        epoch -= by;
        for (long[][] parts : days.values()) {
            for (int i = 0; i < parts.length; i++) {
                parts[i] = moved(parts[i], by);
                int to = (int) Math.min(parts[i].length, before.toEpochDay() + 1 - epoch);
                int from = (int) (asOf.toEpochDay() + 1 - epoch);
                if (from < to) {
                    Arrays.fill(parts[i], from, to, 0);
                }
            }
        }
    }

    private static long[] moved(long[] days, int by) {
        long[] moved = new long[days.length + by];
        System.arraycopy(days, 0, moved, by, days.length);
        return moved;
    }

    private void readLines(ByteBuffer in) {
        List<KeptLine> read = new ArrayList<>();
        for (long count = number(in); count > 0; count--) {
            String id = text(in);
            String name = text(in);
            String group = text(in);
            int flags = in.get();
            read.add(new KeptLine(
                    id,
                    name,
                    group,
                    (flags & RECEIVED) == 0 ? Direction.PAYMENT : Direction.RECEIPT,
                    text(in),
                    (flags & NOTED) == 0 ? null : (flags & ON_BOOKS) == 0 ? Basis.PATTERN : Basis.BOOKS));
        }
        lines = List.copyOf(read);
        days.keySet().retainAll(read.stream().map(KeptLine::id).collect(Collectors.toSet()));
    }

    private void readFlows(ByteBuffer in) {
        int length = (int) (horizonEnd.toEpochDay() + 1 - epoch);
        int from = (int) (asOf.toEpochDay() + 1 - epoch);
        for (KeptLine line : lines) {
            long[][] parts = days.computeIfAbsent(line.id(), id -> new long[2][0]);
            for (int part = 0; part < parts.length; part++) {
                long changes = number(in);
                if (changes > 0 && parts[part].length < length || parts[part].length > length) {
                    parts[part] = Arrays.copyOf(parts[part], length);
                }
                int at = from - 1;
                for (; changes > 0; changes--) {
                    at += (int) number(in);
                    parts[part][at] = signed(in);
                }
            }
        }
    }

    private void readItems(ByteBuffer in) {
        for (long gone = number(in); gone > 0; gone--) {
            items.remove(text(in));
        }
        for (long count = number(in); count > 0; count--) {
            String id = text(in);
            items.put(
                    id,
                    new KeptItem(
                            id,
                            text(in),
                            text(in),
                            text(in),
                            (in.get() != 0),
                            LocalDate.ofEpochDay(signed(in)),
                            (in.get() != 0) ? LocalDate.ofEpochDay(signed(in)) : null,
                            signed(in),
                            signed(in)));
        }
    }

    private static long number(ByteBuffer in) {
        long number = 0;
        for (int shift = 0; ; shift += 7) {
            int next = in.get() & 0xff;
            number |= (next & 0x7fL) << shift;
            if (next < 0x80) {
                return number;
            }
        }
    }

    private static String text(ByteBuffer in) {
        byte[] bytes = new byte[(int) number(in)];
        in.get(bytes);
        return new String(bytes, StandardCharsets.UTF_8);
    }

    private static long signed(ByteBuffer in) {
        long number = number(in);
        return (number >>> 1) ^ -(number & 1);
    }

    LocalDate asOf() {
        return asOf;
    }

    /** Returns the snapshot taken last, with its flows up to a day. */
    Snapshot snapshot(LocalDate upTo) {
        Map<String, KeptFlows> flows = new LinkedHashMap<>();
        int from = (int) (asOf.toEpochDay() + 1 - epoch);
        int to = (int) ((upTo.isBefore(horizonEnd) ? upTo : horizonEnd).toEpochDay() + 1 - epoch);
        for (KeptLine line : lines) {
            long[][] parts = requireNonNull(days.get(line.id()));
            flows.put(line.id(), new KeptFlows(DaySeries.of(parts[0], from, to), DaySeries.of(parts[1], from, to)));
        }
        return new Snapshot(asOf, horizonEnd, cash, lines, flows, List.copyOf(items.values()));
    }
}

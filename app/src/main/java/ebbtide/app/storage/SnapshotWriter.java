package ebbtide.app.storage;

import ebbtide.plan.Direction;
import ebbtide.track.KeptFlows;
import ebbtide.track.Snapshot;
import ebbtide.track.Snapshot.KeptItem;
import ebbtide.track.Snapshot.KeptLine;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;

/** Writes what a snapshot keeps: all of it, or what differs from the one before it, so that it costs what changed ({@link SnapshotReader}). */
final class SnapshotWriter {
  private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
  private final DataOutputStream out;
  private final Snapshot now;
  private final Snapshot before;

  private SnapshotWriter(Snapshot before, Snapshot now) {
    this.before = before;
    this.now = now;
    this.out = new DataOutputStream(new java.io.BufferedOutputStream(new DeflaterOutputStream(bytes, new Deflater(Deflater.BEST_SPEED), 1 << 14), 1 << 16));
  }

  /** Returns what a snapshot keeps beyond the one before it; all of it where that is null. */
  static byte[] content(Snapshot before, Snapshot now) {
    try {
      SnapshotWriter writer = new SnapshotWriter(before, now);
      writer.write();
      return writer.bytes.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void write() throws IOException {
    number(now.asOf().toEpochDay());
    number(now.horizonEnd().toEpochDay());
    signed(now.cashAtAsOf());
    boolean others = before == null || !before.lines().equals(now.lines());
    out.writeBoolean(others);
    if (others) {
      number(now.lines().size());
      for (KeptLine line : now.lines()) {
        out.writeUTF(line.id());
        out.writeUTF(line.name());
        out.writeUTF(line.group());
        out.writeBoolean(line.direction() == Direction.RECEIPT);
        out.writeUTF(line.mark());
      }
    }
    int shift = before == null ? 0 : (int) (now.asOf().toEpochDay() - before.asOf().toEpochDay());
    for (KeptLine line : now.lines()) {
      KeptFlows was = before == null ? KeptFlows.NONE : before.flows().getOrDefault(line.id(), KeptFlows.NONE);
      KeptFlows is = now.flows().getOrDefault(line.id(), KeptFlows.NONE);
      days(was.committed(), is.committed(), shift);
      days(was.estimated(), is.estimated(), shift);
    }
    items();
    out.close();
  }

  private static long at(long[] days, int day) {
    return day < 0 || day >= days.length ? 0 : days[day];
  }

  /** How many days differ, and of each how many days on it is, and what it is now. */
  private void days(long[] was, long[] is, int shift) throws IOException {
    int length = (int) (now.horizonEnd().toEpochDay() - now.asOf().toEpochDay());
    int changes = 0;
    for (int day = 0; day < length; day++) {
      changes += at(is, day) == at(was, day + shift) ? 0 : 1;
    }
    number(changes);
    int last = -1;
    for (int day = 0; changes > 0 && day < length; day++) {
      if (at(is, day) != at(was, day + shift)) {
        number(day - last);
        signed(at(is, day));
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
      out.writeUTF(id);
    }
    List<KeptItem> changed = now.items().stream().filter(item -> !item.equals(was.get(item.id()))).toList();
    number(changed.size());
    for (KeptItem item : changed) {
      out.writeUTF(item.id());
      out.writeUTF(item.lineId());
      out.writeUTF(item.number());
      out.writeUTF(item.counterparty());
      out.writeBoolean(item.order());
      signed(item.due().toEpochDay());
      out.writeBoolean(item.day() != null);
      if (item.day() != null) {
        signed(item.day().toEpochDay());
      }
      signed(item.minor());
      signed(item.open());
    }
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

package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.plan.Basis;
import ebbtide.plan.Direction;
import ebbtide.time.DaySeries;
import ebbtide.track.KeptFlows;
import ebbtide.track.Snapshot;
import ebbtide.track.Snapshot.KeptItem;
import ebbtide.track.Snapshot.KeptLine;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What snapshots keep of each other: whatever changes from one to the next, each is read back just as it was. */
class SnapshotChainTest {
    private final Random random = new Random(5);

    /** A forecast of lines that come and go over as-of dates that mostly go on, with horizons and items that change. */
    private List<Snapshot> chain(long seed, int length) {
        random.setSeed(seed);
        List<Snapshot> chain = new ArrayList<>();
        LocalDate asOf = LocalDate.of(2026, 1, 4);
        Map<String, long[][]> days = new TreeMap<>();
        TreeMap<String, KeptItem> items = new TreeMap<>();
        for (int i = 0; i < length; i++) {
            asOf = asOf.plusDays(random.nextInt(5) == 0 ? -random.nextInt(12) : random.nextInt(9));
            int horizon = 40 + random.nextInt(30);
            for (String line : List.of("a", "b", "c", "d")) {
                if (random.nextInt(6) == 0) {
                    days.remove(line);
                } else if (random.nextInt(3) == 0) {
                    days.put(line, new long[][] {some(horizon, 20), some(horizon, 2)});
                }
            }
            for (int k = 0; k < 4; k++) {
                String id = "i" + random.nextInt(12);
                items.compute(
                        id,
                        (key, was) -> random.nextBoolean()
                                ? null
                                : new KeptItem(
                                        key,
                                        "a",
                                        "No. " + key,
                                        "Party",
                                        random.nextBoolean(),
                                        LocalDate.of(2026, 2, 1),
                                        random.nextBoolean() ? null : LocalDate.of(2026, 3, 1 + random.nextInt(28)),
                                        random.nextLong(1_000_000) - 500_000,
                                        9_000));
            }
            List<KeptLine> lines = days.keySet().stream()
                    .map(id -> new KeptLine(
                            id,
                            "Line " + id,
                            "",
                            random.nextBoolean() ? Direction.RECEIPT : Direction.PAYMENT,
                            Integer.toString(random.nextInt(2)),
                            List.of(Optional.<Basis>empty(), Optional.of(Basis.PATTERN), Optional.of(Basis.BOOKS))
                                    .get(random.nextInt(3))
                                    .orElse(null)))
                    .toList();
            Map<String, KeptFlows> flows = new LinkedHashMap<>();
            days.forEach((id, parts) -> flows.put(
                    id, new KeptFlows(DaySeries.of(parts[0], 0, horizon), DaySeries.of(parts[1], 0, horizon))));
            chain.add(new Snapshot(
                    asOf, asOf.plusDays(horizon), random.nextLong(), lines, flows, List.copyOf(items.values())));
        }
        return chain;
    }

    private long[] some(int length, int oneIn) {
        return random.longs(length, -1_000_000, 1_000_000)
                .map(minor -> random.nextInt(oneIn) == 0 ? minor : 0)
                .toArray();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void snapshots_readOneAfterAnother_areAsTheyWere(long seed) {
        SnapshotReader reader = new SnapshotReader();
        Snapshot before = null;
        for (Snapshot one : chain(seed, 60)) {
            boolean whole = before == null || random.nextInt(20) == 0;
            reader.take(SnapshotWriter.content(whole ? null : before, one), whole);
            assertThat(reader.snapshot(LocalDate.MAX)).isEqualTo(one);
            LocalDate day = one.asOf().plusDays(10);
            assertThat(reader.snapshot(day).closing(day)).isEqualTo(one.closing(day));
            before = one;
        }
    }

    /** Nothing changed but the day: what is kept is next to nothing, however large the forecast is. */
    @Test
    void snapshot_ofNothingNew_costsNextToNothing() {
        long[] days = new Random(1).longs(2_000, 1, 1_000_000).toArray();
        Snapshot first = snapshot(LocalDate.of(2026, 1, 4), days);
        Snapshot next = snapshot(LocalDate.of(2026, 1, 11), java.util.Arrays.copyOfRange(days, 7, days.length));
        assertThat(SnapshotWriter.content(null, first).length).isGreaterThan(4_000);
        assertThat(SnapshotWriter.content(first, next).length).isLessThan(60);
    }

    private static Snapshot snapshot(LocalDate asOf, long[] days) {
        return new Snapshot(
                asOf,
                asOf.plusDays(days.length),
                0,
                List.of(new KeptLine("a", "A", "", Direction.RECEIPT, "")),
                Map.of("a", new KeptFlows(DaySeries.NIL, DaySeries.of(days))),
                List.of());
    }
}

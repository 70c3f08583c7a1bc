package ebbtide.track;

import ebbtide.books.Payment;
import ebbtide.money.Check;
import ebbtide.track.Snapshot.KeptItem;
import ebbtide.track.Snapshot.KeptLine;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What moved closing cash of a day from one forecast to a later one, by line and by cause (rules 10.6): signed minor
 * units that lead from what the old forecast said to what the new one says, and add up.
 */
public record Bridge(LocalDate day, long before, long after, List<Row> rows) {
    /** Why a line's cash moved. */
    public enum Cause {
        /** What happened between the two differs from what was forecast. */
        FACTS,
        /** An open item is expected on another day, before or after the day asked about. */
        DATES,
        /** The line's assumption is another. */
        ASSUMPTION,
        /** The estimate follows what was invoiced or paid, another line, or the date. */
        FOLLOWS,
        /** An item or a line that the old forecast did not have, as far as no estimate stood for it. */
        ADDED,
        /** An item or a line was left out, cancelled or taken out. */
        LEFT_OUT
    }

    /** A line with what moved it, by cause; causes that moved nothing are not in it. */
    public record Row(String id, String name, Map<Cause, Long> causes) {
        public long moved() {
            return causes.values().stream().mapToLong(Long::longValue).sum();
        }
    }

    /** Returns what each cause moved over all lines. */
    public Map<Cause, Long> causes() {
        Map<Cause, Long> sums = new EnumMap<>(Cause.class);
        rows.forEach(row -> row.causes().forEach((cause, minor) -> sums.merge(cause, minor, Long::sum)));
        return sums;
    }

    /** A step of the bridge: what a cause moved, and where closing cash stands before and after it. */
    public record Step(Cause cause, long moved, long from, long to) {}

    /**
     * Returns the steps from what was forecast to what is, a step for each cause in their order, those that moved
     * nothing too.
     */
    public List<Step> steps() {
        Map<Cause, Long> sums = causes();
        List<Step> steps = new ArrayList<>();
        long level = before;
        for (Cause cause : Cause.values()) {
            long moved = sums.getOrDefault(cause, 0L);
            steps.add(new Step(cause, moved, level, level + moved));
            level += moved;
        }
        return steps;
    }

    /**
     * Returns the bridge from an old forecast to one of the same or a later as-of date, of closing cash on a day after
     * both and within both horizons; the largest movers come first.
     */
    public static Bridge of(Snapshot old, Snapshot now, Outturn facts, LocalDate day) {
        Check.that(
                !now.asOf().isBefore(old.asOf()),
                "the forecast of " + now.asOf() + " is the earlier one: choose them the other way round");
        Check.that(
                day.isAfter(now.asOf()) && !day.isAfter(old.horizonEnd()) && !day.isAfter(now.horizonEnd()),
                "closing cash is compared on a day from " + now.asOf().plusDays(1) + " to "
                        + (old.horizonEnd().isBefore(now.horizonEnd()) ? old.horizonEnd() : now.horizonEnd())
                        + ", but was asked for " + day);
        return new Building(old, now, facts, day).bridge();
    }

    private static final class Building {
        private final Snapshot old;
        private final Snapshot now;
        private final Outturn facts;
        private final LocalDate day;
        private final LocalDate first;
        private final Map<String, List<KeptItem>> oldItems;
        private final Map<String, List<KeptItem>> newItems;

        Building(Snapshot old, Snapshot now, Outturn facts, LocalDate day) {
            this.old = old;
            this.now = now;
            this.facts = facts;
            this.day = day;
            this.first = old.asOf().plusDays(1);
            this.oldItems = old.itemsByLine();
            this.newItems = now.itemsByLine();
        }

        Bridge bridge() {
            Map<String, KeptLine> lines = new LinkedHashMap<>();
            now.lines().forEach(line -> lines.put(line.id(), line));
            old.lines().forEach(line -> lines.putIfAbsent(line.id(), line));
            Snapshot.outside().forEach(line -> lines.putIfAbsent(line.id(), line));
            Map<String, KeptLine> was = byId(old);
            Map<String, KeptLine> is = byId(now);
            List<Row> rows = new ArrayList<>();
            long moved = 0;
            for (KeptLine line : lines.values()) {
                Map<Cause, Long> causes = causes(line, was.get(line.id()), is.get(line.id()));
                causes.values().removeIf(minor -> minor == 0);
                if (!causes.isEmpty()) {
                    rows.add(new Row(line.id(), line.name(), causes));
                    moved += rows.get(rows.size() - 1).moved();
                }
            }
            long before = old.closing(day);
            long after = now.closing(day);
            if (after - before != moved) {
                // Movements that came to the books of days for which a forecast took cash as known.
                rows.add(new Row(
                        "",
                        "Facts of days up to the forecasts\u2019 as-of dates, known since",
                        new EnumMap<>(Map.of(Cause.FACTS, after - before - moved))));
            }
            rows.sort((a, b) -> Long.compare(Math.abs(b.moved()), Math.abs(a.moved())));
            return new Bridge(day, before, after, List.copyOf(rows));
        }

        private static Map<String, KeptLine> byId(Snapshot snapshot) {
            Map<String, KeptLine> lines = new HashMap<>();
            snapshot.lines().forEach(line -> lines.put(line.id(), line));
            return lines;
        }

        private Map<Cause, Long> causes(KeptLine line, @Nullable KeptLine was, @Nullable KeptLine is) {
            Map<Cause, Long> causes = new EnumMap<>(Cause.class);
            List<KeptItem> before = oldItems.getOrDefault(line.id(), List.of());
            List<KeptItem> after = newItems.getOrDefault(line.id(), List.of());
            List<Payment> paid = facts.settling(line.id(), first, now.asOf());
            long settled = paid.stream().mapToLong(Payment::minor).sum();
            long facts = this.facts.actual(line.id(), first, now.asOf())
                    - settled
                    - (old.sum(line.id(), first, now.asOf()) - within(before, first, now.asOf(), old));
            long rest = now.sum(line.id(), now.asOf().plusDays(1), day)
                    - within(after, now.asOf().plusDays(1), day, now)
                    - (old.sum(line.id(), now.asOf().plusDays(1), day)
                            - within(before, now.asOf().plusDays(1), day, old));
            items(before, after, paid, causes);
            // An item that was not known takes the place of an estimate: only what exceeds it was added.
            long added = causes.getOrDefault(Cause.ADDED, 0L);
            long left = added;
            long ofRest = replaced(left, rest);
            left += ofRest;
            rest -= ofRest;
            long ofFacts = replaced(left, facts);
            left += ofFacts;
            facts -= ofFacts;
            causes.put(Cause.ADDED, left);
            causes.merge(Cause.FACTS, facts, Long::sum);
            causes.merge(
                    was == null
                            ? Cause.ADDED
                            : is == null
                                    ? Cause.LEFT_OUT
                                    : was.mark().equals(is.mark()) ? Cause.FOLLOWS : Cause.ASSUMPTION,
                    rest,
                    Long::sum);
            return causes;
        }

        /** What of a change the other way an added amount stands for; it has the change's sign. */
        private static long replaced(long added, long change) {
            return Long.signum(added) != -Long.signum(change)
                    ? 0
                    : Long.signum(change) * Math.min(Math.abs(added), Math.abs(change));
        }

        private static long within(List<KeptItem> items, LocalDate from, LocalDate to, Snapshot of) {
            return items.stream()
                    .filter(item -> item.day() != null
                            && !item.day().isBefore(from)
                            && !item.day().isAfter(to)
                            && !item.day().isAfter(of.horizonEnd()))
                    .mapToLong(KeptItem::minor)
                    .sum();
        }

        private void items(List<KeptItem> before, List<KeptItem> after, List<Payment> paid, Map<Cause, Long> causes) {
            Set<String> ids = new TreeSet<>();
            Map<String, KeptItem> was = new HashMap<>();
            Map<String, KeptItem> is = new HashMap<>();
            Map<String, Long> cash = new HashMap<>();
            before.forEach(item -> was.put(item.id(), item));
            after.forEach(item -> is.put(item.id(), item));
            paid.forEach(one -> cash.merge(one.itemId(), one.minor(), Long::sum));
            List.of(was.keySet(), is.keySet(), cash.keySet()).forEach(ids::addAll);
            for (String id : ids) {
                item(was.get(id), is.get(id), cash.getOrDefault(id, 0L), causes);
            }
        }

        private void item(@Nullable KeptItem was, @Nullable KeptItem is, long paid, Map<Cause, Long> causes) {
            long moved = paid + by(is) - by(was);
            causes.merge(cause(was, is, paid), moved, Long::sum);
        }

        private Cause cause(@Nullable KeptItem was, @Nullable KeptItem is, long paid) {
            if (was == null || was.day() == null || was.minor() == 0) {
                return Cause.ADDED;
            }
            boolean stands = is != null && is.day() != null;
            if (!stands && paid == 0) {
                return was.order() ? Cause.FOLLOWS : Cause.LEFT_OUT;
            }
            boolean came = !stands || isBy(is);
            return came == isBy(was) ? Cause.FACTS : Cause.DATES;
        }

        private long by(@Nullable KeptItem item) {
            return item != null && isBy(item) ? item.minor() : 0;
        }

        private boolean isBy(@Nullable KeptItem item) {
            return item != null && item.day() != null && !item.day().isAfter(day);
        }
    }
}

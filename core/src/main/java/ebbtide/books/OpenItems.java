package ebbtide.books;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The invoices, bills, orders and commitments that are known, open ones and paid ones, by the line they belong to, and
 * what movements have settled of each.
 */
public final class OpenItems {
    /** No items. */
    public static final OpenItems NONE = of(List.of());

    private final List<OpenItem> all;
    private final Map<String, List<OpenItem>> byLine;
    private final Map<HabitsOf, Habits> habits;
    private final Map<String, Long> settled;

    private OpenItems(
            List<OpenItem> all,
            Map<String, List<OpenItem>> byLine,
            Map<HabitsOf, Habits> habits,
            Map<String, Long> settled) {
        this.all = all;
        this.byLine = byLine;
        this.habits = habits;
        this.settled = settled;
    }

    /** Returns items of which no movement has settled anything. */
    public static OpenItems of(List<OpenItem> all) {
        Map<String, List<OpenItem>> byLine = new LinkedHashMap<>();
        all.forEach(item ->
                byLine.computeIfAbsent(item.lineId(), id -> new ArrayList<>()).add(item));
        return new OpenItems(List.copyOf(all), byLine, new ConcurrentHashMap<>(), Map.of());
    }

    /** Returns the same items with what movements have settled of them, by id, in minor units; unsigned. */
    public OpenItems settled(Map<String, Long> byId) {
        Map<String, Long> some = new HashMap<>(byId);
        some.values().removeIf(minor -> minor == 0);
        return some.equals(settled) ? this : new OpenItems(all, byLine, habits, Map.copyOf(some));
    }

    /** Returns what movements have settled of items by id, in minor units, unsigned; what is not in it is nil. */
    public Map<String, Long> settled() {
        return settled;
    }

    public List<OpenItem> all() {
        return all;
    }

    /** Returns the item of an id, if there is one. */
    public Optional<OpenItem> find(String id) {
        return all.stream().filter(item -> item.id().equals(id)).findFirst();
    }

    /** Returns the items of a line, in the order in which they came. */
    public List<OpenItem> of(String lineId) {
        return byLine.getOrDefault(lineId, List.of());
    }

    /**
     * Returns the habits that the items of some lines show on a day; worked out once, for plans change more often than
     * items do.
     */
    public Habits habits(Set<String> lineIds, LocalDate asOf) {
        return all.isEmpty()
                ? Habits.of(all, asOf)
                : habits.computeIfAbsent(
                        new HabitsOf(Set.copyOf(lineIds), asOf),
                        key -> Habits.of(
                                all.stream()
                                        .filter(item -> key.lineIds().contains(item.lineId()))
                                        .toList(),
                                asOf));
    }

    /** What habits are asked for: the lines, and the day. */
    private record HabitsOf(Set<String> lineIds, LocalDate asOf) {}

    @Override
    public boolean equals(Object other) {
        return other instanceof OpenItems items && items.all.equals(all) && items.settled.equals(settled);
    }

    @Override
    public int hashCode() {
        return all.hashCode();
    }
}

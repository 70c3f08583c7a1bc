package ebbtide.books;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The invoices, bills, orders and commitments that are known, open ones and paid ones, by the line they belong to. */
public final class OpenItems {
  /** No items. */
  public static final OpenItems NONE = of(List.of());
  private final List<OpenItem> all;
  private final Map<String, List<OpenItem>> byLine = new LinkedHashMap<>();
  private final Map<HabitsOf, Habits> habits = new ConcurrentHashMap<>();

  private OpenItems(List<OpenItem> all) {
    this.all = List.copyOf(all);
    this.all.forEach(item -> byLine.computeIfAbsent(item.lineId(), id -> new ArrayList<>()).add(item));
  }

  public static OpenItems of(List<OpenItem> all) {
    return new OpenItems(all);
  }

  public List<OpenItem> all() {
    return all;
  }

  /** Returns the items of a line, in the order in which they came. */
  public List<OpenItem> of(String lineId) {
    return byLine.getOrDefault(lineId, List.of());
  }

  /** Returns the habits that the items of some lines show on a day; worked out once, for plans change more often than items do. */
  public Habits habits(Set<String> lineIds, LocalDate asOf) {
    return all.isEmpty() ? Habits.of(all, asOf) : habits.computeIfAbsent(new HabitsOf(Set.copyOf(lineIds), asOf),
        key -> Habits.of(all.stream().filter(item -> key.lineIds().contains(item.lineId())).toList(), asOf));
  }

  /** What habits are asked for: the lines, and the day. */
  private record HabitsOf(Set<String> lineIds, LocalDate asOf) {}

  @Override
  public boolean equals(Object other) {
    return other instanceof OpenItems items && items.all.equals(all);
  }

  @Override
  public int hashCode() {
    return all.hashCode();
  }
}

package ebbtide.books;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The invoices, bills, orders and commitments that are known, open ones and paid ones, by the line they belong to. */
public final class OpenItems {
  /** No items. */
  public static final OpenItems NONE = of(List.of());
  private final List<OpenItem> all;
  private final Map<String, List<OpenItem>> byLine = new LinkedHashMap<>();

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

  @Override
  public boolean equals(Object other) {
    return other instanceof OpenItems items && items.all.equals(all);
  }

  @Override
  public int hashCode() {
    return all.hashCode();
  }
}

package ebbtide.track;

import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.Payment;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What a forecast is held against: today's plan and books, what was paid on which item, and what was decided of
 * differences. Payments that settle no item need not be among the payments: the books have them by line and day.
 */
public final class Outturn {
    private final Plan plan;
    private final Books books;
    private final Map<String, List<Payment>> settling = new HashMap<>();
    private final Map<String, List<Decision>> decisions = new HashMap<>();
    private final Map<String, OpenItem> items = new HashMap<>();

    /** Gathers the facts; of the payments those that settle an item are read. */
    public Outturn(Plan plan, Books books, List<Payment> payments, List<Decision> decisions) {
        this.plan = plan;
        this.books = books;
        payments.stream().filter(one -> one.itemId() != null).forEach(one -> settling.computeIfAbsent(
                        one.lineId(), id -> new ArrayList<>())
                .add(one));
        settling.values().forEach(list -> list.sort(Comparator.comparing(Payment::day)));
        decisions.forEach(one -> this.decisions
                .computeIfAbsent(one.lineId(), id -> new ArrayList<>())
                .add(one));
        books.items().all().forEach(item -> items.put(item.id(), item));
    }

    public Plan plan() {
        return plan;
    }

    public Books books() {
        return books;
    }

    public LocalDate asOf() {
        return plan.settings().asOf();
    }

    /** Returns the item of an id as it is today, null if it was taken out. */
    @Nullable
    OpenItem item(@Nullable String id) {
        return items.get(id);
    }

    List<Decision> decisions(String lineId) {
        return decisions.getOrDefault(lineId, List.of());
    }

    /** Returns what was paid on a line's items from one day to another, both included, in order of day. */
    List<Payment> settling(String lineId, LocalDate from, LocalDate to) {
        return settling.getOrDefault(lineId, List.of()).stream()
                .filter(one -> !one.day().isBefore(from) && !one.day().isAfter(to))
                .toList();
    }

    /** Returns the cash of a line that settles no item by day, from one day to another, both included. */
    TreeMap<LocalDate, Long> other(String lineId, LocalDate from, LocalDate to) {
        TreeMap<LocalDate, Long> days = new TreeMap<>();
        books.byLine().getOrDefault(lineId, List.of()).stream()
                .filter(one -> !one.day().isBefore(from) && !one.day().isAfter(to))
                .forEach(one -> days.merge(one.day(), one.minor(), Long::sum));
        settling(lineId, from, to).forEach(one -> days.merge(one.day(), -one.minor(), Long::sum));
        return days;
    }

    /** Returns all cash of a line, or of what belongs to none, from one day to another, both included, signed. */
    public long actual(String lineId, LocalDate from, LocalDate to) {
        return sum(movements(lineId), from, to);
    }

    List<DayAmount> movements(String lineId) {
        return switch (lineId) {
            case Snapshot.UNASSIGNED_IN -> books.unassignedIn();
            case Snapshot.UNASSIGNED_OUT -> books.unassignedOut();
            case Snapshot.TRANSFERS -> books.transfers();
            default -> books.byLine().getOrDefault(lineId, List.of());
        };
    }

    static long sum(List<DayAmount> amounts, LocalDate from, LocalDate to) {
        long sum = 0;
        for (DayAmount one : amounts) {
            sum += one.day().isBefore(from) || one.day().isAfter(to) ? 0 : one.minor();
        }
        return sum;
    }
}

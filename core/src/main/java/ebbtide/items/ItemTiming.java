package ebbtide.items;

import static java.util.Objects.requireNonNull;

import ebbtide.billing.Calendars;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.Habits;
import ebbtide.books.OpenItem;
import ebbtide.derive.Derived;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The days on which open items are expected to be paid (rules 4.1 to 4.3, 4.5, 4.6), of plan and items. */
public final class ItemTiming {
    private final Plan plan;
    private final Books books;
    private final Calendars calendars;
    private final Map<Direction, Habits> habits;
    private final Map<Direction, Map<String, Integer>> said = new EnumMap<>(Direction.class);
    private final Derived<ExpectedDays, LineItems> byLine;

    private ItemTiming(Plan plan, Books books, Calendars calendars, Derived<ExpectedDays, LineItems> byLine) {
        this.plan = plan;
        this.books = books;
        this.calendars = calendars;
        this.byLine = byLine;
        plan.settings().habits().forEach(one -> said.computeIfAbsent(one.direction(), some -> new HashMap<>())
                .put(one.counterparty(), one.days()));
        this.habits = Stream.of(Direction.values()).collect(Collectors.toMap(one -> one, one -> books.items()
                .habits(
                        plan.lines().stream()
                                .filter(line -> line.direction() == one)
                                .map(Line::id)
                                .collect(Collectors.toSet()),
                        plan.settings().asOf())));
    }

    /** Returns the timing of a plan and its books; the calendar of a line is that of its account's country. */
    public static ItemTiming of(Plan plan, Books books, Calendars calendars) {
        return new ItemTiming(plan, books, calendars, Derived.none());
    }

    /**
     * Returns the timing of another plan and its books, which takes over what this one has found of lines that read the
     * same.
     */
    public ItemTiming next(Plan other, Books others, Calendars calendarsThen) {
        return new ItemTiming(other, others, calendarsThen, byLine.next());
    }

    /** Returns how the counterparties of a direction pay, of all items paid up to the as-of date. */
    public Habits habits(Direction direction) {
        return requireNonNull(habits.get(direction));
    }

    /** Returns the items of a line that count, with the days on which the open ones are expected. */
    public LineItems line(Line line) {
        return byLine.of(line.id(), () -> reads(line), ExpectedDays::worked);
    }

    /** Returns the open items of a line by counterparty, as they might be paid on other days (rules 11.8). */
    public List<PartyItems> likely(Line line) {
        return reads(line).likely();
    }

    private ExpectedDays reads(Line line) {
        List<OpenItem> items = books.items().of(line.id());
        List<DayAmount> settling = books.settling().getOrDefault(line.id(), List.of());
        return new ExpectedDays(
                ItemRules.of(line, plan.isActive(line)),
                plan.settings().ofLines(),
                calendars.calendar(line),
                items,
                settling.isEmpty() ? Map.of() : settledOfLate(items),
                books.byLine().getOrDefault(line.id(), List.of()),
                settling,
                habits(line.direction()),
                said.getOrDefault(line.direction(), Map.of()));
    }

    /**
     * What movements settled of items paid of late: of older ones nobody asks, and all of them would be compared at
     * each edit.
     */
    private Map<String, Long> settledOfLate(List<OpenItem> items) {
        LocalDate from = plan.settings().asOf().minusDays(LineItems.UNDER_WAY_FOR);
        return items.stream()
                .filter(item -> item.paidOn() != null
                        && item.paidOn().isAfter(from)
                        && books.items().settled().containsKey(item.id()))
                .collect(Collectors.toMap(
                        OpenItem::id, item -> books.items().settled().get(item.id()), (one, same) -> one));
    }

    /** Returns a line's open items with the days they are expected, by day, those left out last. */
    public List<ExpectedItem> of(Line line) {
        return line(line).expected();
    }
}

package ebbtide.track;

import static java.util.Objects.requireNonNull;

import ebbtide.flows.Part;
import ebbtide.forecast.Forecast;
import ebbtide.items.ExpectedItem;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.DaySeries;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A forecast kept as it stood (rules 10.1): its as-of date, cash that day, the flows after it by line and day, and when
 * each open item was expected, in order of id. It never changes, whatever becomes of the lines. Movements after its
 * as-of date that nobody had assigned, and transfers under way, are kept as lines of their own.
 */
public record Snapshot(
        LocalDate asOf,
        LocalDate horizonEnd,
        long cashAtAsOf,
        List<KeptLine> lines,
        Map<String, KeptFlows> flows,
        List<KeptItem> items) {
    /** The ids under which movements are kept that belong to no line. */
    public static final String UNASSIGNED_IN = "unassigned-receipts";

    public static final String UNASSIGNED_OUT = "unassigned-payments";
    public static final String TRANSFERS = "transfers";

    /**
     * A line as it was named and grouped that day; the mark tells whether its assumption is still the same, the basis
     * what was kept of single items (null: no stream, or not noted).
     */
    public record KeptLine(
            String id,
            String name,
            String group,
            Direction direction,
            String mark,
            @Nullable Basis basis) {
        /** Makes a line whose basis was not noted. */
        public KeptLine(String id, String name, String group, Direction direction, String mark) {
            this(id, name, group, direction, mark, null);
        }
    }

    /**
     * An open item as it was expected: the day (null: left out) and what it was to pay then, signed, and what was open
     * of it, unsigned. An order is to become invoices.
     */
    public record KeptItem(
            String id,
            String lineId,
            String number,
            String counterparty,
            boolean order,
            LocalDate due,
            @Nullable LocalDate day,
            long minor,
            long open) {
        /** Returns the day of an item that was not left out: one that was to pay anything. */
        public LocalDate paidOn() {
            return requireNonNull(day, "the day of an item that was to be paid");
        }
    }

    public Snapshot {
        lines = List.copyOf(lines);
        flows = Collections.unmodifiableMap(flows);
        items = List.copyOf(items);
    }

    /** Returns the snapshot of a forecast, with the marks of its lines' assumptions. */
    public static Snapshot of(Forecast forecast, Function<Line, String> marks) {
        LocalDate asOf = forecast.plan().settings().asOf();
        List<KeptLine> lines = new ArrayList<>();
        Map<String, KeptFlows> flows = new LinkedHashMap<>();
        List<KeptItem> items = new ArrayList<>();
        for (Line line : forecast.plan().lines()) {
            if (!line.isGroup()) {
                lines.add(new KeptLine(
                        line.id(),
                        line.name(),
                        forecast.plan().pathOf(line),
                        line.direction(),
                        marks.apply(line),
                        line.findStream().map(Assumption.Stream::basis).orElse(null)));
                flows.put(
                        line.id(),
                        new KeptFlows(
                                forecast.daysAfter(line, Part.COMMITTED), forecast.daysAfter(line, Part.ESTIMATED)));
                forecast.itemFlows(line).forEach(flow -> items.add(kept(line, flow.item(), flow.minor())));
                forecast.items().of(line).stream()
                        .filter(ExpectedItem::isLeftOut)
                        .forEach(item -> items.add(kept(line, item, 0)));
            }
        }
        List<DaySeries> days = List.of(
                forecast.unassignedAfter(Direction.RECEIPT),
                forecast.unassignedAfter(Direction.PAYMENT),
                forecast.transfersAfter());
        for (int i = 0; i < days.size(); i++) {
            if (!days.get(i).isNil()) {
                lines.add(outside().get(i));
                flows.put(outside().get(i).id(), new KeptFlows(days.get(i), DaySeries.NIL));
            }
        }
        items.sort(Comparator.comparing(KeptItem::id));
        return new Snapshot(asOf, forecast.lastDay(), forecast.closing(asOf), lines, flows, items);
    }

    private static KeptItem kept(Line line, ExpectedItem one, long minor) {
        return new KeptItem(
                one.item().id(),
                line.id(),
                one.item().number(),
                one.item().counterparty(),
                one.item().kind() == ebbtide.books.OpenItem.Kind.ORDER,
                one.item().due(),
                one.day(),
                minor,
                one.item().amount().open());
    }

    /** Returns the lines under which movements are kept that belong to none. */
    static List<KeptLine> outside() {
        return List.of(
                new KeptLine(UNASSIGNED_IN, "Receipts not assigned", "", Direction.RECEIPT, ""),
                new KeptLine(UNASSIGNED_OUT, "Payments not assigned", "", Direction.PAYMENT, ""),
                new KeptLine(TRANSFERS, "Between own accounts, under way", "", Direction.PAYMENT, ""));
    }

    /** Returns whether an id stands for movements that belong to no line. */
    static boolean isOutside(String id) {
        return id.equals(UNASSIGNED_IN) || id.equals(UNASSIGNED_OUT) || id.equals(TRANSFERS);
    }

    /** Returns the place of a day in the flows: nil is the day after the as-of date. */
    int index(LocalDate day) {
        return (int) ChronoUnit.DAYS.between(asOf, day) - 1;
    }

    /** Returns what a line was forecast to bring from one day to another, both included, in signed minor units. */
    public long sum(String lineId, LocalDate from, LocalDate to) {
        return flows.getOrDefault(lineId, KeptFlows.NONE).sum(index(from), index(to) + 1);
    }

    /** Returns whether nothing at all was forecast of a line on any day from one to another. */
    boolean isNil(String lineId, LocalDate from, LocalDate to) {
        return flows.getOrDefault(lineId, KeptFlows.NONE).isNil(index(from), index(to) + 1);
    }

    /** Returns what each line was forecast to bring from one day to another, both included, in signed minor units. */
    Map<String, Long> byLine(LocalDate from, LocalDate to) {
        Map<String, Long> sums = new HashMap<>();
        flows.forEach((id, kept) -> sums.put(id, kept.sum(index(from), index(to) + 1)));
        return sums;
    }

    /** Returns the open items of each line. */
    public Map<String, List<KeptItem>> itemsByLine() {
        Map<String, List<KeptItem>> byLine = new HashMap<>();
        items.forEach(item ->
                byLine.computeIfAbsent(item.lineId(), id -> new ArrayList<>()).add(item));
        return byLine;
    }

    /** Returns the closing cash that was forecast for a day after the as-of date, in minor units. */
    public long closing(LocalDate day) {
        return cashAtAsOf
                + byLine(asOf.plusDays(1), day).values().stream()
                        .mapToLong(Long::longValue)
                        .sum();
    }
}

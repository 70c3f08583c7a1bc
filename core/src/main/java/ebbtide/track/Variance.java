package ebbtide.track;

import ebbtide.books.Payment;
import ebbtide.money.Check;
import ebbtide.money.Rounding;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import ebbtide.track.Snapshot.KeptItem;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A snapshot against what happened in a window (rules 10.2), line by line in today's tree, split by reasons (10.3).
 * Signed minor units: variance = actual - forecast, above zero is favourable on every line, and lines add up to the
 * net.
 */
public record Variance(Period window, List<Row> rows, List<String> moved) {
    /** What a row of the comparison is. */
    public enum RowKind {
        SECTION,
        GROUP,
        LINE,
        GONE_LINE,
        UNASSIGNED,
        TRANSFERS,
        NET,
        CLOSING
    }

    /**
     * A row with what was forecast, what happened, and why they differ; closing cash differs for the reasons of all
     * days before.
     */
    public record Row(
            String id,
            RowKind kind,
            String name,
            @Nullable Direction direction,
            int depth,
            long forecast,
            long actual,
            Reasons why) {
        public long variance() {
            return actual - forecast;
        }

        /** Returns the variance in hundredths of a percent of the forecast's size, null where nothing was forecast. */
        public @Nullable Long variancePercentHundredths() {
            return percentHundredths(forecast, variance());
        }
    }

    /**
     * A part of a line's row: an open item's, cash of an item that was not known and exceeds the estimate, or what was
     * expected without an item (then number and counterparty are empty).
     */
    public record Detail(
            @Nullable String itemId, String number, String counterparty, long forecast, long actual, Reasons why) {
        public long variance() {
            return actual - forecast;
        }
    }

    static @Nullable Long percentHundredths(long forecast, long variance) {
        return forecast == 0
                ? null
                : Rounding.toMinor(BigDecimal.valueOf(variance)
                        .multiply(BigDecimal.valueOf(10_000))
                        .divide(BigDecimal.valueOf(Math.abs(forecast)), 6, RoundingMode.DOWN));
    }

    /**
     * Returns the comparison for one of the windows that cover the days after the snapshot's as-of date: days that are
     * forecast, and facts. Earlier and later windows are read for what was only a matter of time.
     */
    public static Variance of(Snapshot snapshot, Outturn facts, List<Period> windows, Period window) {
        requireWithin(snapshot, facts, windows, window);
        return new Comparison(snapshot, facts, windows, window).variance();
    }

    /** Returns the parts of a line's row in a window, the largest variance first. */
    public static List<Detail> details(
            Snapshot snapshot, Outturn facts, List<Period> windows, Period window, String lineId) {
        requireWithin(snapshot, facts, windows, window);
        LineSplit split =
                new LineSplit(snapshot, facts, lineId, snapshot.itemsByLine().getOrDefault(lineId, List.of()), windows);
        return split.in(window).stream()
                .map(piece -> detail(facts, piece))
                .sorted(java.util.Comparator.comparingLong((Detail one) -> -Math.abs(one.variance()))
                        .thenComparing(Detail::number))
                .toList();
    }

    private static Detail detail(Outturn facts, LineSplit.Piece piece) {
        KeptItem item = piece.item();
        if (item != null) {
            return new Detail(
                    item.id(), item.number(), item.counterparty(), piece.forecast(), piece.actual(), piece.why());
        }
        Payment payment = piece.unforeseen();
        if (payment == null) {
            return new Detail("", "", "", piece.forecast(), piece.actual(), piece.why());
        }
        ebbtide.books.OpenItem today = facts.item(payment.itemId());
        return new Detail(
                payment.itemId(),
                today == null ? "" : today.number(),
                today == null ? payment.counterparty() : today.counterparty(),
                0,
                piece.actual(),
                piece.why());
    }

    private static void requireWithin(Snapshot snapshot, Outturn facts, List<Period> windows, Period window) {
        Check.that(
                window.startInclusive().isAfter(snapshot.asOf()),
                "the snapshot forecasts from " + snapshot.asOf().plusDays(1) + ", but the window starts on "
                        + window.startInclusive());
        Check.that(
                !window.lastDay().isAfter(facts.asOf()),
                "facts are known up to " + facts.asOf() + ", but the window ends on " + window.lastDay());
        Check.that(windows.contains(window), "the window is none of those that are compared");
    }

    private static final class Comparison {
        private final Snapshot snapshot;
        private final Outturn facts;
        private final List<Period> windows;
        private final Period window;
        private final Map<String, Long> forecast;
        private final Map<String, List<KeptItem>> items;
        private final List<Row> rows = new ArrayList<>();
        private Reasons net = Reasons.NONE;

        Comparison(Snapshot snapshot, Outturn facts, List<Period> windows, Period window) {
            this.snapshot = snapshot;
            this.facts = facts;
            this.windows = windows;
            this.window = window;
            this.forecast = snapshot.byLine(window.startInclusive(), window.lastDay());
            this.items = snapshot.itemsByLine();
        }

        Variance variance() {
            long receipts = section(
                    "receipts",
                    "Receipts",
                    Direction.RECEIPT,
                    Snapshot.UNASSIGNED_IN,
                    facts.books().unassignedIn());
            long payments = section(
                    "payments",
                    "Payments",
                    Direction.PAYMENT,
                    Snapshot.UNASSIGNED_OUT,
                    facts.books().unassignedOut());
            long transfers = inWindow(facts.books().transfers());
            long under = forecast.getOrDefault(Snapshot.TRANSFERS, 0L);
            if (transfers != 0 || under != 0) {
                Row row = new Row(
                        Snapshot.TRANSFERS,
                        RowKind.TRANSFERS,
                        "Between own accounts, under way",
                        null,
                        0,
                        under,
                        transfers,
                        new Reasons(transfers - under, 0, 0, 0, 0));
                rows.add(row);
                net = net.plus(row.why());
            }
            long forecastNet =
                    forecast.values().stream().mapToLong(Long::longValue).sum();
            rows.add(new Row(
                    "net", RowKind.NET, "Net cash flow", null, 0, forecastNet, receipts + payments + transfers, net));
            rows.add(new Row(
                    "closing",
                    RowKind.CLOSING,
                    "Closing cash",
                    null,
                    0,
                    snapshot.closing(window.lastDay()),
                    facts.books().cash(window.lastDay()),
                    Reasons.NONE));
            return new Variance(window, List.copyOf(rows), moved());
        }

        private long section(
                String id,
                String name,
                Direction direction,
                String unassignedId,
                List<ebbtide.books.DayAmount> unassigned) {
            int at = rows.size();
            Row sum =
                    children(direction, null, 1, new Row(id, RowKind.SECTION, name, direction, 0, 0, 0, Reasons.NONE));
            for (Snapshot.KeptLine kept : snapshot.lines()) {
                if (kept.direction() == direction
                        && !Snapshot.isOutside(kept.id())
                        && facts.plan().findLine(kept.id()).isEmpty()) {
                    sum = plus(sum, row(kept.id(), RowKind.GONE_LINE, kept.name(), direction, 1));
                }
            }
            long booked = inWindow(unassigned);
            long known = forecast.getOrDefault(unassignedId, 0L);
            if (booked != 0 || known != 0) {
                sum = plus(
                        sum,
                        new Row(
                                unassignedId,
                                RowKind.UNASSIGNED,
                                "Not assigned",
                                direction,
                                1,
                                known,
                                booked,
                                Reasons.unforeseen(booked - known)));
            }
            net = net.plus(sum.why());
            rows.add(at, sum);
            return sum.actual();
        }

        private Row row(String id, RowKind kind, String name, Direction direction, int depth) {
            long actual = facts.actual(id, window.startInclusive(), window.lastDay());
            Reasons why = isNothing(id)
                    ? Reasons.NONE
                    : new LineSplit(snapshot, facts, id, items.getOrDefault(id, List.of()), windows).why(window);
            return new Row(id, kind, name, direction, depth, forecast.getOrDefault(id, 0L), actual, why);
        }

        /** Nothing was forecast of it over all windows, and nothing happened. */
        private boolean isNothing(String id) {
            LocalDate last = windows.get(windows.size() - 1).lastDay();
            LocalDate first = windows.get(0).startInclusive();
            return !items.containsKey(id)
                    && snapshot.isNil(id, first, last)
                    && facts.books().byLine().getOrDefault(id, List.of()).stream()
                            .allMatch(one ->
                                    one.day().isBefore(first) || one.day().isAfter(last));
        }

        private Row plus(Row sum, Row one) {
            rows.add(one);
            return add(sum, one);
        }

        private static Row add(Row sum, Row one) {
            return new Row(
                    sum.id(),
                    sum.kind(),
                    sum.name(),
                    sum.direction(),
                    sum.depth(),
                    sum.forecast() + one.forecast(),
                    sum.actual() + one.actual(),
                    sum.why().plus(one.why()));
        }

        /** Adds the rows below a group, and returns the group's with the sums. */
        private Row children(Direction direction, @Nullable String group, int depth, Row sum) {
            Row all = sum;
            for (Line line : facts.plan().childrenOf(direction, group)) {
                int at = rows.size();
                Row own = line.isGroup()
                        ? children(
                                direction,
                                line.id(),
                                depth + 1,
                                new Row(line.id(), RowKind.GROUP, line.name(), direction, depth, 0, 0, Reasons.NONE))
                        : row(line.id(), RowKind.LINE, line.name(), direction, depth);
                rows.add(at, own);
                all = add(all, own);
            }
            return all;
        }

        private List<String> moved() {
            List<String> words = new ArrayList<>();
            Set<String> kept = new HashSet<>();
            Map<String, Line> lines = new HashMap<>();
            facts.plan().lines().forEach(line -> lines.put(line.id(), line));
            for (Snapshot.KeptLine was : snapshot.lines()) {
                kept.add(was.id());
                Line now = lines.get(was.id());
                if (now == null && !Snapshot.isOutside(was.id())) {
                    words.add("'" + was.name() + "' is no longer in the plan");
                } else if (now != null) {
                    if (!now.name().equals(was.name())) {
                        words.add("'" + was.name() + "' is now called '" + now.name() + "'");
                    }
                    if (!facts.plan().pathOf(now).equals(was.group())) {
                        words.add("'" + now.name() + "' moved from " + place(was.group()) + " to "
                                + place(facts.plan().pathOf(now)));
                    }
                }
            }
            facts.plan().lines().stream()
                    .filter(line -> !line.isGroup() && !kept.contains(line.id()))
                    .forEach(line -> words.add("'" + line.name() + "' is new since the snapshot"));
            return words;
        }

        private static String place(String path) {
            return path.isEmpty() ? "the top" : "'" + path + "'";
        }

        private long inWindow(List<ebbtide.books.DayAmount> movements) {
            return Outturn.sum(movements, window.startInclusive(), window.lastDay());
        }
    }

    /** Returns the days a snapshot can be compared on today, none when no fact is later than the snapshot. */
    public static Optional<Period> findComparable(Snapshot snapshot, LocalDate asOfToday) {
        LocalDate last = asOfToday.isBefore(snapshot.horizonEnd()) ? asOfToday : snapshot.horizonEnd();
        return last.isAfter(snapshot.asOf())
                ? Optional.of(new Period(snapshot.asOf().plusDays(1), last.plusDays(1)))
                : Optional.empty();
    }
}

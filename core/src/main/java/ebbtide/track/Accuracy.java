package ebbtide.track;

import static java.util.Objects.requireNonNull;

import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * How far forecasts were off, by how far ahead they looked (rules 10.4): of every snapshot the first, second and nth
 * whole week or month after its as-of date, held against what happened, by line, group and in all, beside two plain
 * rivals on the same history.
 */
public final class Accuracy {
    /** Whose forecast is measured. */
    public enum Of {
        OURS,
        /** The same week, or month, a year before. */
        LAST_YEAR,
        /** The same forecast, with open items on their due dates. */
        DUE_DATES
    }

    /** The ids of the rows that are no line and no group. */
    public static final String NET = "net";

    /** A forecast of a period and what happened in it, signed. */
    public record Point(LocalDate asOf, Period period, int lead, long forecast, long actual) {}

    /** What the closing balance was forecast to be at the end of a period, and was. */
    public record Closing(LocalDate asOf, LocalDate day, int lead, long forecast, long actual) {}

    private final Outturn facts;
    private final Periods by;
    private final int leads;
    private final SumsToDay actual;
    /** The place of each row among the sums. */
    private final Map<String, Integer> places = new HashMap<>();

    private final List<Integer> signs = new ArrayList<>();
    private final Sums[] sums;
    private final String recordOf;
    private final List<Point> points = new ArrayList<>();
    private final PartyErrors parties;
    private final Map<LocalDate, Long> cash = new HashMap<>();
    private final List<Closing> closings = new ArrayList<>();
    /** Of what is forecast, the places of the rows that it counts in. */
    private final Map<String, int[]> above = new LinkedHashMap<>();

    private final LocalDate firstFact;
    private int longest;

    /**
     * Begins to measure, over so many periods ahead; the points of one row, by its id, are kept for its record over
     * time.
     */
    public Accuracy(Outturn facts, Periods by, int leads, String recordOf) {
        this.facts = facts;
        this.by = by;
        this.leads = leads;
        this.recordOf = recordOf;
        this.parties = new PartyErrors(facts, leads);
        this.actual = new SumsToDay(facts);
        this.firstFact = facts.books().findFirstDay().orElse(facts.asOf());
        place(NET, 1);
        for (Direction direction : Direction.values()) {
            place(section(direction), direction.sign());
        }
        facts.plan().lines().forEach(line -> place(line.id(), line.direction().sign()));
        for (Line line : facts.plan().lines()) {
            if (!line.isGroup()) {
                List<String> rows = new ArrayList<>(List.of(line.id()));
                for (String at = line.group();
                        at != null;
                        at = facts.plan().findLine(at).orElseThrow().group()) {
                    rows.add(at);
                }
                rows.add(section(line.direction()));
                rows.add(NET);
                countIn(line.id(), rows);
                actual.put(line.id(), facts.movements(line.id()));
            }
        }
        for (Snapshot.KeptLine line : Snapshot.outside()) {
            countIn(
                    line.id(),
                    line.id().equals(Snapshot.TRANSFERS) ? List.of(NET) : List.of(section(line.direction()), NET));
            actual.put(line.id(), facts.movements(line.id()));
        }
        sums = new Sums[leads];
        Arrays.setAll(sums, lead -> new Sums(signs.size()));
    }

    private void place(String id, int sign) {
        places.put(id, signs.size());
        signs.add(sign);
    }

    private void countIn(String id, List<String> rows) {
        above.put(id, rows.stream().mapToInt(places::get).toArray());
    }

    /** Of one lead: what every row missed by each way of forecasting, and what happened. */
    private static final class Sums {
        private final int[][] periods;
        private final long[][] missed;
        private final long[][] happened;
        private final long[][] over;

        Sums(int rows) {
            periods = new int[Of.values().length][rows];
            missed = new long[Of.values().length][rows];
            happened = new long[Of.values().length][rows];
            over = new long[Of.values().length][rows];
        }

        void add(Of of, int row, long forecast, long actual, int sign) {
            periods[of.ordinal()][row]++;
            missed[of.ordinal()][row] += Math.abs(actual - forecast);
            happened[of.ordinal()][row] += Math.abs(actual);
            over[of.ordinal()][row] += (forecast - actual) * sign;
        }

        ForecastError error(Of of, int row) {
            return new ForecastError(
                    periods[of.ordinal()][row],
                    missed[of.ordinal()][row],
                    happened[of.ordinal()][row],
                    over[of.ordinal()][row]);
        }
    }

    private static String section(Direction direction) {
        return direction == Direction.RECEIPT ? "receipts" : "payments";
    }

    /** Returns the longest lead for which a snapshot is read, in days. */
    public static int daysRead(Periods by, int leads) {
        return by == Periods.WEEK ? (leads + 1) * 7 : (leads + 1) * 31;
    }

    /**
     * Returns the whole weeks or months after a day, the first that begins after it first, up to the last that facts
     * cover.
     */
    private List<Period> ahead(Snapshot snapshot) {
        LocalDate to = snapshot.asOf().plusDays(daysRead(by, leads));
        LocalDate last = facts.asOf().isBefore(snapshot.horizonEnd()) ? facts.asOf() : snapshot.horizonEnd();
        if (!last.isAfter(snapshot.asOf())) {
            return List.of();
        }
        // Whole ones only: the part period is lead 0.
        return by
                .cover(
                        snapshot.asOf().minusDays(40),
                        to,
                        facts.plan().settings().firstDayOfWeek(),
                        facts.plan().settings().firstFiscalMonth(),
                        LocalDate.MIN)
                .stream()
                .filter(period -> period.startInclusive().isAfter(snapshot.asOf())
                        && !period.lastDay().isAfter(last)
                        && (by != Periods.WEEK
                                || ChronoUnit.DAYS.between(period.startInclusive(), period.endExclusive()) == 7)
                        && (by != Periods.MONTH || period.endExclusive().getDayOfMonth() == 1))
                .limit(leads)
                .toList();
    }

    /** Takes a snapshot, in any order; of one as-of date the last saved is to be given. */
    public void add(Snapshot snapshot) {
        List<Period> ahead = ahead(snapshot);
        longest = Math.max(longest, ahead.size());
        // Lines that are gone since were forecast all the same.
        snapshot.lines().stream().filter(line -> !above.containsKey(line.id())).forEach(line -> {
            countIn(line.id(), List.of(section(line.direction()), NET));
            actual.put(line.id(), facts.movements(line.id()));
        });
        Integer recorded = places.get(recordOf);
        Map<String, List<Snapshot.KeptItem>> items = snapshot.itemsByLine();
        Days[] days = ahead.stream().map(period -> new Days(snapshot, period)).toArray(Days[]::new);
        long[][][] of = new long[days.length][4][signs.size()];
        for (Map.Entry<String, int[]> line : above.entrySet()) {
            KeptFlows kept = snapshot.flows().getOrDefault(line.getKey(), KeptFlows.NONE);
            long[] upTo = actual.of(line.getKey());
            List<Snapshot.KeptItem> ofLine = items.getOrDefault(line.getKey(), List.of());
            for (int lead = 0; lead < days.length; lead++) {
                Days at = days[lead];
                long forecast = kept.sum(at.from, at.to);
                long happened = SumsToDay.between(upTo, at.before, at.last);
                long lastYear = SumsToDay.between(upTo, at.beforeYear, at.lastYear);
                long due = forecast + byDueDate(ofLine, snapshot, ahead.get(lead));
                for (int row : line.getValue()) {
                    of[lead][0][row] += forecast;
                    of[lead][1][row] += happened;
                    of[lead][2][row] += lastYear;
                    of[lead][3][row] += due;
                }
            }
        }
        for (int lead = 0; lead < days.length; lead++) {
            Period period = ahead.get(lead);
            boolean yearKnown = !yearBefore(period.startInclusive()).isBefore(firstFact);
            for (int row = 0; row < signs.size(); row++) {
                sums[lead].add(Of.OURS, row, of[lead][0][row], of[lead][1][row], signs.get(row));
                sums[lead].add(Of.DUE_DATES, row, of[lead][3][row], of[lead][1][row], signs.get(row));
                if (yearKnown) {
                    sums[lead].add(Of.LAST_YEAR, row, of[lead][2][row], of[lead][1][row], signs.get(row));
                }
            }
            if (recorded != null) {
                points.add(new Point(snapshot.asOf(), period, lead + 1, of[lead][0][recorded], of[lead][1][recorded]));
            }
            closings.add(new Closing(
                    snapshot.asOf(),
                    period.lastDay(),
                    lead + 1,
                    snapshot.closing(period.lastDay()),
                    cash.computeIfAbsent(period.lastDay(), facts.books()::cash)));
        }
        parties.add(snapshot, ahead);
    }

    /** Returns the rows of counterparties, of their open items alone, those that cost most first. */
    public List<MeasuredRow> parties() {
        return parties.rows(longest());
    }

    /**
     * Where a period's days stand in what a snapshot keeps, and in the sums of what happened, in its year and the one
     * before.
     */
    private final class Days {
        private final int from;
        private final int to;
        private final int before;
        private final int last;
        private final int beforeYear;
        private final int lastYear;

        Days(Snapshot snapshot, Period period) {
            from = snapshot.index(period.startInclusive());
            to = snapshot.index(period.endExclusive());
            before = actual.index(period.startInclusive().minusDays(1));
            last = actual.index(period.lastDay());
            beforeYear = actual.index(yearBefore(period.startInclusive()).minusDays(1));
            lastYear = actual.index(yearBefore(period.endExclusive()).minusDays(1));
        }
    }

    private LocalDate yearBefore(LocalDate day) {
        return by == Periods.WEEK ? day.minusWeeks(52) : day.minusYears(1);
    }

    /**
     * What a period's forecast changes by when items are on their due dates, those overdue on the first day after the
     * as-of date.
     */
    private static long byDueDate(List<Snapshot.KeptItem> items, Snapshot snapshot, Period period) {
        long change = 0;
        for (Snapshot.KeptItem item : items) {
            if (item.minor() != 0) {
                LocalDate due = item.due().isAfter(snapshot.asOf())
                        ? item.due()
                        : snapshot.asOf().plusDays(1);
                change += period.contains(due) ? item.minor() : 0;
                change -= period.contains(item.paidOn()) && !item.paidOn().isAfter(snapshot.horizonEnd())
                        ? item.minor()
                        : 0;
            }
        }
        return change;
    }

    /** Returns how many periods ahead there is anything to measure. */
    public int longest() {
        return longest;
    }

    /** Returns every row in the order of the plan, the net first. */
    public List<MeasuredRow> rows() {
        List<MeasuredRow> rows = new ArrayList<>();
        rows.add(row(NET, "Net cash flow", null, 0, true));
        for (Direction direction : Direction.values()) {
            rows.add(row(
                    section(direction), direction == Direction.RECEIPT ? "Receipts" : "Payments", direction, 0, true));
            children(
                    direction,
                    null,
                    line -> rows.add(row(line.id(), line.name(), direction, depth(line), line.isGroup())));
        }
        return rows;
    }

    private int depth(Line line) {
        int depth = 1;
        for (String at = line.group();
                at != null;
                at = facts.plan().findLine(at).orElseThrow().group()) {
            depth++;
        }
        return depth;
    }

    private void children(Direction direction, @Nullable String group, Consumer<Line> take) {
        for (Line line : facts.plan().childrenOf(direction, group)) {
            take.accept(line);
            if (line.isGroup()) {
                children(direction, line.id(), take);
            }
        }
    }

    private MeasuredRow row(String id, String name, @Nullable Direction direction, int depth, boolean group) {
        return new MeasuredRow(
                id, name, direction, depth, group, of(id, Of.OURS), of(id, Of.LAST_YEAR), of(id, Of.DUE_DATES));
    }

    private List<ForecastError> of(String id, Of of) {
        List<ForecastError> list = new ArrayList<>();
        for (int lead = 0; lead < longest(); lead++) {
            list.add(sums[lead].error(of, requireNonNull(places.get(id))));
        }
        return list;
    }

    /** Returns the forecasts of a lead of the row whose record is kept, one a snapshot, with what happened. */
    public List<Point> record(int lead) {
        return points.stream()
                .filter(point -> point.lead() == lead)
                .sorted(Comparator.comparing(Point::asOf))
                .toList();
    }

    /**
     * What a line costs of accuracy: its misses of the first leads, and their share of all lines', in hundredths of a
     * percent.
     */
    public record Cost(String id, String name, long missed, long shareHundredths) {}

    /**
     * Returns the lines by what they cost of accuracy in the first leads, those that cost most first; lines that were
     * never off are left out.
     */
    public List<Cost> costs(int first) {
        Map<String, Long> missed = new LinkedHashMap<>();
        for (Line line : facts.plan().lines()) {
            if (!line.isGroup()) {
                missed.put(
                        line.id(),
                        of(line.id(), Of.OURS).stream()
                                .limit(first)
                                .mapToLong(ForecastError::missed)
                                .sum());
            }
        }
        long all = missed.values().stream().mapToLong(Long::longValue).sum();
        return missed.entrySet().stream()
                .filter(one -> one.getValue() != 0)
                .map(one -> new Cost(
                        one.getKey(),
                        facts.plan().findLine(one.getKey()).orElseThrow().name(),
                        one.getValue(),
                        requireNonNull(Variance.percentHundredths(all, one.getValue()))))
                .sorted(Comparator.comparingLong(Cost::missed).reversed())
                .toList();
    }

    /** Returns what closing balances were forecast and were. */
    public List<Closing> closings() {
        return List.copyOf(closings);
    }

    /** Returns by how much closing cash was off on average at each lead, unsigned minor units. */
    public List<Long> closingMiss() {
        Map<Integer, List<Long>> misses = new LinkedHashMap<>();
        closings.forEach(one -> misses.computeIfAbsent(one.lead(), lead -> new ArrayList<>())
                .add(Math.abs(one.actual() - one.forecast())));
        List<Long> mean = new ArrayList<>();
        for (int lead = 1; lead <= longest(); lead++) {
            List<Long> all = misses.getOrDefault(lead, List.of());
            mean.add(
                    all.isEmpty()
                            ? 0
                            : ebbtide.money.Rounding.divide(
                                    java.math.BigDecimal.valueOf(all.stream()
                                            .mapToLong(Long::longValue)
                                            .sum()),
                                    all.size()));
        }
        return mean;
    }
}

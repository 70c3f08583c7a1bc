package ebbtide.track;

import ebbtide.books.OpenItem;
import ebbtide.books.Payment;
import ebbtide.plan.Basis;
import ebbtide.plan.Direction;
import ebbtide.time.DaySeries;
import ebbtide.time.Period;
import ebbtide.time.WholeWeeks;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What forecasts of lines missed by how many weeks they looked ahead (rules 11.8): the last snapshot of each week is an
 * origin. What was paid on items that a snapshot had as committed is none of its estimate's.
 */
public final class PastErrors {
    /** Over so many leads the size of what a line was estimated at is the mean. */
    public static final int SIZED_OVER = 13;
    /** No further ahead is looked: two years. */
    public static final int MOST_LEADS = 104;

    private final Outturn facts;
    private final DayOfWeek firstDayOfWeek;
    private final int recent;
    private final Map<String, SumsToDay> cash = new HashMap<>();
    private final TreeMap<LocalDate, Kept> byWeek = new TreeMap<>();
    private final TreeMap<LocalDate, Snapshot> latest = new TreeMap<>();

    /**
     * The errors of one line from one origin: what came less what was estimated, by lead, in the line's direction; the
     * sum of what was estimated of the first leads, unsigned, and of how many.
     */
    public record Origin(LocalDate asOf, List<Long> missed, long estimated, int leads) {
        public Origin {
            missed = List.copyOf(missed);
        }
    }

    private record Kept(LocalDate asOf, WholeWeeks weeks, Map<String, OfLine> lines) {}

    private record OfLine(@Nullable Basis basis, Origin origin) {}

    /** Begins a record over facts; the snapshots of so many of the latest weeks are kept to try runs on. */
    public PastErrors(Outturn facts, int recent) {
        this.facts = facts;
        this.firstDayOfWeek = facts.plan().settings().firstDayOfWeek();
        this.recent = recent;
    }

    /** Returns how many days of a snapshot are read. */
    public static int daysRead() {
        return (MOST_LEADS + 1) * 7;
    }

    /** Adds a snapshot; of several of a week the last counts. */
    public void add(Snapshot snapshot) {
        LocalDate week = snapshot.asOf().with(TemporalAdjusters.previousOrSame(firstDayOfWeek));
        WholeWeeks weeks = WholeWeeks.after(snapshot.asOf(), firstDayOfWeek);
        Kept before = byWeek.get(week);
        if (before != null && before.asOf().isAfter(snapshot.asOf())
                || weeks.over(facts.asOf()) == 0
                || weeks.over(snapshot.horizonEnd()) == 0) {
            return;
        }
        Map<String, List<Snapshot.KeptItem>> items = snapshot.itemsByLine();
        Map<String, OfLine> lines = new HashMap<>();
        for (Snapshot.KeptLine line : snapshot.lines()) {
            if (!Snapshot.isOutside(line.id())) {
                lines.put(
                        line.id(),
                        new OfLine(
                                line.basis(), origin(snapshot, weeks, line, items.getOrDefault(line.id(), List.of()))));
            }
        }
        byWeek.put(week, new Kept(snapshot.asOf(), weeks, lines));
        latest.put(week, snapshot);
        if (latest.size() > recent) {
            latest.pollFirstEntry();
        }
    }

    private Origin origin(Snapshot snapshot, WholeWeeks weeks, Snapshot.KeptLine line, List<Snapshot.KeptItem> items) {
        int sign = line.direction() == Direction.RECEIPT ? 1 : -1;
        KeptFlows kept = snapshot.flows().getOrDefault(line.id(), KeptFlows.NONE);
        int known = Math.min(MOST_LEADS, Math.min(weeks.over(facts.asOf()), weeks.over(snapshot.horizonEnd())));
        DaySeries answeredFor = answeredFor(snapshot, line.id(), items, known == 0 ? 0 : days(snapshot, weeks, known));
        SumsToDay sums = cash.computeIfAbsent(line.id(), this::cash);
        List<Long> missed = new ArrayList<>();
        for (int lead = 1; lead <= known; lead++) {
            Period week = weeks.week(lead);
            int from = snapshot.index(week.startInclusive());
            int to = snapshot.index(week.endExclusive());
            long came = SumsToDay.between(
                    sums.of(line.id()), sums.index(week.startInclusive().minusDays(1)), sums.index(week.lastDay()));
            missed.add(
                    sign * (came - answeredFor.sum(from, to) - kept.estimated().sum(from, to)));
        }
        int sized = Math.min(SIZED_OVER, weeks.over(snapshot.horizonEnd()));
        long estimated = 0;
        for (int lead = 1; lead <= sized; lead++) {
            Period week = weeks.week(lead);
            estimated += Math.abs(
                    kept.estimated().sum(snapshot.index(week.startInclusive()), snapshot.index(week.endExclusive())));
        }
        return new Origin(snapshot.asOf(), missed, estimated, sized);
    }

    private static int days(Snapshot snapshot, WholeWeeks weeks, int leads) {
        return snapshot.index(weeks.week(leads).endExclusive());
    }

    private SumsToDay cash(String lineId) {
        SumsToDay sums = new SumsToDay(facts);
        sums.put(lineId, facts.movements(lineId));
        return sums;
    }

    /**
     * What of a line's cash is none of its estimate's, by day after the as-of date: payments on items that were
     * expected, and movements booked ahead. An item that other cash answers for, as that of an order's invoices, counts
     * with the estimate on its day.
     */
    private DaySeries answeredFor(Snapshot snapshot, String lineId, List<Snapshot.KeptItem> items, int days) {
        DaySeries.Sum sum = new DaySeries.Sum(days);
        KeptFlows kept = snapshot.flows().getOrDefault(lineId, KeptFlows.NONE);
        for (int day = 0; day < Math.min(days, kept.committed().days()); day++) {
            sum.add(day, kept.committed().on(day));
        }
        Map<String, List<Payment>> payments = facts
                .settling(lineId, snapshot.asOf().plusDays(1), facts.asOf())
                .stream()
                .collect(Collectors.groupingBy(one -> Objects.requireNonNullElse(one.itemId(), "")));
        for (Snapshot.KeptItem item : items) {
            if (item.minor() == 0) {
                continue;
            }
            List<Payment> own = payments.getOrDefault(item.id(), List.of());
            OpenItem today = facts.item(item.id());
            long passedOn =
                    today == null || !today.lineId().equals(lineId) ? 0 : LineSplit.toEstimate(item, today, own);
            add(sum, days, snapshot.index(item.paidOn()), passedOn - item.minor());
            own.forEach(one -> add(sum, days, snapshot.index(one.day()), one.minor()));
        }
        return sum.series();
    }

    private static void add(DaySeries.Sum sum, int days, int day, long minor) {
        if (day >= 0 && day < days && minor != 0) {
            sum.add(day, minor);
        }
    }

    /**
     * Returns the origins of a line that were known on a day, the earliest first, with the leads that were over by
     * then; those of another basis and those that estimated nothing are left out.
     */
    public List<Origin> of(String lineId, @Nullable Basis basis, LocalDate on) {
        List<Origin> found = new ArrayList<>();
        for (Kept kept : byWeek.values()) {
            int over = Math.min(MOST_LEADS, kept.weeks().over(on));
            Optional.ofNullable(kept.lines().get(lineId))
                    .filter(one -> over > 0 && one.origin().estimated() != 0)
                    .filter(one -> one.basis() == null || basis == null || one.basis() == basis)
                    .map(OfLine::origin)
                    .ifPresent(one -> found.add(new Origin(
                            one.asOf(),
                            one.missed().subList(0, Math.min(over, one.missed().size())),
                            one.estimated(),
                            one.leads())));
        }
        return found;
    }

    /** Returns the snapshots of the latest weeks of which a lead is over, the earliest first. */
    public List<Snapshot> recent() {
        return List.copyOf(latest.values());
    }

    /** Returns what the snapshots are held against. */
    public Outturn facts() {
        return facts;
    }
}

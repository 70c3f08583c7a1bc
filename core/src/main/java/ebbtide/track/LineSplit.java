package ebbtide.track;

import ebbtide.books.OpenItem;
import ebbtide.books.Payment;
import ebbtide.time.DaySeries;
import ebbtide.time.Period;
import ebbtide.track.Snapshot.KeptItem;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The variance of one line split by reasons, window after window (rules 10.3): item by item where items were known, and
 * the rest of the line as its estimate. Every part is a signed amount in minor units, and the parts of a window add up
 * to its variance.
 */
final class LineSplit {
    /** A part of a line's variance in a window: an item's, or the estimate's without an item. */
    record Piece(@Nullable KeptItem item, @Nullable Payment unforeseen, long forecast, long actual, Reasons why) {
        boolean isNothing() {
            return forecast == 0 && actual == 0 && why.equals(Reasons.NONE);
        }
    }

    private final Outturn facts;
    private final String lineId;
    private final List<Period> windows;
    private final LocalDate first;
    private final LocalDate last;
    private final DaySeries.Sum estimate;
    private final int[] windowOf;
    private final List<List<Piece>> pieces = new ArrayList<>();
    private final boolean inPlan;

    /**
     * Splits a line over windows that follow each other from the day after the snapshot's as-of date, and end with the
     * days for which facts are known.
     */
    LineSplit(Snapshot snapshot, Outturn facts, String lineId, List<KeptItem> items, List<Period> windows) {
        this.facts = facts;
        this.lineId = lineId;
        this.windows = windows;
        this.first = windows.get(0).startInclusive();
        this.last = windows.get(windows.size() - 1).lastDay();
        this.inPlan = facts.plan().findLine(lineId).isPresent();
        this.windowOf = new int[(int) ChronoUnit.DAYS.between(first, last) + 1];
        this.estimate = new DaySeries.Sum(windowOf.length);
        for (int w = 0; w < windows.size(); w++) {
            Arrays.fill(
                    windowOf,
                    index(windows.get(w).startInclusive()),
                    index(windows.get(w).endExclusive()),
                    w);
        }
        KeptFlows kept = snapshot.flows().getOrDefault(lineId, KeptFlows.NONE);
        int from = (int) ChronoUnit.DAYS.between(snapshot.asOf(), first) - 1;
        for (int day = 0; day < windowOf.length; day++) {
            estimate.add(day, kept.sum(from + day, from + day + 1));
        }
        windows.forEach(window -> pieces.add(new ArrayList<>()));
        items.forEach(item -> {
            if (item.minor() != 0 && !item.paidOn().isAfter(snapshot.horizonEnd()) && isWithin(item.paidOn())) {
                estimate.add(index(item.paidOn()), -item.minor());
            }
        });
        Map<String, List<Payment>> paid =
                facts.settling(lineId, first, last).stream().collect(Collectors.groupingBy(Payment::itemId));
        items.forEach(item -> item(item, paid.getOrDefault(item.id(), List.of())));
        Set<String> known = items.stream().map(KeptItem::id).collect(Collectors.toSet());
        estimate(facts.settling(lineId, first, last).stream()
                .filter(one -> !known.contains(one.itemId()))
                .toList());
    }

    /** Returns the parts of a window, those of items first; the last is the estimate's. */
    List<Piece> in(Period window) {
        return pieces.get(windows.indexOf(window));
    }

    /** Returns the reasons of a window's variance. */
    Reasons why(Period window) {
        return in(window).stream().map(Piece::why).reduce(Reasons.NONE, Reasons::plus);
    }

    private boolean isWithin(LocalDate day) {
        return day != null && !day.isBefore(first) && !day.isAfter(last);
    }

    private int index(LocalDate day) {
        return (int) ChronoUnit.DAYS.between(first, day);
    }

    private int windowOf(LocalDate day) {
        return windowOf[index(day)];
    }

    private Set<Integer> touched(KeptItem item, List<Payment> payments) {
        Set<Integer> touched =
                payments.stream().map(one -> windowOf(one.day())).collect(Collectors.toCollection(TreeSet::new));
        if (isWithin(item.paidOn())) {
            touched.add(windowOf(item.paidOn()));
        }
        return touched;
    }

    private static long sum(List<Payment> payments) {
        return payments.stream().mapToLong(Payment::minor).sum();
    }

    private void item(KeptItem item, List<Payment> payments) {
        OpenItem today = facts.item(item.id());
        long paid = sum(payments);
        long forecast = item.minor();
        if (forecast == 0) {
            // It was left out: what it paid all the same was not forecast.
            payments.forEach(one -> pieces.get(windowOf(one.day()))
                    .add(new Piece(item, null, 0, one.minor(), Reasons.unforeseen(one.minor()))));
            return;
        }
        boolean gone = true;
        boolean closed = false;
        if (today != null && today.lineId().equals(lineId)) {
            boolean open = today.amount().open() != 0;
            gone = !open && today.paidOn() == null && !item.order();
            closed = !open && !gone;
            long passedOn = toEstimate(item, today, payments);
            forecast -= passedOn;
            if (isWithin(item.paidOn())) {
                estimate.add(index(item.paidOn()), passedOn);
            }
        }
        LocalDate settled = payments.isEmpty()
                ? item.paidOn()
                : payments.get(payments.size() - 1).day();
        for (int w : touched(item, payments)) {
            Period window = windows.get(w);
            long actual = sum(
                    payments.stream().filter(one -> window.contains(one.day())).toList());
            long stood = window.contains(item.paidOn()) ? forecast : 0;
            long amount = closed && window.contains(settled) ? paid - forecast : 0;
            long cancelled = gone && window.contains(item.paidOn()) ? paid - forecast : 0;
            Piece piece = new Piece(
                    item,
                    null,
                    stood,
                    actual,
                    new Reasons(actual - stood - amount - cancelled, amount, 0, cancelled, 0));
            if (!piece.isNothing()) {
                pieces.get(w).add(piece);
            }
        }
    }

    /**
     * Returns what of an item's forecast other cash of the line answers for: an order became invoices, or the ledger
     * has it as paid by cash that was not settled against it.
     */
    static long toEstimate(KeptItem item, OpenItem today, List<Payment> payments) {
        long less = item.open() - today.amount().open();
        if (item.order()) {
            return less > 0 ? item.minor() : 0;
        }
        boolean writtenOff = today.amount().open() == 0 && today.paidOn() == null;
        if (writtenOff || !payments.isEmpty()) {
            return 0;
        }
        // What was under way had nothing open any more: the ledger had entered all of it.
        long entered = item.open() == 0 ? Math.abs(item.minor()) : Math.max(0, Math.min(less, Math.abs(item.minor())));
        return Long.signum(item.minor()) * entered;
    }

    /**
     * The rest of the line: items that were not known use its estimate up in order of payment, and only what exceeds it
     * is new.
     */
    private void estimate(List<Payment> unknown) {
        long[] actual = new long[windows.size()];
        DaySeries left = estimate.series();
        long pool = left.sum(0, left.days());
        boolean any = !left.isNil();
        TreeMap<LocalDate, Long> other = facts.other(lineId, first, last);
        Map<LocalDate, List<Payment>> byDay =
                unknown.stream().collect(Collectors.groupingBy(Payment::day, TreeMap::new, Collectors.toList()));
        byDay.keySet().forEach(day -> other.putIfAbsent(day, 0L));
        for (Map.Entry<LocalDate, Long> day : other.entrySet()) {
            int w = windowOf(day.getKey());
            long cash = day.getValue();
            actual[w] += cash;
            pool -= used(pool, cash);
            for (Payment one : byDay.getOrDefault(day.getKey(), List.of())) {
                long used = used(pool, one.minor());
                pool -= used;
                actual[w] += used;
                if (one.minor() != used) {
                    pieces.get(w)
                            .add(new Piece(null, one, 0, one.minor() - used, Reasons.unforeseen(one.minor() - used)));
                }
            }
        }
        long[] forecast = new long[windows.size()];
        for (int day = 0; day < left.days(); day++) {
            forecast[windowOf[day]] += left.on(day);
        }
        Reasons[] why = reasons(forecast, actual, any);
        for (int w = 0; w < windows.size(); w++) {
            Piece piece = new Piece(null, null, forecast[w], actual[w], why[w]);
            if (!piece.isNothing()) {
                pieces.get(w).add(piece);
            }
        }
    }

    /** What of an amount uses up a pool: as much as runs the same way, no more than the pool. */
    private static long used(long pool, long minor) {
        return Long.signum(pool) != Long.signum(minor)
                ? 0
                : Long.signum(minor) * Math.min(Math.abs(pool), Math.abs(minor));
    }

    private Reasons[] reasons(long[] forecast, long[] actual, boolean wasForecast) {
        Reasons[] why = new Reasons[windows.size()];
        if (!inPlan && !Snapshot.isOutside(lineId)) {
            for (int w = 0; w < why.length; w++) {
                why[w] = new Reasons(0, 0, actual[w], -forecast[w], 0);
            }
        } else if (!wasForecast) {
            for (int w = 0; w < why.length; w++) {
                why[w] = Reasons.unforeseen(actual[w]);
            }
        } else {
            OpenDifferences open = new OpenDifferences(windows, facts.decisions(lineId), first.minusDays(1));
            for (int w = 0; w < why.length; w++) {
                open.next(w, actual[w] - forecast[w]);
            }
            for (int w = 0; w < why.length; w++) {
                why[w] = open.in(w);
            }
        }
        return why;
    }
}

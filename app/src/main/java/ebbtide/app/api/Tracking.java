package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.Fingerprint;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.RollStore.DecidedDifference;
import ebbtide.app.storage.Stores;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Decision;
import ebbtide.track.Outturn;
import ebbtide.track.Snapshot;
import ebbtide.track.Variance;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Gathers what a snapshot is held against: facts since its as-of date, the windows they can be compared in, what was
 * decided.
 */
@Component
record Tracking(Edits edits, Stores stores) {
    /** A snapshot with the facts since; windows and the one asked for are none where no fact is later than it. */
    record Compared(
            PlanAtVersion current,
            Snapshot snapshot,
            Outturn facts,
            List<Period> windows,
            @Nullable Period window) {}

    /** Whether windows are weeks, months, quarters, years, or all days to date. */
    enum Length {
        WEEK,
        MONTH,
        QUARTER,
        YEAR,
        TO_DATE;

        private List<Period> windows(Period all, PlanAtVersion current, LocalDate since) {
            return this == TO_DATE
                    ? List.of(all)
                    : Periods.valueOf(name())
                            .cover(
                                    all.startInclusive(),
                                    all.lastDay(),
                                    current.plan().settings().firstDayOfWeek(),
                                    current.plan().settings().firstFiscalMonth(),
                                    since);
        }
    }

    Outturn facts(String plan, PlanAtVersion current, LocalDate since) {
        return new Outturn(
                current.plan(),
                current.books(),
                stores.movements()
                        .payments(
                                plan,
                                since,
                                current.plan().settings().asOf(),
                                current.books().accounts()),
                decided(plan).stream()
                        .map(DecidedDifference::decision)
                        .flatMap(Optional::stream)
                        .toList());
    }

    /** Returns what tells whether a line's assumption is still the same. */
    static String mark(Line line, PlanAtVersion current) {
        return Fingerprint.of(line, current.currency());
    }

    List<DecidedDifference> decided(String plan) {
        return stores.rolls().all(plan).stream()
                .flatMap(roll -> roll.decided().stream())
                .toList();
    }

    /** Returns what was decided of differences after a day, the earliest first. */
    List<Decision> decidedAfter(String plan, LocalDate day) {
        return decided(plan).stream()
                .map(DecidedDifference::decision)
                .flatMap(Optional::stream)
                .filter(one -> one.on().isAfter(day))
                .toList();
    }

    /**
     * Compares a snapshot in the window that holds a day; where none is asked for, in the last that is over, or in the
     * only one.
     */
    Compared compared(String plan, String id, Length by, LocalDate from) {
        PlanAtVersion current = edits.current(plan);
        LocalDate asOf = current.plan().settings().asOf();
        Snapshot snapshot = stores.snapshots().get(plan, id, asOf);
        Outturn facts = facts(plan, current, snapshot.asOf());
        Period all = Variance.findComparable(snapshot, asOf).orElse(null);
        if (all == null) {
            return new Compared(current, snapshot, facts, List.of(), null);
        }
        List<Period> windows = by.windows(all, current, snapshot.asOf());
        return new Compared(
                current,
                snapshot,
                facts,
                windows,
                windows.stream()
                        .filter(one -> from != null && one.contains(from))
                        .findFirst()
                        .orElseGet(() -> {
                            boolean over = by.windows(
                                                    new Period(
                                                            all.startInclusive(),
                                                            all.endExclusive().plusDays(1)),
                                                    current,
                                                    snapshot.asOf())
                                            .size()
                                    > windows.size();
                            return windows.get(
                                    windows.size() - (over || by == Length.TO_DATE || windows.size() == 1 ? 1 : 2));
                        }));
    }
}

package ebbtide.app.desk;

import ebbtide.app.storage.Fingerprint;
import ebbtide.app.storage.RollStore.DecidedDifference;
import ebbtide.app.storage.Stores;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import ebbtide.track.CompareBy;
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
public record Tracking(Plans plans, Stores stores) {
    /** A snapshot with the facts since; windows and the one asked for are none where no fact is later than it. */
    public record Compared(
            PlanAtVersion current,
            Snapshot snapshot,
            Outturn facts,
            List<Period> windows,
            @Nullable Period window) {}

    public Outturn facts(String plan, PlanAtVersion current, LocalDate since) {
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
    public static String mark(Line line, PlanAtVersion current) {
        return Fingerprint.of(line, current.currency());
    }

    public List<DecidedDifference> decided(String plan) {
        return stores.rolls().all(plan).stream()
                .flatMap(roll -> roll.decided().stream())
                .toList();
    }

    /** Returns what was decided of differences after a day, the earliest first. */
    public List<Decision> decidedAfter(String plan, LocalDate day) {
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
    public Compared compared(String plan, String id, CompareBy by, @Nullable LocalDate from) {
        PlanAtVersion current = plans.current(plan);
        Settings settings = current.plan().settings();
        Snapshot snapshot = stores.snapshots().get(plan, id, settings.asOf());
        Outturn facts = facts(plan, current, snapshot.asOf());
        Period all = Variance.findComparable(snapshot, settings.asOf()).orElse(null);
        if (all == null) {
            return new Compared(current, snapshot, facts, List.of(), null);
        }
        List<Period> windows = by.windows(all, settings, snapshot.asOf());
        return new Compared(
                current, snapshot, facts, windows, by.chosen(windows, all, settings, snapshot.asOf(), from));
    }
}

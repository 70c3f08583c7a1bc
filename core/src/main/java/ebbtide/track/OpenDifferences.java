package ebbtide.track;

import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The differences of an estimate, window after window (rules 10.3): one that runs against earlier open ones was only a
 * matter of time, and so is as much of the earliest of those; the rest is open, until it is carried (then a matter of
 * time) or dropped (then of amount).
 */
final class OpenDifferences {
    /** What of a window's difference is not answered yet; one that was carried waits for its cash. */
    private static final class Waiting {
        private final int window;
        private long minor;
        private final boolean carried;

        Waiting(int window, long minor, boolean carried) {
            this.window = window;
            this.minor = minor;
            this.carried = carried;
        }
    }

    private final List<Period> windows;
    private final List<Decision> decisions;
    private final LocalDate asOf;
    private final long[] timing;
    private final long[] amount;
    private final long[] open;
    private final List<Waiting> waiting = new ArrayList<>();
    /** What was decided of cash that is still to come, and has not come short yet. */
    private final List<long[]> ahead = new ArrayList<>();

    OpenDifferences(List<Period> windows, List<Decision> decisions, LocalDate asOf) {
        this.windows = windows;
        this.decisions = decisions;
        this.asOf = asOf;
        this.timing = new long[windows.size()];
        this.amount = new long[windows.size()];
        this.open = new long[windows.size()];
    }

    /** Adds what waits, in order of its window. */
    private void wait(int window, long minor, boolean carried) {
        if (minor != 0) {
            waiting.add(new Waiting(window, minor, carried));
            waiting.sort(Comparator.comparingInt(one -> one.window));
        }
    }

    Reasons in(int window) {
        return new Reasons(timing[window], amount[window], 0, 0, open[window]);
    }

    /** Takes the difference of the next window. */
    void next(int window, long difference) {
        long left = answered(window, offset(window, difference));
        open[window] += left;
        wait(window, left, false);
        LocalDate before = window == 0 ? asOf : windows.get(window - 1).lastDay();
        boolean last = window == windows.size() - 1;
        decisions.stream()
                .filter(one -> one.on().isAfter(before)
                        && (last || !one.on().isAfter(windows.get(window).lastDay())))
                .forEach(this::decide);
    }

    /**
     * Offsets a difference against earlier ones of the other sign, the earliest first, and returns what is left of it.
     */
    private long offset(int window, long difference) {
        long left = difference;
        for (Waiting one : waiting) {
            if (left != 0 && Long.signum(one.minor) == -Long.signum(left)) {
                long used = Long.signum(left) * Math.min(Math.abs(left), Math.abs(one.minor));
                one.minor += used;
                left -= used;
                timing[window] += used;
                if (!one.carried) {
                    timing[one.window] -= used;
                    open[one.window] += used;
                }
            }
        }
        waiting.removeIf(one -> one.minor == 0);
        return left;
    }

    /** Takes off what was decided before it came short: {carried, dropped}. */
    private long answered(int window, long difference) {
        long left = difference;
        for (long[] one : ahead) {
            long carried = part(one[0], left);
            one[0] -= carried;
            timing[window] += carried;
            wait(window, carried, true);
            left -= carried;
            long dropped = part(one[1], left);
            one[1] -= dropped;
            amount[window] += dropped;
            left -= dropped;
        }
        return left;
    }

    /** As much of what was decided as there is, running the same way. */
    private static long part(long decided, long there) {
        return Long.signum(decided) != Long.signum(there)
                ? 0
                : Long.signum(there) * Math.min(Math.abs(decided), Math.abs(there));
    }

    private void decide(Decision decision) {
        long carried = decision.carried();
        long dropped = decision.dropped();
        for (Waiting one : List.copyOf(waiting)) {
            if (!one.carried) {
                long timed = part(carried, one.minor);
                long let = part(dropped, one.minor - timed);
                open[one.window] -= timed + let;
                timing[one.window] += timed;
                amount[one.window] += let;
                one.minor -= timed + let;
                carried -= timed;
                dropped -= let;
                wait(one.window, timed, true);
            }
        }
        waiting.removeIf(one -> one.minor == 0);
        if (decision.later()) {
            ahead.add(new long[] {carried, dropped});
        }
    }
}

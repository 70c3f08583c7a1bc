package ebbtide.flows;

import static java.util.Objects.requireNonNull;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.Expectations;
import ebbtide.accounts.LineAccount;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.derive.Derived;
import ebbtide.derive.Lazy;
import ebbtide.items.LineItems;
import ebbtide.plan.Line;
import ebbtide.plan.LineSettings;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The flows of a plan and its books by line and day: laid by the lines' accounts, netted with the bank, overridden; and
 * those of the books that are no line's. They never change: once the sweep has found what it moves, there are new ones
 * ({@link #swept}).
 */
public final class Flows {
    private final Accounts accounts;
    private final Timeline timeline;
    private final int asOf;
    private final Derived<Reads, LineFlows> derived;
    private final Lazy<DaySeries> net;
    private final Map<String, LineFlows> lines;
    private final BesideLines beside;

    /** What the flows of a line are laid from. */
    private record Reads(
            LineAccount account,
            LineItems items,
            List<DayAmount> movements,
            boolean active,
            LineSettings settings,
            Timeline timeline,
            Timeline days) {
        LineFlows laid() {
            int asOf = timeline.index(settings.asOf());
            return !active
                    ? LineFlows.booked(movements, timeline, asOf)
                    : Laying.of(
                            new LineTiming(
                                    account,
                                    items,
                                    movements,
                                    Expectations.of(account, movements, items.known(), settings),
                                    days,
                                    settings),
                            timeline,
                            asOf);
        }
    }

    /** What the books have that is no line's, and what that is read from. */
    private record BesideLines(
            List<List<DayAmount>> movements,
            Timeline timeline,
            int asOf,
            LineFlows unassignedIn,
            LineFlows unassignedOut,
            LineFlows transfers) {
        static BesideLines of(Books books, Timeline timeline, int asOf, Optional<BesideLines> before) {
            List<List<DayAmount>> movements = List.of(books.unassignedIn(), books.unassignedOut(), books.transfers());
            return before.filter(
                            one -> one.movements.equals(movements) && one.timeline.equals(timeline) && one.asOf == asOf)
                    .orElseGet(() -> new BesideLines(
                            movements,
                            timeline,
                            asOf,
                            LineFlows.booked(movements.get(0), timeline, asOf),
                            LineFlows.booked(movements.get(1), timeline, asOf),
                            LineFlows.booked(movements.get(2), timeline, asOf)));
        }

        List<LineFlows> all() {
            return List.of(unassignedIn, unassignedOut, transfers);
        }
    }

    private Flows(
            Accounts accounts,
            Derived<Reads, LineFlows> derived,
            Map<String, LineFlows> lines,
            BesideLines beside,
            Optional<Flows> before) {
        this.accounts = accounts;
        this.timeline = accounts.calendars().main();
        this.asOf = timeline.index(accounts.plan().settings().asOf());
        this.derived = derived;
        this.lines = lines;
        this.beside = beside;
        // Earlier flows are let go once the sum is made.
        this.net = Lazy.of(() -> before.flatMap(this::findSumFrom).orElseGet(this::addUp));
    }

    /**
     * Returns the flows that accounts lay; those of an earlier plan are taken over where their accounts and movements
     * are the same.
     */
    public static Flows of(Accounts accounts, Optional<Flows> before) {
        Timeline timeline = accounts.calendars().main();
        int asOf = timeline.index(accounts.plan().settings().asOf());
        Derived<Reads, LineFlows> derived =
                before.map(one -> one.derived.next()).orElseGet(Derived::none);
        Map<String, LineFlows> lines = new HashMap<>();
        accounts.plan().lines().stream()
                .filter(line -> !line.isGroup())
                .forEach(line -> lines.put(line.id(), laid(accounts, derived, line)));
        BesideLines beside = BesideLines.of(accounts.books(), timeline, asOf, before.map(one -> one.beside));
        return new Flows(accounts, derived, lines, beside, before);
    }

    private static LineFlows laid(Accounts accounts, Derived<Reads, LineFlows> derived, Line line) {
        return derived.of(line.id(), () -> reads(accounts, line), Reads::laid);
    }

    private static Reads reads(Accounts accounts, Line line) {
        return new Reads(
                accounts.of(line),
                accounts.items(line),
                accounts.books().byLine().getOrDefault(line.id(), List.of()),
                accounts.plan().isActive(line),
                accounts.plan().settings().ofLines(),
                accounts.calendars().main(),
                accounts.calendars().timeline(line));
    }

    /**
     * Returns the timing of a line: the path on which its figures are made, to be followed once more when they are
     * explained.
     */
    public static LineTiming timing(Accounts accounts, Line line) {
        Reads reads = reads(accounts, line);
        return new LineTiming(
                reads.account(),
                reads.items(),
                reads.movements(),
                accounts.expectations(line),
                reads.days(),
                reads.settings());
    }

    /** Returns the flows as they are with the interest that accounts bear: what is paid out of profit is laid anew. */
    public Flows with(Accounts borne) {
        Derived<Reads, LineFlows> then = derived.next();
        Map<String, LineFlows> all = new HashMap<>(lines);
        borne.plan().lines().stream()
                .filter(Accounts::followsFromProfit)
                .forEach(line -> all.put(line.id(), laid(borne, then, line)));
        return new Flows(borne, derived, all, beside, Optional.of(this));
    }

    /** Returns the flows with what the sweep moves, by line and day of the timeline, on lines that only it moves. */
    public Flows swept(Map<String, DaySeries> byLine) {
        if (byLine.isEmpty()) {
            return this;
        }
        Map<String, LineFlows> all = new HashMap<>(lines);
        byLine.forEach((id, byDay) -> all.put(id, line(id).swept(byDay)));
        return new Flows(accounts, derived, all, beside, Optional.of(this));
    }

    /** Returns whether every line is estimated as in other flows of the same plan. */
    public boolean estimateAs(Flows other) {
        return lines.entrySet().stream().allMatch(one -> one.getValue().estimatesAs(other.line(one.getKey())));
    }

    /** Returns the accounts that laid them. */
    public Accounts accounts() {
        return accounts;
    }

    public Timeline timeline() {
        return timeline;
    }

    /** Returns the flows of a line that is no group. */
    public LineFlows line(String id) {
        return requireNonNull(lines.get(id));
    }

    public LineFlows unassignedIn() {
        return beside.unassignedIn();
    }

    public LineFlows unassignedOut() {
        return beside.unassignedOut();
    }

    public LineFlows transfers() {
        return beside.transfers();
    }

    private DaySeries addUp() {
        DaySeries.Sum sum = new DaySeries.Sum(timeline.days());
        beside.all().forEach(one -> one.addTo(sum, 1));
        accounts.plan().lines().stream().filter(line -> !line.isGroup()).forEach(line -> line(line.id())
                .addTo(sum, 1));
        return sum.series();
    }

    /**
     * The sum of earlier flows with those lines that are others taken out and put in: whole numbers, so that it is the
     * sum of all. None where other days are summed, or most lines are others.
     */
    private Optional<DaySeries> findSumFrom(Flows before) {
        if (beside != before.beside) {
            return Optional.empty();
        }
        List<String> others = Stream.concat(lines.keySet().stream(), before.lines.keySet().stream())
                .distinct()
                .filter(id -> lines.get(id) != before.lines.get(id))
                .toList();
        if (others.size() * 2 > lines.size()) {
            return Optional.empty();
        }
        DaySeries.Sum sum = new DaySeries.Sum(timeline.days());
        sum.add(before.net.get(), 1);
        for (String id : others) {
            Optional.ofNullable(before.lines.get(id)).ifPresent(one -> one.addTo(sum, -1));
            Optional.ofNullable(lines.get(id)).ifPresent(one -> one.addTo(sum, 1));
        }
        return Optional.of(sum.series());
    }

    /**
     * Returns cash at the end of each day of the timeline, in minor units; on the as-of date it is what the bank has.
     */
    public DaySeries closing() {
        DaySeries flows = net.get();
        long asOfDate = accounts.books().cash(accounts.plan().settings().asOf());
        return flows.levels(timeline.days(), asOfDate - flows.sum(0, asOf + 1));
    }
}

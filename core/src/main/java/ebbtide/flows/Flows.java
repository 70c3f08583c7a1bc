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
import ebbtide.plan.Settings;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The flows of a plan and its books by line and day: laid by the lines' accounts, netted with the bank, overridden; and
 * those of the books that are no line's. They never change: once the sweep has found what it moves, there are new ones
 * ({@link #swept}).
 */
public final class Flows {
    /** Lines are added up so many at a time: of those that are as they were, the sums are taken over. */
    private static final int BLOCK = 16;

    private final Accounts accounts;
    private final Timeline timeline;
    private final int asOf;
    private final Derivations derived;
    private final Lazy<DaySeries> net = Lazy.of(this::addUp);
    private final Map<String, LineFlows> lines;
    private final BesideLines beside;

    /** What the flows of a line are laid from. */
    private record Reads(
            LineAccount account,
            LineItems items,
            List<DayAmount> movements,
            boolean active,
            Settings settings,
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

    /** What is taken over from earlier flows: those of lines, and the sums of lines by day. */
    private record Derivations(Derived<Reads, LineFlows> lines, Derived<List<LineFlows>, DaySeries> blocks) {
        Derivations next() {
            return new Derivations(lines.next(), blocks.next());
        }
    }

    /** What the books have that is no line's. */
    private record BesideLines(LineFlows unassignedIn, LineFlows unassignedOut, LineFlows transfers) {
        static BesideLines of(Books books, Timeline timeline, int asOf) {
            return new BesideLines(
                    LineFlows.booked(books.unassignedIn(), timeline, asOf),
                    LineFlows.booked(books.unassignedOut(), timeline, asOf),
                    LineFlows.booked(books.transfers(), timeline, asOf));
        }

        List<LineFlows> all() {
            return List.of(unassignedIn, unassignedOut, transfers);
        }
    }

    private Flows(Accounts accounts, Derivations derived, Map<String, LineFlows> lines, BesideLines beside) {
        this.accounts = accounts;
        this.timeline = accounts.calendars().main();
        this.asOf = timeline.index(accounts.plan().settings().asOf());
        this.derived = derived;
        this.lines = lines;
        this.beside = beside;
    }

    /**
     * Returns the flows that accounts lay; those of an earlier plan are taken over where their accounts and movements
     * are the same.
     */
    public static Flows of(Accounts accounts, Optional<Flows> before) {
        Timeline timeline = accounts.calendars().main();
        int asOf = timeline.index(accounts.plan().settings().asOf());
        Derivations derived =
                before.map(one -> one.derived.next()).orElseGet(() -> new Derivations(Derived.none(), Derived.none()));
        Map<String, LineFlows> lines = new HashMap<>();
        accounts.plan().lines().stream()
                .filter(line -> !line.isGroup())
                .forEach(line -> lines.put(line.id(), laid(accounts, derived.lines(), line)));
        return new Flows(accounts, derived, lines, BesideLines.of(accounts.books(), timeline, asOf));
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
                accounts.plan().settings(),
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
        Derivations then = derived.next();
        Map<String, LineFlows> all = new HashMap<>(lines);
        borne.plan().lines().stream()
                .filter(Accounts::followsFromProfit)
                .forEach(line -> all.put(line.id(), laid(borne, then.lines(), line)));
        return new Flows(borne, new Derivations(derived.lines(), then.blocks()), all, beside);
    }

    /** Returns the flows with what the sweep moves, by line and day of the timeline, on lines that only it moves. */
    public Flows swept(Map<String, DaySeries> byLine) {
        if (byLine.isEmpty()) {
            return this;
        }
        Map<String, LineFlows> all = new HashMap<>(lines);
        byLine.forEach((id, byDay) -> all.put(id, line(id).swept(byDay)));
        return new Flows(
                accounts, new Derivations(derived.lines(), derived.blocks().next()), all, beside);
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
        List<LineFlows> all = new ArrayList<>(beside.all());
        accounts.plan().lines().stream().filter(line -> !line.isGroup()).forEach(line -> all.add(line(line.id())));
        DaySeries.Sum sum = new DaySeries.Sum(timeline.days());
        for (int from = 0; from < all.size(); from += BLOCK) {
            List<LineFlows> block = List.copyOf(all.subList(from, Math.min(all.size(), from + BLOCK)));
            sum.add(derived.blocks().of(Integer.toString(from), () -> block, Flows::sum));
        }
        return sum.series();
    }

    private static DaySeries sum(List<LineFlows> block) {
        DaySeries.Sum sum = new DaySeries.Sum(block.get(0).days());
        block.forEach(one -> one.addTo(sum));
        return sum.series();
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

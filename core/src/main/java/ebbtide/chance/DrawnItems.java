package ebbtide.chance;

import ebbtide.books.Habits;
import ebbtide.items.ExpectedItem;
import ebbtide.items.PartyItems;
import ebbtide.money.Percent;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The open items of a counterparty on a line, paid in a run on days drawn of its habit (rules 11.8). What of an item
 * was taken as paid on account stays taken off it.
 */
final class DrawnItems {
    private final int line;
    private final int party;
    private final int sign;
    private final Percent promises;
    private final PartyItems items;
    private final Span span;
    private final Item[] each;
    /** The day on which what would be paid on another is, by its number, and one more; zero until it is asked. */
    private final int[] paidOn;

    /** An item, with what each run asks of it at hand. */
    private static final class Item {
        private final PartyItems.Likely likely;
        private final Habits.@Nullable Beyond habit;
        private final boolean said;
        private final long known;
        private final long onAccount;
        private final int expectedOn;
        private final long asExpected;
        private final int due;
        private final long full;
        private final long early;
        private final int until;

        Item(PartyItems.Likely likely, long onAccount, Span span) {
            ExpectedItem expected = likely.expected();
            this.likely = likely;
            this.habit =
                    likely.habit().flatMap(habit -> habit.beyond(likely.late())).orElse(null);
            this.said = likely.said();
            this.known = Drawer.known("item " + expected.item().id());
            this.onAccount = onAccount;
            this.expectedOn = span.index(expected.paidOn());
            this.asExpected = expected.minor();
            this.due = span.index(expected.item().due());
            LocalDate last = expected.item().discount() == null
                    ? LocalDate.MIN
                    : expected.item().discount().until();
            this.until = last.equals(LocalDate.MIN) ? -1 : span.index(last);
            this.full = likely.full();
            this.early = likely.early();
        }

        long paysOn(int day) {
            return day == expectedOn ? asExpected : day <= until ? early : full;
        }
    }

    /** An item on the day a run has it paid. */
    private record Paid(int day, Item item) {}

    private static final Comparator<Paid> IN_ORDER = Comparator.comparingInt(Paid::day)
            .thenComparing(one -> one.item().likely.expected().item().due())
            .thenComparing(one -> one.item().likely.expected().item().id());

    /**
     * Makes the items of a line and a counterparty by their places as sources; what each is forecast to pay, signed, by
     * its id; and the days on which what would be paid on others is, kept for all whose days are the same.
     */
    DrawnItems(
            int line,
            int party,
            int sign,
            PartyItems items,
            Map<String, Long> forecast,
            Percent promises,
            Span span,
            int[] paidOn) {
        this.line = line;
        this.party = party;
        this.sign = sign;
        this.promises = promises;
        this.items = items;
        this.span = span;
        this.paidOn = paidOn;
        List<Item> made = new ArrayList<>();
        long credit = items.credit();
        for (PartyItems.Likely one : items.items()) {
            long used = Math.min(one.expected().minor(), credit);
            credit -= used;
            long flows = sign * forecast.getOrDefault(one.expected().item().id(), 0L);
            made.add(new Item(one, one.expected().minor() - used - flows, span));
        }
        this.each = made.toArray(Item[]::new);
    }

    /** Returns whether any day of theirs may be drawn. */
    boolean areDrawn() {
        return items.items().stream().anyMatch(one -> one.habit().isPresent());
    }

    /**
     * Hands on by how much other runs have them paid than they are forecast; the counterparty's own numbers, and
     * whether they stand for all its items, are by the runs' places.
     */
    void draw(Run[] runs, double[] own, boolean[] asOne, Taker take) {
        Taker.Moves moves = take.of(line, party);
        if (items.credit() > 0) {
            for (Run run : runs) {
                drawWithCredit(run, own[run.place()], asOne[run.place()], moves);
            }
            return;
        }
        for (Item item : each) {
            if (item.habit != null) {
                takeOff(item, runs.length, moves);
                for (Run run : runs) {
                    int day = dayOf(item, run, own[run.place()], asOne[run.place()]);
                    move(run, day, pays(item, day), moves);
                }
            }
        }
    }

    /**
     * Every run has it paid on a day of its own, which may be the expected one: it is taken off that for all at once.
     */
    private void takeOff(Item item, int runs, Taker.Moves moves) {
        long minor = pays(item, item.expectedOn);
        if (minor != 0 && isOf(item.expectedOn)) {
            moves.takeOfAll(runs, item.expectedOn, -minor * sign);
        }
    }

    private boolean isOf(int day) {
        return day >= 0 && day < span.days();
    }

    private static long pays(Item item, int day) {
        return Math.max(0, item.paysOn(day) - item.onAccount);
    }

    private void move(Run run, int day, long minor, Taker.Moves moves) {
        if (minor != 0 && isOf(day)) {
            moves.take(run.place(), day, minor * sign);
        }
    }

    private int dayOf(Item item, Run run, double ofParty, boolean asOne) {
        if (item.habit == null) {
            return item.expectedOn;
        }
        Drawer drawer = run.drawer(item.known);
        if (item.said && drawer.happens(1, promises)) {
            return item.expectedOn;
        }
        double alone = drawer.number(0);
        return paidOn(item.due + item.habit.quantile(asOne ? ofParty : alone));
    }

    /** Days before the span are the first of it; what lies beyond it is not in any run. */
    private int paidOn(int base) {
        int at = Math.max(0, base);
        if (at > span.days()) {
            return span.days();
        }
        if (paidOn[at] == 0) {
            LocalDate day = items.paidOn().apply(span.asOf().plusDays(at + 1L));
            paidOn[at] = Math.min(span.days(), span.index(day)) + 1;
        }
        return paidOn[at] - 1;
    }

    /** Credit notes are used against what is paid first, anew. */
    private void drawWithCredit(Run run, double own, boolean asOne, Taker.Moves moves) {
        List<Paid> paid = new ArrayList<>();
        for (Item item : each) {
            paid.add(new Paid(dayOf(item, run, own, asOne), item));
        }
        long before = items.credit();
        for (Item item : each) {
            long used = Math.min(item.paysOn(item.expectedOn), before);
            before -= used;
            move(run, item.expectedOn, -Math.max(0, pays(item, item.expectedOn) - used), moves);
        }
        paid.sort(IN_ORDER);
        long credit = items.credit();
        for (Paid one : paid) {
            long used = Math.min(one.item().paysOn(one.day()), credit);
            credit -= used;
            move(run, one.day(), Math.max(0, pays(one.item(), one.day()) - used), moves);
        }
    }
}

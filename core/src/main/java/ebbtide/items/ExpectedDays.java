package ebbtide.items;

import static java.util.Objects.requireNonNull;

import ebbtide.books.DayAmount;
import ebbtide.books.Habits;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.EarlyDiscount;
import ebbtide.books.OpenItem.Kind;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.LineSettings;
import ebbtide.plan.PaymentRuns;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * The days on which the open items of one line are expected to be paid (rules 4.1 to 4.3, 4.5, 4.6): all that they
 * follow from, and what follows. {@code said} is how many days late counterparties of the line's direction pay as an
 * analyst says.
 */
record ExpectedDays(
        ItemRules line,
        LineSettings settings,
        BusinessDays calendar,
        List<OpenItem> items,
        Map<String, Long> settled,
        List<DayAmount> booked,
        List<DayAmount> settling,
        Habits habits,
        Map<String, Integer> said) {
    private static final int SOON = 5;

    private LocalDate asOf() {
        return settings.asOf();
    }

    private List<OpenItem> known() {
        return line.counts() ? line.asSaid(items) : List.of();
    }

    /** Returns the line's items that count, and the open ones with their days, those left out last. */
    LineItems worked() {
        if (items.isEmpty() && settling.isEmpty()) {
            return LineItems.NONE;
        }
        return new LineItems(
                known(),
                useCredits(found()),
                settling.stream()
                        .filter(part -> part.day().isAfter(asOf()))
                        .mapToLong(DayAmount::minor)
                        .sum());
    }

    /** Every open item with its day, before any credit note is used. */
    private List<ExpectedItem> found() {
        List<ExpectedItem> found = new ArrayList<>();
        known().stream()
                .filter(item -> item.amount().open() > 0)
                .map(item -> line.isWithoutDiscounts(item.counterparty()) ? item.withoutDiscount() : item)
                .forEach(item -> found.add(named(expected(item))));
        found.addAll(underWay());
        found.sort(ExpectedItem.BY_DAY);
        return found;
    }

    /**
     * Returns the items by counterparty, as they might be paid on other days than is expected (rules 11.8): those whose
     * day follows from a habit, and those with a live promise or a typed day; what an analyst says of a habit stands.
     */
    List<PartyItems> likely() {
        Map<String, List<PartyItems.Likely>> byParty = new TreeMap<>();
        Map<String, Long> credits = new HashMap<>();
        Map<String, Optional<Habits.Mixture>> mixtures = new HashMap<>();
        for (ExpectedItem one : found()) {
            String party = one.item().counterparty();
            if (one.source() == ExpectedItem.Source.CREDIT) {
                credits.merge(party, one.item().amount().open(), Long::sum);
            } else if (!one.isLeftOut()) {
                boolean said =
                        one.source() == ExpectedItem.Source.ANALYST || one.source() == ExpectedItem.Source.PROMISE;
                long late = asOf().toEpochDay() - one.item().due().toEpochDay();
                boolean follows = one.source() == ExpectedItem.Source.HABIT && !isSaid(party, late);
                Optional<Habits.Mixture> habit = (said || follows) && !line.isOnDueDates(party)
                        ? mixtures.computeIfAbsent(party, name -> habits.mixture(name, line.lineId()))
                        : Optional.empty();
                byParty.computeIfAbsent(party, name -> new ArrayList<>())
                        .add(new PartyItems.Likely(one, habit, late, said));
            }
        }
        // One for all where none differs: what is kept of it is then kept once.
        UnaryOperator<LocalDate> usual = this::from;
        return byParty.entrySet().stream()
                .map(one -> new PartyItems(
                        one.getKey(),
                        credits.getOrDefault(one.getKey(), 0L),
                        line.isPaidLater() ? base -> paidOn(base, one.getKey()) : usual,
                        one.getValue()))
                .toList();
    }

    private boolean isSaid(String party, long late) {
        Integer days = said.get(party);
        return days != null && days > late;
    }

    /** The day on which what would be paid on another is: by the line's convention, later where a scenario has it. */
    private LocalDate paidOn(LocalDate base, String party) {
        LocalDate usual = from(base);
        int later = line.paidLater(usual, party);
        return later == 0 ? usual : from(base.plusDays(later));
    }

    /**
     * What the ledger has as paid of late and no movement has settled is under way: committed on the first business day
     * after the as-of date (rules 1.1). Cash of late that settles nothing may be its payment and is taken off, the
     * latest paid first; a line on which nothing was settled of late has nothing under way, for its cash is not told
     * from its items.
     */
    private List<ExpectedItem> underWay() {
        LocalDate from = asOf().minusDays(2L * LineItems.UNDER_WAY_FOR);
        long paidByBank = of(settling, from);
        if (paidByBank == 0) {
            return List.of();
        }
        long other =
                Math.max(0, (of(booked, from) - paidByBank) * line.direction().sign());
        List<ExpectedItem> found = new ArrayList<>();
        List<OpenItem> paid = known().stream()
                .filter(item -> item.paidOn() != null
                        && item.paidOn().isAfter(asOf().minusDays(LineItems.UNDER_WAY_FOR))
                        && !item.paidOn().isAfter(asOf())
                        && (item.kind() == Kind.INVOICE || item.kind() == Kind.COMMITMENT))
                .sorted(Comparator.comparing(OpenItem::paidOn).reversed().thenComparing(OpenItem::id))
                .toList();
        for (OpenItem item : paid) {
            long left = item.entered(settled.getOrDefault(item.id(), 0L));
            EarlyDiscount early = discountOn(item, requireNonNull(item.paidOn()));
            long off = early == null
                    ? 0
                    : Math.min(left, early.share().of(item.amount().gross()));
            long used = Math.min(other, left - off);
            other -= used;
            if (left - off > used) {
                found.add(new ExpectedItem(
                        item,
                        calendar.next(asOf()),
                        left - off - used,
                        off,
                        "paid on " + item.paidOn() + " by the ledger, not at the bank yet",
                        ExpectedItem.Source.UNDER_WAY));
            }
        }
        return found;
    }

    private long of(List<DayAmount> amounts, LocalDate after) {
        return amounts.stream()
                .filter(part -> part.day().isAfter(after) && !part.day().isAfter(asOf()))
                .mapToLong(DayAmount::minor)
                .sum();
    }

    /** What a scenario says of an item is told from what the books have. */
    private ExpectedItem named(ExpectedItem one) {
        return line.saidOf(one.item())
                .map(said -> one.paying(one.minor(), ", as '" + said.by() + "' has it"))
                .orElse(one);
    }

    private ExpectedItem expected(OpenItem item) {
        Optional<String> fails = line.failsIn(item.counterparty());
        if (fails.isPresent()) {
            return new ExpectedItem(
                    item,
                    null,
                    0,
                    0,
                    item.counterparty() + " fails in '" + fails.get() + "'",
                    ExpectedItem.Source.HELD);
        }
        if (!item.isExpected()) {
            String note = item.handling().note().isEmpty()
                    ? ""
                    : ": " + item.handling().note();
            return new ExpectedItem(
                    item,
                    null,
                    0,
                    0,
                    (item.handling().standing() == Handling.Standing.HELD ? "held" : "disputed") + note,
                    ExpectedItem.Source.HELD);
        }
        if (item.kind() == Kind.CREDIT_NOTE) {
            return new ExpectedItem(
                    item,
                    null,
                    0,
                    0,
                    "used against the next item of " + item.counterparty(),
                    ExpectedItem.Source.CREDIT);
        }
        LocalDate typed = item.handling().expected();
        if (typed != null && typed.isAfter(asOf())) {
            return on(item, typed, "expected on the day typed", ExpectedItem.Source.ANALYST);
        }
        LocalDate promised = item.handling().promised();
        String broken = typed != null || promised != null && !promised.isAfter(asOf())
                ? "; the day said before has passed"
                : "";
        if (promised != null && promised.isAfter(asOf())) {
            return on(item, promised, "promised", ExpectedItem.Source.PROMISE);
        }
        return settings.paymentRuns() != null && line.direction() == Direction.PAYMENT
                ? inRun(item, broken)
                : byHabit(item, broken);
    }

    /** Bills are paid in runs, whatever the habit was; one that is very late waits for a word all the same. */
    private ExpectedItem inRun(OpenItem item, String broken) {
        long late = asOf().toEpochDay() - item.due().toEpochDay();
        if (late > LineItems.DOUBTFUL_AFTER) {
            return doubtful(item, late, broken);
        }
        PaymentRuns runs = requireNonNull(settings.paymentRuns());
        LocalDate run = runs.runFor(item.due(), asOf(), calendar);
        int later = line.paidLater(from(run), item.counterparty());
        return on(
                item,
                later == 0 ? run : runs.runFor(item.due().plusDays(later), asOf(), calendar),
                "due " + item.due() + laterWords(later) + ", " + runs.words() + broken,
                ExpectedItem.Source.RUN);
    }

    private static ExpectedItem doubtful(OpenItem item, long late, String broken) {
        return new ExpectedItem(
                item,
                null,
                0,
                0,
                late + " days late without a date or a promise" + broken,
                ExpectedItem.Source.DOUBTFUL);
    }

    private ExpectedItem byHabit(OpenItem item, String broken) {
        long late = asOf().toEpochDay() - item.due().toEpochDay();
        if (late > LineItems.DOUBTFUL_AFTER) {
            return doubtful(item, late, broken);
        }
        if (line.isOnDueDates(item.counterparty())) {
            return on(
                    item,
                    item.due(),
                    "due " + item.due() + ", and paid on it here" + broken,
                    ExpectedItem.Source.TERMS);
        }
        if (isSaid(item.counterparty(), late)) {
            int days = requireNonNull(said.get(item.counterparty()));
            return on(
                    item,
                    item.due().plusDays(days),
                    "due " + item.due() + ", " + usual(days) + " as an analyst says" + broken,
                    ExpectedItem.Source.HABIT);
        }
        Habits.Estimate habit = habits.estimate(item.counterparty(), line.lineId(), late);
        if (habit.days() == null) {
            LocalDate soon = asOf();
            for (int i = 0; i < SOON; i++) {
                soon = calendar.next(soon);
            }
            LocalDate half = asOf().plusDays((late + 1) / 2);
            return on(
                    item,
                    half.isAfter(soon) ? half : soon,
                    "due " + item.due() + ", later than any habit known" + broken,
                    ExpectedItem.Source.HABIT);
        }
        if (habit.allItems() == 0) {
            return on(item, item.due(), "due " + item.due() + broken, ExpectedItem.Source.TERMS);
        }
        return on(
                item,
                item.due().plusDays(habit.days()),
                "due " + item.due() + ", usually " + usual(habit.days()) + " (" + habit.ownItems() + " paid before)"
                        + broken,
                ExpectedItem.Source.HABIT);
    }

    private static String usual(int days) {
        return days == 0 ? "paid when due" : Math.abs(days) + " days " + (days > 0 ? "late" : "early");
    }

    /** The line's convention, and never on or before the as-of date; net of a discount that still holds on that day. */
    private ExpectedItem on(OpenItem item, LocalDate base, String because, ExpectedItem.Source source) {
        if (source == ExpectedItem.Source.RUN) {
            return onDay(item, from(base), because, source);
        }
        int later = line.paidLater(from(base), item.counterparty());
        return onDay(item, paidOn(base, item.counterparty()), because + laterWords(later), source);
    }

    private LocalDate from(LocalDate base) {
        LocalDate day = line.convention().adjust(base, calendar);
        return day.isAfter(asOf()) ? day : calendar.next(asOf());
    }

    private static String laterWords(int days) {
        return days == 0 ? "" : ", and " + Math.abs(days) + " days " + (days > 0 ? "later" : "sooner") + " here";
    }

    private ExpectedItem onDay(OpenItem item, LocalDate day, String because, ExpectedItem.Source source) {
        long open = item.amount().open();
        EarlyDiscount early = discountOn(item, day);
        long off = early == null ? 0 : early.share().of(open);
        return new ExpectedItem(
                item,
                day,
                open - off,
                off,
                because + (early == null ? "" : ", less " + early.share() + " for paying by " + early.until()),
                source);
    }

    /** Returns the discount that an item offers and that still holds on a day; null if there is none. */
    private static @Nullable EarlyDiscount discountOn(OpenItem item, LocalDate day) {
        EarlyDiscount offered = item.discount();
        return offered == null || day.isAfter(offered.until()) ? null : offered;
    }

    /**
     * A credit note is used against the counterparty's next items; what they do not take is not forecast, and stays
     * listed.
     */
    private static List<ExpectedItem> useCredits(List<ExpectedItem> found) {
        Map<String, Long> credits = new HashMap<>();
        found.stream()
                .filter(one -> one.source() == ExpectedItem.Source.CREDIT)
                .forEach(one -> credits.merge(
                        one.item().counterparty(), one.item().amount().open(), Long::sum));
        if (credits.isEmpty()) {
            return List.copyOf(found);
        }
        List<ExpectedItem> left = new ArrayList<>();
        for (ExpectedItem one : found) {
            long used = one.isLeftOut()
                    ? 0
                    : Math.min(one.minor(), credits.getOrDefault(one.item().counterparty(), 0L));
            credits.computeIfPresent(one.item().counterparty(), (name, credit) -> credit - used);
            left.add(used == 0 ? one : one.paying(one.minor() - used, ", less a credit note"));
        }
        return List.copyOf(left);
    }
}

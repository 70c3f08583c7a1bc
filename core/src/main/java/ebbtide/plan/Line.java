package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A line of the plan: receipts or payments of one kind, or a group of such lines. Its nature says where it stands in
 * the income statement. What its parts hold is asked of the line too.
 */
public record Line(String id, Heading heading, Assumption assumption, Nature nature, Adjustments adjustments) {
    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_ID = 80;

    /**
     * What a line is called and where it stands: {@code group} is the id of the group it stands in, null at the top;
     * {@code account} the one it is paid through, null for the plan's first; a line that is not active is left out of
     * the figures.
     */
    public record Heading(
            @Nullable String group,
            String name,
            Direction direction,
            boolean active,
            @Nullable String account,
            String note) {
        public Heading {
            name = Check.text(name, "name of a line", LONGEST_NAME);
            group = group == null ? null : Check.atMost(group, "id of a group", LONGEST_ID);
            account = account == null ? null : Check.atMost(account, "id of an account", LONGEST_ID);
            Objects.requireNonNull(direction, "direction");
            note = note == null ? "" : Check.atMost(note, "note of a line", 10_000);
        }
    }

    /**
     * What is done to a line's cash by hand: figures that replace its cells, amounts carried on it from days that have
     * passed, and how facts take the plan's place; and what a scenario does to the line.
     */
    public record Adjustments(
            List<CashOverride> overrides, List<CarriedAmount> carried, Netting netting, List<Alteration> altered) {
        /** Makes adjustments of the base, which no scenario alters. */
        public Adjustments(List<CashOverride> overrides, List<CarriedAmount> carried, Netting netting) {
            this(overrides, carried, netting, List.of());
        }

        public Adjustments {
            altered = List.copyOf(altered);
            overrides = overrides.stream()
                    .sorted(Comparator.comparing(one -> one.period().startInclusive()))
                    .toList();
            for (int i = 1; i < overrides.size(); i++) {
                Period one = overrides.get(i - 1).period();
                Period other = overrides.get(i).period();
                Check.that(
                        !one.overlaps(other),
                        "an override from " + other.startInclusive() + " to " + other.lastDay()
                                + " overlaps the one from " + one.startInclusive() + " to " + one.lastDay()
                                + ": lift that one first");
            }
            carried = carried.stream()
                    .sorted(Comparator.comparing(CarriedAmount::day).thenComparing(CarriedAmount::id))
                    .toList();
            Objects.requireNonNull(netting, "netting");
        }
    }

    /**
     * An amount that replaces the estimate in the days of a period, so that the cell shows it (rules 5.3). Positive in
     * the line's direction, in minor units; it lapses when its period is over.
     */
    public record CashOverride(Period period, long amount, String reason) {
        public CashOverride {
            Objects.requireNonNull(period, "period");
            reason = Check.text(reason, "the reason of an override", 1_000);
        }
    }

    public Line {
        id = Check.text(id, "id of a line", LONGEST_ID);
        Objects.requireNonNull(heading, "heading");
        Objects.requireNonNull(assumption, "assumption");
        Objects.requireNonNull(nature, "where it stands in the income statement");
        Objects.requireNonNull(adjustments, "adjustments");
        Check.that(
                !nature.isNeverPaid() || assumption.isNonCash() && heading.direction() == Direction.PAYMENT,
                "'" + heading.name() + "' counts as " + nature.name().toLowerCase(Locale.ROOT)
                        + ", which only a cost that is never paid can: say that it is never paid, or count it elsewhere");
        Check.that(
                adjustments.carried().isEmpty() || !assumption.isHeading(),
                "a group is the sum of its lines: carry an amount on one of its lines");
        if (!adjustments.overrides().isEmpty()) {
            assumption.refusesOverrides().ifPresent(sentence -> Check.that(false, sentence));
        }
    }

    /** Makes a line that nothing was carried on and whose facts take the plan's place as usual. */
    public Line(
            String id,
            @Nullable String group,
            String name,
            Direction direction,
            boolean active,
            @Nullable String account,
            String note,
            Assumption assumption,
            List<CashOverride> overrides,
            Nature nature) {
        this(
                id,
                new Heading(group, name, direction, active, account, note),
                assumption,
                nature,
                new Adjustments(overrides, List.of(), Netting.USUAL));
    }

    /** Makes a line that stands in the income statement where its kind usually does. */
    public Line(
            String id,
            @Nullable String group,
            String name,
            Direction direction,
            boolean active,
            @Nullable String account,
            String note,
            Assumption assumption,
            List<CashOverride> overrides) {
        this(
                id,
                group,
                name,
                direction,
                active,
                account,
                note,
                assumption,
                overrides,
                assumption.usualNature(direction));
    }

    public @Nullable String group() {
        return heading.group();
    }

    public String name() {
        return heading.name();
    }

    public Direction direction() {
        return heading.direction();
    }

    public boolean active() {
        return heading.active();
    }

    public @Nullable String account() {
        return heading.account();
    }

    public String note() {
        return heading.note();
    }

    public List<CashOverride> overrides() {
        return adjustments.overrides();
    }

    public List<CarriedAmount> carried() {
        return adjustments.carried();
    }

    public Netting netting() {
        return adjustments.netting();
    }

    /** Returns what a scenario does to it beyond what it assumes, in the order in which it is done. */
    public List<Alteration> altered() {
        return adjustments.altered();
    }

    /** Returns what a scenario does to its amounts, in the order in which it is done. */
    public List<Alteration.Amounts> alteredAmounts() {
        return altered(Alteration.Amounts.class);
    }

    /** Returns what a scenario does to its months, where it is a stream, in the order in which it is done. */
    public List<Alteration.OfMonths> alteredMonths() {
        return altered(Alteration.OfMonths.class);
    }

    private <T extends Alteration> List<T> altered(Class<T> kind) {
        // Asked of every day of every line, and nothing is altered in the base.
        return altered().isEmpty()
                ? List.of()
                : altered().stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    /**
     * Returns the day to which a scenario moves a bill or an item of a day and a certainty: one up to the as-of date
     * stays where it is, and none comes before the day after that.
     */
    public LocalDate moved(LocalDate day, Certainty certainty, LocalDate asOf) {
        LocalDate at = day;
        for (Alteration one : altered()) {
            if (one instanceof Alteration.DaysShifted shifted && day.isAfter(asOf) && shifted.isOf(day, certainty)) {
                at = shifted.of(at);
            }
        }
        return at.equals(day) || at.isAfter(asOf) ? at : asOf.plusDays(1);
    }

    /** Returns the most days by which a scenario has any bill or item of it sooner. */
    public int mostSooner() {
        return altered(Alteration.DaysShifted.class).stream()
                .mapToInt(Alteration.DaysShifted::sooner)
                .sum();
    }

    /** Returns an amount of a day, of a role where it is pay, in minor units as a scenario leaves it. */
    public long altered(long minor, LocalDate day, String part) {
        long amount = minor;
        for (Alteration.Amounts one : alteredAmounts()) {
            amount = one.isOf(day, part) ? one.of(amount) : amount;
        }
        return amount;
    }

    /**
     * Returns how many days later a scenario has paid what the base pays on a day, of a counterparty where it is an
     * item's; 0 where it does nothing to that.
     */
    public int paidLater(LocalDate day, String counterparty) {
        return Alteration.paidLater(altered(), day, counterparty);
    }

    /** Returns the pattern by which a scenario has history owed, where it has more that is never paid. */
    public Optional<MonthPattern> patternBeforeNeverPaid() {
        List<Alteration.NeverPaid> more = altered(Alteration.NeverPaid.class);
        return more.isEmpty() ? Optional.empty() : Optional.of(more.get(0).before());
    }

    /** Returns whether a scenario has something of it paid later, or sooner. */
    public boolean isPaidLater() {
        return Alteration.isPaidLater(altered());
    }

    /** Returns whether a scenario has anything of it paid on another day than the base does. */
    public boolean isTimedOtherwise() {
        return altered().stream()
                .anyMatch(one -> one instanceof Alteration.PaidLater || one instanceof Alteration.DaysShifted);
    }

    /** Returns what a scenario says of the line's open items in the place of what the books have, in order. */
    public List<Alteration.ItemSaid> saidOfItems() {
        return altered(Alteration.ItemSaid.class);
    }

    /** Returns what a scenario says last of one of them, by its id, if anything. */
    public Optional<Alteration.ItemSaid> findSaidOfItem(String itemId) {
        return saidOfItems().stream().filter(one -> one.item().equals(itemId)).reduce((one, later) -> later);
    }

    /** Returns the line as it is but for what a scenario says of its open items. */
    public Line withoutSaidOfItems() {
        return saidOfItems().isEmpty()
                ? this
                : new Line(
                        id,
                        heading,
                        assumption,
                        nature,
                        new Adjustments(
                                overrides(),
                                carried(),
                                netting(),
                                altered().stream()
                                        .filter(one -> !(one instanceof Alteration.ItemSaid))
                                        .toList()));
    }

    /** Returns the line as its assumptions alone have it. */
    public Line unaltered() {
        return new Line(id, heading, assumption, nature, new Adjustments(overrides(), carried(), netting(), List.of()));
    }

    /** Returns the line with something more that a scenario does to it. */
    public Line altered(Alteration more) {
        List<Alteration> all = new ArrayList<>(altered());
        all.add(more);
        return new Line(id, heading, assumption, nature, new Adjustments(overrides(), carried(), netting(), all));
    }

    /**
     * Returns the ids of the lines whose months this line's assumption reads: what it is a share of, sells from or
     * earns on.
     */
    public List<String> reads() {
        return assumption.reads();
    }

    /** Returns where it stands in the statements. */
    public Standing standing() {
        return assumption.standing(direction(), nature);
    }

    /**
     * Returns the line with another assumption. A cost that is paid from now on counts no more as one that never is.
     */
    public Line with(Assumption other) {
        boolean paid = nature.isNeverPaid() && !other.isNonCash();
        return new Line(id, heading, other, paid ? other.usualNature(direction()) : nature, adjustments);
    }

    /** Returns the line with other overrides of its cash. */
    public Line overridden(List<CashOverride> others) {
        return new Line(id, heading, assumption, nature, new Adjustments(others, carried(), netting(), altered()));
    }

    /** Returns the line with other amounts carried on it. */
    public Line carrying(List<CarriedAmount> others) {
        return new Line(id, heading, assumption, nature, new Adjustments(overrides(), others, netting(), altered()));
    }

    /** Returns the line without its figures and overrides: what it is, its history, dates and terms stay. */
    public Line cleared() {
        return new Line(id, heading, assumption.cleared(), nature, new Adjustments(List.of(), List.of(), netting()));
    }

    /** Returns the line under another id as "Rent, copy", without its overrides of cash. */
    public Line copy(String newId) {
        String suffix = ", copy";
        String kept = name().length() + suffix.length() > LONGEST_NAME
                ? name().substring(0, LONGEST_NAME - suffix.length())
                : name();
        return new Line(
                newId,
                new Heading(group(), kept + suffix, direction(), active(), account(), note()),
                assumption,
                nature,
                new Adjustments(
                        List.of(),
                        List.of(),
                        new Netting(netting().left(), netting().window(), List.of())));
    }

    /** Returns the line in a group, or at the top (null). */
    public Line in(@Nullable String other) {
        return new Line(
                id,
                new Heading(other, name(), direction(), active(), account(), note()),
                assumption,
                nature,
                adjustments);
    }

    /** Returns the line switched off. */
    public Line off() {
        return new Line(
                id,
                new Heading(group(), name(), direction(), false, account(), note()),
                assumption,
                nature,
                adjustments);
    }

    /** Returns the line with facts taking the plan's place in another way. */
    public Line netting(Netting other) {
        return new Line(id, heading, assumption, nature, new Adjustments(overrides(), carried(), other, altered()));
    }

    /**
     * Returns when what is issued, or delivered, on a day falls due by the line's terms: by days where it has such
     * terms, else at once.
     */
    public LocalDate dueDay(LocalDate from) {
        return assumption.dueDay(from);
    }

    /**
     * Returns whether it is a facility, a loan, a lease, a deposit, or their interest: what funds a plan, or is put
     * away, and no part of what it has to pay (rules 8.1).
     */
    public boolean isFunding() {
        CashRow row = standing().cash();
        return row == CashRow.FACILITIES || row.isRepaid() || row == CashRow.DEPOSITS || row == CashRow.INTEREST;
    }

    /** Returns what the line assumes by month, where it is a stream. */
    public Optional<Assumption.Stream> findStream() {
        return assumption.findStream();
    }

    public boolean isGroup() {
        return assumption.isHeading();
    }
}

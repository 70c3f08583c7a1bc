package ebbtide.app.desk;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.RollStore.DecidedDifference;
import ebbtide.app.storage.RollStore.Roll;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Line;
import ebbtide.track.Difference;
import ebbtide.track.Differences;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The steps of rolling a plan forward to a new as-of date: begun, brought up to a day, its differences decided, done
 * (rules 10.5).
 */
@Component
public record RollEdits(Stores stores) {

    /** Begins a roll forward: the forecast as it is stays as a snapshot. Refuses while another is under way. */
    public Change begin(String plan) {
        return draft -> {
            draft.readsForecast();
            int number = 1
                    + stores.rolls()
                            .findLatest(plan)
                            .map(roll -> {
                                Check.that(
                                        roll.done(),
                                        "The roll forward from " + DAY.format(roll.from())
                                                + " is still under way: finish it, or undo it");
                                return roll.number();
                            })
                            .orElse(0);
            LocalDate from = draft.base().plan().settings().asOf();
            String snapshot = UUID.randomUUID().toString();
            draft.addSnapshot(
                    snapshot,
                    "Forecast of " + DAY.format(from),
                    "kept as the plan was rolled forward",
                    draft.base().forecast());
            draft.putRoll(new Roll(number, from, null, snapshot, List.of(), false));
            return "Roll forward from " + DAY.format(from) + " begun";
        };
    }

    private Roll underWay(String plan) {
        return stores.rolls()
                .findLatest(plan)
                .filter(roll -> !roll.done())
                .orElseThrow(() -> new Refused("No roll forward is under way: begin one"));
    }

    /**
     * Moves the as-of date to a day, up to which facts now take their place. Refuses a day that is not after the one
     * rolled forward from.
     */
    public Change to(String plan, LocalDate day) {
        return draft -> {
            Roll roll = underWay(plan);
            Check.that(
                    day.isAfter(roll.from()),
                    "The new as-of date comes after " + DAY.format(roll.from()) + ", but was " + DAY.format(day));
            draft.readsBooks();
            draft.putSettings(draft.base().plan().settings().withAsOf(day));
            draft.putRoll(roll.to(day));
            return "As-of date moved to " + DAY.format(day);
        };
    }

    /** Returns what closed on the way of a roll forward whose as-of date is chosen, decided or not. */
    public static List<Difference> differences(PlanAtVersion base, Roll roll) {
        return Differences.closedAfter(roll.from(), base.plan().asOf(roll.until()), base.books());
    }

    /** Returns the difference of a key that is not decided yet, of the latest roll forward. */
    private Difference undecided(Draft draft, Roll roll, String key) {
        Check.that(roll.to() != null, "Bring in statements and move the as-of date first");
        // Whoever decides has seen what was planned of it and what came.
        draft.readsBooks();
        Difference one = differences(draft.base(), roll).stream()
                .filter(some -> some.key().equals(key))
                .findFirst()
                .orElseThrow(() ->
                        new Refused("That difference is no longer there: what was brought in since has closed it"));
        draft.reads(Kind.LINE, one.lineId());
        Check.that(
                roll.decided().stream().noneMatch(some -> some.key().equals(key)),
                "That difference is decided already: undo that first");
        return one;
    }

    private Roll latest(String plan) {
        return stores.rolls()
                .findLatest(plan)
                .orElseThrow(() -> new Refused("Roll the plan forward first: what closed on the way is decided on"));
    }

    /** Drops a difference: it is not expected any more. */
    public Change drop(String plan, String key) {
        return draft -> {
            Roll roll = latest(plan);
            Difference one = undecided(draft, roll, key);
            draft.putRoll(roll.with(List.of(dropped(one, roll))));
            return "'" + one.line() + "', " + one.words() + ": difference dropped";
        };
    }

    private static DecidedDifference dropped(Difference one, Roll roll) {
        return new DecidedDifference(one.key(), 0, null, one, roll.to());
    }

    /**
     * Carries a difference to a day, null for the usual one: an amount of it in the currency's units and the line's
     * direction, null for all.
     */
    public Change carry(String plan, String key, @Nullable String some, @Nullable LocalDate to) {
        return draft -> {
            Roll roll = latest(plan);
            Difference one = undecided(draft, roll, key);
            PlanAtVersion base = draft.base();
            LocalDate asOf = base.plan().settings().asOf();
            long whole = one.toCarry();
            long amount = some == null ? whole : Money.minor(some, base.currency());
            Check.that(
                    Long.signum(amount) == Long.signum(whole) && Math.abs(amount) <= Math.abs(whole),
                    "Carry up to " + Money.words(whole, base.currency()) + ", but not "
                            + Money.words(amount, base.currency()));
            LocalDate day = to == null ? Differences.carriedTo(asOf, base.books()) : to;
            Check.that(day.isAfter(asOf), "Carry it to a day after the as-of date, " + DAY.format(asOf));
            Line line = base.plan().findLine(one.lineId()).orElseThrow();
            List<CarriedAmount> carried = new ArrayList<>(line.carried());
            carried.add(new CarriedAmount(
                    UUID.randomUUID().toString(),
                    day,
                    amount,
                    "carried: " + one.words() + " came to " + Money.words(Math.abs(one.actual()), base.currency())
                            + " of " + Money.words(Math.abs(one.planned()), base.currency())));
            draft.putLine(line.carrying(carried));
            draft.putRoll(roll.with(List.of(new DecidedDifference(one.key(), amount, day, one, roll.to()))));
            return Money.words(amount, base.currency()) + " of '" + one.line() + "' carried to " + DAY.format(day);
        };
    }

    /** Drops every difference that is not decided. */
    public Change dropRest(String plan) {
        return draft -> {
            draft.readsBooks();
            Roll roll = underWay(plan);
            List<DecidedDifference> rest = undecided(draft, roll).stream()
                    .map(one -> dropped(one, roll))
                    .toList();
            draft.putRoll(roll.with(rest));
            return rest.size() + (rest.size() == 1 ? " difference" : " differences") + " dropped";
        };
    }

    private static List<Difference> undecided(Draft draft, Roll roll) {
        return roll.to() == null
                ? List.of()
                : differences(draft.base(), roll).stream()
                        .filter(one -> roll.decided().stream()
                                .noneMatch(some -> some.key().equals(one.key())))
                        .toList();
    }

    /** Finishes a roll forward. Refuses while differences are undecided or no new as-of date is chosen. */
    public Change finish(String plan) {
        return draft -> {
            Roll roll = underWay(plan);
            Check.that(roll.to() != null, "Bring in statements and move the as-of date first");
            int rest = undecided(draft, roll).size();
            Check.that(
                    rest == 0,
                    rest + (rest == 1 ? " difference is" : " differences are")
                            + " neither carried nor dropped: decide on each, or drop the rest");
            draft.putRoll(roll.finished());
            return "Rolled forward to " + DAY.format(roll.until());
        };
    }
}

package ebbtide.app.api;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.app.jobs.IssuedFiles;
import ebbtide.app.jobs.IssuedFiles.IssuedFile;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.RollStore.DecidedDifference;
import ebbtide.app.storage.RollStore.Roll;
import ebbtide.app.storage.StatementStore.StatementListed;
import ebbtide.app.storage.Stores;
import ebbtide.books.Account;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Line;
import ebbtide.track.Difference;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * Rolling a plan forward to a new as-of date: begun, brought up to a day, its differences decided, done, or undone as a
 * whole (rules 10.5).
 */
@RestController
@RequestMapping("/api/plans/{plan}/roll")
class RollController {
    private final Edits edits;
    private final Stores stores;
    private final IssuedFiles issued;

    RollController(Edits edits, Stores stores, IssuedFiles issued) {
        this.edits = edits;
        this.stores = stores;
        this.issued = issued;
    }

    /**
     * The latest roll forward (number 0: there was none): from and to which as-of date, its differences, how many of
     * them are undecided, each account's balance, how many edits it is made of, whether banks and ledger answer under
     * an address, and up to which day beyond the as-of date statements are in while it is under way (null: none).
     */
    record RollView(
            int number,
            @Schema(nullable = true) @Nullable LocalDate from,
            @Schema(nullable = true) @Nullable LocalDate to,
            boolean done,
            List<DifferenceView> differences,
            int undecided,
            List<AccountClose> accounts,
            int edits,
            boolean issues,
            LocalDate carryTo,
            @Schema(nullable = true) @Nullable LocalDate reach) {}

    /**
     * A difference, signed; {@code words} say of what; {@code carry} is all that can be carried, in the line's
     * direction; carried and day are null until it is decided, and carried is nil when it was dropped.
     */
    record DifferenceView(
            String key,
            String line,
            String name,
            String direction,
            String words,
            long planned,
            long actual,
            long open,
            long carry,
            @Schema(nullable = true) @Nullable Long carried,
            @Schema(nullable = true) @Nullable LocalDate day) {}

    /**
     * What the books and the bank say of an account: the balance on the as-of date, and that of its latest statement
     * that declares one.
     */
    record AccountClose(
            String id,
            String name,
            long balance,
            LocalDate knownTo,
            @Schema(nullable = true) @Nullable LocalDate statementTo,
            @Schema(nullable = true) @Nullable Long closing,
            long booked) {}

    @GetMapping
    RollView view(@PathVariable String plan) {
        PlanAtVersion current = edits.current(plan);
        Roll roll = stores.rolls().findLatest(plan).orElse(null);
        LocalDate carryTo = RollDifferences.carryTo(current);
        if (roll == null) {
            return new RollView(
                    0, null, null, false, List.of(), 0, accounts(plan, current), 0, issued.isThere(), carryTo, null);
        }
        Map<String, DecidedDifference> decided =
                roll.decided().stream().collect(Collectors.toMap(DecidedDifference::key, Function.identity()));
        List<DifferenceView> differences = roll.to() == null
                ? List.of()
                : RollDifferences.differences(current, roll).stream()
                        .map(one -> view(one, decided.get(one.key())))
                        .toList();
        List<AccountClose> accounts = accounts(plan, current);
        return new RollView(
                roll.number(),
                roll.from(),
                roll.to(),
                roll.done(),
                differences,
                (int) differences.stream().filter(one -> one.carried() == null).count(),
                accounts,
                edits.editsOf(plan, roll),
                issued.isThere(),
                carryTo,
                roll.done() ? null : reach(accounts, current.plan().settings().asOf()));
    }

    /** Returns the day to which the accounts that are known beyond the as-of date are all known, null where none is. */
    private static @Nullable LocalDate reach(List<AccountClose> accounts, LocalDate asOf) {
        return accounts.stream()
                .map(AccountClose::knownTo)
                .filter(day -> day.isAfter(asOf))
                .min(Comparator.naturalOrder())
                .orElse(null);
    }

    private static DifferenceView view(Difference one, @Nullable DecidedDifference decided) {
        return new DifferenceView(
                one.key(),
                one.lineId(),
                one.line(),
                one.direction().name().toLowerCase(Locale.ROOT),
                RollDifferences.words(one),
                one.planned(),
                one.actual(),
                one.open(),
                one.toCarry(),
                decided == null ? null : decided.carried(),
                decided == null ? null : decided.day());
    }

    private List<AccountClose> accounts(String plan, PlanAtVersion current) {
        Map<String, StatementListed> latest = stores.statements().all(plan).stream()
                .filter(one -> one.closing() != null)
                .collect(Collectors.toMap(
                        StatementListed::account,
                        Function.identity(),
                        (a, b) -> Comparator.comparing(StatementListed::lastDay).compare(a, b) >= 0 ? a : b));
        List<AccountClose> closes = new ArrayList<>();
        for (Account account : current.books().accounts()) {
            StatementListed statement = latest.get(account.id());
            LocalDate known = statement == null
                    ? current.books().lastDay(account)
                    : later(statement.lastDay(), current.books().lastDay(account));
            closes.add(new AccountClose(
                    account.id(),
                    account.name(),
                    current.books().balance(account, current.plan().settings().asOf()),
                    known,
                    statement == null ? null : statement.lastDay(),
                    statement == null ? null : statement.closing(),
                    statement == null ? 0 : current.books().balance(account, statement.lastDay())));
        }
        return closes;
    }

    private static LocalDate later(LocalDate one, LocalDate other) {
        return one.isAfter(other) ? one : other;
    }

    /** How far banks and ledger are asked for what they issued. */
    enum Step {
        DAY,
        WEEK
    }

    /** Fetches what banks and ledger issued after the as-of date: up to the next business day, or for a week. */
    @GetMapping("/issued")
    List<IssuedFile> issued(@PathVariable String plan, @RequestParam Step step) {
        LocalDate asOf = edits.current(plan).plan().settings().asOf();
        return issued.fetch(
                asOf,
                step == Step.DAY ? RollDifferences.calendar(edits.current(plan)).next(asOf) : asOf.plusWeeks(1));
    }

    /** Begins a roll forward: the forecast as it is stays as a snapshot. Refuses while another is under way. */
    @PostMapping("/begin")
    EditOutcome begin(@PathVariable String plan, @RequestParam long version) {
        PlanAtVersion current = edits.current(plan);
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
        LocalDate from = current.plan().settings().asOf();
        String snapshot = UUID.randomUUID().toString();
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, "Roll forward from " + DAY.format(from) + " begun", draft -> {
                    draft.addSnapshot(
                            snapshot,
                            "Forecast of " + DAY.format(from),
                            "kept as the plan was rolled forward",
                            current.forecast());
                    draft.putRoll(new Roll(number, from, null, snapshot, List.of(), false));
                }),
                stores);
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
    @PostMapping("/to")
    EditOutcome to(@PathVariable String plan, @RequestParam long version, @RequestParam LocalDate day) {
        Roll roll = underWay(plan);
        Check.that(
                day.isAfter(roll.from()),
                "The new as-of date comes after " + DAY.format(roll.from()) + ", but was " + DAY.format(day));
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, "As-of date moved to " + DAY.format(day), draft -> {
                    draft.putSettings(edits.current(plan).plan().settings().withAsOf(day));
                    draft.putRoll(roll.to(day));
                }),
                stores);
    }

    /**
     * What is decided of a difference: how much is carried, in the currency's units and the line's direction, and to
     * which day; or that it is dropped.
     */
    record Deciding(
            String key,
            boolean carry,
            @Schema(nullable = true) @Nullable String amount,
            @Schema(nullable = true) @Nullable LocalDate day) {}

    /** Carries a difference, or a part of it, to a day, or drops it. */
    @PostMapping(path = "/decide", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome decide(@PathVariable String plan, @RequestParam long version, @RequestBody Deciding deciding) {
        PlanAtVersion current = edits.current(plan);
        Roll roll = stores.rolls()
                .findLatest(plan)
                .orElseThrow(() -> new Refused("Roll the plan forward first: what closed on the way is decided on"));
        Check.that(roll.to() != null, "Bring in statements and move the as-of date first");
        Difference one = RollDifferences.differences(current, roll).stream()
                .filter(some -> some.key().equals(deciding.key()))
                .findFirst()
                .orElseThrow(() ->
                        new Refused("That difference is no longer there: what was brought in since has closed it"));
        Check.that(
                roll.decided().stream().noneMatch(some -> some.key().equals(one.key())),
                "That difference is decided already: undo that first");
        if (!deciding.carry()) {
            return EditOutcome.of(
                    plan,
                    edits.edit(
                            plan,
                            version,
                            "'" + one.line() + "', " + RollDifferences.words(one) + ": difference dropped",
                            draft -> draft.putRoll(
                                    roll.with(List.of(new DecidedDifference(one.key(), 0, null, one, roll.to()))))),
                    stores);
        }
        long whole = one.toCarry();
        long amount = deciding.amount() == null ? whole : Money.minor(deciding.amount(), current.currency());
        Check.that(
                Long.signum(amount) == Long.signum(whole) && Math.abs(amount) <= Math.abs(whole),
                "Carry up to " + Money.words(whole, current.currency()) + ", but not "
                        + Money.words(amount, current.currency()));
        LocalDate day = deciding.day() == null ? RollDifferences.carryTo(current) : deciding.day();
        Check.that(
                day.isAfter(current.plan().settings().asOf()),
                "Carry it to a day after the as-of date, "
                        + DAY.format(current.plan().settings().asOf()));
        Line line = current.plan().findLine(one.lineId()).orElseThrow();
        List<CarriedAmount> carried = new ArrayList<>(line.carried());
        carried.add(new CarriedAmount(
                UUID.randomUUID().toString(),
                day,
                amount,
                "carried: " + RollDifferences.words(one) + " came to "
                        + Money.words(Math.abs(one.actual()), current.currency()) + " of "
                        + Money.words(Math.abs(one.planned()), current.currency())));
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        Money.words(amount, current.currency()) + " of '" + one.line() + "' carried to "
                                + DAY.format(day),
                        draft -> {
                            draft.putLine(line.carrying(carried), position(current, line));
                            draft.putRoll(
                                    roll.with(List.of(new DecidedDifference(one.key(), amount, day, one, roll.to()))));
                        }),
                stores);
    }

    private static double position(PlanAtVersion current, Line line) {
        return current.placed().stream()
                .filter(placed -> placed.line().id().equals(line.id()))
                .findFirst()
                .orElseThrow()
                .position();
    }

    /** Drops every difference that is not decided. */
    @PostMapping("/drop-rest")
    EditOutcome dropRest(@PathVariable String plan, @RequestParam long version) {
        Roll roll = underWay(plan);
        List<DecidedDifference> rest = undecided(plan, roll).stream()
                .map(one -> new DecidedDifference(one.key(), 0, null, one, roll.to()))
                .toList();
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        rest.size() + (rest.size() == 1 ? " difference" : " differences") + " dropped",
                        draft -> draft.putRoll(roll.with(rest))),
                stores);
    }

    private List<Difference> undecided(String plan, Roll roll) {
        return roll.to() == null
                ? List.of()
                : RollDifferences.differences(edits.current(plan), roll).stream()
                        .filter(one -> roll.decided().stream()
                                .noneMatch(some -> some.key().equals(one.key())))
                        .toList();
    }

    /** Finishes a roll forward. Refuses while differences are undecided or no new as-of date is chosen. */
    @PostMapping("/done")
    EditOutcome done(@PathVariable String plan, @RequestParam long version) {
        Roll roll = underWay(plan);
        Check.that(roll.to() != null, "Bring in statements and move the as-of date first");
        int rest = undecided(plan, roll).size();
        Check.that(
                rest == 0,
                rest + (rest == 1 ? " difference is" : " differences are")
                        + " neither carried nor dropped: decide on each, or drop the rest");
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        "Rolled forward to " + DAY.format(roll.to()),
                        draft -> draft.putRoll(roll.finished())),
                stores);
    }

    /** Takes back every edit since the latest roll forward began. */
    @PostMapping("/undo")
    EditOutcome undo(@PathVariable String plan) {
        Roll roll = stores.rolls().findLatest(plan).orElseThrow(() -> new Refused("Nothing was rolled forward"));
        return EditOutcome.of(plan, edits.undo(plan, roll), stores);
    }
}

package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Edits.Change;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.RollClose;
import ebbtide.app.desk.RollEdits;
import ebbtide.app.jobs.IssuedFiles;
import ebbtide.app.jobs.IssuedFiles.IssuedFile;
import ebbtide.app.storage.RollStore.DecidedDifference;
import ebbtide.app.storage.RollStore.Roll;
import ebbtide.app.storage.Stores;
import ebbtide.money.Refused;
import ebbtide.track.Difference;
import ebbtide.track.Differences;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
    private final Plans plans;
    private final Edits edits;
    private final RollEdits roll;
    private final Stores stores;
    private final IssuedFiles issued;

    RollController(Plans plans, Edits edits, RollEdits roll, Stores stores, IssuedFiles issued) {
        this.plans = plans;
        this.edits = edits;
        this.roll = roll;
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
            long booked) {
        static List<AccountClose> of(RollClose close) {
            return close.accounts().stream()
                    .map(one -> new AccountClose(
                            one.id(),
                            one.name(),
                            one.balance(),
                            one.knownTo(),
                            one.statementTo(),
                            one.closing(),
                            one.booked()))
                    .toList();
        }
    }

    @GetMapping
    RollView view(@PathVariable String plan) {
        PlanAtVersion current = plans.current(plan);
        Roll latest = stores.rolls().findLatest(plan).orElse(null);
        LocalDate asOf = current.plan().settings().asOf();
        LocalDate carryTo = Differences.carriedTo(asOf, current.books());
        RollClose close = RollClose.of(plan, current, stores);
        if (latest == null) {
            return new RollView(
                    0, null, null, false, List.of(), 0, AccountClose.of(close), 0, issued.isThere(), carryTo, null);
        }
        Map<String, DecidedDifference> decided =
                latest.decided().stream().collect(Collectors.toMap(DecidedDifference::key, Function.identity()));
        List<DifferenceView> differences = latest.to() == null
                ? List.of()
                : RollEdits.differences(current, latest).stream()
                        .map(one -> view(one, decided.get(one.key())))
                        .toList();
        return new RollView(
                latest.number(),
                latest.from(),
                latest.to(),
                latest.done(),
                differences,
                (int) differences.stream().filter(one -> one.carried() == null).count(),
                AccountClose.of(close),
                edits.editsOf(plan, latest),
                issued.isThere(),
                carryTo,
                latest.done() ? null : close.reach(asOf).orElse(null));
    }

    private static DifferenceView view(Difference one, @Nullable DecidedDifference decided) {
        return new DifferenceView(
                one.key(),
                one.lineId(),
                one.line(),
                one.direction().name().toLowerCase(Locale.ROOT),
                one.words(),
                one.planned(),
                one.actual(),
                one.open(),
                one.toCarry(),
                decided == null ? null : decided.carried(),
                decided == null ? null : decided.day());
    }

    /** How far banks and ledger are asked for what they issued. */
    enum Step {
        DAY,
        WEEK
    }

    /** Fetches what banks and ledger issued after the as-of date: up to the next business day, or for a week. */
    @GetMapping("/issued")
    List<IssuedFile> issued(@PathVariable String plan, @RequestParam Step step) {
        LocalDate asOf = plans.current(plan).plan().settings().asOf();
        return issued.fetch(
                asOf,
                step == Step.DAY ? plans.current(plan).books().businessDays().next(asOf) : asOf.plusWeeks(1));
    }

    /** Begins a roll forward: the forecast as it is stays as a snapshot. Refuses while another is under way. */
    @PostMapping("/begin")
    EditOutcome begin(@PathVariable String plan, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, roll.begin(plan)), stores);
    }

    /**
     * Moves the as-of date to a day, up to which facts now take their place. Refuses a day that is not after the one
     * rolled forward from.
     */
    @PostMapping("/to")
    EditOutcome to(@PathVariable String plan, @RequestParam long version, @RequestParam LocalDate day) {
        return EditOutcome.of(plan, edits.edit(plan, version, roll.to(plan, day)), stores);
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
        Change change = deciding.carry()
                ? roll.carry(plan, deciding.key(), deciding.amount(), deciding.day())
                : roll.drop(plan, deciding.key());
        return EditOutcome.of(plan, edits.edit(plan, version, change), stores);
    }

    /** Drops every difference that is not decided. */
    @PostMapping("/drop-rest")
    EditOutcome dropRest(@PathVariable String plan, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, roll.dropRest(plan)), stores);
    }

    /** Finishes a roll forward. Refuses while differences are undecided or no new as-of date is chosen. */
    @PostMapping("/done")
    EditOutcome done(@PathVariable String plan, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, roll.finish(plan)), stores);
    }

    /** Takes back every edit since the latest roll forward began. */
    @PostMapping("/undo")
    EditOutcome undo(@PathVariable String plan) {
        Roll latest = stores.rolls().findLatest(plan).orElseThrow(() -> new Refused("Nothing was rolled forward"));
        return EditOutcome.of(plan, edits.undo(plan, latest), stores);
    }
}

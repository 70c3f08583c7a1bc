package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.Settlings;
import ebbtide.app.people.Role;
import ebbtide.app.storage.MovementStore;
import ebbtide.app.storage.MovementStore.StoredMovement;
import ebbtide.app.storage.MovementStore.Which;
import ebbtide.app.storage.StatementStore.StatementListed;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.WordSearch;
import ebbtide.books.Account;
import ebbtide.books.AssignmentMemory;
import ebbtide.books.BankMovement;
import ebbtide.books.StatementBalances;
import ebbtide.books.StatementCheck;
import ebbtide.money.Check;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Where cash stands: balances by account and day, the statements brought in, the bank's movements. */
@RestController
@RequestMapping("/api/plans/{plan}")
class PositionController {
    private static final int MEMORY = 3_000;
    private static final int SUGGESTIONS = 5;
    private final Plans plans;
    private final Stores stores;
    /** A search by words answers about as quickly as any view; who is patient waits for all days. */
    private static final Duration AT_ONCE = Duration.ofMillis(120);
    /** So many movements are searched through at once, however busy the machine is. */
    private static final int FEW = 20_000;

    private static final Duration ALL_DAYS = Duration.ofMinutes(10);
    private final Settlings settlings;
    private final WordSearch search;

    PositionController(Plans plans, Stores stores, Settlings settlings, WordSearch search) {
        this.search = search;
        this.settlings = settlings;
        this.plans = plans;
        this.stores = stores;
    }

    /**
     * Balances of each account at the end of each day, all accounts that are not restricted last, and the statements.
     */
    record PositionView(
            List<LocalDate> days, List<BalancesView> accounts, List<Long> total, List<BroughtIn> statements) {}

    /** A statement that was brought in; what is amiss with its balances is said in a sentence, null if nothing is. */
    record BroughtIn(
            String id,
            String account,
            String fileName,
            OffsetDateTime broughtInAt,
            int movements,
            LocalDate firstDay,
            LocalDate lastDay,
            @Schema(nullable = true) @Nullable String number,
            @Schema(nullable = true) @Nullable Long opening,
            @Schema(nullable = true) @Nullable Long closing,
            @Schema(nullable = true) @Nullable String amiss) {}

    /** An account's booked balance at the end of each day. */
    record BalancesView(String id, String name, boolean restricted, LocalDate knownTo, List<Long> balances) {}

    @GetMapping("/position")
    @Allowed(Role.ONLOOKER)
    PositionView position(@PathVariable String plan, @RequestParam LocalDate from, @RequestParam LocalDate to) {
        PlanAtVersion current = plans.shown(plan);
        Check.that(!to.isBefore(from), "The days end before they begin: from " + from + " to " + to);
        List<LocalDate> days = from.datesUntil(to.plusDays(1)).limit(62).toList();
        List<BalancesView> accounts = current.books().accounts().stream()
                .map(account -> balances(current, account, days))
                .toList();
        return new PositionView(
                days,
                accounts,
                days.stream().map(current.books()::cash).toList(),
                broughtIn(current, stores.statements().all(plan)));
    }

    private static List<BroughtIn> broughtIn(PlanAtVersion current, List<StatementListed> listed) {
        Map<StatementBalances, String> amiss = new HashMap<>();
        for (StatementCheck check : StatementCheck.of(
                current.books(),
                listed.stream()
                        .map(StatementListed::balances)
                        .flatMap(Optional::stream)
                        .toList())) {
            check.gapSentence(current.currency())
                    .or(() -> check.differenceSentence(current.currency()))
                    .ifPresent(sentence -> amiss.put(check.statement(), sentence));
        }
        return listed.stream()
                .map(one -> new BroughtIn(
                        one.id(),
                        one.account(),
                        one.fileName(),
                        one.broughtInAt(),
                        one.movements(),
                        one.firstDay(),
                        one.lastDay(),
                        one.number(),
                        one.opening(),
                        one.closing(),
                        one.balances().map(amiss::get).orElse(null)))
                .toList();
    }

    private static BalancesView balances(PlanAtVersion current, Account account, List<LocalDate> days) {
        return new BalancesView(
                account.id(),
                account.name(),
                account.restricted(),
                current.books().lastDay(account),
                days.stream().map(day -> current.books().balance(account, day)).toList());
    }

    /**
     * Movements asked for, how many are not wholly assigned, and back to which day words were sought so far (null: all
     * days).
     */
    record MovementsView(
            List<MovementView> movements,
            int unassigned,
            boolean more,
            @Schema(nullable = true) @Nullable LocalDate searchedBackTo) {}

    /**
     * A bank movement, what it was said to be, the lines that would fit it best, what it may settle, and whether that
     * is named and just its amount.
     */
    record MovementView(
            long id,
            String account,
            LocalDate bookingDate,
            long minor,
            long unassigned,
            String text,
            String counterparty,
            String reference,
            List<PartView> parts,
            List<String> suggestions,
            @Schema(nullable = true) @Nullable ProposalView settles,
            boolean plain) {}

    /**
     * A part of a movement on a line, or, without one, a transfer between own accounts; with the number of an item, it
     * settles that.
     */
    record PartView(
            @Schema(nullable = true) @Nullable String line,
            long minor,
            @Schema(nullable = true) @Nullable String settles) {}

    @GetMapping("/movements")
    @Allowed(Role.ONLOOKER)
    MovementsView movements(
            @PathVariable String plan,
            @RequestParam(required = false) String account,
            @RequestParam(defaultValue = "false") boolean unassigned,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) String line,
            @RequestParam(defaultValue = "100") int limit,
            @RequestParam(defaultValue = "0") int offset,
            @RequestParam(defaultValue = "false") boolean patient) {
        Check.that(limit >= 1, "At least 1 row is asked for, but it was " + limit);
        int most = Math.min(500, limit);
        Check.that(offset >= 0, "Rows are asked for from 0 on, but it was " + offset);
        MovementStore.Query query = new MovementStore.Query(
                account, unassigned ? Which.UNASSIGNED : Which.ALL, from, to, words, line, most + 1, offset);
        WordSearch.Found sought = words.isBlank()
                ? new WordSearch.Found(stores.movements().find(plan, query), null)
                : search.find(plan, query, patient || stores.statements().movements(plan) <= FEW ? ALL_DAYS : AT_ONCE);
        List<StoredMovement> found = sought.movements();
        PlanAtVersion current = plans.shown(plan);
        AssignmentMemory memory = found.stream().allMatch(s -> s.movement().unassigned() == 0)
                ? null
                : new AssignmentMemory(stores.movements().latestAssigned(plan, MEMORY));
        Map<String, String> numbers = new HashMap<>();
        current.books().items().all().forEach(item -> numbers.put(item.id(), item.number()));
        return new MovementsView(
                found.stream()
                        .limit(most)
                        .map(stored -> view(plan, stored, current, memory, numbers))
                        .toList(),
                current.unassigned(),
                found.size() > most,
                sought.searchedBackTo());
    }

    private MovementView view(
            String plan,
            StoredMovement stored,
            PlanAtVersion current,
            @Nullable AssignmentMemory memory,
            Map<String, String> numbers) {
        BankMovement m = stored.movement();
        return new MovementView(
                stored.id(),
                m.account(),
                m.bookingDate(),
                m.minor(),
                m.unassigned(),
                m.text(),
                m.counterparty(),
                m.reference(),
                m.parts().stream()
                        .map(p -> new PartView(
                                p.lineId(),
                                p.minor(),
                                p.itemId() == null
                                        ? null
                                        : numbers.getOrDefault(p.itemId(), "an item no longer there")))
                        .toList(),
                m.unassigned() == 0 || memory == null ? List.of() : memory.suggest(m, current.plan(), SUGGESTIONS),
                settlings.proposals(plan, current, m, 1).stream()
                        .findFirst()
                        .map(ProposalView::of)
                        .orElse(null),
                m.unassigned() != 0 && settlings.findPlain(plan, current, m).isPresent());
    }
}

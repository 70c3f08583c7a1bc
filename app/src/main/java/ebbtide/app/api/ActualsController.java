package ebbtide.app.api;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.app.storage.Draft;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.StatementStore.StatementListed;
import ebbtide.app.storage.Stores;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.track.TypedActual;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * Actuals typed without a bank's file: what each line came to in some days, kept as a statement of one movement a line,
 * which a figure typed again replaces.
 */
@RestController
@RequestMapping("/api/plans/{plan}/actuals")
class ActualsController {
    private final Edits edits;
    private final Stores stores;

    ActualsController(Edits edits, Stores stores) {
        this.edits = edits;
        this.stores = stores;
    }

    /**
     * The days, and every line that is no group: what was forecast of it, what was booked by others and what was typed,
     * null where nothing was.
     */
    record ActualsView(LocalDate from, LocalDate to, String account, long closing, List<ActualRow> rows) {}

    /** Amounts in the line's direction. */
    record ActualRow(
            String line,
            String name,
            String group,
            String direction,
            long proposed,
            long booked,
            @Schema(nullable = true) @Nullable Long typed) {}

    @GetMapping
    ActualsView view(
            @PathVariable String plan,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(required = false) String account) {
        PlanAtVersion current = edits.current(plan);
        LocalDate asOf = current.plan().settings().asOf();
        Period days = days(from == null ? asOf.plusDays(1) : from, to == null ? asOf.plusDays(7) : to);
        Account on = account(current, account);
        List<BankMovement> typed = typed(plan, on, days);
        List<ActualRow> rows = TypedActual.of(current.forecast(), days, typed).stream()
                .map(one -> new ActualRow(
                        one.line().id(),
                        one.line().name(),
                        current.plan().pathOf(one.line()),
                        one.line().direction().name().toLowerCase(Locale.ROOT),
                        one.proposed(),
                        one.booked(),
                        one.typed()))
                .toList();
        return new ActualsView(
                days.startInclusive(), days.lastDay(), on.id(), current.books().cash(days.lastDay()), rows);
    }

    private static Period days(LocalDate from, LocalDate to) {
        Check.that(
                !to.isBefore(from), "The days end on " + DAY.format(to) + ", before they begin on " + DAY.format(from));
        return new Period(from, to.plusDays(1));
    }

    private static Account account(PlanAtVersion current, @Nullable String id) {
        Check.that(
                !current.books().accounts().isEmpty(),
                "Add a bank account first, under Setup: what happened is booked on one");
        Account account = current.books().accounts().stream()
                .filter(one -> id == null ? !one.restricted() : one.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        id == null
                                ? "Every account is restricted: add one that is not"
                                : "There is no account '" + id + "'"));
        Check.that(
                !account.restricted(),
                "The account '" + account.name()
                        + "' is restricted, and what is on it counts on no line: choose another");
        return account;
    }

    private static String title(Period days) {
        return "Typed, " + DAY.format(days.startInclusive()) + " to " + DAY.format(days.lastDay());
    }

    private Optional<StatementListed> findTyped(String plan, Account account, Period days) {
        return stores.statements().all(plan).stream()
                .filter(one ->
                        one.account().equals(account.id()) && one.fileName().equals(title(days)))
                .findFirst();
    }

    private List<BankMovement> typed(String plan, Account account, Period days) {
        return findTyped(plan, account, days)
                .map(statement -> stores.movements().ofStatement(plan, statement.id(), days.lastDay()))
                .orElse(List.of());
    }

    /**
     * What was typed: the days, the account, and a figure of each line, in the currency's units and the line's
     * direction, blank to take it back. A figure without a line makes one of that name and direction, of which nothing
     * is forecast.
     */
    record Typing(
            LocalDate from,
            LocalDate to,
            @Schema(nullable = true) @Nullable String account,
            List<Typed> figures) {}

    /** A figure of a line, or of a new one. */
    record Typed(
            @Schema(nullable = true) @Nullable String line,
            String amount,
            @Schema(nullable = true) @Nullable String name,
            @Schema(nullable = true) @Nullable Direction direction) {}

    @PutMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome type(@PathVariable String plan, @RequestParam long version, @RequestBody Typing typing) {
        PlanAtVersion current = edits.current(plan);
        Period days = days(typing.from(), typing.to());
        Account account = account(current, typing.account());
        Optional<StatementListed> before = findTyped(plan, account, days);
        List<BankMovement> known = typed(plan, account, days);
        List<BankMovement> movements = new ArrayList<>(known);
        List<Line> fresh = new ArrayList<>();
        for (Typed one : typing.figures()) {
            Line line = one.line() != null
                    ? current.plan()
                            .findLine(one.line())
                            .filter(some -> !some.isGroup())
                            .orElseThrow(() -> new Refused("There is no line '" + one.line() + "' to type a figure on"))
                    : fresh(one, fresh);
            movements.removeIf(movement -> TypedActual.isOf(movement, line));
            long minor = one.amount().isBlank()
                    ? 0
                    : Money.minor(one.amount(), current.currency())
                            * line.direction().sign();
            if (minor != 0) {
                movements.add(new BankMovement(
                        account.id(),
                        days.lastDay(),
                        days.lastDay(),
                        minor,
                        "Typed: " + line.name(),
                        "",
                        "",
                        List.of(new AssignedPart(line.id(), minor))));
            }
        }
        String words = typing.figures().size() == 1
                ? "Actual of " + typing.figures().get(0).amount() + " typed"
                : typing.figures().size() + " actuals typed";
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, words, draft -> {
                    double position = stores.lines().all(plan).stream()
                            .mapToDouble(PlacedLine::position)
                            .max()
                            .orElse(0);
                    for (Line line : fresh) {
                        draft.putLine(line, ++position);
                    }
                    if (!Set.copyOf(movements).equals(Set.copyOf(known))) {
                        replace(draft, before, account, days, movements);
                    }
                }),
                stores);
    }

    private static void replace(
            Draft draft, Optional<StatementListed> before, Account account, Period days, List<BankMovement> movements) {
        before.ifPresent(statement -> draft.switchOff(statement.id()));
        if (!movements.isEmpty()) {
            draft.addStatement(ShortId.next(), account.id(), title(days), movements);
        }
    }

    private static Line fresh(Typed one, List<Line> fresh) {
        Direction direction = one.direction();
        if (direction == null) {
            throw new Refused("Say whether the new line is of receipts or of payments");
        }
        Line line = new Line(
                ShortId.next(),
                null,
                Check.text(Objects.requireNonNullElse(one.name(), ""), "name of the new line"),
                direction,
                true,
                null,
                "",
                DatedItems.untaxed(List.of(), Convention.FOLLOWING),
                List.of());
        fresh.add(line);
        return line;
    }
}

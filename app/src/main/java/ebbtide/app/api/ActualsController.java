package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.TypedActuals;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.plan.Direction;
import ebbtide.time.Period;
import ebbtide.track.TypedActual;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
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
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;
    private final TypedActuals actuals;

    ActualsController(Plans plans, Edits edits, Stores stores, TypedActuals actuals) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
        this.actuals = actuals;
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
    @Allowed(Role.ONLOOKER)
    ActualsView view(
            @PathVariable String plan,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(required = false) String account) {
        PlanAtVersion current = plans.current(plan);
        LocalDate asOf = current.plan().settings().asOf();
        Period days = TypedActuals.days(from == null ? asOf.plusDays(1) : from, to == null ? asOf.plusDays(7) : to);
        Account on = TypedActuals.account(current, account);
        List<BankMovement> typed = actuals.typed(plan, on, days);
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
            @Schema(nullable = true) @Nullable Direction direction) {
        TypedActuals.TypedFigure figure() {
            return new TypedActuals.TypedFigure(line, amount, name, direction);
        }
    }

    @PutMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome type(@PathVariable String plan, @RequestParam long version, @RequestBody Typing typing) {
        Period days = TypedActuals.days(typing.from(), typing.to());
        List<TypedActuals.TypedFigure> figures =
                typing.figures().stream().map(Typed::figure).toList();
        return EditOutcome.of(
                plan, edits.edit(plan, version, actuals.type(plan, days, typing.account(), figures)), stores);
    }
}

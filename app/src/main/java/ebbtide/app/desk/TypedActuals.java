package ebbtide.app.desk;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.app.desk.Edits.Change;
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
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Actuals typed without a bank's file: what each line came to in some days, kept as a statement of one movement a line,
 * which a figure typed again replaces.
 */
@Component
public record TypedActuals(Stores stores) {
    /** Returns the days from one to another, both included. */
    public static Period days(LocalDate from, LocalDate to) {
        Check.that(
                !to.isBefore(from), "The days end on " + DAY.format(to) + ", before they begin on " + DAY.format(from));
        return new Period(from, to.plusDays(1));
    }

    /** Returns the account that figures are typed on, the first that is not restricted where none is named. */
    public static Account account(PlanAtVersion current, @Nullable String id) {
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

    /** Returns what was typed of some days on an account. */
    public List<BankMovement> typed(String plan, Account account, Period days) {
        return findTyped(plan, account, days)
                .map(statement -> stores.movements().ofStatement(plan, statement.id(), days.lastDay()))
                .orElse(List.of());
    }

    /**
     * A figure of a line, in the currency's units and the line's direction, blank to take it back. One without a line
     * makes one of a name and direction, of which nothing is forecast.
     */
    public record TypedFigure(
            @Nullable String line,
            String amount,
            @Nullable String name,
            @Nullable Direction direction) {}

    /** Types figures of some days, on an account, the first where none is named. */
    public Change type(String plan, Period days, @Nullable String accountId, List<TypedFigure> figures) {
        return draft -> {
            PlanAtVersion current = draft.base();
            Account account = account(current, accountId);
            List<BankMovement> known = typed(plan, account, days);
            List<BankMovement> movements = new ArrayList<>(known);
            List<Line> fresh = new ArrayList<>();
            for (TypedFigure one : figures) {
                Line line = line(one, current, fresh);
                movements.removeIf(movement -> TypedActual.isOf(movement, line));
                long minor = one.amount().isBlank()
                        ? 0
                        : Money.minor(one.amount(), current.currency())
                                * line.direction().sign();
                if (minor != 0) {
                    movements.add(movement(line, minor, account, days));
                }
            }
            draft.putLast(fresh);
            if (!Set.copyOf(movements).equals(Set.copyOf(known))) {
                findTyped(plan, account, days)
                        .ifPresent(statement -> draft.books().switchOff(statement.id()));
                draft.books().addStatement(ShortId.next(), account.id(), title(days), movements);
            }
            return figures.size() == 1
                    ? "Actual of " + figures.get(0).amount() + " typed"
                    : figures.size() + " actuals typed";
        };
    }

    private static BankMovement movement(Line line, long minor, Account account, Period days) {
        return new BankMovement(
                account.id(),
                days.lastDay(),
                days.lastDay(),
                minor,
                "Typed: " + line.name(),
                "",
                "",
                List.of(new AssignedPart(line.id(), minor)));
    }

    private static Line line(TypedFigure one, PlanAtVersion current, List<Line> fresh) {
        if (one.line() != null) {
            return current.plan()
                    .findLine(one.line())
                    .filter(some -> !some.isGroup())
                    .orElseThrow(() -> new Refused("There is no line '" + one.line() + "' to type a figure on"));
        }
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

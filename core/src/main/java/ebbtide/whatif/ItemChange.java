package ebbtide.whatif;

import ebbtide.books.OpenItem;
import ebbtide.items.LineItems;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Alteration;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.whatif.Target.OfItem.Part;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a change says of one open item (rules 11.1): another day on which it is expected, another promise, whether it is
 * held. What it comes to is a fact.
 */
record ItemChange(Plan plan, String by, OpenItem item, Line line) {

    /** Returns what is said of an item as a plan has it. */
    static Handling said(Line line, OpenItem item) {
        return line.findSaidOfItem(item.id()).map(Alteration.ItemSaid::said).orElse(item.handling());
    }

    /** Returns an item as a line of a plan shows it: with what is said of it, and the discount that may be taken. */
    static OpenItem shown(Line line, OpenItem item) {
        boolean inFull = line.altered().stream()
                .anyMatch(one -> one instanceof Alteration.WithoutDiscounts full && full.isOf(item.counterparty()));
        return (inFull ? item.withoutDiscount() : item).with(said(line, item));
    }

    /** Returns what a part of what is said of an item is, as it is typed; nothing where it is not said. */
    static Optional<Typed> typed(Handling said, Part part) {
        return switch (part) {
            case EXPECTED -> Optional.ofNullable(said.expected()).map(Typed.Day::new);
            case PROMISED -> Optional.ofNullable(said.promised()).map(Typed.Day::new);
            case STANDING -> Optional.of(new Typed.Word(word(said.standing())));
        };
    }

    private static String word(Handling.Standing standing) {
        return standing.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /**
     * Returns the plan with something else said of the item.
     *
     * @throws Refused where the item is paid or does not count, or that cannot be said of it
     */
    Plan with(Change change, Part part) {
        Check.that(item.amount().open() > 0, name() + " is paid: there is nothing to expect of it");
        Check.that(LineItems.counts(line), "Open items do not count on '" + line.name() + "'");
        Check.that(change.range().isAlways(), "What is said of an item holds without a range");
        Handling said = said(line, item);
        Handling other =
                switch (part) {
                    case EXPECTED -> said.expectedOn(day(change.act(), said.expected()));
                    case PROMISED -> said.promisedFor(day(change.act(), said.promised()));
                    case STANDING -> said.standing(standing(change.act()));
                };
        return plan.with(line.altered(new Alteration.ItemSaid(by, item.id(), other)));
    }

    private String name() {
        return "'" + item.number() + "' of " + item.counterparty();
    }

    private @Nullable LocalDate day(Act act, @Nullable LocalDate there) {
        if (act instanceof Act.Set set && set.value() instanceof Typed.Day typed) {
            return later(typed.day());
        }
        if (there != null && act instanceof Act.Shift shift) {
            return later(shift.of(there));
        }
        if (there != null && act instanceof Act.LeaveOut) {
            return null;
        }
        throw new Refused(
                there == null && !(act instanceof Act.Set)
                        ? "No such day is typed for " + name() + ": set one"
                        : "A day of " + name() + " is set to one such as 2026-04-14, shifted, or left out");
    }

    private LocalDate later(LocalDate day) {
        LocalDate asOf = plan.settings().asOf();
        Check.that(
                day.isAfter(asOf), name() + " can only be expected after the as-of date, " + asOf + ", not on " + day);
        return day;
    }

    private Handling.Standing standing(Act act) {
        if (act instanceof Act.Set set) {
            for (Handling.Standing one : Handling.Standing.values()) {
                if (set.value().text().equals(word(one))) {
                    return one;
                }
            }
        }
        throw new Refused(name() + " is set to be normal, held, disputed, or cannot-wait");
    }
}

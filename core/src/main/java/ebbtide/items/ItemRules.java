package ebbtide.items;

import ebbtide.books.OpenItem;
import ebbtide.plan.Alteration;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * All of a line that the days of its open items follow from: whether they count, the convention they move by, and what
 * a scenario does to them and says of each, by its id. What else the line assumes, its amounts for one, leaves them
 * where they are.
 */
record ItemRules(
        String lineId,
        Direction direction,
        boolean counts,
        Convention convention,
        List<Alteration> altered,
        Map<String, Alteration.ItemSaid> said) {

    /** Reads them of a line of a plan, which is switched on or not. */
    static ItemRules of(Line line, boolean active) {
        return new ItemRules(
                line.id(),
                line.direction(),
                active && LineItems.counts(line),
                line.assumption().conventionOfItems(line.direction()),
                line.altered().stream()
                        .filter(one -> one instanceof Alteration.PaidLater || one instanceof Alteration.OfItems)
                        .toList(),
                line.saidOfItems().stream()
                        .collect(Collectors.toMap(Alteration.ItemSaid::item, one -> one, (one, later) -> later)));
    }

    /** Returns items as a scenario has them: what is said of them may be other than in the books. */
    List<OpenItem> asSaid(List<OpenItem> items) {
        return said.isEmpty()
                ? items
                : items.stream()
                        .map(item ->
                                saidOf(item).map(one -> item.with(one.said())).orElse(item))
                        .toList();
    }

    /** Returns what a scenario says of an item in the place of what the books have, if anything. */
    Optional<Alteration.ItemSaid> saidOf(OpenItem item) {
        return Optional.ofNullable(said.get(item.id()));
    }

    /** Returns in which scenario a counterparty fails, if in any. */
    Optional<String> failsIn(String counterparty) {
        return of(Alteration.Fails.class, counterparty).map(Alteration::by).findFirst();
    }

    /** Returns whether a scenario has the items of a counterparty paid when they fall due. */
    boolean isOnDueDates(String counterparty) {
        return of(Alteration.OnDueDates.class, counterparty).findAny().isPresent();
    }

    /** Returns whether a scenario has the items of a counterparty paid in full, whatever discount they offer. */
    boolean isWithoutDiscounts(String counterparty) {
        return of(Alteration.WithoutDiscounts.class, counterparty).findAny().isPresent();
    }

    /** Returns how many days later a scenario has paid what is paid to, or by, a counterparty on a day. */
    int paidLater(LocalDate day, String counterparty) {
        return Alteration.paidLater(altered, day, counterparty);
    }

    /** Returns whether a scenario has any of its cash paid later or sooner. */
    boolean isPaidLater() {
        return Alteration.isPaidLater(altered);
    }

    private <T extends Alteration.OfItems> Stream<T> of(Class<T> kind, String counterparty) {
        // Asked of every item, and nothing is altered in the base.
        return altered.isEmpty()
                ? Stream.empty()
                : altered.stream().filter(kind::isInstance).map(kind::cast).filter(one -> one.isOf(counterparty));
    }
}

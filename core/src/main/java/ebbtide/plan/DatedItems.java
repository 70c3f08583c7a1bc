package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Single dated items (rules 7.7). */
public record DatedItems(List<DatedItem> items, SalesTax tax, Convention convention) implements Assumption {
    public DatedItems {
        items = items.stream()
                .sorted(java.util.Comparator.comparing(DatedItem::date))
                .toList();
        Check.that(items.size() <= 5_000, "a line has at most 5,000 single items, but had " + items.size());
        Map<LocalDate, Long> days = new TreeMap<>();
        java.util.Objects.requireNonNull(tax, "sales tax");
        items.forEach(item -> Check.that(
                days.put(item.date(), item.amount()) == null,
                "two items on " + item.date() + " in one line: add them up, or give one a day of its own"));
    }

    @Override
    public String kind() {
        return "items";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return direction == Direction.RECEIPT ? Nature.OTHER_INCOME : Nature.OVERHEADS;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.byNature(direction, nature);
    }

    @Override
    public boolean isDoubtful() {
        return items.stream().anyMatch(item -> item.certainty() != Certainty.CERTAIN);
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public List<Input<DatedItems>> inputs() {
        return Inputs.of(this)
                .in("tax", tax, SalesTax::inputs)
                .each("items", items, item -> item.date().toString(), (item, at) -> item.inputs())
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .list();
    }

    @Override
    public boolean lacksAmount() {
        return items.isEmpty();
    }

    @Override
    public boolean keepsItems() {
        return true;
    }

    @Override
    public Convention conventionOfItems(Direction direction) {
        return convention;
    }

    @Override
    public Assumption cleared() {
        return new DatedItems(List.of(), tax, convention);
    }

    /** Returns items without sales tax. */
    public static DatedItems untaxed(List<DatedItem> items, Convention convention) {
        return new DatedItems(items, SalesTax.NONE, convention);
    }
}

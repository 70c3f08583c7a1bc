package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;

/** An amount expected on a date. */
public record DatedItem(LocalDate date, long amount, Certainty certainty, String note) {
    public DatedItem {
        Check.inRange(date.getYear(), 1990, 2120, "year of " + date);
        Check.notNegative(amount, "amount on " + date);
        note = note == null ? "" : Check.atMost(note.strip(), "note of an item", 1_000);
    }

    Inputs<DatedItem> inputs() {
        return Inputs.of(this)
                .on(date, note, "amount", "item, " + certainty.name().toLowerCase(java.util.Locale.ROOT), Unit.MONEY)
                .when(false, "certainty", "certainty of an item", Unit.CHOICE)
                .when(false, "date", "day of " + (note.isBlank() ? "an item" : note), Unit.DATE);
    }
}

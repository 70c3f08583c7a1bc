package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.money.Rounding;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The year that years go on from, typed by itself (rules 9.4): its income statement, the balance sheet at its end, how
 * many days its flows are of, and losses brought forward into the next. Minor units.
 */
public record LastYear(LocalDate end, int days, long losses, List<Entry> entries) {
    private static final int MOST_ENTRIES = 200;
    private static final int MOST_DAYS = 732;

    /**
     * A row of the year: what it is, and its amount above zero on the side of that. {@code ends} is the day on which a
     * facility ends, null without one.
     */
    public record Entry(
            String id,
            String name,
            YearRow row,
            long amount,
            @Nullable LocalDate ends) {
        public Entry {
            id = Check.text(id, "id of a row of the last year", 80);
            name = Check.text(name, "name of a row of the last year", 120);
            Objects.requireNonNull(row, "what " + name + " is");
            Check.that(
                    row.isMany() || id.equals(row.id()),
                    name + " is " + row.words() + ", of which there is one, with the id '" + row.id() + "'");
            Check.that(
                    !row.isMany() || YearRow.single(id).isEmpty(),
                    "the id '" + id + "' belongs to a row of which there is one: give " + name + " another");
            Check.that(
                    !YearRow.TAKEN.contains(id),
                    "the id '" + id + "' is that of a sum or of what years take up themselves: give " + name
                            + " another");
            Rounding.counted(amount);
            Check.that(
                    ends == null || row == YearRow.DEBT, "only a facility has a day on which it ends: not so " + name);
        }

        /** Makes a row that nothing ends. */
        public Entry(String id, String name, YearRow row, long amount) {
            this(id, name, row, amount, null);
        }
    }

    public LastYear {
        Objects.requireNonNull(end, "last day of the last year");
        Check.inRange(days, 1, MOST_DAYS, "days of the last year");
        Check.notNegative(losses, "losses brought forward");
        entries = List.copyOf(entries);
        Check.that(
                entries.size() <= MOST_ENTRIES,
                "the last year has at most " + MOST_ENTRIES + " rows, but had " + entries.size());
        for (int i = 0; i < entries.size(); i++) {
            Entry one = entries.get(i);
            if (entries.subList(0, i).stream().anyMatch(other -> other.id().equals(one.id()))) {
                throw new Refused("two rows of the last year are '" + one.id()
                        + "': add them up, or give each its own id and make them rows of which there may be several");
            }
        }
    }

    /** Returns the row of an id. */
    public Optional<Entry> find(String id) {
        return entries.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** Returns what the balance sheet lacks to balance: assets less what is owed and equity (rules 9.1). */
    public long unplaced() {
        return entries.stream()
                .filter(one -> one.row().part().isLevel())
                .mapToLong(one -> one.amount() * one.row().sign())
                .sum();
    }
}

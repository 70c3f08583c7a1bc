package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.util.Collection;
import java.util.Collections;
import java.util.SortedSet;
import java.util.TreeSet;

/**
 * What the runs of a simulation are drawn by (rules 11.8): the doubt of a receipt or payment line whose record is too
 * short, the chance that all lines of a run err together, and that a promise or a typed day is kept; the lines, by id,
 * that are firm and those that are drawn, against what is usual of their kind.
 */
public record Chances(
        Percent receipts,
        Percent payments,
        Percent together,
        Percent promises,
        SortedSet<String> firm,
        SortedSet<String> drawn) {
    public static final Chances USUAL = new Chances(
            Percent.parse("15"),
            Percent.parse("5"),
            Percent.parse("50"),
            Percent.HUNDRED,
            Collections.emptySortedSet(),
            Collections.emptySortedSet());

    public Chances {
        Check.inRange(receipts, Percent.ZERO, Percent.HUNDRED, "doubt of receipts");
        Check.inRange(payments, Percent.ZERO, Percent.HUNDRED, "doubt of payments");
        Check.inRange(together, Percent.ZERO, Percent.HUNDRED, "chance that all lines err together");
        Check.inRange(promises, Percent.ZERO, Percent.HUNDRED, "chance that a promise is kept");
        firm = Collections.unmodifiableSortedSet(new TreeSet<>(firm));
        drawn = Collections.unmodifiableSortedSet(new TreeSet<>(drawn));
        Check.that(
                Collections.disjoint(firm, drawn),
                "a line is firm or drawn, not both: look at "
                        + firm.stream().filter(drawn::contains).findFirst().orElse(""));
    }

    /** Returns the same with lines that are firm or drawn, by id, against what is usual of their kind. */
    public Chances with(Collection<String> firmLines, Collection<String> drawnLines) {
        return new Chances(receipts, payments, together, promises, new TreeSet<>(firmLines), new TreeSet<>(drawnLines));
    }

    /** Returns the doubt of a line of a direction. */
    public Percent doubt(Direction direction) {
        return direction == Direction.RECEIPT ? receipts : payments;
    }

    /**
     * Returns whether the estimates of a line, by its id, are firm: all but streams and what is not certain, which are
     * doubtful, unless it is said.
     */
    public boolean isFirm(String lineId, boolean doubtful) {
        return firm.contains(lineId) || !drawn.contains(lineId) && !doubtful;
    }

    Inputs<Chances> inputs() {
        return Inputs.of(this)
                .when(!receipts.equals(USUAL.receipts), "receipts", "doubt of receipts", Unit.SHARE)
                .when(!payments.equals(USUAL.payments), "payments", "doubt of payments", Unit.SHARE)
                .when(!together.equals(USUAL.together), "together", "chance that all lines err together", Unit.SHARE)
                .when(!promises.equals(USUAL.promises), "promises", "chance that a promise is kept", Unit.SHARE);
    }
}

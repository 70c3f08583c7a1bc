package ebbtide.plan;

import java.util.Set;

/** Which certainties of dated items are in the figures, of receipts and of payments (rules 7.7). */
public record CountedCertainties(Set<Certainty> receipts, Set<Certainty> payments) {
    public CountedCertainties {
        receipts = Set.copyOf(receipts);
        payments = Set.copyOf(payments);
    }

    /** Returns whether items of a certainty are in the figures of a direction. */
    public boolean counts(Direction direction, Certainty certainty) {
        return (direction == Direction.RECEIPT ? receipts : payments).contains(certainty);
    }
}

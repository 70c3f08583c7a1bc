package ebbtide.plan;

import java.util.Set;

/** Which certainties of dated items are in the figures, of receipts and of payments (rules 7.7). */
public record CountedCertainties(Set<Certainty> receipts, Set<Certainty> payments) {
    public CountedCertainties {
        receipts = Set.copyOf(receipts);
        payments = Set.copyOf(payments);
    }
}

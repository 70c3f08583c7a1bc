package ebbtide.plan;

import java.util.Set;

/**
 * Where a line stands in the statements (rules 9.1) because of its kind: the row of its cash, the kind of its own
 * account where no opening entry says otherwise, and the kinds of account in which it holds what it has billed
 * otherwise than it earns, the first being the usual one.
 */
public record Standing(CashRow cash, OpeningSheet.Kind own, Set<OpeningSheet.Kind> apart) {

    /** Returns the standing of a line that holds nothing apart from its own account. */
    static Standing of(CashRow cash, OpeningSheet.Kind own) {
        return new Standing(cash, own, Set.of());
    }

    /** Returns the standing of a line that stands where its nature and direction say. */
    static Standing byNature(Direction direction, Nature nature) {
        return of(
                CashRow.BY_NATURE,
                nature == Nature.OUTSIDE
                        ? OpeningSheet.Kind.PAID_IN
                        : direction == Direction.RECEIPT ? OpeningSheet.Kind.RECEIVABLES : OpeningSheet.Kind.PAYABLES);
    }

    /** Returns whether such a line holds fixed assets of its own. */
    public boolean holdsAssets() {
        return apart.contains(OpeningSheet.Kind.FIXED_ASSETS) && (cash == CashRow.CAPITAL || cash == CashRow.LEASES);
    }

    Standing holding(Set<OpeningSheet.Kind> others) {
        return new Standing(cash, own, others);
    }
}

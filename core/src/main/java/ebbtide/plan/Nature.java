package ebbtide.plan;

/** Where a line stands in the income statement, or that it stands outside it. */
public enum Nature {
    SALES,
    OTHER_INCOME,
    COST_OF_SALES,
    OVERHEADS,
    /** A cost that is never paid: it stands below EBITDA and lowers fixed assets (rules 9.6). */
    DEPRECIATION,
    /** An overhead that is never paid: it raises provisions (rules 9.6). */
    PROVISION,
    /** No income or cost: equity paid in, loans, assets, tax that is only passing through. */
    OUTSIDE;

    /** Returns whether only a cost that is never paid can be of this nature. */
    public boolean isNeverPaid() {
        return this == DEPRECIATION || this == PROVISION;
    }
}

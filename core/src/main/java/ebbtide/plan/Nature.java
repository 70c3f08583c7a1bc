package ebbtide.plan;

/** Where a line stands in the income statement, or that it stands outside it. */
public enum Nature {
    SALES,
    OTHER_INCOME,
    COST_OF_SALES,
    OVERHEADS,
    /** No income or cost: equity paid in, loans, assets, tax that is only passing through. */
    OUTSIDE;
}

package ebbtide.plan;

/** Whether open items are kept for a stream (rules 3.7). A line changes basis as a whole. */
public enum Basis {
    /** They are not: history put through its terms makes what is still owed. */
    PATTERN,
    /**
     * They are: invoices and orders that are known make the near weeks, the plan only what they leave of each month.
     */
    BOOKS
}

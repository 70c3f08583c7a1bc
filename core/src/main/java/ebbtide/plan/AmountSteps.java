package ebbtide.plan;

/** How a month's amount follows a new value that begins inside the month (rules 2.2). */
public enum AmountSteps {
    /** The month keeps the value in force on its first day. */
    FIRST_DAY,
    /** Each value counts for the calendar days it holds. */
    BY_DAYS
}

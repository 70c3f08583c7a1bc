package ebbtide.flows;

import ebbtide.accounts.Expectation;
import ebbtide.billing.DayBilling;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.OwedByHistory;
import ebbtide.billing.TargetBilling;
import ebbtide.items.ExpectedItem;
import ebbtide.plan.CarriedAmount;

/** What receives the estimated flows of a line, each with its cause: to add them up, or to explain them. */
public interface FlowSink {
    /** Takes the cash of one step of a month's billing; it falls in the month {@code billing.cashMonth(step)}. */
    void fromPattern(MonthBilling billing, int step);

    /**
     * Takes the part of a month's billing that terms of days have paid on a day, by an index that may lie off the
     * timeline, and on which a scenario has it paid.
     */
    void fromDays(DayBilling billing, int day, int moved, long minor);

    /** Takes a month's cash of a stream that stands at a target of days; the billing lays it over its days. */
    void fromTarget(TargetBilling billing, TargetBilling.Month month);

    /** Takes what truing up to the ledger adds to a month's or a day's cash (rules 3.5). */
    void fromTrueUp(OwedByHistory implied, OwedByHistory.Correction correction);

    /** Takes what an open item is expected to pay, on its day (rules 4). */
    void fromItem(ExpectedItem item, int day, long minor);

    /** Takes what was carried to a day on a stream (rules 10.5). */
    void fromCarried(CarriedAmount carried, int day);

    /**
     * Takes what is left of an expectation on the day it is forecast, overdue when its own day has passed (1.9), and on
     * which a scenario has it paid.
     */
    void fromExpectation(Expectation expectation, int day, int moved, boolean overdue);
}

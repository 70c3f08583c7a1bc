package ebbtide.plan;

import ebbtide.money.Check;

/**
 * What the ledger says a line is owed, or owes, on the as-of date, and whether the flows that the plan's history
 * implies are scaled to it (rules 3.5). Minor units with sales tax in them.
 */
public record Ledger(long amount, boolean trueUp) {
    public Ledger {
        Check.notNegative(amount, "ledger total");
    }

    Inputs<Ledger> inputs() {
        return Inputs.of(this)
                .add("amount", trueUp ? "ledger total, trued up" : "ledger total", Unit.MONEY)
                .when(false, "trueUp", "trued up to the ledger", Unit.CHOICE)
                .facts("amount", "trueUp");
    }
}

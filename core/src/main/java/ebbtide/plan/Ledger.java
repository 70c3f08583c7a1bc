package ebbtide.plan;

import ebbtide.money.Check;

/**
 * What the ledger says a line is owed, or owes, on the as-of date, and whether the flows that the plan's history implies are
 * scaled to it (rules 3.5). Minor units with sales tax in them.
 */
public record Ledger(long amount, boolean trueUp) {
  public Ledger {
    Check.notNegative(amount, "ledger total");
  }
}

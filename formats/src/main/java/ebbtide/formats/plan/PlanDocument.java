package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.plan.Plan;
import ebbtide.whatif.Scenarios;
import java.util.List;

/**
 * What a plan file holds: the plan, its accounts, the remembered rules, the movements with what they were assigned to,
 * the open items, paid ones with them, the scenarios, what the ledger says of months that are over, and what was before
 * now where it was asked for.
 */
public record PlanDocument(
        Plan plan,
        List<Account> accounts,
        List<AssignRule> rules,
        List<BankMovement> movements,
        List<OpenItem> items,
        Scenarios scenarios,
        ActualLedger actual,
        PlanPast past) {
    /** Makes a document without open items and scenarios. */
    public PlanDocument(Plan plan, List<Account> accounts, List<AssignRule> rules, List<BankMovement> movements) {
        this(plan, accounts, rules, movements, List.of());
    }

    /** Makes a document without scenarios. */
    public PlanDocument(
            Plan plan,
            List<Account> accounts,
            List<AssignRule> rules,
            List<BankMovement> movements,
            List<OpenItem> items) {
        this(plan, accounts, rules, movements, items, Scenarios.NONE);
    }

    /** Makes a document without trial balances and what was before. */
    public PlanDocument(
            Plan plan,
            List<Account> accounts,
            List<AssignRule> rules,
            List<BankMovement> movements,
            List<OpenItem> items,
            Scenarios scenarios) {
        this(plan, accounts, rules, movements, items, scenarios, ActualLedger.NONE, PlanPast.NONE);
    }

    /** Returns the document with what was before. */
    public PlanDocument with(PlanPast before) {
        return new PlanDocument(plan, accounts, rules, movements, items, scenarios, actual, before);
    }

    /** Returns the document with what the ledger says of months that are over. */
    public PlanDocument with(ActualLedger ledger) {
        return new PlanDocument(plan, accounts, rules, movements, items, scenarios, ledger, past);
    }

    public PlanDocument {
        items = List.copyOf(items);
        accounts = List.copyOf(accounts);
        rules = List.copyOf(rules);
        movements = List.copyOf(movements);
    }

    /** Returns the books of the accounts, movements and items. */
    public Books books() {
        return Books.of(accounts, movements)
                .with(OpenItems.of(items).settled(BankMovement.settled(movements)))
                .with(actual);
    }
}

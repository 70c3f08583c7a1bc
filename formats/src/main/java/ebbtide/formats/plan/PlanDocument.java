package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.plan.Plan;
import java.util.List;

/**
 * What a plan file holds: the plan, its accounts, the remembered rules, the movements with what they were assigned to,
 * and the open items, paid ones with them.
 */
public record PlanDocument(
        Plan plan, List<Account> accounts, List<AssignRule> rules, List<BankMovement> movements, List<OpenItem> items) {
    /** Makes a document without open items. */
    public PlanDocument(Plan plan, List<Account> accounts, List<AssignRule> rules, List<BankMovement> movements) {
        this(plan, accounts, rules, movements, List.of());
    }

    public PlanDocument {
        items = List.copyOf(items);
        accounts = List.copyOf(accounts);
        rules = List.copyOf(rules);
        movements = List.copyOf(movements);
    }

    /** Returns the books of the accounts, movements and items. */
    public Books books() {
        return Books.of(accounts, movements).with(OpenItems.of(items).settled(BankMovement.settled(movements)));
    }
}

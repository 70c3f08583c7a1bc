package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.plan.Plan;
import java.util.List;

/** What a plan file holds: the plan, its accounts, the remembered rules, and the movements with what they were assigned to. */
public record PlanDocument(Plan plan, List<Account> accounts, List<AssignRule> rules,
    List<BankMovement> movements) {
  public PlanDocument {
    accounts = List.copyOf(accounts);
    rules = List.copyOf(rules);
    movements = List.copyOf(movements);
  }

  /** Returns the books of the accounts and movements. */
  public Books books() {
    return Books.of(accounts, movements);
  }
}

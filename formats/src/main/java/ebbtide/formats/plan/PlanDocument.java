package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.plan.Plan;
import java.util.List;

/** What a plan file holds: the plan, its accounts, and the bank movements with what they were assigned to. */
public record PlanDocument(Plan plan, List<Account> accounts, List<BankMovement> movements) {
  public PlanDocument {
    accounts = List.copyOf(accounts);
    movements = List.copyOf(movements);
  }

  /** Returns the books of the accounts and movements. */
  public Books books() {
    return Books.of(accounts, movements);
  }
}

package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.OpenItems;
import java.util.List;

/** Books, and how many of their movements are not wholly assigned, those of restricted accounts included. */
record Counted(Books books, int unassigned) {

  /** Returns what movements come to in the books of a plan's accounts. */
  static Counted of(List<Account> accounts, List<BankMovement> movements) {
    return new Counted(Books.of(accounts, movements), (int) movements.stream().filter(m -> m.unassigned() != 0).count());
  }

  /** Returns the same with other open items. */
  Counted with(OpenItems items) {
    return new Counted(books.with(items), unassigned);
  }

  Counted plus(Counted others) {
    return new Counted(books.plus(others.books), unassigned + others.unassigned);
  }

  Counted minus(Counted others) {
    return new Counted(books.minus(others.books), unassigned - others.unassigned);
  }
}

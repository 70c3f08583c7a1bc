package ebbtide.app.storage;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.OpenItems;
import java.util.List;

/** Books, and how many of their movements are not wholly assigned, those of restricted accounts included. */
public record BooksWithCount(Books books, int unassigned) {

    /** Returns what movements come to in the books of a plan's accounts. */
    public static BooksWithCount of(List<Account> accounts, List<BankMovement> movements) {
        return new BooksWithCount(Books.of(accounts, movements), (int)
                movements.stream().filter(m -> m.unassigned() != 0).count());
    }

    /** Returns the same with other open items. */
    public BooksWithCount with(OpenItems items) {
        return new BooksWithCount(books.with(items), unassigned);
    }

    /** Returns the same with what the ledger says of months that are over. */
    public BooksWithCount with(ActualLedger ledger) {
        return new BooksWithCount(books.with(ledger), unassigned);
    }

    public BooksWithCount plus(BooksWithCount others) {
        return new BooksWithCount(books.plus(others.books), unassigned + others.unassigned);
    }

    public BooksWithCount minus(BooksWithCount others) {
        return new BooksWithCount(books.minus(others.books), unassigned - others.unassigned);
    }
}

package ebbtide.sim;

import ebbtide.books.BankMovement;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.util.List;

/**
 * What happens to the demo company from September 2025 to the end of August 2026, of one seed: what its ledger holds,
 * and what its banks book. The statements and lists that the stand-ins issue are cut from it.
 */
final class DemoWorld {
    private static final DemoWorld WORLD = new DemoWorld();
    private final Plan plan = DemoPlan.planned();
    private final List<LedgerEntry> ledger = DemoLedger.entries(plan);
    private final List<BankMovement> movements = DemoBank.movements(plan, ledger);

    private DemoWorld() {}

    static DemoWorld get() {
        return WORLD;
    }

    /** Returns the ledger's entries in order of issue. */
    List<LedgerEntry> ledger() {
        return ledger;
    }

    /** Returns what all banks book, in order of account and day, each movement assigned as a person would. */
    List<BankMovement> movements() {
        return movements;
    }

    /** Returns what an account's bank books from one day to another, both included. */
    List<BankMovement> movements(String account, LocalDate from, LocalDate to) {
        return movements.stream()
                .filter(m -> m.account().equals(account)
                        && !m.bookingDate().isBefore(from)
                        && !m.bookingDate().isAfter(to))
                .toList();
    }

    /** Returns a line's list as of a day, with what was booked up to another entered as paid. */
    String list(String lineId, LocalDate day, LocalDate bookedUpTo) {
        return DemoLedger.list(ledger, plan.findLine(lineId).orElseThrow(), day, bookedUpTo);
    }
}

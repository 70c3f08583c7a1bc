package ebbtide.sim;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * An invoice or bill of the demo's ledger, in minor units, from the order before it (a day, or none) to what was paid
 * of it. Nothing is paid of one that is disputed.
 */
record LedgerEntry(
        String lineId,
        String number,
        String party,
        @Nullable LocalDate ordered,
        LocalDate issued,
        LocalDate due,
        long gross,
        long tax,
        List<Paid> payments) {

    /** What a bank booked for an entry on a day, and what the bank kept of it. */
    record Paid(LocalDate day, long minor, long kept) {}

    LedgerEntry {
        Objects.requireNonNull(issued, "issue date");
        payments = List.copyOf(payments);
        Check.that(
                payments.stream().mapToLong(paid -> paid.minor() + paid.kept()).sum() <= gross,
                "more is paid than owed on " + number);
    }

    /** Returns what is open when everything booked up to a day is known. */
    long openOn(LocalDate day) {
        return gross
                - payments.stream()
                        .filter(paid -> !paid.day().isAfter(day))
                        .mapToLong(paid -> paid.minor() + paid.kept())
                        .sum();
    }

    /** Returns the day of the last payment, once nothing is open on a day; null before. */
    @Nullable
    LocalDate paidOn(LocalDate day) {
        return openOn(day) > 0 ? null : payments.get(payments.size() - 1).day();
    }
}

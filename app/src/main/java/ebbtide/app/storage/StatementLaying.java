package ebbtide.app.storage;

import ebbtide.books.BankMovement;
import ebbtide.money.Refused;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The laying down of a statement's movements one after the other, switched off, in batches of ten thousand: however
 * many they are, one batch of them is held. Those that the account has already are passed over; a movement is the same
 * as another if account, day, amount and the bank's words are, and one that a file has twice is there twice.
 */
public final class StatementLaying {
    /** What is known of a day is let go with the last of its movements, so this is met by files in no order alone. */
    private static final int MOST_KNOWN = 500_000;

    private final String planId;
    private final String id;
    private final String account;
    private final MovementStore movements;
    private final MovementRows rows;
    private final TransactionTemplate transaction;
    private final Runnable eachBatch;
    private final DaySums.Added sums = new DaySums.Added();
    private final Map<LocalDate, Integer> toCome;
    private final Map<LocalDate, Map<String, Integer>> known = new HashMap<>();
    private int held;
    private final List<BankMovement> batch = new ArrayList<>();
    private int added;

    StatementLaying(
            String planId,
            String id,
            StatementStore.ArrivingStatement arriving,
            MovementStore movements,
            MovementRows rows,
            TransactionTemplate transaction,
            Runnable eachBatch) {
        this.planId = planId;
        this.id = id;
        this.account = arriving.account();
        this.toCome = new HashMap<>(arriving.rows());
        this.movements = movements;
        this.rows = rows;
        this.transaction = transaction;
        this.eachBatch = eachBatch;
    }

    /**
     * Takes the next movement.
     *
     * @throws Refused where the account has too many movements already of days that are begun and not at their end
     */
    public void take(BankMovement movement) {
        if (!isKnown(movement)) {
            batch.add(movement);
            sums.add(movement);
            if (batch.size() == MovementRows.BATCH) {
                lay();
            }
        }
    }

    private boolean isKnown(BankMovement movement) {
        LocalDate day = movement.bookingDate();
        Map<String, Integer> ofDay = known.computeIfAbsent(day, this::read);
        boolean there = !ofDay.isEmpty() && take(ofDay, Fingerprint.of(movement));
        if (toCome.merge(day, -1, Integer::sum) == 0) {
            held -= ofDay.size();
            known.remove(day);
        }
        return there;
    }

    /** Takes one of what is known, so that one that comes once more than it is there is added. */
    private static boolean take(Map<String, Integer> ofDay, String fingerprint) {
        int times = ofDay.getOrDefault(fingerprint, 0);
        if (times > 0) {
            ofDay.put(fingerprint, times - 1);
        }
        return times > 0;
    }

    private Map<String, Integer> read(LocalDate day) {
        Map<String, Integer> ofDay = movements.fingerprints(planId, account, day, MOST_KNOWN - held + 1);
        held += ofDay.size();
        if (held > MOST_KNOWN) {
            throw new Refused(
                    "More than 500,000 movements are there already of days that this file begins before it ends others: sort it by the booking date, or bring it in in parts");
        }
        return ofDay;
    }

    private void lay() {
        eachBatch.run();
        transaction.executeWithoutResult(status -> rows.add(planId, account, id, batch));
        added += batch.size();
        batch.clear();
    }

    /** Lays down the last of them, and what they come to by day; returns how many were not there yet. */
    public int end() {
        if (!batch.isEmpty()) {
            lay();
        }
        transaction.executeWithoutResult(status -> rows.end(planId, id, sums, added));
        return added;
    }
}

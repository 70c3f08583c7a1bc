package ebbtide.accounts;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;

/**
 * What the interest of a loan or a deposit comes to and when it is paid, which stands on a line of its own; minor
 * units, as a cost: what is earned is below zero.
 */
public interface InterestSchedule {
    /** Returns what falls due on the line of the interest, in order of day. */
    List<Due> interestDues();

    /**
     * Returns the interest of the days up to a day, that one included, rounded once a payment and once for what has
     * accrued since the last.
     */
    long interestUpTo(LocalDate day);

    /** Returns the interest that is owed at the end of a day: accrued, and asked for but not paid yet. */
    long interestOwedOn(LocalDate day);

    /** Returns what of a fee is cost of a month. */
    default long feeOf(YearMonth month) {
        return 0;
    }

    /** Returns the fee that is billed in a month. */
    default long feeBilled(YearMonth month) {
        return 0;
    }
}

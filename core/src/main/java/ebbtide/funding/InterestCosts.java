package ebbtide.funding;

import java.math.BigInteger;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the interest of each source came to by day, whenever it is paid: the sum of what was charged, and what had
 * accrued since the charge before; below zero on cash, which is the last of them.
 */
final class InterestCosts {
    private final List<Accrual> accruals;
    private final int days;
    private final long[] charged;
    private final long[] fits;
    /** What of an accrual does not fit a whole number of the machine; rarely anything. */
    private BigInteger @Nullable [] beyond;

    InterestCosts(List<Accrual> accruals, int days) {
        this.accruals = accruals;
        this.days = days;
        this.charged = new long[accruals.size() * days];
        this.fits = new long[accruals.size() * days];
    }

    Accrual accrual(int source) {
        return accruals.get(source);
    }

    /** Returns 1, or -1 on cash. */
    int sign(int source) {
        return source == accruals.size() - 1 ? -1 : 1;
    }

    int days() {
        return days;
    }

    void put(int source, int day, long sum, Accrued since) {
        int at = day * accruals.size() + source;
        charged[at] = sum;
        fits[at] = since.fits();
        if (beyond != null || since.beyond().signum() != 0) {
            putBeyond(at, since.beyond());
        }
    }

    private void putBeyond(int at, BigInteger more) {
        if (beyond == null) {
            beyond = new BigInteger[charged.length];
        }
        beyond[at] = more;
    }

    /** Returns what was charged and accrued up to a day, with what had accrued by the as-of date. */
    long upTo(int source, int day) {
        int at = day * accruals.size() + source;
        BigInteger more = beyond == null || beyond[at] == null ? BigInteger.ZERO : beyond[at];
        return charged[at] + sign(source) * accrual(source).charge(Accrued.sum(more, fits[at]));
    }

    /** Returns what had accrued by the as-of date. */
    long opening(int source) {
        return sign(source) * accrual(source).charge(accrual(source).opening());
    }
}

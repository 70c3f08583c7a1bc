package ebbtide.funding;

import java.math.BigInteger;

/**
 * What interest came to by day, whenever it is paid: the sum of what was charged, and what had accrued since the charge
 * before.
 */
public final class InterestCost {
    private final Accrual accrual;
    private final int sign;
    private final long[] charged;
    private final BigInteger[] beyond;
    private final long[] fits;

    InterestCost(Accrual accrual, int sign, int days) {
        this.accrual = accrual;
        this.sign = sign;
        this.charged = new long[days];
        this.beyond = new BigInteger[days];
        this.fits = new long[days];
    }

    Accrual accrual() {
        return accrual;
    }

    /** Returns 1, or -1 on cash. */
    int sign() {
        return sign;
    }

    int days() {
        return charged.length;
    }

    void put(int day, long sum, BigInteger since) {
        charged[day] = sum;
        beyond[day] = since;
    }

    void put(int day, long sum, Accrued since) {
        put(day, sum, since.beyond());
        fits[day] = since.fits();
    }

    /**
     * Returns what was charged and accrued up to a day, with what had accrued by the as-of date; below zero on cash.
     */
    public long upTo(int day) {
        return charged[day] + sign * accrual.charge(Accrued.sum(beyond[day], fits[day]));
    }

    /** Returns what had accrued by the as-of date. */
    public long opening() {
        return sign * accrual.charge(accrual.opening());
    }
}

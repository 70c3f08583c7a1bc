package ebbtide.funding;

import java.math.BigInteger;

/**
 * What accrues of interest night by night, in millionths of a minor unit times the days of a year: exact however large
 * it becomes, and a whole number of the machine as long as it fits.
 */
final class Accrued {
    private BigInteger beyond;
    private long fits;

    Accrued(BigInteger opening) {
        boolean fit = opening.bitLength() < Long.SIZE;
        this.beyond = fit ? BigInteger.ZERO : opening;
        this.fits = fit ? opening.longValue() : 0;
    }

    void add(long more) {
        long sum = fits + more;
        if (((fits ^ sum) & (more ^ sum)) < 0) {
            beyond = beyond.add(BigInteger.valueOf(fits));
            sum = more;
        }
        fits = sum;
    }

    void add(BigInteger more) {
        beyond = beyond.add(more);
    }

    /** Begins anew with nothing. */
    void clear() {
        beyond = BigInteger.ZERO;
        fits = 0;
    }

    BigInteger sum() {
        return sum(beyond, fits);
    }

    /** Returns what is kept in two parts: what does not fit and what does. */
    static BigInteger sum(BigInteger beyond, long fits) {
        return fits == 0 ? beyond : beyond.add(BigInteger.valueOf(fits));
    }

    BigInteger beyond() {
        return beyond;
    }

    long fits() {
        return fits;
    }
}

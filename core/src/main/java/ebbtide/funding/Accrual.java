package ebbtide.funding;

import ebbtide.time.DaySeries;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;

/**
 * How interest of something accrues and is paid, by day from the first after the as-of date (rules 8.4): the rates in
 * force in millionths, how many days each night counts for, of how many a year has, and on which day a charge made on a
 * day is paid (-1: none is made). What had accrued by the as-of date and is not charged is {@code opening}, what is
 * charged and not paid {@code pending} on its day (-1: nothing). What the bank has booked of it since is taken off the
 * next that is due. Without {@code counted} nothing accrues.
 */
public record Accrual(
        boolean counted,
        DaySeries rate,
        DaySeries fee,
        int[] nights,
        int year,
        int[] paidOn,
        BigInteger opening,
        long pending,
        int pendingOn,
        DaySeries booked) {
    /** An accrual is counted in millionths of a minor unit, times the days of its year. */
    private static final BigInteger MILLION = BigInteger.valueOf(1_000_000);
    /** Products of balances and of rates times nights that are smaller than these fit, and so does the sum of two. */
    private static final long SMALL = 1L << 38;

    private static final long SMALL_RATE = 1L << 22;

    /** Returns an accrual of something that bears no interest over so many days. */
    public static Accrual none(int days) {
        int[] never = new int[days];
        java.util.Arrays.fill(never, -1);
        return new Accrual(
                false, DaySeries.NIL, DaySeries.NIL, new int[days], 365, never, BigInteger.ZERO, 0, -1, DaySeries.NIL);
    }

    /** Returns an accrued amount of whole minor units. */
    public static BigInteger accrued(long minor, int year) {
        return BigInteger.valueOf(minor).multiply(MILLION).multiply(BigInteger.valueOf(year));
    }

    /** Adds what the night of a day does, on a balance at the rate. */
    void night(int day, long balance, Accrued to) {
        if (counted) {
            night(rate.on(day) * nights[day], balance, 0, 0, to);
        }
    }

    /**
     * Adds what a night does, on a balance and on an undrawn part: what it bears and costs are rates in millionths
     * times the days that it counts for.
     */
    static void night(long bears, long balance, long costs, long undrawn, Accrued to) {
        if (balance < SMALL && undrawn < SMALL && Math.abs(bears) < SMALL_RATE && Math.abs(costs) < SMALL_RATE) {
            to.add(balance * bears + undrawn * costs);
        } else {
            to.add(product(balance, bears).add(product(undrawn, costs)));
        }
    }

    private static BigInteger product(long one, long other) {
        return one == 0 || other == 0
                ? BigInteger.ZERO
                : BigInteger.valueOf(one).multiply(BigInteger.valueOf(other));
    }

    /** Returns an accrued amount as whole minor units, rounded once. */
    long charge(BigInteger accrued) {
        return new BigDecimal(accrued)
                .divide(new BigDecimal(MILLION.multiply(BigInteger.valueOf(year))), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }

    /**
     * Returns the interest of a month by the mean of opening and closing balance, and the fee by that of the undrawn
     * part (rules 8.5): {@code parts} of so many of the year's twelve months, which is 1 of 1 for a whole month; the
     * rates are those of its last day.
     */
    long average(int lastDay, long balances, long undrawn, int parts, int of) {
        if (!counted) {
            return 0;
        }
        BigDecimal twice = new BigDecimal(product(balances, rate.on(lastDay)).add(product(undrawn, fee.on(lastDay))))
                .multiply(BigDecimal.valueOf(parts));
        return twice.divide(new BigDecimal(MILLION).multiply(BigDecimal.valueOf(24L * of)), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }
}

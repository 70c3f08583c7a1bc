package ebbtide.accounts;

import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.Certainty;
import ebbtide.plan.Lease;
import ebbtide.time.BusinessDays;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;

/**
 * The schedule of a lease (rules 8.11): what is financed at which rate, what each payment repays of it and what
 * interest it pays; minor units, without sales tax. A lease of which too little is said has no payments.
 */
public final class LeaseSchedule implements InterestSchedule {
    private static final MathContext EXACT = new MathContext(40);
    private static final BigDecimal HALF_A_STEP = new BigDecimal("0.0000005");

    private final Lease lease;
    private final BusinessDays calendar;
    private final long financed;
    private final Percent rate;
    private final List<Payment> payments = new ArrayList<>();

    /**
     * A payment: its day and the day it is paid on, the first of the days that it covers, what it repays, the interest
     * it pays, and what is left after it. The final one covers the days of the last period.
     */
    public record Payment(
            LocalDate payDay, LocalDate day, LocalDate since, long principal, long interest, long left, boolean last) {
        /** Returns all that is paid. */
        public long whole() {
            return principal + interest;
        }
    }

    /** Works the schedule out; the calendar moves payments, never the interest. */
    public LeaseSchedule(Lease lease, BusinessDays calendar) {
        this.lease = lease;
        this.calendar = calendar;
        this.rate = lease.isKnown() ? rate(lease) : Percent.ZERO;
        BigDecimal ofPeriod = lease.ofPeriod(rate.asFraction());
        this.financed = lease.isKnown() ? financed(ofPeriod) : 0;
        if (lease.isKnown()) {
            lay(ofPeriod, lease.payment() > 0 ? lease.payment() : payment(ofPeriod));
        }
    }

    /** The rate said, else the one, to 0.0001 points, at which payments come to what is financed. */
    private static Percent rate(Lease lease) {
        if (lease.rate() != null) {
            return lease.rate();
        }
        if (lease.financed() == 0) {
            return Percent.ZERO;
        }
        long low = 0;
        long high = Percent.WHOLE * Percent.WHOLE;
        while (high - low > 1) {
            long middle = (low + high) / 2;
            boolean dearer =
                    worth(lease, BigDecimal.valueOf(middle, 6)).compareTo(BigDecimal.valueOf(lease.financed())) >= 0;
            low = dearer ? middle : low;
            high = dearer ? high : middle;
        }
        BigDecimal between = BigDecimal.valueOf(low, 6).add(HALF_A_STEP);
        return new Percent(worth(lease, between).compareTo(BigDecimal.valueOf(lease.financed())) >= 0 ? low + 1 : low);
    }

    private static BigDecimal worth(Lease lease, BigDecimal yearly) {
        BigDecimal ofPeriod = lease.ofPeriod(yearly);
        return lease.worthOfOne(ofPeriod)
                .multiply(BigDecimal.valueOf(lease.payment()))
                .add(lease.worthOfFinal(ofPeriod).multiply(BigDecimal.valueOf(lease.finalPayment())));
    }

    private long financed(BigDecimal ofPeriod) {
        return lease.financed() > 0 ? lease.financed() : Rounding.toMinor(worth(lease, rate.asFraction()));
    }

    private long payment(BigDecimal ofPeriod) {
        BigDecimal later = lease.worthOfFinal(ofPeriod).multiply(BigDecimal.valueOf(lease.finalPayment()));
        return Rounding.toMinor(BigDecimal.valueOf(financed).subtract(later).divide(lease.worthOfOne(ofPeriod), EXACT));
    }

    /** The last payment takes what rounding leaves, so that the final one clears the rest. */
    private void lay(BigDecimal ofPeriod, long payment) {
        long balance = financed;
        long rest = lease.inAdvance()
                ? Rounding.toMinor(BigDecimal.valueOf(lease.finalPayment()).divide(BigDecimal.ONE.add(ofPeriod), EXACT))
                : lease.finalPayment();
        LocalDate since = lease.on();
        for (int n = 1; n <= lease.payments(); n++) {
            LocalDate day = lease.payDay(n);
            long interest = lease.inAdvance() && n == 1
                    ? 0
                    : Rounding.toMinor(BigDecimal.valueOf(balance).multiply(ofPeriod));
            long principal = n == lease.payments() ? balance - rest : payment - interest;
            balance -= principal;
            payments.add(paid(day, since, principal, interest, balance, false));
            since = lease.inAdvance() ? lease.payDay(n + 1) : day;
        }
        if (lease.finalPayment() > 0) {
            LocalDate from = lease.end().minusMonths(lease.everyMonths());
            payments.add(paid(lease.end(), from, rest, lease.finalPayment() - rest, 0, true));
        }
    }

    private Payment paid(LocalDate day, LocalDate since, long principal, long interest, long left, boolean last) {
        return new Payment(day, lease.convention().adjust(day, calendar), since, principal, interest, left, last);
    }

    /** Returns what is financed, in minor units. */
    public long financed() {
        return financed;
    }

    /** Returns the yearly rate: the one said, or found. */
    public Percent rate() {
        return rate;
    }

    /** Returns every payment but the deposit, in order. */
    public List<Payment> payments() {
        return List.copyOf(payments);
    }

    /** Each period's interest is spread evenly over its days, and rounded once. */
    @Override
    public long interestUpTo(LocalDate day) {
        long asked = 0;
        LocalDate since = lease.on();
        for (Payment one : payments) {
            if (one.payDay().isAfter(day)) {
                BigDecimal days = BigDecimal.valueOf(Math.max(0, ChronoUnit.DAYS.between(since, day)));
                return asked
                        + Rounding.toMinor(BigDecimal.valueOf(one.interest())
                                .multiply(days)
                                .divide(
                                        BigDecimal.valueOf(Math.max(1, ChronoUnit.DAYS.between(since, one.payDay()))),
                                        12,
                                        RoundingMode.HALF_EVEN));
            }
            asked += one.interest();
            since = one.payDay();
        }
        return asked;
    }

    @Override
    public long interestOwedOn(LocalDate day) {
        return interestUpTo(day)
                - payments.stream()
                        .filter(one -> !one.day().isAfter(day))
                        .mapToLong(Payment::interest)
                        .sum();
    }

    /** Returns what is owed of what is financed at the end of a day: nothing before the first. */
    public long owedOn(LocalDate day) {
        if (day.isBefore(lease.on())) {
            return 0;
        }
        long owed = financed;
        for (Payment one : payments) {
            owed = one.day().isAfter(day) ? owed : one.left();
        }
        return owed;
    }

    @Override
    public List<Due> interestDues() {
        return payments.stream()
                .filter(one -> one.interest() != 0 && lease.isOpen(one.payDay()))
                .map(one -> Due.whole(
                        one.payDay(),
                        one.day(),
                        one.interest(),
                        Certainty.CERTAIN,
                        Due.Lasting.UNTIL_PAID,
                        "interest at " + rate + " a year on what was owed before"))
                .toList();
    }
}

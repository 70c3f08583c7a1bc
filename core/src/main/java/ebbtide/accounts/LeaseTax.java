package ebbtide.accounts;

import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.util.List;

/**
 * The sales tax of a lease (rules 7.3, 8.11), in minor units: whole on its first day, on what it costs then, or with
 * the deposit and each payment, interest included.
 */
record LeaseTax(Lease lease, LeaseSchedule schedule, BusinessDays calendar, long taxedAtStart) {
    /** Returns what a lease of which something is said, but too little, lacks. */
    static List<String> missing(Line line) {
        Lease lease = (Lease) line.assumption();
        return lease.isKnown() || lease.lacksAmount()
                ? List.of()
                : List.of(line.name() + " says its " + (lease.payment() > 0 ? "payments" : "amount financed")
                        + " and neither of the other two: type its rate, or its "
                        + (lease.payment() > 0 ? "amount financed" : "payment") + ", or nothing of it counts");
    }

    /** Returns the tax that is paid on the first day. */
    long onFirstDay() {
        return lease.isKnown() ? lease.tax().taxOf(lease.taxed().atStart() ? taxedAtStart : lease.deposit()) : 0;
    }

    /** Returns the tax that is paid with a payment. */
    long on(LeaseSchedule.Payment payment) {
        return lease.taxed().atStart() ? 0 : lease.tax().taxOf(payment.whole());
    }

    private long back(long taxed) {
        return lease.tax().back(false, taxed);
    }

    /** Returns what of the tax of the first day is not claimed back. */
    long keptAtStart() {
        return onFirstDay() - back(onFirstDay());
    }

    /** Returns what of the tax on payments of a month is not claimed back. */
    long keptIn(int month) {
        return schedule.payments().stream()
                .filter(one -> Frame.month(one.payDay()) == month)
                .mapToLong(one -> on(one) - back(on(one)))
                .sum();
    }

    /** Returns the tax of a month that is claimed back. */
    long backIn(int month) {
        long sum = Frame.month(lease.on()) == month ? back(onFirstDay()) : 0;
        return sum
                + schedule.payments().stream()
                        .filter(one -> Frame.month(one.payDay()) == month)
                        .mapToLong(one -> back(on(one)))
                        .sum();
    }

    /** Returns what is paid on the first day, in words. */
    String words() {
        return (lease.deposit() > 0 ? "deposit" : "")
                + (lease.deposit() > 0 && onFirstDay() > 0 ? " and " : "")
                + (onFirstDay() > 0 ? "sales tax" + (lease.taxed().atStart() ? ", whole at the start" : " on it") : "");
    }

    /** Returns the tax points: the days of the payments, on the cash basis those on which they are made. */
    TaxPoints points(Frame frame, TaxPoints.Basis basis) {
        TaxPoints.Sum sum = new TaxPoints.Sum(frame, basis);
        LocalDate first = lease.on();
        sum.addOn(basis.isCash() ? lease.convention().adjust(first, calendar) : first, back(onFirstDay()));
        schedule.payments().forEach(one -> sum.addOn(basis.isCash() ? one.day() : one.payDay(), back(on(one))));
        return sum.done();
    }
}

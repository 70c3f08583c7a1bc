package ebbtide.accounts;

import ebbtide.money.Money;
import ebbtide.money.Split;
import ebbtide.plan.Certainty;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.IntStream;

/**
 * The account of a lease that is an asset and a debt (rules 8.11): what is repaid with each payment, what is used up of
 * what is leased, and the sales tax on it. Its interest stands on a line of its own.
 */
final class LeaseAccount implements LineAccount, AssetHolding {
    private final Line line;
    private final Frame frame;
    private final Lease lease;
    private final LeaseSchedule schedule;
    private final LeaseTax tax;
    private final List<Month> months;

    LeaseAccount(OwnReads reads) {
        this.line = reads.line();
        this.frame = reads.frame();
        this.lease = (Lease) line.assumption();
        this.schedule = new LeaseSchedule(lease, frame.calendar(line));
        this.tax = new LeaseTax(lease, schedule, frame.calendar(line), lease.deposit() + schedule.financed());
        this.months = IntStream.range(frame.open(), frame.open() + frame.toEarned())
                .mapToObj(this::month)
                .toList();
    }

    @Override
    public Line line() {
        return line;
    }

    @Override
    public String name() {
        return line.name();
    }

    @Override
    public List<AssetHolding> each() {
        return List.of(this);
    }

    /** What it costs: all that is financed and the deposit, with tax of the start that is not claimed back. */
    private long cost() {
        return lease.isKnown() ? schedule.financed() + lease.deposit() + tax.keptAtStart() : 0;
    }

    /** Evenly from the month after the first day, by largest remainder. */
    private long usedUpIn(int month) {
        int at = month - Frame.month(lease.on()) - 1;
        return at < 0 || at >= lease.usedUpMonths() ? 0 : Split.equalPart(cost(), lease.usedUpMonths(), at);
    }

    /** Tax on a payment that is not claimed back adds to the cost in its month, and is used up in it. */
    private Month month(int month) {
        long kept = tax.keptIn(month);
        return new Month((month == Frame.month(lease.on()) ? cost() : 0) + kept, usedUpIn(month) + kept, 0, 0);
    }

    @Override
    public long opening() {
        return Frame.month(lease.on()) < frame.open() ? cost() - accumulated(frame.open() - 1) : 0;
    }

    /** What is used up whole, at the end of its life, is given back and stands no more. */
    @Override
    public long accumulated(int month) {
        long sum = 0;
        for (int m = Frame.month(lease.on()) + 1; m <= month; m++) {
            sum += usedUpIn(m);
        }
        return sum;
    }

    @Override
    public List<Month> months() {
        return months;
    }

    @Override
    public List<Due> dues() {
        List<Due> dues = new ArrayList<>();
        long first = lease.deposit() + tax.onFirstDay();
        if (lease.isKnown() && first > 0 && lease.isOpen(lease.on())) {
            dues.add(due(lease.on(), lease.convention().adjust(lease.on(), frame.calendar(line)), first, tax.words()));
        }
        for (LeaseSchedule.Payment one : schedule.payments()) {
            long amount = one.principal() + tax.on(one);
            if (amount != 0 && lease.isOpen(one.payDay())) {
                dues.add(due(one.payDay(), one.day(), amount, words(one)));
            }
        }
        return dues;
    }

    /** What the payment comes to, what is financed and the rate, of which one followed. */
    private String words(LeaseSchedule.Payment payment) {
        return (payment.last() ? "final payment" : "payment") + " of " + words(payment.whole()) + " less its interest; "
                + words(schedule.financed()) + " financed at " + schedule.rate() + " a year"
                + DatedAccount.taxWords(lease.tax());
    }

    private String words(long minor) {
        return Money.words(minor, frame.settings().currency());
    }

    private static Due due(LocalDate typed, LocalDate day, long amount, String words) {
        return Due.whole(typed, day, amount, Certainty.CERTAIN, Due.Lasting.UNTIL_PAID, words);
    }

    @Override
    public Earned earned() {
        Earned.Sum sum = new Earned.Sum(frame, -1);
        for (int i = 0; i < months.size(); i++) {
            sum.earn(frame.open() + i, months.get(i).depreciation());
            sum.bill(frame.open() + i, months.get(i).bought());
            sum.tax(frame.open() + i, tax.backIn(frame.open() + i));
        }
        return sum.done();
    }

    /** What is owed of what is financed, and what of a deposit and of tax has fallen due and is paid after the day. */
    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.of(schedule.owedOn(day) + underWay(day));
    }

    private long underWay(LocalDate day) {
        long sum = lease.isKnown()
                        && !lease.on().isAfter(day)
                        && lease.convention()
                                .adjust(lease.on(), frame.calendar(line))
                                .isAfter(day)
                ? lease.deposit() + tax.onFirstDay()
                : 0;
        return sum
                + schedule.payments().stream()
                        .filter(one -> !one.payDay().isAfter(day) && one.day().isAfter(day))
                        .mapToLong(tax::on)
                        .sum();
    }

    @Override
    public Optional<InterestSchedule> interest() {
        return Optional.of(schedule);
    }

    @Override
    public Optional<String> mendOfOverdue() {
        return Optional.of("say up to which day it is paid");
    }

    @Override
    public List<String> missing() {
        return LeaseTax.missing(line);
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return tax.points(frame, basis);
    }
}

package ebbtide.accounts;

import ebbtide.money.Split;
import ebbtide.plan.Certainty;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;

/**
 * The account of a lease told as plain rent (rules 8.11, 7.2): each payment is a cost of the days it covers, a deposit
 * of those of the whole term.
 */
final class RentAccount implements LineAccount {
    private final Line line;
    private final Frame frame;
    private final Lease lease;
    private final LeaseTax tax;
    private final List<Rent> rents = new ArrayList<>();

    /** A payment with its sales tax, the part of it that is cost, and the days it covers. */
    private record Rent(
            LocalDate payDay, LocalDate day, long amount, long cost, LocalDate from, LocalDate to, String words) {}

    RentAccount(OwnReads reads) {
        this.line = reads.line();
        this.frame = reads.frame();
        this.lease = (Lease) line.assumption();
        LeaseSchedule schedule = new LeaseSchedule(lease, frame.calendar(line));
        long whole = lease.deposit()
                + schedule.payments().stream()
                        .mapToLong(LeaseSchedule.Payment::whole)
                        .sum();
        this.tax = new LeaseTax(lease, schedule, frame.calendar(line), whole);
        long first = lease.deposit() + tax.onFirstDay();
        if (lease.isKnown() && first > 0) {
            LocalDate on = lease.convention().adjust(lease.on(), frame.calendar(line));
            long cost = lease.deposit() + tax.keptAtStart();
            rents.add(new Rent(lease.on(), on, first, cost, lease.on(), lease.end(), tax.words()));
        }
        for (LeaseSchedule.Payment one : schedule.payments()) {
            long taxed = tax.on(one);
            rents.add(new Rent(
                    one.payDay(),
                    one.day(),
                    one.whole() + taxed,
                    one.whole() + taxed - lease.tax().back(false, taxed),
                    one.since(),
                    one.since().plusMonths(lease.everyMonths()),
                    one.last() ? "final payment" : "rent" + DatedAccount.taxWords(lease.tax())));
        }
    }

    @Override
    public Line line() {
        return line;
    }

    @Override
    public List<Due> dues() {
        return rents.stream()
                .filter(one -> lease.isOpen(one.payDay()))
                .map(one -> Due.whole(
                        one.payDay(),
                        one.day(),
                        one.amount(),
                        Certainty.CERTAIN,
                        Due.Lasting.BETWEEN_NEIGHBOURS,
                        one.words()))
                .toList();
    }

    @Override
    public Earned earned() {
        Earned.Sum sum = new Earned.Sum(frame, -1);
        for (Rent one : rents) {
            sum.bill(Frame.month(one.payDay()), one.cost());
            spread(sum, one);
        }
        for (int month = frame.open(); month < frame.open() + frame.toEarned(); month++) {
            sum.tax(month, tax.backIn(month));
        }
        return line.nature() == Nature.OUTSIDE ? sum.done().outside() : sum.done();
    }

    private static void spread(Earned.Sum sum, Rent rent) {
        int first = Frame.month(rent.from());
        int count = Frame.month(rent.to().minusDays(1)) - first + 1;
        long[] days = new long[count];
        LocalDate at = rent.from();
        for (int i = 0; i < count; i++) {
            LocalDate next = Timeline.month(first + i + 1).atDay(1);
            LocalDate to = next.isBefore(rent.to()) ? next : rent.to();
            days[i] = ChronoUnit.DAYS.between(at, to);
            at = to;
        }
        long[] parts = Split.byWeights(rent.cost(), days);
        for (int i = 0; i < count; i++) {
            sum.earn(first + i, parts[i]);
        }
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.of(rents.stream()
                .filter(one -> !one.payDay().isAfter(day) && one.day().isAfter(day))
                .mapToLong(Rent::amount)
                .sum());
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

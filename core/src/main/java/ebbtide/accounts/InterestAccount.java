package ebbtide.accounts;

import ebbtide.derive.Lazy;
import ebbtide.plan.Line;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * The account of interest: a loan's, or a deposit's, falls due with its schedule and costs night by night, its fee over
 * its term; what the sweep bears is paid by the sweep, and costs by what it was found to (rules 8.5, 8.9).
 */
public final class InterestAccount implements LineAccount {
    private final Reads reads;
    private final Lazy<Earned> earned;

    /**
     * What the account is made from: the schedule it falls due by, if by one, and what the sweep's interest earns by
     * month, as far as it is known.
     */
    record Reads(Line line, Frame frame, Optional<InterestSchedule> schedule, Optional<MonthSeries> swept) {}

    InterestAccount(Reads reads) {
        this.reads = reads;
        this.earned = Lazy.of(this::earn);
    }

    @Override
    public Line line() {
        return reads.line();
    }

    @Override
    public List<Due> dues() {
        return reads.schedule().map(InterestSchedule::interestDues).orElse(List.of());
    }

    @Override
    public Earned earned() {
        return earned.get();
    }

    private Earned earn() {
        return reads.swept()
                .map(this::ofSweep)
                .or(() -> reads.schedule().map(this::scheduled))
                .orElseGet(() -> Earned.nil(reads.frame()));
    }

    private Earned ofSweep(MonthSeries swept) {
        MonthSeries earned = swept.first(reads.frame().toEarned());
        return new Earned(earned, MonthSeries.nil(earned.first(), earned.months()), earned);
    }

    private Earned scheduled(InterestSchedule schedule) {
        Frame frame = reads.frame();
        Earned.Sum sum = new Earned.Sum(frame, 1);
        long before = schedule.interestUpTo(Timeline.month(frame.open() - 1).atEndOfMonth());
        for (int i = frame.open(); i < frame.open() + frame.toEarned(); i++) {
            YearMonth month = Timeline.month(i);
            long upTo = schedule.interestUpTo(month.atEndOfMonth());
            sum.both(i, before - upTo);
            sum.earn(i, -schedule.feeOf(month));
            sum.bill(i, -schedule.feeBilled(month));
            before = upTo;
        }
        return sum.done();
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.of(
                reads.schedule().map(schedule -> schedule.interestOwedOn(day)).orElse(0L));
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return TaxPoints.none(reads.frame());
    }
}

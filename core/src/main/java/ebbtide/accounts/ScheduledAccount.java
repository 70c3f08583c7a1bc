package ebbtide.accounts;

import ebbtide.plan.Line;
import java.util.Optional;

/**
 * The account of a line that moves by a schedule of its own and earns nothing itself: what it costs, or earns, stands
 * on the line of its interest.
 */
abstract class ScheduledAccount<S extends InterestSchedule> implements LineAccount {
    private final OwnReads reads;
    private final S schedule;

    ScheduledAccount(OwnReads reads, S schedule) {
        this.reads = reads;
        this.schedule = schedule;
    }

    /** Returns the schedule. */
    public S schedule() {
        return schedule;
    }

    @Override
    public Line line() {
        return reads.line();
    }

    @Override
    public Earned earned() {
        return Earned.nil(reads.frame());
    }

    @Override
    public Optional<InterestSchedule> interest() {
        return Optional.of(schedule);
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return TaxPoints.none(reads.frame());
    }
}

package ebbtide.accounts;

import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalLong;

/** The account of a line on which nothing falls due by itself: a heading over other lines, or a facility. */
sealed class QuietAccount implements LineAccount permits FacilityAccount {
    private final OwnReads reads;

    QuietAccount(OwnReads reads) {
        this.reads = reads;
    }

    @Override
    public Line line() {
        return reads.line();
    }

    @Override
    public List<Due> dues() {
        return List.of();
    }

    @Override
    public Earned earned() {
        return Earned.nil(reads.frame());
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.empty();
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return TaxPoints.none(reads.frame());
    }
}

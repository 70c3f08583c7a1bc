package ebbtide.accounts;

import ebbtide.plan.Line;
import java.util.List;

/** The account of a heading over other lines, which has no figures of its own. */
record GroupAccount(OwnReads reads) implements LineAccount {
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
  public TaxPoints taxPoints(TaxPoints.Basis basis) {
    return TaxPoints.none(reads.frame());
  }
}

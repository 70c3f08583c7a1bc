package ebbtide.accounts;

import ebbtide.plan.Line;
import ebbtide.plan.Revolving;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalLong;

/** The account of a revolving facility: nothing falls due on it by itself, since the sweep draws and repays it (rules 8.4), until it ends. */
record FacilityAccount(OwnReads reads) implements LineAccount {
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

  /** All of it where the facility ends later; nothing where it ends before, or can be called. */
  @Override
  public long dueLater(long balance, boolean own, LocalDate day, LocalDate by) {
    LocalDate ends = ((Revolving) line().assumption()).end();
    return ends != null && ends.isAfter(by) ? balance : 0;
  }

  @Override
  public TaxPoints taxPoints(TaxPoints.Basis basis) {
    return TaxPoints.none(reads.frame());
  }
}

package ebbtide.accounts;

import ebbtide.plan.Line;
import ebbtide.plan.TermLoan;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** The account of a loan: its schedule (rules 8.6). What it costs stands on the line of its interest. */
public final class LoanAccount implements LineAccount {
  private final OwnReads reads;
  private final LoanSchedule schedule;

  LoanAccount(OwnReads reads) {
    this.reads = reads;
    this.schedule = new LoanSchedule((TermLoan) reads.line().assumption(), reads.frame().calendar(reads.line()));
  }

  /** Returns what is lent, repaid and paid as interest. */
  public LoanSchedule schedule() {
    return schedule;
  }

  @Override
  public Line line() {
    return reads.line();
  }

  @Override
  public List<Due> dues() {
    return schedule.dues();
  }

  @Override
  public Earned earned() {
    return Earned.nil(reads.frame());
  }

  @Override
  public OptionalLong owedOn(LocalDate day) {
    return OptionalLong.of(schedule.owedOn(day));
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

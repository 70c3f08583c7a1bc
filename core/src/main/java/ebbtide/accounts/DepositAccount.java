package ebbtide.accounts;

import ebbtide.plan.Line;
import ebbtide.plan.TermDeposit;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** The account of a term deposit: its schedule (rules 8.10). What it earns stands on the line of its interest. */
public final class DepositAccount implements LineAccount {
  private static final int BEYOND = 12;
  private final OwnReads reads;
  private final DepositSchedule schedule;

  DepositAccount(OwnReads reads) {
    this.reads = reads;
    this.schedule = new DepositSchedule((TermDeposit) reads.line().assumption(), reads.frame().calendar(reads.line()),
        reads.frame().lastEarned().plusMonths(BEYOND).atEndOfMonth());
  }

  /** Returns what is put away and comes back, and its interest. */
  public DepositSchedule schedule() {
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

  /** In the direction of its line, which is that of payments: what is put away stands below zero. */
  @Override
  public OptionalLong owedOn(LocalDate day) {
    return OptionalLong.of(-schedule.placedOn(day));
  }

  @Override
  public OptionalLong owedBeyond(LocalDate day, LocalDate by) {
    return OptionalLong.of(schedule.callable(day, by) - schedule.placedOn(day));
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
